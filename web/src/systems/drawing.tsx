import type { ReactNode } from "react";
import { useUnits } from "../units/use-units.tsx";
import type { SectionProps, SystemView } from "./system-view.ts";
import type { DrainedRoots, StoredRoots } from "./system-words.ts";
import { SYSTEM_WORDS } from "./words.ts";

export const EARTH = "#d9cdb6";
export const HELD = "#c4b491";
export const ROOT = "#7a6a48";
export const STROKE = { fill: "none", stroke: "var(--ink)", strokeWidth: 2 } as const;
export const THIN = { stroke: "var(--ink)", strokeWidth: 1.5 } as const;

/** A cut across a bed: its size, and the height of the ground. */
export const CUT = { width: 300, height: 150, ground: 92 } as const;
/** Beyond so many rows a cut shows no more of them. */
export const MOST_ROWS = 12;

/** The same drawing at equal distances across a cut. */
export function each(of: number, draw: (x: number, width: number) => ReactNode): ReactNode {
  const width = (CUT.width - 60) / of;
  return Array.from({ length: of }, (_, index) => (
    <g key={index}>{draw(30 + (index + 0.5) * width, Math.min(60, width))}</g>
  ));
}

export function Plant({ x, y }: { x: number; y: number }) {
  return (
    <path
      d={`M${x} ${y} C${x} ${y - 20} ${x - 8} ${y - 28} ${x - 14} ${y - 34} M${x} ${y} C${x} ${y - 22} ${x + 8} ${y - 28} ${x + 14} ${y - 36} M${x} ${y} V${y - 30}`}
      fill="none"
      stroke="var(--plant)"
      strokeWidth="2.5"
      strokeLinecap="round"
    />
  );
}

/** A plant at every row of a cut. */
export function plantsAt(rows: number, y: number): ReactNode {
  return each(Math.min(MOST_ROWS, rows), (x) => <Plant x={x} y={y} />);
}

/** The state in words under a drawing. */
export function Caption({ roots, y }: { roots: StoredRoots; y: number }) {
  const { show } = useUnits();
  const { key, sub } = SYSTEM_WORDS[roots.system].state(roots, show, false);
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

/** A drawing of what is filled again once enough is missing. */
export function ofStored(Drawn: (props: SectionProps<StoredRoots>) => ReactNode): SystemView["Section"] {
  return function Stored({ roots, vessel }) {
    return roots.kind === "stored" ? <Drawn roots={roots} vessel={vessel} /> : null;
  };
}

/** A drawing of what runs out below. */
export function ofDrained(Drawn: (props: SectionProps<DrainedRoots>) => ReactNode): SystemView["Section"] {
  return function Drained({ roots, vessel }) {
    return roots.kind === "drained" ? <Drawn roots={roots} vessel={vessel} /> : null;
  };
}
