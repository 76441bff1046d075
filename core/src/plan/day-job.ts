import type { Span } from "./day-plan-input.ts";

/** Starts stand on this grid, s; lengths are exact and take up every slot that they touch. */
export const SLOT_S = 15;
export const SLOTS = 86_400 / SLOT_S;

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
  /** what the pump costs from each slot on, in the same measure; empty where it costs the same all day */
  readonly priceAt: Float64Array;
  /** what its water passes and whom its valve shares with: the pump first */
  readonly limits: readonly number[];
  /** whose pulses keep apart */
  readonly valve: string;
  /** somebody has to walk to its valve */
  readonly byHand: boolean;
}

/** Slots that a pulse takes up. */
export function slotsOf({ pulseS }: Pick<Job, "pulseS">): number {
  return Math.max(1, Math.ceil(pulseS / SLOT_S - 1e-9));
}
