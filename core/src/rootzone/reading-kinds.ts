/** Kinds of reading that are taken in a root zone; the unit ends the name. */
export const READING_KINDS = [
  "drainPct",
  "drainEcMsCm",
  "feedEcMsCm",
  "drainPh",
  "tankEcMsCm",
  "tankPh",
  "levelCm",
  "dripEcMsCm",
  "dripPh",
  "tensionKpa",
  "rootC",
  "co2Ppm",
] as const;
export type ReadingKind = (typeof READING_KINDS)[number];
