import type { Crop } from "../crop/crop.ts";
import { cropStateOn, type StageSign } from "../crop/stage-on.ts";
import { depletionFractionAt, stepSoil, type SoilState } from "../rootzone/soil-drip.ts";
import { stepSubstrate, type SubstrateState } from "../rootzone/substrate.ts";
import type { SoilDripZone, SubstrateZone } from "../site/zone.ts";

export interface SoilDay {
  readonly date: string;
  readonly demandMm: number;
  readonly givenMm: number;
  readonly rainMm: number;
}

/** Soil holds about twice as much at field capacity as plants can take from it: FAO-56, table 19, loams. Matters for salt only. */
const FIELD_CAPACITY_TO_AVAILABLE = 2;

/**
 * Depletion on the morning after each day, from a bed wetted to field capacity at planting.
 *
 * Roots that grow reach soil that is still at field capacity.
 *
 * @param days without gaps, in order
 */
export function soilCourse(zone: SoilDripZone, crop: Crop, plantedOn: string, signs: readonly StageSign[], days: readonly SoilDay[]): ReadonlyMap<string, number> {
  const mornings = new Map<string, number>();
  let state: SoilState = { depletionMm: 0, saltEcMm: 0 };
  for (const { date, demandMm, givenMm, rainMm } of days) {
    mornings.set(date, state.depletionMm);
    const crops = cropStateOn(crop, plantedOn, date, signs);
    if (!crops) continue;
    const availableMm = (zone.availableMmM * crops.rootDepthM * zone.wettedPct) / 100;
    const limits = { availableMm, fieldCapacityMm: availableMm * FIELD_CAPACITY_TO_AVAILABLE, depletionFraction: depletionFractionAt(crop.depletionFraction.value, demandMm) };
    state = stepSoil(state, { givenMm, givenEcMsCm: zone.ecWaterMsCm, rainMm, demandMm }, limits).state;
  }
  return mornings;
}

export interface SubstrateHour {
  readonly demandL: number;
  readonly givenL: number;
}

/**
 * Share of the water held at container capacity that is still there after a run of hours, per plant, 0 to 100 %.
 *
 * @param hours from a moment at which the substrate was full, as after a pulse that drained
 */
export function waterHeldPct(zone: SubstrateZone, hours: readonly SubstrateHour[]): number {
  const limits = { capacityL: zone.waterHeldLPlant, easilyAvailableL: (zone.waterHeldLPlant * zone.easilyAvailablePct) / 100 };
  let state: SubstrateState = { waterL: limits.capacityL, saltEcL: 0 };
  for (const { demandL, givenL } of hours) state = stepSubstrate(state, { demandL, givenL, givenEcMsCm: 0, uptakeEcMsCm: 0 }, limits).state;
  return (100 * state.waterL) / limits.capacityL;
}
