import { Caption, EARTH, STROKE } from "../drawing.tsx";
import type { SectionProps } from "../system-view.ts";
import type { StoredRoots } from "../system-words.ts";

/** Pots on a table or mat: filled as far as they hold water now. */
export function BenchSection({ roots, vessel }: SectionProps<StoredRoots>) {
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
          <rect x={x - 30} y={top} width="60" height={height} fill={EARTH} clipPath={`url(#pot${x})`} />
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
