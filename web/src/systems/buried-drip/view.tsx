import { ofStored } from "../drawing.tsx";
import { BED_QUESTIONS, bedCut, isMulched } from "../soil/cut.tsx";
import { SoilSection } from "../soil/section.tsx";
import type { SystemView } from "../system-view.ts";

export const buriedDripView: SystemView = {
  questions: BED_QUESTIONS,
  Section: ofStored(({ roots }) => (
    <SoilSection roots={roots} lines={<circle cx="150" cy="138" r="6" fill="var(--pipe)" />} />
  )),
  cut(props, amount) {
    const depth = props.figures["lineDepthCm"];
    const lines = typeof depth === "number" ? `, lines ${amount(depth)} deep` : "";
    return { picture: bedCut(props, -26), words: `${isMulched(props.figures) ? "mulched" : "bare"} bed${lines}` };
  },
};
