import type { Roots } from "@sprunel/contract";
import dayjs from "dayjs";
import { showDigits } from "../units/show.ts";
import { useUnits } from "../units/use-units.tsx";

/** A cut through the root zone, filled to today's state. */
export function Section({ roots }: { roots: Roots }) {
  return roots.kind === "substrate" ? <Bag roots={roots} /> : <Soil roots={roots} />;
}

function Bag({ roots }: { roots: Extract<Roots, { kind: "substrate" }> }) {
  const { heldPct, drain } = roots;
  const top = 96;
  const bottom = 186;
  const level = heldPct === null ? top : bottom - ((bottom - top) * heldPct) / 100;
  const label = `A bag that holds ${heldPct === null ? "an unknown share" : `${showDigits(heldPct)} %`} of its water${drain ? `, ${showDigits(drain.sharePct)} % drained` : ""}`;
  return (
    <svg viewBox="0 0 300 260" width="100%" role="img" aria-label={label}>
      <path
        d="M150 92 C150 60 138 44 120 24 M150 92 C150 56 166 44 184 20 M150 92 V40"
        fill="none"
        stroke="var(--plant)"
        strokeWidth="3.5"
        strokeLinecap="round"
      />
      <rect x="20" y={top} width="260" height={bottom - top} rx="12" fill="#d9cdb6" />
      <clipPath id="bag">
        <rect x="20" y={top} width="260" height={bottom - top} rx="12" />
      </clipPath>
      <rect
        x="20"
        y={level}
        width="260"
        height={bottom - level}
        fill="var(--water)"
        opacity="0.75"
        clipPath="url(#bag)"
      />
      <path
        d="M150 98 C138 120 110 128 92 158 M150 98 C154 126 168 138 208 160 M150 98 C148 130 146 150 152 176"
        fill="none"
        stroke="#7a6a48"
        strokeWidth="1.6"
      />
      <rect x="20" y={top} width="260" height={bottom - top} rx="12" fill="none" stroke="var(--ink)" strokeWidth="2" />
      <path d="M52 66 H64 V96" fill="none" stroke="var(--pipe)" strokeWidth="4" />
      <text x="40" y="146" fontSize="20" fontWeight="650" fill="var(--ink)">
        {heldPct === null ? "?" : `${showDigits(heldPct)} %`}
      </text>
      <text x="40" y="164" fontSize="12" fill="var(--ink)">
        of its water, computed
      </text>
      <path d="M240 188 v14" stroke="var(--pipe)" strokeWidth="3" strokeDasharray="4 4" />
      <rect x="200" y="206" width="80" height="22" rx="4" fill="none" stroke="var(--ink)" strokeWidth="2" />
      {drain && (
        <rect
          x="201"
          y={227 - 0.2 * Math.min(100, drain.sharePct)}
          width="78"
          height={0.2 * Math.min(100, drain.sharePct)}
          fill="var(--water)"
        />
      )}
      <text x="196" y="222" fontSize="13" textAnchor="end" fill="var(--ink)">
        {drain ? `drain ${showDigits(drain.sharePct)} %, EC ${showDigits(drain.ecMsCm)} mS/cm` : "no drain reading"}
      </text>
      <text x="196" y="240" fontSize="12" textAnchor="end" fill="var(--quiet)">
        target {showDigits(roots.drainTargetPct)} %{drain && `, read ${dayjs(drain.on).format("D MMM")}`}
      </text>
    </svg>
  );
}

function Soil({ roots }: { roots: Extract<Roots, { kind: "soil-drip" }> }) {
  const { show } = useUnits();
  const short = show("waterDepth", roots.depletionMm);
  const trigger = show("waterDepth", roots.triggerMm);
  const filled = Math.max(0, 1 - roots.depletionMm / roots.availableMm);
  const top = 96;
  const height = 130;
  const triggerAt = top + height * Math.min(1, roots.triggerMm / roots.availableMm);
  return (
    <svg
      viewBox="0 0 300 260"
      width="100%"
      role="img"
      aria-label={`Soil that lacks ${short.text} ${short.unit} of water`}
    >
      <path
        d="M150 92 C150 70 130 60 112 48 M150 92 C150 70 172 60 190 46 M150 92 V58"
        fill="none"
        stroke="var(--plant)"
        strokeWidth="3.5"
        strokeLinecap="round"
      />
      <rect x="10" y="92" width="280" height="146" fill="#d9cdb6" />
      <clipPath id="wetted">
        <path
          d={`M80 ${top} C40 ${top + 60} 70 ${top + height} 150 ${top + height} C230 ${top + height} 260 ${top + 60} 220 ${top} Z`}
        />
      </clipPath>
      <rect x="20" y={top} width="260" height={height} fill="#c4b491" clipPath="url(#wetted)" />
      <rect
        x="20"
        y={top + height * (1 - filled)}
        width="260"
        height={height * filled}
        fill="var(--water)"
        opacity="0.75"
        clipPath="url(#wetted)"
      />
      <line
        x1="36"
        x2="264"
        y1={triggerAt}
        y2={triggerAt}
        stroke="var(--act)"
        strokeWidth="1.5"
        strokeDasharray="5 4"
      />
      <circle cx="116" cy="90" r="5" fill="var(--pipe)" />
      <circle cx="184" cy="90" r="5" fill="var(--pipe)" />
      <line x1="10" x2="290" y1="92" y2="92" stroke="var(--ink)" strokeWidth="2" />
      <text x="150" y="176" fontSize="20" fontWeight="650" textAnchor="middle" fill="var(--ink)">
        {short.text} {short.unit} short
      </text>
      <text x="150" y="256" fontSize="13" textAnchor="middle" fill="var(--quiet)">
        watered from {trigger.text} {trigger.unit} (dashed), computed
      </text>
    </svg>
  );
}
