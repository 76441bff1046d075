import { isCalendarDate } from "../climate/reference-et-input.ts";
import { addDays } from "../time/local-time.ts";
import { Checks } from "../working/checks.ts";
import { showNumber, Worksheet, type WorkingStep } from "../working/working.ts";
import { dayAdds, driverNeeds, driverUnit, type CropDay, type StageDriver } from "./stage-driver.ts";
import type { StageSign } from "./stage-on.ts";

interface DrivenStage {
  readonly id: string;
  readonly driver: StageDriver;
}

export interface StageDatesInput {
  /** first day of the first stage */
  readonly startOn: string;
  readonly stages: readonly DrivenStage[];
  /** one after the other without a gap, from `startOn` or before it */
  readonly days: readonly CropDay[];
  readonly signs?: readonly StageSign[] | undefined;
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
}

export interface StageDates {
  readonly stages: readonly StageCourse[];
  readonly warnings: readonly string[];
  readonly working: readonly WorkingStep[];
}

/** Sums of tenths do not quite meet. */
const TINY = 1e-9;
const MOST_DAYS = 20_000;

/**
 * The stages of a planting through days: each ends on the day on which its driver's sum is reached, and the next begins on the
 * day after. A stage that was seen to begin begins then: the one before it ends on the day before, or is held open until it.
 *
 * @throws {DomainError} for days, drivers and signs that cannot be
 */
export function stageDates(input: StageDatesInput): StageDates {
  checkStageDates(input);
  const sheet = new Worksheet();
  const { stages, unknownOn } = stageCourse(input);
  for (const { id, startsOn, endsOn, done, of, unit, seen } of stages)
    if (startsOn !== null)
      sheet.note(
        id,
        "Σ of what each day adds, until it is enough",
        `${startsOn}${seen ? ", as seen," : ""} to ${endsOn ?? "now"}: ${showNumber(done)} of ${showNumber(of)}`,
        done,
        unit,
        unit === "°C·d" ? "McMaster & Wilhelm (1997), method 2" : "counted",
      );
    else if (input.signs?.some((sign) => sign.stageId === id) !== true && laterBegan(stages, id))
      sheet.warn(`${id} was passed over: a later stage was seen to begin before it.`);
  const [first] = unknownOn;
  if (first !== undefined)
    sheet.warn(`${unknownOn.length} days lack what their stage's driver needs and count nothing, ${first} the first.`);
  return { stages, warnings: sheet.warnings, working: sheet.steps };
}

function laterBegan(stages: readonly StageCourse[], id: string): boolean {
  return stages.slice(stages.findIndex((stage) => stage.id === id) + 1).some(({ startsOn }) => startsOn !== null);
}

interface Counted {
  startsOn: string | null;
  endsOn: string | null;
  done: number;
  of: number;
}

/** The same without checks and working. */
export function stageCourse({ startOn, stages, days, signs = [] }: StageDatesInput): {
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
  }));
  const unknownOn: string[] = [];
  const begin = (at: number, date: string): void => {
    const [stage, course] = [stages[at], counted[at]];
    if (!stage || !course) return;
    course.startsOn = date;
    course.of = driverNeeds(stage.driver, date);
  };
  let at = 0;
  let isOver = false;
  begin(0, startOn);
  for (const day of days) {
    if (day.date < startOn || isOver) continue;
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
    // Enough, but the next was seen to begin only later: it is held open until then.
    const waits = seenOn(at + 1) !== undefined;
    if (course.done < course.of - TINY || waits) continue;
    course.endsOn = day.date;
    if (at === stages.length - 1) isOver = true;
    else begin(++at, addDays(day.date, 1));
  }
  const last = days.at(-1)?.date ?? "";
  return {
    stages: stages.map(({ id, driver }, index) => {
      const { startsOn, endsOn, done, of } = counted[index] ?? { startsOn: null, endsOn: null, done: 0, of: NaN };
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
      };
    }),
    unknownOn,
  };
}

function checkStageDates({ startOn, stages, days, signs = [] }: StageDatesInput): void {
  const checks = new Checks()
    .when(!isCalendarDate(startOn), "not-possible", "startOn", `The first day must be a date, not ${startOn}.`)
    .when(stages.length === 0, "missing", "stages", "At least one stage is needed.")
    .when(days.length === 0, "missing", "days", "At least one day is needed.")
    .when(
      days.length > MOST_DAYS,
      "out-of-range",
      "days",
      `There may be ${MOST_DAYS} days at most, not ${days.length}.`,
    );
  stages.forEach(({ id, driver }, at) => {
    checks.when(
      stages.findIndex((other) => other.id === id) !== at,
      "not-possible",
      `stages.${at}.id`,
      `Two stages are called ${id}.`,
    );
    checkDriver(checks, `stages.${at}.driver`, driver);
  });
  days.forEach(({ date, tMinC, tMaxC, dayLengthH }, at) => {
    const path = `days.${at}`;
    const before = days[at - 1];
    checks
      .when(!isCalendarDate(date), "not-possible", `${path}.date`, `A day must be a date, not ${date}.`)
      .range(`${path}.tMinC`, "The lowest temperature", tMinC, -60, 60, "°C")
      .range(`${path}.tMaxC`, "The highest temperature", tMaxC, -60, 60, "°C")
      .range(`${path}.dayLengthH`, "The day's length", dayLengthH, 0, 24, "h")
      .when(
        tMinC !== undefined && tMaxC !== undefined && tMinC > tMaxC,
        "not-possible",
        `${path}.tMinC`,
        `On ${date} the lowest temperature, ${tMinC} °C, is above the highest, ${tMaxC} °C.`,
      );
    if (before && isCalendarDate(date) && isCalendarDate(before.date))
      checks.when(
        date !== addDays(before.date, 1),
        "not-possible",
        `${path}.date`,
        `The days must follow each other: after ${before.date} comes ${addDays(before.date, 1)}, not ${date}.`,
      );
  });
  const first = days[0]?.date;
  checks.when(
    first !== undefined && first > startOn,
    "not-possible",
    "days.0.date",
    `The days must begin on ${startOn} or before it, not on ${first ?? ""}.`,
  );
  signs.forEach((sign, at) => checkSign(checks, `signs.${at}`, sign, { startOn, stages, days, signs }));
  checks.done();
}

function checkDriver(checks: Checks, path: string, driver: StageDriver): void {
  switch (driver.kind) {
    case "days":
      checks
        .range(`${path}.days`, "The days of a stage", driver.days, 1, 3660)
        .when(
          !Number.isInteger(driver.days),
          "not-possible",
          `${path}.days`,
          `The days of a stage must be whole, not ${driver.days}.`,
        );
      return;
    case "thermal":
      checks
        .positive(`${path}.degreeDays`, "The warmth of a stage", driver.degreeDays, 20_000, "°C·d")
        .range(`${path}.baseC`, "The base temperature", driver.baseC, -10, 30, "°C")
        .range(`${path}.ceilingC`, "The ceiling", driver.ceilingC, -10, 60, "°C")
        .when(
          driver.ceilingC !== undefined && driver.ceilingC <= driver.baseC,
          "not-possible",
          `${path}.ceilingC`,
          `The ceiling, ${driver.ceilingC} °C, must lie above the base, ${driver.baseC} °C.`,
        );
      return;
    case "cycles":
      checks
        .range(`${path}.count`, "The number of days to be counted", driver.count, 1, 1000)
        .when(
          !Number.isInteger(driver.count),
          "not-possible",
          `${path}.count`,
          `The number of days must be whole, not ${driver.count}.`,
        )
        .range(`${path}.criticalH`, "The critical day length", driver.criticalH, 1, 23.9, "h");
      return;
    case "date":
      checks.when(
        !isCalendarDate(`2024-${driver.monthDay}`),
        "not-possible",
        `${path}.monthDay`,
        `A date in the year is written as 03-21 for 21 March, not ${driver.monthDay}.`,
      );
  }
}

function checkSign(checks: Checks, path: string, { stageId, on }: StageSign, input: StageDatesInput): void {
  const { startOn, stages, days, signs = [] } = input;
  const place = (id: string): number => stages.findIndex((stage) => stage.id === id);
  const at = place(stageId);
  const last = days.at(-1)?.date ?? on;
  checks
    .when(at === -1, "not-possible", `${path}.stageId`, `No stage is called ${stageId}.`)
    .when(!isCalendarDate(on), "not-possible", `${path}.on`, `A sign needs the date on which it was seen, not ${on}.`)
    .when(
      at === 0 && on !== startOn,
      "not-possible",
      `${path}.on`,
      `${stageId} is the first stage and begins on ${startOn}; it cannot have been seen on ${on}.`,
    )
    .when(
      at > 0 && on <= startOn,
      "not-possible",
      `${path}.on`,
      `${stageId} cannot begin on ${on}: the stages before it begin on ${startOn}.`,
    )
    .when(
      on > last,
      "not-possible",
      `${path}.on`,
      `${stageId} cannot have been seen on ${on}: the days end on ${last}.`,
    )
    .when(
      signs.filter((sign) => sign.stageId === stageId).length > 1,
      "not-possible",
      `${path}.stageId`,
      `${stageId} was seen to begin twice; it begins once.`,
    );
  const clash = signs.find((other) => place(other.stageId) > -1 && place(other.stageId) < at && other.on >= on);
  checks.when(
    clash !== undefined,
    "not-possible",
    `${path}.on`,
    `${stageId} cannot begin on ${on}: ${clash?.stageId ?? ""}, which comes before it, was seen on ${clash?.on ?? ""}.`,
  );
}
