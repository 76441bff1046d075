import { cropStateOn, type Standing } from "@sprunel/core/crop";
import { datesBetween, type DosedSeason } from "@sprunel/core/feed";

/** The days on which a planting is fed: from the beginning of its season to its last stage, or until it is cleared. */
export function seasonOf({ planting, since }: Standing, litres: ReadonlyMap<string, number>): DosedSeason {
  const periods = planting.periodsFrom(since);
  const last = periods.at(-1)?.endsOn ?? since;
  const end = planting.clearedOn !== null && planting.clearedOn < last ? planting.clearedOn : last;
  return {
    days: datesBetween(since, end).map((on) => ({ on, kc: cropStateOn(planting, on)?.kc ?? 0 })),
    stages: new Map(periods.map(({ id, startsOn }) => [id, startsOn])),
    litres,
  };
}
