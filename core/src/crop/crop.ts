import type { CanopyCoefficients } from "../climate/canopy-transpiration.ts";
import type { StageDriver } from "./stage-driver.ts";

/** A figure of the library, with what it rests on. `assumed` marks one that nobody has published for this crop. */
interface LibraryFigure {
  readonly value: number;
  readonly source: string;
  readonly assumed?: true;
}

export interface Stage {
  readonly id: string;
  readonly name: string;
  /** length in the crop's usual climate */
  readonly days: number;
  /** what ends it; the warmth that its days have in the usual climate where left out */
  readonly driver?: StageDriver;
  /** at the end of the stage; it runs there in a straight line from the end of the stage before */
  readonly kcEnd: number;
  readonly leafAreaEnd: number;
  readonly rootDepthEndM: number;
  /** share of what is given that is to run out of a substrate, % */
  readonly drainTargetPct: number;
  /** dry-down wished in the first days, to send roots down: added to the soil's trigger, % of available water */
  readonly drierPct: number;
  /** whether fruit comes off in it */
  readonly picking?: true;
}

/** How what comes off is counted: by its mass, or by the piece, as heads and pots are sold. */
export type SoldAs =
  { readonly kind: "mass" } | { readonly kind: "piece"; readonly one: string; readonly many: string };

export interface Crop {
  readonly id: string;
  readonly name: string;
  readonly soldAs: SoldAs;
  /** it goes through its stages anew each year */
  readonly perennial?: true;
  readonly kcStart: number;
  readonly leafAreaStart: number;
  readonly rootDepthStartM: number;
  readonly stages: readonly Stage[];
  /** highest Kc over the reference of a plastic house's still air, where it differs from the open field's */
  readonly kcPeakUnderCover?: LibraryFigure;
  /** no warmth below it counts, °C */
  readonly baseC: LibraryFigure;
  /** mean of day and night at which the lengths of the stages hold, °C */
  readonly usualC: LibraryFigure;
  readonly canopy: CanopyCoefficients;
  /** FAO-56 depletion fraction at 5 mm/day */
  readonly depletionFraction: LibraryFigure;
  /** EC of the saturated extract at which yield in soil begins to fall, and at which it is nothing */
  readonly ecThresholdMsCm: LibraryFigure;
  readonly ecZeroYieldMsCm: LibraryFigure;
  /** where stage lengths, Kc, leaf areas and root depths come from */
  readonly sources: Readonly<
    Record<"stages" | "kc" | "leafArea" | "rootDepth" | "drainTarget" | "canopy", Omit<LibraryFigure, "value">>
  >;
}
