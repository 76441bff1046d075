import { ofStored } from "../drawing.tsx";
import { BED_QUESTIONS, bedCut, isMulched } from "../soil/cut.tsx";
import { SoilSection } from "../soil/section.tsx";
import type { SystemView } from "../system-view.ts";

export const soilDripView: SystemView = {
  questions: BED_QUESTIONS,
  Section: ofStored(({ roots }) => (
    <SoilSection
      roots={roots}
      lines={
        <>
          <circle cx="116" cy="90" r="5" fill="var(--pipe)" />
          <circle cx="184" cy="90" r="5" fill="var(--pipe)" />
        </>
      }
    />
  )),
  cut: (props) => ({ picture: bedCut(props, 17), words: `${isMulched(props.figures) ? "mulched" : "bare"} bed` }),
};
