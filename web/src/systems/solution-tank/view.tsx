import { CUT, each, MOST_ROWS, ofStored, Plant, ROOT, THIN } from "../drawing.tsx";
import { planted, size, type VesselWords } from "../questions.ts";
import type { CutProps, SystemView } from "../system-view.ts";
import { SolutionTankSection } from "./section.tsx";

const standing = (name: string): VesselWords => ({ name, fields: [] });
const returning = (name: string): VesselWords => ({
  name,
  fields: [{ key: "vessel.returnL", label: "The tank it returns to holds", quantity: "volume" }],
});

export const solutionTankView: SystemView = {
  questions: {
    big: size("tanks", "Each so wide"),
    planted,
    watered: [],
    vessels: {
      float: standing("floats on a tank"),
      deep: standing("deep tank, air above the level"),
      film: returning("film in a sloping channel"),
      channel: returning("trough with a return"),
    },
  },
  Section: ofStored(SolutionTankSection),
  cut(props) {
    const kind = props.layout.vessel?.kind;
    return {
      picture: kind === "film" || kind === "channel" ? <Channel {...props} /> : <Tank {...props} />,
      words: "",
    };
  },
};

function Tank({ layout: { vessel, rows } }: CutProps) {
  const { width: w, ground } = CUT;
  const level = vessel?.kind === "deep" ? ground - 14 : ground - 26;
  return (
    <>
      <rect x="20" y={level} width={w - 40} height={ground + 30 - level} fill="var(--water)" opacity="0.75" />
      <rect x="24" y={ground - 34} width={w - 48} height="8" fill="var(--raised)" {...THIN} />
      <path d={`M20 ${ground - 40} V${ground + 30} H${w - 20} V${ground - 40}`} fill="none" {...THIN} />
      {each(Math.min(MOST_ROWS, rows), (x) => (
        <>
          <path d={`M${x} ${ground - 26} V${ground + 8}`} stroke={ROOT} />
          <Plant x={x} y={ground - 34} />
        </>
      ))}
    </>
  );
}

/** A sloping film or a level stream, over the tank that it returns to. */
function Channel({ layout: { vessel, rows } }: CutProps) {
  const { width: w, ground } = CUT;
  const [fall, depth] = vessel?.kind === "film" ? [10, 4] : [0, 16];
  return (
    <>
      <path
        d={`M20 ${ground - fall} L${w - 20} ${ground} v${-depth} L20 ${ground - fall - depth} Z`}
        fill="var(--water)"
        opacity="0.75"
      />
      <path
        d={`M20 ${ground - fall - 22} V${ground - fall} L${w - 20} ${ground} V${ground - 22}`}
        fill="none"
        {...THIN}
      />
      {each(Math.min(MOST_ROWS, rows), (x) => (
        <Plant x={x} y={ground - 6 - fall * (1 - x / w)} />
      ))}
      <rect x={w / 2 - 40} y={ground + 22} width="80" height="26" fill="var(--water)" opacity="0.75" {...THIN} />
      <path
        d={`M${w - 40} ${ground} V${ground + 34} H${w / 2 + 40}`}
        fill="none"
        stroke="var(--pipe)"
        strokeWidth="3"
      />
    </>
  );
}
