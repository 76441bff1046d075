import type { Span } from "../time/clock.ts";

export const DAY_S = 86_400;
/** Where a start can be chosen freely it stands on this grid, s; where the day is full it is any second. */
export const GRID_S = 15;

/** One zone as it is placed: the same pulse so many times, on a mixer of its own choice. */
export interface Job {
  readonly at: number;
  readonly flowLh: number;
  readonly recipe: string;
  readonly pulses: number;
  readonly pulseS: number;
  readonly gapS: number;
  readonly windows: readonly Span[];
  /** mixers that may serve it */
  readonly mixers: readonly number[];
  /** when the k-th pulse would best start, s; nearness to it is what a start costs */
  readonly wantedS: readonly number[];
  /** what the pump costs from each point of the grid on, in the same measure; empty where it costs the same all day */
  readonly priceAt: Float64Array;
  /** what its water passes and whom its valve shares with: the pump first */
  readonly limits: readonly number[];
  /** whose pulses keep apart */
  readonly valve: string;
  /** somebody has to walk to its valve */
  readonly byHand: boolean;
}

/** Whole seconds that a pulse takes up. */
export function secondsOf({ pulseS }: Pick<Job, "pulseS">): number {
  return Math.max(1, Math.ceil(pulseS - 1e-9));
}

/** From the start of a pulse to the start of the next one, at the least, whole s. */
export function stepOf(job: Pick<Job, "pulseS" | "gapS">): number {
  return secondsOf(job) + Math.ceil(job.gapS);
}
