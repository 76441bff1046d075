import {
  DRAIN_MM,
  FLUX_SLOTS,
  LOST_MM,
  N_IN,
  N_OUT,
  N_TAKEN,
  NITROGEN,
  OVERFLOW_MM,
  SALT,
  SALT_IN,
  SALT_OUT,
  SALT_TAKEN,
  SHORT_MM,
  TAKEN_MM,
  WATER,
} from "../rootzone/store.ts";
import type { Walked } from "./day-walk.ts";

/** Where the water of some days came from and went, mm over the zone, salt as EC · mm (mS/cm · mm), nitrogen g/m²; in − out − change is zero to rounding. */
export interface Balance {
  readonly days: number;
  readonly givenMm: number;
  readonly rainMm: number;
  /** in soil that roots grew into */
  readonly reachedMm: number;
  /** that readings put right */
  readonly correctedMm: number;
  readonly takenMm: number;
  /** that the crop would have taken beside it */
  readonly shortMm: number;
  readonly drainMm: number;
  readonly lostMm: number;
  readonly overflowMm: number;
  readonly changeMm: number;
  readonly salt: Books;
  readonly nitrogen: Books;
}

/** Where what is solved in the water came from and went: in + reached + freed + corrected − taken − out − change is zero to rounding. */
export interface Books {
  readonly in: number;
  /** in soil that roots grew into */
  readonly reached: number;
  /** given in doses, and set free by soil, manure and residues */
  readonly freed: number;
  /** that tests put right */
  readonly corrected: number;
  readonly taken: number;
  /** with drain, overflow and what unevenness loses */
  readonly out: number;
  readonly change: number;
}

/** A day that was walked, with what stood before it and what came. */
export interface DayOfBalance extends Walked {
  readonly before: Float64Array;
  readonly givenMm: number;
  readonly rainMm: number;
  readonly freedNGM2: number;
  readonly correctedNGM2: number;
}

/** The books of days that stand in a row. */
export function balanceOf(days: readonly DayOfBalance[]): Balance {
  const total = (of: (day: DayOfBalance) => number): number => days.reduce((sum, day) => sum + of(day), 0);
  const flow = (slot: number): number =>
    total(({ flux }) => {
      let sum = 0;
      for (let at = slot; at < flux.length; at += FLUX_SLOTS) sum += flux[at] ?? 0;
      return sum;
    });
  const [first, last] = [days[0], days.at(-1)];
  const change = (slot: number): number => (first && last ? (last.state[slot] ?? 0) - (first.before[slot] ?? 0) : 0);
  return {
    days: days.length,
    givenMm: total(({ givenMm }) => givenMm),
    rainMm: total(({ rainMm }) => rainMm),
    reachedMm: total(({ reachedMm }) => reachedMm),
    correctedMm: total(({ correctedMm }) => correctedMm),
    takenMm: flow(TAKEN_MM),
    shortMm: flow(SHORT_MM),
    drainMm: flow(DRAIN_MM),
    lostMm: flow(LOST_MM),
    overflowMm: flow(OVERFLOW_MM),
    changeMm: change(WATER),
    salt: {
      in: flow(SALT_IN),
      reached: total(({ reachedEcMm }) => reachedEcMm),
      freed: 0,
      corrected: 0,
      taken: flow(SALT_TAKEN),
      out: flow(SALT_OUT),
      change: change(SALT),
    },
    nitrogen: {
      in: flow(N_IN),
      reached: total(({ reachedNGM2 }) => reachedNGM2),
      freed: total(({ freedNGM2 }) => freedNGM2),
      corrected: total(({ correctedNGM2 }) => correctedNGM2),
      taken: flow(N_TAKEN),
      out: flow(N_OUT),
      change: change(NITROGEN),
    },
  };
}
