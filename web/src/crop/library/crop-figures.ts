import type { CropDefinition } from "@sprunel/contract/crop";
import type { Ranged } from "@sprunel/core/crop";
import type { Quantity } from "@sprunel/core/units";

export type Path = readonly (string | number)[];

/** One figure of a crop as the page shows it. */
export interface CropFigure {
  readonly path: Path;
  readonly name: string;
  readonly quantity?: Quantity;
  readonly unit?: string;
  /** where what it rests on stands; the one of the row before where left out */
  readonly said?: Path;
  /** what kind of figure it is, where a usual range is known; bands are ranges themselves */
  readonly ranged?: Ranged;
}

/** All figures of a crop that hold over all its stages. */
export const FIGURES: readonly CropFigure[] = [
  {
    path: ["baseC", "value"],
    ranged: "baseC",
    name: "No warmth counts below",
    quantity: "temperature",
    said: ["baseC"],
  },
  {
    path: ["usualC", "value"],
    ranged: "usualC",
    name: "The days hold at a mean of",
    quantity: "temperature",
    said: ["usualC"],
  },
  { path: ["kcStart"], ranged: "kc", name: "Kc at planting", unit: "× ET₀", said: ["sources", "kc"] },
  {
    path: ["leafAreaStart"],
    ranged: "leafArea",
    name: "Leaf area at planting",
    unit: "m² a m²",
    said: ["sources", "leafArea"],
  },
  {
    path: ["rootDepthStartM"],
    ranged: "rootDepth",
    name: "Root depth at planting",
    quantity: "length",
    said: ["sources", "rootDepth"],
  },
  {
    path: ["kcPeakUnderCover", "value"],
    ranged: "kc",
    name: "Highest Kc in a plastic house",
    unit: "× ET₀",
    said: ["kcPeakUnderCover"],
  },
  {
    path: ["depletionFraction", "value"],
    ranged: "depletion",
    name: "Share of the soil’s water that is easy to take",
    unit: "",
    said: ["depletionFraction"],
  },
  {
    path: ["ecThresholdMsCm", "value"],
    ranged: "ecThreshold",
    name: "Yield in soil begins to fall at an EC of",
    quantity: "conductivity",
    said: ["ecThresholdMsCm"],
  },
  {
    path: ["ecZeroYieldMsCm", "value"],
    ranged: "ecZero",
    name: "Nothing is left at an EC of",
    quantity: "conductivity",
    said: ["ecZeroYieldMsCm"],
  },
  { path: ["removal", "nKgT"], ranged: "removal", name: "Nitrogen taken off", quantity: "perTonne", said: ["removal"] },
  {
    path: ["removal", "pKgT"],
    ranged: "removal",
    name: "Phosphorus taken off",
    quantity: "perTonne",
    said: ["removal"],
  },
  {
    path: ["removal", "kKgT"],
    ranged: "removal",
    name: "Potassium taken off",
    quantity: "perTonne",
    said: ["removal"],
  },
  { path: ["bands", "dayC", 0], name: "By day, from", quantity: "temperature", said: ["bands"] },
  { path: ["bands", "dayC", 1], name: "By day, to", quantity: "temperature", said: ["bands"] },
  { path: ["bands", "nightC", 0], name: "By night, from", quantity: "temperature", said: ["bands"] },
  { path: ["bands", "nightC", 1], name: "By night, to", quantity: "temperature", said: ["bands"] },
  { path: ["bands", "lightMolM2", 0], name: "Least light in a day", unit: "mol/m²", said: ["bands"] },
  { path: ["bands", "lightMolM2", 1], name: "Light is no better above", unit: "mol/m²", said: ["bands"] },
  { path: ["bands", "mostRhPct"], name: "Most humid air", unit: "%", said: ["bands"] },
  { path: ["bands", "rootC", 0], name: "Roots, from", quantity: "temperature", said: ["bands"] },
  { path: ["bands", "rootC", 1], name: "Roots, to", quantity: "temperature", said: ["bands"] },
  { path: ["bands", "co2Ppm", 0], name: "CO₂ while it is light, from", unit: "ppm", said: ["bands"] },
  { path: ["bands", "co2Ppm", 1], name: "CO₂ while it is light, to", unit: "ppm", said: ["bands"] },
  {
    path: ["canopy", "radiationShare"],
    ranged: "radiationShare",
    name: "Share of light that evaporates water",
    unit: "",
    said: ["sources", "canopy"],
  },
];

/** The figures of each stage, a column each. */
export const STAGE_FIGURES: readonly (Omit<CropFigure, "path" | "said"> & { readonly key: string })[] = [
  { key: "days", ranged: "days", name: "lasts", unit: "days" },
  { key: "kcEnd", ranged: "kc", name: "Kc at its end", unit: "× ET₀" },
  { key: "leafAreaEnd", ranged: "leafArea", name: "leaf area", unit: "m² a m²" },
  { key: "rootDepthEndM", ranged: "rootDepth", name: "roots", quantity: "length" },
  { key: "drainTargetPct", ranged: "drain", name: "drain", unit: "%" },
  { key: "drierPct", ranged: "drier", name: "drier by", unit: "%" },
];

/** What stands at a place of a crop; undefined where nothing does. */
export function at(crop: unknown, path: Path): unknown {
  return path.reduce<unknown>(
    (found, key) => (typeof found === "object" && found !== null ? (found as Record<string, unknown>)[key] : undefined),
    crop,
  );
}

/** The same crop with another value at a place. */
export function withAt<T>(crop: T, [key, ...rest]: Path, value: unknown): T {
  if (key === undefined) return value as T;
  const copy = (Array.isArray(crop) ? [...(crop as unknown[])] : { ...crop }) as Record<string | number, unknown>;
  copy[key] = withAt(copy[key], rest, value);
  return copy as T;
}

/** The places whose figures differ from those that a crop came from. */
export function differences(crop: CropDefinition, base: CropDefinition): number {
  const figures = FIGURES.filter(({ path }) => at(crop, path) !== at(base, path)).length;
  const stages = crop.stages.reduce((sum, stage) => {
    const like = base.stages.find(({ id }) => id === stage.id);
    return sum + STAGE_FIGURES.filter(({ key }) => at(stage, [key]) !== at(like, [key])).length;
  }, 0);
  return figures + stages + base.stages.filter(({ id }) => !crop.stages.some((stage) => stage.id === id)).length;
}
