import { CUT, EARTH, HELD, ofStored, plantsAt, THIN } from "../drawing.tsx";
import { planted, size } from "../questions.ts";
import type { CutProps, SystemView } from "../system-view.ts";
import { BasinSection } from "./section.tsx";

export const basinView: SystemView = {
  questions: { big: size("basins", "Each so wide"), planted, watered: [], vessels: {} },
  Section: ofStored(BasinSection),
  cut(props, amount) {
    const cm = (key: string): string | null => {
      const value = props.figures[key];
      return typeof value === "number" ? amount(value) : null;
    };
    const [bund, tube] = [cm("bundCm"), cm("refloodAtCm")];
    const words = [bund && `bunds of ${bund}`, tube && `tube read to ${tube} below the soil`].filter(Boolean);
    return { picture: <BundsAndTube {...props} />, words: words.join(", ") };
  },
};

function BundsAndTube({ layout }: CutProps) {
  const { width: w, height: h, ground } = CUT;
  return (
    <>
      <rect x="0" y={ground} width={w} height={h - ground} fill={EARTH} />
      <rect x="34" y={ground - 16} width={w - 68} height="16" fill="var(--water)" opacity="0.75" />
      <path d={`M0 ${ground} L14 ${ground - 32} H24 L38 ${ground} Z`} fill={HELD} stroke="var(--ink)" />
      <path
        d={`M${w} ${ground} L${w - 14} ${ground - 32} H${w - 24} L${w - 38} ${ground} Z`}
        fill={HELD}
        stroke="var(--ink)"
      />
      <rect x={w - 66} y={ground - 28} width="12" height="62" fill="var(--raised)" {...THIN} />
      {plantsAt(layout.rows, ground)}
    </>
  );
}
