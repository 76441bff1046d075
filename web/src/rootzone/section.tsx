import type { Roots } from "@sprunel/contract/rootzone";
import type { Vessel } from "@sprunel/contract/site";
import { showDigits } from "../units/show.ts";
import { storeWords, type StoreRoots } from "./store-words.ts";
import { useUnits } from "../units/use-units.tsx";
import { useDates } from "../units/dates.tsx";

/** What roots live in, where that was said. */
type VesselKind = Vessel["kind"] | undefined;

/** A cut through the root zone, filled to today's state. */
export function Section({ roots, vessel }: { roots: Roots; vessel: VesselKind }) {
  if (roots.kind === "drained") return <Substrate roots={roots} vessel={vessel} />;
  switch (roots.system) {
    case "solution-tank":
      return vessel === "film" || vessel === "channel" ? (
        <ReturnTank roots={roots} vessel={vessel} />
      ) : (
        <Tank roots={roots} vessel={vessel} />
      );
    case "sub-irrigated-bench":
      return <Bench roots={roots} vessel={vessel} />;
    case "basin":
      return <Basin roots={roots} />;
    default:
      return <Soil roots={roots} />;
  }
}

/** Outline of what holds the substrate, between two heights. */
function outline(vessel: VesselKind, top: number, bottom: number): string {
  if (vessel === "pot") return `M70 ${top} H230 L214 ${bottom} H86 Z`;
  if (vessel === "trough") return `M20 ${top} L32 ${bottom} H268 L280 ${top} Z`;
  const r = vessel === "slab" ? 3 : 12;
  return `M${20 + r} ${top} H${280 - r} Q280 ${top} 280 ${top + r} V${bottom - r} Q280 ${bottom} ${280 - r} ${bottom} H${20 + r} Q20 ${bottom} 20 ${bottom - r} V${top + r} Q20 ${top} ${20 + r} ${top} Z`;
}

function Substrate({ roots, vessel }: { roots: Extract<Roots, { kind: "drained" }>; vessel: VesselKind }) {
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
      <path d={shape} fill="#d9cdb6" />
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
        stroke="#7a6a48"
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

function Soil({ roots }: { roots: StoreRoots }) {
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
      {roots.system === "buried-drip" ? (
        <circle cx="150" cy="138" r="6" fill="var(--pipe)" />
      ) : (
        <>
          <circle cx="116" cy="90" r="5" fill="var(--pipe)" />
          <circle cx="184" cy="90" r="5" fill="var(--pipe)" />
        </>
      )}
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

const STROKE = { fill: "none", stroke: "var(--ink)", strokeWidth: 2 } as const;

/** The state in words under a drawing. */
function Caption({ roots, y }: { roots: StoreRoots; y: number }) {
  const { show } = useUnits();
  const { key, sub } = storeWords(roots, show);
  return (
    <>
      <text x="150" y={y} fontSize="20" fontWeight="650" textAnchor="middle" fill="var(--ink)">
        {key.text} {key.unit}
      </text>
      <text x="150" y={y + 20} fontSize="13" textAnchor="middle" fill="var(--quiet)">
        {sub}
      </text>
    </>
  );
}

/** Channels with their film or stream over the tank that it returns to; the tank's level is the state. */
function ReturnTank({ roots, vessel }: { roots: StoreRoots; vessel: "film" | "channel" }) {
  const [top, height] = [128, 62];
  const y = (mm: number): number => top + height * Math.min(1, mm / roots.availableMm);
  const level = y(roots.depletionMm);
  const fall = vessel === "film" ? 12 : 0;
  return (
    <svg viewBox="0 0 300 260" width="100%" role="img" aria-label="Channels that return to a tank">
      <path
        d={`M20 ${96 - fall} L250 96 v${vessel === "film" ? -4 : -16} L20 ${(vessel === "film" ? 92 : 80) - fall} Z`}
        fill="var(--water)"
        opacity="0.75"
      />
      <path d={`M20 ${70 - fall} V${96 - fall} L250 96 V74`} {...STROKE} />
      {[60, 110, 160, 210].map((x) => (
        <path
          key={x}
          d={`M${x} ${92 - fall * (1 - x / 250)} c-2 -22 -12 -30 -18 -36 m18 36 c2 -22 12 -30 18 -38 m-18 38 v-36`}
          fill="none"
          stroke="var(--plant)"
          strokeWidth="3.5"
          strokeLinecap="round"
        />
      ))}
      <path d="M258 98 V124" stroke="var(--pipe)" strokeWidth="3" strokeDasharray="4 4" />
      <rect x="90" y={level} width="180" height={top + height - level} fill="var(--water)" opacity="0.75" />
      <path d={`M90 ${top - 8} V${top + height} H270 V${top - 8}`} {...STROKE} />
      <line
        x1="90"
        x2="270"
        y1={y(roots.triggerMm)}
        y2={y(roots.triggerMm)}
        stroke="var(--act)"
        strokeDasharray="5 4"
      />
      <Caption roots={roots} y={220} />
    </svg>
  );
}

/** Plants over the solution, on floats or on a lid with moist air under it; the dashed line is where it is topped up. */
function Tank({ roots, vessel }: { roots: StoreRoots; vessel: VesselKind }) {
  const [top, height] = [80, 110];
  const y = (mm: number): number => top + height * Math.min(1, mm / roots.availableMm);
  const water = y(roots.depletionMm);
  const level = vessel === "deep" ? top - 14 : water;
  return (
    <svg viewBox="0 0 300 260" width="100%" role="img" aria-label="A tank of solution under its plants">
      <rect x="30" y={water} width="240" height={top + height - water} fill="var(--water)" opacity="0.75" />
      <path d={`M30 ${top - 22} V${top + height} H270 V${top - 22}`} {...STROKE} />
      {[70, 122, 174, 226].map((x) => (
        <g key={x}>
          <path
            d={`M${x} ${level - 8} C${x - 4} ${level - 30} ${x - 16} ${level - 34} ${x - 20} ${level - 38} M${x} ${level - 8} C${x + 4} ${level - 30} ${x + 16} ${level - 34} ${x + 20} ${level - 38} M${x} ${level - 8} V${level - 40}`}
            fill="none"
            stroke="var(--plant)"
            strokeWidth="3.5"
            strokeLinecap="round"
          />
          <path
            d={`M${x} ${level} C${x - 8} ${level + 20} ${x - 4} ${level + 34} ${x - 12} ${level + 52} M${x} ${level} C${x + 6} ${level + 22} ${x + 2} ${level + 38} ${x + 10} ${level + 56}`}
            fill="none"
            stroke="#7a6a48"
            strokeWidth="1.6"
          />
        </g>
      ))}
      <rect x="34" y={level - 8} width="232" height="8" fill="var(--raised)" stroke="var(--ink)" />
      <line
        x1="30"
        x2="270"
        y1={y(roots.triggerMm)}
        y2={y(roots.triggerMm)}
        stroke="var(--act)"
        strokeDasharray="5 4"
      />
      <Caption roots={roots} y={220} />
    </svg>
  );
}

/** Pots on a table or mat: filled as far as they hold water now. */
function Bench({ roots, vessel }: { roots: StoreRoots; vessel: VesselKind }) {
  const held = Math.max(0, 1 - roots.depletionMm / roots.availableMm);
  const [top, height] = [96, 70];
  return (
    <svg viewBox="0 0 300 260" width="100%" role="img" aria-label="Pots on a flooded bench">
      {[60, 150, 240].map((x) => (
        <g key={x}>
          <path
            d={`M${x} ${top} C${x} 66 ${x - 16} 58 ${x - 24} 48 M${x} ${top} C${x} 66 ${x + 16} 58 ${x + 24} 48 M${x} ${top} V52`}
            fill="none"
            stroke="var(--plant)"
            strokeWidth="3.5"
            strokeLinecap="round"
          />
          <clipPath id={`pot${x}`}>
            <path d={`M${x - 30} ${top} H${x + 30} L${x + 22} ${top + height} H${x - 22} Z`} />
          </clipPath>
          <rect x={x - 30} y={top} width="60" height={height} fill="#d9cdb6" clipPath={`url(#pot${x})`} />
          <rect
            x={x - 30}
            y={top + height * (1 - held)}
            width="60"
            height={height * held}
            fill="var(--water)"
            opacity="0.75"
            clipPath={`url(#pot${x})`}
          />
          <path d={`M${x - 30} ${top} H${x + 30} L${x + 22} ${top + height} H${x - 22} Z`} {...STROKE} />
        </g>
      ))}
      {vessel === "mat" ? (
        <rect x="12" y={top + height + 2} width="276" height="8" fill="var(--water)" stroke="var(--ink)" />
      ) : (
        <path d={`M12 ${top + height - 14} V${top + height + 6} H288 V${top + height - 14}`} {...STROKE} />
      )}
      <Caption roots={roots} y={214} />
    </svg>
  );
}

/** The basin between its bunds, with the tube that shows the water below the soil. */
function Basin({ roots }: { roots: StoreRoots }) {
  const soil = 110;
  const level = roots.levelCm ?? 0;
  const at = (cm: number): number => soil - (cm >= 0 ? cm * 5 : cm * 3);
  return (
    <svg viewBox="0 0 300 260" width="100%" role="img" aria-label="A basin with its observation tube">
      <rect x="10" y={soil} width="280" height="86" fill="#d9cdb6" />
      {level > 0 && (
        <rect x="34" y={at(level)} width="232" height={soil - at(level)} fill="var(--water)" opacity="0.75" />
      )}
      <rect
        x="10"
        y={at(Math.min(0, level))}
        width="280"
        height={soil + 86 - at(Math.min(0, level))}
        fill="var(--water)"
        opacity="0.45"
      />
      <path
        d={`M10 ${soil} V80 L34 ${soil} H266 L290 80 V${soil}`}
        fill="#c4b491"
        stroke="var(--ink)"
        strokeWidth="2"
      />
      {[70, 110, 190].map((x) => (
        <path
          key={x}
          d={`M${x} ${soil} C${x} 84 ${x - 12} 76 ${x - 18} 64 M${x} ${soil} C${x} 84 ${x + 12} 76 ${x + 18} 62 M${x} ${soil} V70`}
          fill="none"
          stroke="var(--plant)"
          strokeWidth="3.5"
          strokeLinecap="round"
        />
      ))}
      <rect x="226" y="72" width="16" height="112" fill="var(--raised)" stroke="var(--ink)" strokeWidth="2" />
      <rect x="227" y={at(level)} width="14" height={183 - at(level)} fill="var(--water)" />
      <line
        x1="214"
        x2="254"
        y1={at(roots.levelAtTriggerCm ?? 0)}
        y2={at(roots.levelAtTriggerCm ?? 0)}
        stroke="var(--act)"
        strokeWidth="1.5"
        strokeDasharray="5 4"
      />
      <Caption roots={roots} y={224} />
    </svg>
  );
}
