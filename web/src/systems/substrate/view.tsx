import { CUT, EARTH, each, MOST_ROWS, ofDrained, Plant } from "../drawing.tsx";
import { potShape, RIM } from "../pots/pot-shape.tsx";
import { holding, planted, size, TO_THE_NEXT } from "../questions.ts";
import type { CutProps, SystemView } from "../system-view.ts";
import { SubstrateSection } from "./section.tsx";

export const substrateView: SystemView = {
  questions: {
    big: size("rows", TO_THE_NEXT),
    planted,
    watered: [
      { key: "drippersPerPlant", label: "Drippers at a plant", unit: "drippers" },
      { key: "dripperLh", label: "A dripper gives", quantity: "flow" },
    ],
    vessels: { bag: holding("bags"), slab: holding("slabs"), pot: holding("pots"), trough: holding("troughs") },
  },
  Section: ofDrained(SubstrateSection),
  cut: (props) => ({ picture: <Vessels {...props} />, words: "" }),
};

function Vessels({ layout: { vessel, rows, drippersPerPlant, linesPerBed } }: CutProps) {
  const drips = drippersPerPlant > 0 || linesPerBed > 0;
  const { width, height, ground } = CUT;
  return (
    <>
      <rect x="0" y={ground + 2} width={width} height={height - ground} fill={EARTH} />
      {vessel &&
        each(Math.min(MOST_ROWS, rows), (x, room) => (
          <>
            {potShape(vessel.kind, x, room)}
            <Plant x={x} y={RIM + 2} />
            {drips && <path d={`M${x + 8} ${RIM - 10} v14`} stroke="var(--pipe)" strokeWidth="3" />}
          </>
        ))}
    </>
  );
}
