import {
  figuresOf,
  FLUX_SLOTS,
  FULL,
  HOUR_SLOTS,
  NITROGEN,
  SALT,
  stepStore,
  WATER,
  type Store,
} from "../rootzone/store.ts";
import { ZONE_SLOTS } from "./crop-slots.ts";

/**
 * Moves a root zone through hours that stand in a row, in place and without allocating.
 *
 * @param hours `HOUR_SLOTS` numbers an hour, from `fromHour` on
 * @param flux `FLUX_SLOTS` numbers an hour; overwritten
 */
export function advance(
  store: Store,
  state: Float64Array,
  hours: Float64Array,
  flux: Float64Array,
  fromHour: number,
  toHour: number,
): void {
  stepStore(
    figuresOf(store),
    state,
    hours,
    fromHour * HOUR_SLOTS,
    flux,
    fromHour * FLUX_SLOTS,
    Math.max(0, toHour - fromHour),
  );
}

/** Water, salt and nitrogen of a state: a root zone with so much missing from full, at an EC, with nitrogen of a concentration. */
export function stateOf({ fullMm }: Pick<Store, "fullMm">, missingMm: number, ecMsCm: number, nGM3 = 0): Float64Array {
  const state = new Float64Array(ZONE_SLOTS);
  state[FULL] = fullMm;
  state[WATER] = fullMm - missingMm;
  state[SALT] = (fullMm - missingMm) * ecMsCm;
  state[NITROGEN] = ((fullMm - missingMm) * nGM3) / 1000;
  return state;
}

/** What is missing from full, mm; negative where water stands over it. */
export function missingIn(state: Float64Array): number {
  return (state[FULL] as number) - (state[WATER] as number);
}

/** EC of all the water in a state, mS/cm; null where there is none. */
export function ecIn(state: Float64Array): number | null {
  const waterMm = state[WATER] as number;
  return waterMm > 1e-9 ? (state[SALT] as number) / waterMm : null;
}

/**
 * Roots that have grown reach soil that is still full, with the salt and nitrogen of the soil they come from: what is missing
 * stays as it is.
 *
 * @returns mm that were reached
 */
export function reach(state: Float64Array, { fullMm }: Pick<Store, "fullMm">): number {
  const reachedMm = fullMm - (state[FULL] as number);
  state[FULL] = fullMm;
  const waterMm = state[WATER] as number;
  const share = waterMm > 1e-9 ? (waterMm + reachedMm) / waterMm : 1;
  state[WATER] = waterMm + reachedMm;
  state[SALT] = (state[SALT] as number) * share;
  state[NITROGEN] = (state[NITROGEN] as number) * share;
  return reachedMm;
}

/**
 * Corrects a state to what was read: so much is missing. Salt and nitrogen stay in it, more or less thinned.
 *
 * @returns mm that the correction added; negative where it took away
 */
export function correctWater(state: Float64Array, missingMm: number): number {
  const byMm = (state[FULL] as number) - missingMm - (state[WATER] as number);
  state[WATER] = (state[WATER] as number) + byMm;
  return byMm;
}
