import { CUT, each, MOST_ROWS, ofStored, Plant, THIN } from "../drawing.tsx";
import { potShape, RIM } from "../pots/pot-shape.tsx";
import { holding, planted, size } from "../questions.ts";
import type { CutProps, SystemView } from "../system-view.ts";
import { BenchSection } from "./section.tsx";

export const benchView: SystemView = {
  questions: {
    big: size("benches", "Each so wide"),
    planted,
    watered: [],
    vessels: { table: holding("pots on tables"), mat: holding("pots on mats") },
  },
  Section: ofStored(BenchSection),
  cut: (props) => ({ picture: <PotsOnBench {...props} />, words: "" }),
};

function PotsOnBench({ layout: { vessel, rows } }: CutProps) {
  const { width: w, ground } = CUT;
  return (
    <>
      {vessel?.kind === "mat" ? (
        <rect x="14" y={ground + 2} width={w - 28} height="6" fill="var(--water)" {...THIN} />
      ) : (
        <path d={`M14 ${ground - 12} V${ground + 4} H${w - 14} V${ground - 12}`} {...THIN} fill="none" />
      )}
      <path d={`M40 ${ground + 8} V${ground + 40} M${w - 40} ${ground + 8} V${ground + 40}`} {...THIN} />
      {each(Math.min(MOST_ROWS, rows), (x, room) => (
        <>
          {potShape(vessel?.kind, x, room)}
          <Plant x={x} y={RIM} />
        </>
      ))}
    </>
  );
}
