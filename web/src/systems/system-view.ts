import type { Roots } from "@sprunel/contract/rootzone";
import type { Layout, Vessel } from "@sprunel/contract/site";
import type { ComponentType, ReactNode } from "react";
import type { Questions } from "./questions.ts";

/** What roots live in, where that was said. */
export type VesselKind = Vessel["kind"] | undefined;

export interface SectionProps<R extends Roots = Roots> {
  readonly roots: R;
  readonly vessel: VesselKind;
}

export interface CutProps {
  readonly layout: Layout;
  /** the zone's figures as they are typed */
  readonly figures: Readonly<Record<string, unknown>>;
}

/** How a growing system is drawn, and what is asked of a zone that has it. */
export interface SystemView {
  readonly questions: Questions;
  /** a cut through the root zone, filled to this hour */
  readonly Section: ComponentType<SectionProps>;
  /** a cut across one bed, tank, bench or basin, and words under it */
  readonly cut: (
    props: CutProps,
    amount: (cm: number) => string,
  ) => { readonly picture: ReactNode; readonly words: string };
}
