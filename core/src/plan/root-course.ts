import type { Crop } from "../crop/crop.ts";
import type { CropState } from "../crop/stage-on.ts";
import { rootStore } from "../rootzone/root-store.ts";
import { stepSubstrate, type SubstrateState } from "../rootzone/substrate.ts";
import { stepStore, type StoreState } from "../rootzone/water-store.ts";
import type { StoreZone, SubstrateZone } from "../site/zone.ts";

interface StoreDay {
  readonly demandMm: number;
  readonly givenMm: number;
  readonly rainMm: number;
}

/** A bed wetted to field capacity, a tank or basin filled to its mark, as at planting. */
export const FULL_STORE: StoreState = { depletionMm: 0, saltEcMm: 0 };

/** The root zone on the morning after a day. Roots that grow reach soil that is still at field capacity. */
export function nextMorning(
  zone: StoreZone,
  crop: Crop,
  cropState: CropState,
  state: StoreState,
  { demandMm, givenMm, rainMm }: StoreDay,
): StoreState {
  const { limits, seepMm } = rootStore(zone, crop, cropState, demandMm);
  const givenEcMsCm = "ecWaterMsCm" in zone ? zone.ecWaterMsCm : 0;
  return stepStore(state, { givenMm, givenEcMsCm, rainMm, demandMm, seepMm }, limits).state;
}

interface SubstrateHour {
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
