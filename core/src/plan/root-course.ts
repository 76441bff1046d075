import type { Crop } from "../crop/crop.ts";
import type { CropState } from "../crop/stage-on.ts";
import { depletionFractionAt, stepSoil, type SoilState } from "../rootzone/soil-drip.ts";
import { stepSubstrate, type SubstrateState } from "../rootzone/substrate.ts";
import type { SoilDripZone, SubstrateZone } from "../site/zone.ts";

export interface SoilDay {
  readonly demandMm: number;
  readonly givenMm: number;
  readonly rainMm: number;
}

/** Soil holds about twice as much at field capacity as plants can take from it: FAO-56, table 19, loams. Matters for salt only. */
const FIELD_CAPACITY_TO_AVAILABLE = 2;

/** A bed wetted to field capacity, as before planting. */
export const SOIL_AT_FIELD_CAPACITY: SoilState = { depletionMm: 0, saltEcMm: 0 };

/** The root zone on the morning after a day. Roots that grow reach soil that is still at field capacity. */
export function soilNextMorning(
  zone: SoilDripZone,
  crop: Crop,
  cropState: CropState,
  state: SoilState,
  { demandMm, givenMm, rainMm }: SoilDay,
): SoilState {
  const availableMm = (zone.availableMmM * cropState.rootDepthM * zone.wettedPct) / 100;
  const limits = {
    availableMm,
    fieldCapacityMm: availableMm * FIELD_CAPACITY_TO_AVAILABLE,
    depletionFraction: depletionFractionAt(crop.depletionFraction.value, demandMm),
  };
  return stepSoil(state, { givenMm, givenEcMsCm: zone.ecWaterMsCm, rainMm, demandMm }, limits).state;
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
  const limits = {
    capacityL: zone.waterHeldLPlant,
    easilyAvailableL: (zone.waterHeldLPlant * zone.easilyAvailablePct) / 100,
  };
  let state: SubstrateState = { waterL: limits.capacityL, saltEcL: 0 };
  for (const { demandL, givenL } of hours)
    state = stepSubstrate(state, { demandL, givenL, givenEcMsCm: 0, uptakeEcMsCm: 0 }, limits).state;
  return (100 * state.waterL) / limits.capacityL;
}
