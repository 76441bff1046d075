import type { Crop } from "../crop/crop.ts";
import type { CropState } from "../crop/stage-on.ts";
import { depletionFractionAt, FLUX_SLOTS, HOUR_SLOTS, NITROGEN, SALT, type Store } from "../rootzone/store.ts";
import type { ZoneDefinition } from "../site/zone.ts";
import { systemOf, type Read, type Roots } from "../systems/index.ts";
import type { Uptake } from "./day-hours.ts";
import { plantCrop } from "./crop-slots.ts";
import { advance, correctWater, reach, stateOf } from "./advance.ts";

/** The roots of a crop on a day of so much demand. */
export function rootsOf(crop: Crop, cropState: CropState, demandMm: number): Roots {
  return {
    depthM: cropState.rootDepthM,
    depletionFraction: depletionFractionAt(crop.depletionFraction.value, demandMm),
    drierPct: cropState.drierPct,
    fromStemCm: cropState.fromStemCm,
    pond: cropState.pond,
  };
}

/** The root zone that a crop finds on a day of so much demand. */
export function storeOn(zone: ZoneDefinition, crop: Crop, cropState: CropState, demandMm: number): Store {
  return systemOf(zone).store(zone, rootsOf(crop, cropState, demandMm));
}

/**
 * A bed wetted through, a tank or basin filled to its mark, as at planting; with the salt and nitrogen of that water.
 *
 * @param first the crop on its first day
 */
export function fullState(
  zone: ZoneDefinition,
  crop: Crop,
  first: CropState,
  { ecMsCm, nGM3 }: Uptake = { ecMsCm: 0, nGM3: 0 },
): Float64Array {
  const state = stateOf(storeOn(zone, crop, first, 0), 0, ecMsCm, nGM3);
  plantCrop(state, crop, first);
  return state;
}

export interface Walked {
  /** after the last hour */
  readonly state: Float64Array;
  /** `FLUX_SLOTS` numbers an hour */
  readonly flux: Float64Array;
  /** mm that readings added; negative where they took away */
  readonly correctedMm: number;
  /** mm that stood in the soil that roots reached overnight, and the salt and nitrogen in it */
  readonly reachedMm: number;
  readonly reachedEcMm: number;
  readonly reachedNGM2: number;
}

/**
 * A root zone through a day: roots that grew overnight reach soil that is still full, then hour after hour. What is read of
 * its water counts from that hour on.
 *
 * @param state at midnight; not changed
 */
export function walkDay(state: Float64Array, store: Store, hours: Float64Array, reads: readonly Read[] = []): Walked {
  const now = state.slice();
  const reachedMm = reach(now, store);
  const salt = (now[SALT] as number) - (state[SALT] as number);
  const nitrogen = (now[NITROGEN] as number) - (state[NITROGEN] as number);
  const count = hours.length / HOUR_SLOTS;
  const flux = new Float64Array(count * FLUX_SLOTS);
  let correctedMm = 0;
  let at = 0;
  for (const { afterHours, missingMm } of reads) {
    const until = Math.min(count, Math.max(at, Math.round(afterHours)));
    advance(store, now, hours, flux, at, until);
    at = until;
    correctedMm += correctWater(now, Math.min(missingMm, store.availableMm));
  }
  advance(store, now, hours, flux, at, count);
  return { state: now, flux, correctedMm, reachedMm, reachedEcMm: salt, reachedNGM2: nitrogen };
}
