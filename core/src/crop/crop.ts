import type { CanopyCoefficients } from "../climate/canopy-transpiration.ts";
import type { Practice } from "./practice.ts";
import type { StageDriver, WarmthMethod } from "./stage-driver.ts";

/** A figure of the library, with what it rests on. `assumed` marks one that nobody has published for this crop. */
export interface LibraryFigure {
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
  /** id of the published feed that it drinks */
  readonly feed?: string;
  /** whether fruit comes off in it */
  readonly picking?: true;
}

/** How what comes off is counted: by its mass, or by the piece, as heads and pots are sold. */
export type SoldAs =
  { readonly kind: "mass" } | { readonly kind: "piece"; readonly one: string; readonly many: string };

export const CROP_GROUPS = [
  "vine fruit",
  "beans",
  "berries",
  "leaf",
  "roots and bulbs",
  "cut flowers",
  "pots",
  "hedges",
  "field rows",
  "flooded",
] as const;
export type CropGroup = (typeof CROP_GROUPS)[number];

type Span = readonly [from: number, to: number];

/** Air and light that a crop does well in. */
export interface Bands extends Omit<LibraryFigure, "value"> {
  /** mean temperature while it is light, and while it is dark, °C */
  readonly dayC: Span;
  readonly nightC: Span;
  /** light on the crop in a day: the least that it grows well on, and where more is no better, mol/m² */
  readonly lightMolM2: Span;
  /** of the root zone, °C; left out where nothing is said */
  readonly rootC?: Span;
  /** in the air while there is light enough for it, ppm */
  readonly co2Ppm?: Span;
  /** from this humidity on fungi and tip burn gain, % */
  readonly mostRhPct: number;
}

/** kg of nutrient in a tonne of what is taken off. */
export interface Removal extends Omit<LibraryFigure, "value"> {
  readonly nKgT: number;
  readonly pKgT: number;
  readonly kKgT: number;
}

/** Least nitrogen for full growth, % of dry matter: a · W^−b, W in t/ha above 1, the same below. */
export interface Dilution {
  readonly aPct: number;
  readonly b: number;
  readonly source: string;
}

export interface Crop {
  readonly id: string;
  readonly name: string;
  readonly group: CropGroup;
  readonly soldAs: SoldAs;
  /** it goes through its stages anew each year */
  readonly perennial?: true;
  readonly kcStart: number;
  readonly leafAreaStart: number;
  readonly rootDepthStartM: number;
  readonly stages: readonly Stage[];
  /** stages, from one to another, that come so many times in a season: what is cut or plucked grows again */
  readonly flushes?: { readonly from: string; readonly to: string; readonly times: number };
  /** what is done to a field or basin at times of its own */
  readonly practices?: readonly Practice[];
  /** highest Kc over the reference of a plastic house's still air, where it differs from the open field's */
  readonly kcPeakUnderCover?: LibraryFigure;
  /** no warmth below it counts, °C */
  readonly baseC: LibraryFigure;
  /** how the warmth of its days is counted; the second method where left out */
  readonly warmthBy?: WarmthMethod;
  /** mean of day and night at which the lengths of the stages hold, °C */
  readonly usualC: LibraryFigure;
  readonly canopy: CanopyCoefficients;
  /** FAO-56 depletion fraction at 5 mm/day */
  readonly depletionFraction: LibraryFigure;
  /** EC of the saturated extract at which yield in soil begins to fall, and at which it is nothing */
  readonly ecThresholdMsCm: LibraryFigure;
  readonly ecZeroYieldMsCm: LibraryFigure;
  readonly removal: Removal;
  /** how nitrogen thins out in its dry matter as that grows; where it is published */
  readonly dilution?: Dilution;
  readonly bands: Bands;
  /** where stage lengths, Kc, leaf areas and root depths come from */
  readonly sources: Readonly<
    Record<"stages" | "kc" | "leafArea" | "rootDepth" | "drainTarget" | "canopy", Omit<LibraryFigure, "value">>
  >;
}
