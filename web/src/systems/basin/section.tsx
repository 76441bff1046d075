import { Caption, EARTH, HELD } from "../drawing.tsx";
import type { SectionProps } from "../system-view.ts";
import type { StoredRoots } from "../system-words.ts";

/** The basin between its bunds, with the tube that shows the water below the soil. */
export function BasinSection({ roots }: SectionProps<StoredRoots>) {
  const soil = 110;
  const level = roots.levelCm ?? 0;
  const at = (cm: number): number => soil - (cm >= 0 ? cm * 5 : cm * 3);
  return (
    <svg viewBox="0 0 300 260" width="100%" role="img" aria-label="A basin with its observation tube">
      <rect x="10" y={soil} width="280" height="86" fill={EARTH} />
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
      <path d={`M10 ${soil} V80 L34 ${soil} H266 L290 80 V${soil}`} fill={HELD} stroke="var(--ink)" strokeWidth="2" />
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
