import { Caption, ROOT, STROKE } from "../drawing.tsx";
import type { SectionProps } from "../system-view.ts";
import type { StoredRoots } from "../system-words.ts";

export function SolutionTankSection({ roots, vessel }: SectionProps<StoredRoots>) {
  return vessel === "film" || vessel === "channel" ? (
    <ReturnTank roots={roots} vessel={vessel} />
  ) : (
    <Tank roots={roots} vessel={vessel} />
  );
}

/** Channels with their film or stream over the tank that it returns to; the tank's level is the state. */
function ReturnTank({ roots, vessel }: Omit<SectionProps<StoredRoots>, "vessel"> & { vessel: "film" | "channel" }) {
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
function Tank({ roots, vessel }: SectionProps<StoredRoots>) {
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
            stroke={ROOT}
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
