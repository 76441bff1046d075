import { showDigits } from "../../units/show.ts";
import { useDates } from "../../units/dates.tsx";
import { EARTH, ROOT } from "../drawing.tsx";
import type { SectionProps, VesselKind } from "../system-view.ts";
import type { DrainedRoots } from "../system-words.ts";

/** Outline of what holds the substrate, between two heights. */
function outline(vessel: VesselKind, top: number, bottom: number): string {
  if (vessel === "pot") return `M70 ${top} H230 L214 ${bottom} H86 Z`;
  if (vessel === "trough") return `M20 ${top} L32 ${bottom} H268 L280 ${top} Z`;
  const r = vessel === "slab" ? 3 : 12;
  return `M${20 + r} ${top} H${280 - r} Q280 ${top} 280 ${top + r} V${bottom - r} Q280 ${bottom} ${280 - r} ${bottom} H${20 + r} Q20 ${bottom} 20 ${bottom - r} V${top + r} Q20 ${top} ${20 + r} ${top} Z`;
}

/** A bag, slab, pot or trough over its drain. */
export function SubstrateSection({ roots, vessel }: SectionProps<DrainedRoots>) {
  const dates = useDates();
  const { heldPct, drain } = roots;
  const top = 96;
  const bottom = 186;
  const level = heldPct === null ? top : bottom - ((bottom - top) * heldPct) / 100;
  const shape = outline(vessel, top, bottom);
  const label = `A ${vessel ?? "bag"} that holds ${heldPct === null ? "an unknown share" : `${showDigits(heldPct)} %`} of its water${drain ? `, ${showDigits(drain.sharePct)} % drained` : ""}`;
  return (
    <svg viewBox="0 0 300 260" width="100%" role="img" aria-label={label}>
      <path
        d="M150 92 C150 60 138 44 120 24 M150 92 C150 56 166 44 184 20 M150 92 V40"
        fill="none"
        stroke="var(--plant)"
        strokeWidth="3.5"
        strokeLinecap="round"
      />
      <path d={shape} fill={EARTH} />
      <clipPath id="vessel">
        <path d={shape} />
      </clipPath>
      <rect
        x="20"
        y={level}
        width="260"
        height={bottom - level}
        fill="var(--water)"
        opacity="0.75"
        clipPath="url(#vessel)"
      />
      <path
        d="M150 98 C138 120 110 128 92 158 M150 98 C154 126 168 138 208 160 M150 98 C148 130 146 150 152 176"
        fill="none"
        stroke={ROOT}
        strokeWidth="1.6"
        opacity={vessel === "pot" ? 0.3 : 1}
      />
      <path d={shape} fill="none" stroke="var(--ink)" strokeWidth="2" />
      <path
        d={vessel === "pot" ? "M92 66 H104 V96" : "M52 66 H64 V96"}
        fill="none"
        stroke="var(--pipe)"
        strokeWidth="4"
      />
      <text x={vessel === "pot" ? 92 : 40} y="146" fontSize="20" fontWeight="650" fill="var(--ink)">
        {heldPct === null ? "?" : `${showDigits(heldPct)} %`}
      </text>
      <text x={vessel === "pot" ? 92 : 40} y="164" fontSize="12" fill="var(--ink)">
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
        {drain
          ? `drain ${showDigits(drain.sharePct)} %${drain.ecMsCm === null ? "" : `, EC ${showDigits(drain.ecMsCm)} mS/cm`}`
          : "no drain reading"}
      </text>
      <text x="196" y="240" fontSize="12" textAnchor="end" fill="var(--quiet)">
        target {showDigits(roots.drainTargetPct)} %{drain && `, read ${dates.show(drain.on, "day")}`}
      </text>
    </svg>
  );
}
