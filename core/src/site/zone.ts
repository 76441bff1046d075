/** What the program must know of a zone to plan its water. Quantities in canonical units. */
interface ZoneBasics {
  readonly areaM2: number;
  readonly plants: number;
  /** L/h of the whole zone, by its emitters or its pump */
  readonly flowLh: number;
  readonly uniformityPct: number;
  /** first water so long after sunrise, last water so long before sunset */
  readonly startAfterSunriseMin: number;
  readonly endBeforeSunsetMin: number;
  readonly minGapMin: number;
}

/** Bags, slabs or pots with drippers; what is over runs out below. */
export interface SubstrateZone extends ZoneBasics {
  readonly system: "substrate";
  readonly waterHeldLPlant: number;
  /** % of the water held that roots can still draw from */
  readonly easilyAvailablePct: number;
  readonly pulseSharePct: number;
}

interface DrippedSoil extends ZoneBasics {
  /** mm between field capacity and wilting point in one metre of this soil */
  readonly availableMmM: number;
  readonly wettedPct: number;
  readonly refillPct: number;
  /** % of the available water that may be gone before water is given; never more than the crop stands without stress */
  readonly triggerPct: number;
  readonly ecWaterMsCm: number;
  /** what a mulch saves of the crop's demand, %; 0 on bare soil */
  readonly mulchSavesPct: number;
}

export interface SoilDripZone extends DrippedSoil {
  readonly system: "soil-drip";
}

/** Lines below the ground, run long and slowly on some days of the week. */
export interface BuriedDripZone extends DrippedSoil {
  readonly system: "buried-drip";
  readonly lineDepthCm: number;
  /** 1 to 7, spread evenly from Monday on */
  readonly daysAWeek: number;
}

/** Float tanks, deep water or troughs whose level is kept. */
export interface SolutionTankZone extends ZoneBasics {
  readonly system: "solution-tank";
  /** depth of solution when full */
  readonly fullLevelCm: number;
  /** depth at which it is topped up */
  readonly topUpAtCm: number;
}

/** Pots on tables or mats that are flooded from below and take what they lack. */
export interface BenchZone extends ZoneBasics {
  readonly system: "sub-irrigated-bench";
  readonly waterHeldLPlant: number;
  readonly easilyAvailablePct: number;
  /** % of the water held that is left when the bench is flooded */
  readonly floodAtPct: number;
  readonly floodDepthMm: number;
}

/** Levelled ground inside bunds, flooded and let dry in turn. */
export interface BasinZone extends ZoneBasics {
  readonly system: "basin";
  readonly floodDepthMm: number;
  readonly bundCm: number;
  /** cm below the soil at which the water in the tube calls for the next flood */
  readonly refloodAtCm: number;
  readonly percolationMmDay: number;
  /** % of the soil's volume that drains between saturation and the falling water table */
  readonly drainablePct: number;
}

/** Systems in which one store of water is filled again once enough of it is gone. */
export type StoreZone = SoilDripZone | BuriedDripZone | SolutionTankZone | BenchZone | BasinZone;
export type ZoneDefinition = SubstrateZone | StoreZone;
export type System = ZoneDefinition["system"];
/** The growing systems in the order in which they are offered; what each is stands in its module (`core/src/systems`). */
export const SYSTEM_NAMES = [
  "substrate",
  "soil-drip",
  "solution-tank",
  "sub-irrigated-bench",
  "buried-drip",
  "basin",
] as const satisfies readonly System[];
type FieldsOf<Z> = Z extends unknown ? keyof Z : never;
export type ZoneField = Exclude<FieldsOf<ZoneDefinition>, "system">;

export interface Place {
  readonly latitudeDeg: number;
  readonly longitudeDeg: number;
  readonly elevationM: number;
  readonly timeZone: string;
}

/** Light through the cover of an open field: all of it, with rain and wind. */
export const OPEN_FIELD_PCT = 100;
