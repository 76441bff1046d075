import type { System, ZoneField } from "./zone.ts";

/** What a new zone starts from in a field that nobody has filled yet, and what that rests on. It stays marked until a person confirms it. */
export interface ZoneStart {
  readonly value: number;
  readonly source: string;
}
type Starts = Readonly<Partial<Record<ZoneField, ZoneStart>>>;

const COMMON: Starts = {
  uniformityPct: { value: 85, source: "a fair drip system, ASAE EP405" },
  startAfterSunriseMin: { value: 90, source: "usual practice" },
  endBeforeSunsetMin: { value: 120, source: "usual practice, so that roots dry down overnight" },
  minGapMin: { value: 15, source: "usual practice" },
};

const POTS: Starts = {
  waterHeldLPlant: {
    value: 4,
    source: "a plant's share of a coir bag, 3 to 6 L; pots hold about a third of their volume",
  },
  easilyAvailablePct: { value: 45, source: "coir, usual range 35 to 55 %" },
};

const DRIPPED_SOIL: Starts = {
  availableMmM: { value: 140, source: "loam, FAO-56 table 19" },
  wettedPct: { value: 50, source: "drip on a medium soil, 40 to 60 %" },
  triggerPct: { value: 30, source: "of the available water; never past FAO-56 p" },
  refillPct: { value: 95, source: "leaves room for a late shower or a wrong meter" },
  ecWaterMsCm: { value: 0.6, source: "read it with a pen" },
  mulchSavesPct: { value: 0, source: "bare soil; plastic film 10 to 30 %, straw about 5 %, FAO-56 chapter 10" },
};

/**
 * Usual figures of each growing system, in the canonical units of the fields' names. Where no publication is named they are
 * usual practice, to be measured or confirmed in the zone.
 */
export const ZONE_STARTS: Readonly<Record<System, Starts>> = {
  substrate: { ...COMMON, ...POTS, pulseSharePct: { value: 4, source: "wool and coir, 3 to 6 %" } },
  "soil-drip": { ...COMMON, ...DRIPPED_SOIL },
  "solution-tank": {
    ...COMMON,
    fullLevelCm: { value: 25, source: "float tanks, 20 to 30 cm" },
    topUpAtCm: { value: 23, source: "so that roots in the moist air above never reach dry" },
  },
  "sub-irrigated-bench": {
    ...COMMON,
    ...POTS,
    floodAtPct: { value: 60, source: "usual practice by pot weight, 50 to 70 %" },
    floodDepthMm: { value: 25, source: "ebb-and-flood benches, 20 to 30 mm" },
  },
  "buried-drip": {
    ...COMMON,
    ...DRIPPED_SOIL,
    lineDepthCm: { value: 25, source: "field rows, 15 to 40 cm" },
    daysAWeek: { value: 6, source: "long, slow runs on all days but one" },
  },
  basin: {
    ...COMMON,
    floodDepthMm: { value: 40, source: "shallow flood, 30 to 50 mm" },
    bundCm: { value: 20, source: "usual practice, 15 to 30 cm; 5 cm stay free, rain is kept under them" },
    refloodAtCm: { value: 15, source: "safe limit of wetting and drying in turn" },
    percolationMmDay: { value: 4, source: "puddled clay loam, 2 to 6 mm a day; measure it overnight" },
    drainablePct: { value: 10, source: "clay loam, 5 to 15 %" },
  },
};

/** Light that a house's cover lets through, %. */
export const COVER_START: ZoneStart = { value: 65, source: "glass, 60 to 70 %" };

/** Share of a return tank that is left when it is topped up, so that strength and pH stay steady. Usual practice. */
export const RETURN_TANK_TOPPED_UP_AT = 0.8;
