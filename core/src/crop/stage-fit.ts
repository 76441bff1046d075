import { daysBetween } from "../time/local-time.ts";
import type { Grown } from "./grown.ts";

/** What a stage really took where its end was seen, against what its driver needs. */
export interface StageFit {
  readonly stageId: string;
  readonly of: number;
  readonly unit: string;
  /** counted by the evening before the next stage was seen, one for each planting */
  readonly counted: readonly number[];
  readonly mean: number;
}

/** So many plantings must say the same, each by more than this share, before a figure is offered. Assumed. */
const LEAST_PLANTINGS = 3;
const LEAST_SHARE = 0.07;

/**
 * Stages whose driver is steadily wrong here: on at least three plantings the next stage was seen sooner, or on all of them later,
 * than its figure says. Only stages of which both ends are known count: begun with planting or seen, and ended by a sign.
 *
 * @param plantings of one crop
 */
export function steadilyOff(plantings: readonly Grown[]): StageFit[] {
  const found = new Map<string, { of: number; unit: string; counted: number[] }>();
  for (const planting of plantings) {
    const periods = planting.periodsFrom(planting.plantedOn);
    periods.forEach((next, at) => {
      const period = periods[at - 1];
      if (!next.seen || !period || !(at === 1 || period.seen)) return;
      const counted = period.sums[daysBetween(period.startsOn, period.endsOn) - 1];
      if (counted === undefined || counted <= 0) return;
      const known = found.get(period.stage.id) ?? { of: period.of, unit: period.unit, counted: [] };
      found.set(period.stage.id, { ...known, counted: [...known.counted, counted] });
    });
  }
  return [...found].flatMap(([stageId, { of, unit, counted }]) => {
    const isSteady =
      counted.length >= LEAST_PLANTINGS &&
      (counted.every((sum) => sum > of * (1 + LEAST_SHARE)) || counted.every((sum) => sum < of * (1 - LEAST_SHARE)));
    const mean = counted.reduce((sum, one) => sum + one, 0) / counted.length;
    return isSteady ? [{ stageId, of, unit, counted, mean }] : [];
  });
}
