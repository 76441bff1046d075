import type { CanopyCoefficients } from "../../climate/canopy-transpiration.ts";
import type { Practice } from "../practice.ts";
import type { Bands, Dilution, Crop, CropGroup, LibraryFigure, Removal, SoldAs, Stage } from "../crop.ts";

/** A figure and where it is from; a source that says "assumed" marks it as such. */
type Said = readonly [value: number, source: string];

/**
 * A stage in a row: id, name, days, and at its end Kc, leaf area (m²/m²) and root depth (m); drain wished (%), how much drier
 * its first days are (% of available water), the published feed that it drinks, and what is special.
 */
export type StageRow = readonly [
  id: string,
  name: string,
  days: number,
  kcEnd: number,
  leafAreaEnd: number,
  rootDepthEndM: number,
  drainTargetPct: number,
  drierPct: number,
  feed: string,
  more?: Pick<Stage, "picking" | "driver">,
];

/** A crop as the library's files write it. */
export interface CropSheet {
  readonly id: string;
  readonly name: string;
  readonly group: CropGroup;
  readonly soldAs: SoldAs;
  readonly perennial?: true;
  readonly flushes?: Crop["flushes"];
  readonly practices?: readonly Practice[];
  /** at planting: Kc, leaf area, root depth */
  readonly start: readonly [kc: number, leafArea: number, rootDepthM: number];
  readonly stages: readonly StageRow[];
  readonly kcPeakUnderCover?: Said;
  readonly baseC: Said;
  readonly usualC: number;
  readonly canopy: CanopyCoefficients;
  readonly depletion: Said;
  /** EC at which yield in soil begins to fall, and % of it lost for each mS/cm above */
  readonly salt: readonly [thresholdMsCm: number, lossPctPerMsCm: number, source: string];
  readonly sources: Readonly<Record<"stages" | "kc" | "leafArea" | "rootDepth", string>>;
  readonly removal: readonly [nKgT: number, pKgT: number, kKgT: number, source: string];
  readonly dilution?: Dilution;
  readonly bands: Omit<Bands, "source" | "assumed"> & { readonly source: string };
}

export const MASS: SoldAs = { kind: "mass" };
export const pieces = (one: string, many = `${one}s`): SoldAs => ({ kind: "piece", one, many });

/** Canopies by habit: no published fit for these crops is at hand, so they are marked as assumed until a meter fits them. */
export const UPRIGHT: CanopyCoefficients = { radiationShare: 0.5, vpdDay: 18, vpdNight: 9, extinction: 0.64 };
export const LOW: CanopyCoefficients = { radiationShare: 0.5, vpdDay: 16, vpdNight: 8, extinction: 0.7 };
export const POTS: CanopyCoefficients = { radiationShare: 0.45, vpdDay: 15, vpdNight: 8, extinction: 0.6 };

const CANOPY_SOURCE = "form of Baille, Baille & Laury (1994); coefficients assumed by habit, fit them to your meter";
const DRAIN_SOURCE = "usual practice in substrate, 10 to 40 %; assumed";

export const ORGAZ = "Orgaz et al. (2005), Agricultural Water Management 72:81–96";
export const MAAS = "Maas & Grattan (1999), table 3-1";
export const fao = (what: string): string => `FAO-56, ${what}`;

/** Converted from pounds of N, P₂O₅ and K₂O in a short ton. */
export const mich = (crop: string): string =>
  `Warncke, Dahl & Zandstra (2004), Michigan State University Extension E2934, ${crop}`;
/** Converted from pounds of N, P₂O₅ and K₂O in a bushel or hundredweight. */
export const ipni = (crop: string): string => `IPNI (2014), nutrient uptake and removal tables, ${crop}`;
export const aquacrop = (crop: string): string => `Raes et al. (2018), AquaCrop reference manual, annex I, ${crop}`;

function said(source: string): Omit<LibraryFigure, "value"> {
  return source.includes("assumed") ? { source, assumed: true } : { source };
}
const figure = ([value, source]: Said): LibraryFigure => ({ value, ...said(source) });
const noted = ([nKgT, pKgT, kKgT, source]: CropSheet["removal"]): Removal => ({ nKgT, pKgT, kKgT, ...said(source) });

/** Roots do well, and CO₂ is worth having, in about these: usual practice by kind of crop; assumed. */
const USUAL_ROOTS: Readonly<Partial<Record<CropGroup, Pick<Bands, "rootC" | "co2Ppm">>>> = {
  "vine fruit": { rootC: [18, 25], co2Ppm: [400, 1000] },
  beans: { rootC: [16, 25], co2Ppm: [400, 1000] },
  berries: { rootC: [12, 22] },
  leaf: { rootC: [14, 22], co2Ppm: [400, 1000] },
  "roots and bulbs": { rootC: [12, 22] },
  "cut flowers": { rootC: [15, 22], co2Ppm: [400, 1000] },
  pots: { rootC: [15, 23], co2Ppm: [400, 900] },
  hedges: { rootC: [12, 28] },
  "field rows": { rootC: [10, 28] },
  flooded: { rootC: [18, 32] },
};

/** A sheet as a crop. */
export function cropOf(sheet: CropSheet): Crop {
  const {
    id,
    name,
    group,
    soldAs,
    perennial,
    flushes,
    practices,
    start,
    stages,
    salt,
    sources,
    kcPeakUnderCover,
    bands,
  } = sheet;
  const [threshold, loss, saltSource] = salt;
  return {
    id,
    name,
    group,
    soldAs,
    ...(perennial && { perennial }),
    ...(flushes && { flushes }),
    ...(practices && { practices }),
    kcStart: start[0],
    leafAreaStart: start[1],
    rootDepthStartM: start[2],
    stages: stages.map(
      ([stageId, stageName, days, kcEnd, leafAreaEnd, rootDepthEndM, drainTargetPct, drierPct, feed, more]) => ({
        ...{ id: stageId, name: stageName, days, kcEnd, leafAreaEnd, rootDepthEndM, drainTargetPct, drierPct, feed },
        ...more,
      }),
    ),
    ...(kcPeakUnderCover && { kcPeakUnderCover: figure(kcPeakUnderCover) }),
    baseC: figure(sheet.baseC),
    usualC: { value: sheet.usualC, source: "usual climate of this crop; assumed", assumed: true },
    canopy: sheet.canopy,
    depletionFraction: figure(sheet.depletion),
    ecThresholdMsCm: { value: threshold, ...said(saltSource) },
    ecZeroYieldMsCm: {
      value: Number((threshold + 100 / loss).toFixed(2)),
      ...said(`${saltSource}, ${loss} % less per mS/cm`),
    },
    sources: {
      stages: said(sources.stages),
      kc: said(sources.kc),
      leafArea: said(sources.leafArea),
      rootDepth: said(sources.rootDepth),
      drainTarget: said(DRAIN_SOURCE),
      canopy: said(CANOPY_SOURCE),
    },
    removal: noted(sheet.removal),
    ...(sheet.dilution && { dilution: sheet.dilution }),
    bands: { ...USUAL_ROOTS[group], ...bands, ...said(bands.source) },
  };
}
