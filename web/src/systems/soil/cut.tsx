import type { ReactNode } from "react";
import { CUT, EARTH, each, HELD, plantsAt } from "../drawing.tsx";
import { alongLines, planted, size, TO_THE_NEXT, type Questions } from "../questions.ts";
import type { CutProps } from "../system-view.ts";

/** Beds in the ground under drip lines. */
export const BED_QUESTIONS: Questions = {
  big: size("beds", TO_THE_NEXT),
  planted,
  watered: alongLines,
  vessels: {},
};

export const isMulched = (figures: CutProps["figures"]): boolean => Number(figures["mulchSavesPct"] ?? 0) > 0;

/** A raised bed with its mulch; the lines lie so far above the ground, or below it with a minus. */
export function bedCut({ layout, figures }: CutProps, lineHeight: number): ReactNode {
  const { width: w, height: h, ground } = CUT;
  return (
    <>
      <rect x="0" y={ground} width={w} height={h - ground} fill={EARTH} />
      <path d={`M18 ${ground} L34 ${ground - 14} H${w - 34} L${w - 18} ${ground} Z`} fill={HELD} />
      {isMulched(figures) && (
        <path
          d={`M14 ${ground + 2} L33 ${ground - 16} H${w - 33} L${w - 14} ${ground + 2}`}
          fill="none"
          stroke="var(--ink)"
          strokeWidth="2.5"
        />
      )}
      {each(layout.linesPerBed, (x) => (
        <circle cx={x} cy={ground - lineHeight} r="5" fill="var(--pipe)" />
      ))}
      {plantsAt(layout.rows, ground - 15)}
    </>
  );
}
