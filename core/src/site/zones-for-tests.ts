import type { BasinZone, StoreZone, SubstrateZone } from "./zone.ts";

const basics = {
  areaM2: 200,
  plants: 2000,
  flowLh: 4000,
  uniformityPct: 90,
  startAfterSunriseMin: 0,
  endBeforeSunsetMin: 0,
  minGapMin: 0,
};
const soil = { availableMmM: 150, wettedPct: 60, refillPct: 95, triggerPct: 20, ecWaterMsCm: 0.6, mulchSavesPct: 0 };
export const BASIN: BasinZone = {
  system: "basin",
  ...basics,
  floodDepthMm: 40,
  bundCm: 20,
  refloodAtCm: 15,
  percolationMmDay: 4,
  drainablePct: 10,
};
/** One zone of every system that is a store. */
export const STORES: readonly StoreZone[] = [
  { system: "soil-drip", ...basics, ...soil },
  { system: "buried-drip", ...basics, ...soil, lineDepthCm: 25, daysAWeek: 5 },
  { system: "solution-tank", ...basics, fullLevelCm: 24, topUpAtCm: 22 },
  {
    system: "sub-irrigated-bench",
    ...basics,
    waterHeldLPlant: 0.4,
    easilyAvailablePct: 50,
    floodAtPct: 60,
    floodDepthMm: 25,
  },
  BASIN,
];
export const SUBSTRATE: SubstrateZone = {
  system: "substrate",
  ...basics,
  waterHeldLPlant: 4,
  easilyAvailablePct: 50,
  pulseSharePct: 5,
};
