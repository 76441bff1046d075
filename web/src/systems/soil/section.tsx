import type { ReactNode } from "react";
import { useUnits } from "../../units/use-units.tsx";
import { EARTH, HELD } from "../drawing.tsx";
import { soilWords } from "./words.ts";
import type { StoredRoots } from "../system-words.ts";

/** Wetted soil under a bed; the dashed line is where it is watered. */
export function SoilSection({ roots, lines }: { roots: StoredRoots; lines: ReactNode }) {
  const { show } = useUnits();
  const { key } = soilWords.state(roots, show, false);
  const trigger = show("waterDepth", roots.triggerMm);
  const filled = Math.min(1, Math.max(0, 1 - roots.depletionMm / roots.availableMm));
  const top = 96;
  const height = 130;
  const triggerAt = top + height * Math.min(1, roots.triggerMm / roots.availableMm);
  return (
    <svg viewBox="0 0 300 260" width="100%" role="img" aria-label={`Soil, ${key.text} ${key.unit} of water`}>
      <path
        d="M150 92 C150 70 130 60 112 48 M150 92 C150 70 172 60 190 46 M150 92 V58"
        fill="none"
        stroke="var(--plant)"
        strokeWidth="3.5"
        strokeLinecap="round"
      />
      <rect x="10" y="92" width="280" height="146" fill={EARTH} />
      <clipPath id="wetted">
        <path
          d={`M80 ${top} C40 ${top + 60} 70 ${top + height} 150 ${top + height} C230 ${top + height} 260 ${top + 60} 220 ${top} Z`}
        />
      </clipPath>
      <rect x="20" y={top} width="260" height={height} fill={HELD} clipPath="url(#wetted)" />
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
      {lines}
      <line x1="10" x2="290" y1="92" y2="92" stroke="var(--ink)" strokeWidth="2" />
      <text x="150" y="176" fontSize="20" fontWeight="650" textAnchor="middle" fill="var(--ink)">
        {key.text} {key.unit}
      </text>
      <text x="150" y="256" fontSize="13" textAnchor="middle" fill="var(--quiet)">
        watered from {trigger.text} {trigger.unit} (dashed), computed
      </text>
    </svg>
  );
}
