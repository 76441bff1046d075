import {
  DRAIN_MM,
  FLUX_SLOTS,
  LOST_MM,
  OVERFLOW_MM,
  SALT_IN,
  SALT_OUT,
  SALT_TAKEN,
  SHORT_MM,
  TAKEN_MM,
  WATER,
} from "../rootzone/store.ts";
import type { Walked } from "./day-walk.ts";

/** Where the water of some days came from and went, mm over the zone; in − out − change is zero to rounding. */
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
  /** salt as EC · mm; what readings and roots bring of it is not told */
  readonly saltInEcMm: number;
  readonly saltOutEcMm: number;
}

/** A day that was walked, with what stood before it and what came. */
export interface DayOfBalance extends Walked {
  readonly before: Float64Array;
  readonly givenMm: number;
  readonly rainMm: number;
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
    changeMm: first && last ? (last.state[WATER] ?? 0) - (first.before[WATER] ?? 0) : 0,
    saltInEcMm: flow(SALT_IN),
    saltOutEcMm: flow(SALT_OUT) + flow(SALT_TAKEN),
  };
}
