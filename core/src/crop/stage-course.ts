import { addDays } from "../time/local-time.ts";
import { dayAdds, driverNeeds, driverUnit, type CropDay, type StageDriver } from "./stage-driver.ts";

/** A stage seen to begin: the sign wins over every sum and shifts what follows. */
export interface StageSign {
  readonly stageId: string;
  readonly on: string;
}

export interface DrivenStage {
  readonly id: string;
  readonly driver: StageDriver;
}

export interface StageCourse {
  readonly id: string;
  /** null before it begins, and of a stage that was passed over */
  readonly startsOn: string | null;
  /** its last day; null while it goes on */
  readonly endsOn: string | null;
  /** what has been counted by the end of the days, of what the driver needs */
  readonly done: number;
  readonly of: number;
  readonly unit: string;
  readonly seen: boolean;
  /** what had been counted by the end of each of its days */
  readonly sums: readonly number[];
}

/** Sums of tenths do not quite meet. */
const TINY = 1e-9;

interface Counted {
  startsOn: string | null;
  endsOn: string | null;
  done: number;
  of: number;
  sums: number[];
}

/**
 * Stages through days that follow each other: each ends on the day on which its driver's sum is reached, and the next begins on
 * the day after. A stage that was seen to begin begins then: the one before it ends on the day before, or is held open until it.
 *
 * @param days read as far as the last stage goes
 */
export function stageCourse({
  startOn,
  stages,
  days,
  signs = [],
}: {
  readonly startOn: string;
  readonly stages: readonly DrivenStage[];
  readonly days: Iterable<CropDay>;
  readonly signs?: readonly StageSign[] | undefined;
}): {
  readonly stages: readonly StageCourse[];
  /** days that lacked what the driver of their stage needs */
  readonly unknownOn: readonly string[];
} {
  const seenOn = (at: number): string | undefined => signs.find(({ stageId }) => stageId === stages[at]?.id)?.on;
  const counted: Counted[] = stages.map(({ driver }) => ({
    startsOn: null,
    endsOn: null,
    done: 0,
    of: driver.kind === "date" ? NaN : driverNeeds(driver, startOn),
    sums: [],
  }));
  const unknownOn: string[] = [];
  const begin = (at: number, date: string): void => {
    const [stage, course] = [stages[at], counted[at]];
    if (!stage || !course) return;
    course.startsOn = date;
    course.of = driverNeeds(stage.driver, date);
  };
  let at = 0;
  let last = "";
  begin(0, startOn);
  for (const day of days) {
    last = day.date;
    if (day.date < startOn) continue;
    // A sign wins over every sum, also over those of stages between.
    const seen = stages.findLastIndex((_, later) => later > at && (seenOn(later) ?? "9999") <= day.date);
    const now = counted[at];
    if (seen > at && now) {
      now.endsOn ??= addDays(seenOn(seen) ?? day.date, -1);
      at = seen;
      begin(at, seenOn(seen) ?? day.date);
    }
    const [stage, course] = [stages[at], counted[at]];
    if (!stage || !course) break;
    const adds = dayAdds(stage.driver, day);
    if (adds === null) unknownOn.push(day.date);
    course.done += adds ?? 0;
    course.sums.push(course.done);
    // Enough, but the next was seen to begin only later: it is held open until then.
    const waits = seenOn(at + 1) !== undefined;
    if (course.done < course.of - TINY || waits) continue;
    course.endsOn = day.date;
    if (at === stages.length - 1) break;
    begin(++at, addDays(day.date, 1));
  }
  return {
    stages: stages.map(({ id, driver }, index) => {
      const { startsOn, endsOn, done, of, sums } = counted[index] as Counted;
      // What would begin after the days has not begun.
      const begun = startsOn !== null && startsOn <= last;
      return {
        id,
        startsOn: begun ? startsOn : null,
        endsOn: begun ? endsOn : null,
        done: begun ? done : 0,
        of: Number.isNaN(of) ? driverNeeds(driver, startOn) : of,
        unit: driverUnit(driver),
        seen: begun && seenOn(index) === startsOn,
        sums,
      };
    }),
    unknownOn,
  };
}
