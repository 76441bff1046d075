import { isCalendarDate } from "../climate/reference-et-input.ts";
import { addDays } from "../time/local-time.ts";
import { Checks } from "../working/checks.ts";
import { showNumber, Worksheet, type WorkingStep } from "../working/working.ts";
import type { CropDay, StageDriver, WarmthMethod } from "./stage-driver.ts";
import { stageCourse, type DrivenStage, type StageCourse, type StageSign } from "./stage-course.ts";

export interface StageDatesInput {
  /** first day of the first stage */
  readonly startOn: string;
  readonly stages: readonly DrivenStage[];
  /** one after the other without a gap, from `startOn` or before it */
  readonly days: readonly CropDay[];
  readonly signs?: readonly StageSign[] | undefined;
}

export interface StageDates {
  readonly stages: readonly Omit<StageCourse, "sums">[];
  readonly warnings: readonly string[];
  readonly working: readonly WorkingStep[];
}

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
        sourceOf(input.stages.find((stage) => stage.id === id)?.driver),
      );
    else if (input.signs?.some((sign) => sign.stageId === id) !== true && laterBegan(stages, id))
      sheet.warn(`${id} was passed over: a later stage was seen to begin before it.`);
  const [first] = unknownOn;
  if (first !== undefined)
    sheet.warn(`${unknownOn.length} days lack what their stage's driver needs and count nothing, ${first} the first.`);
  return { stages: stages.map(({ sums: _sums, ...stage }) => stage), warnings: sheet.warnings, working: sheet.steps };
}

const WARMTH_SOURCES: Readonly<Record<WarmthMethod, string>> = {
  1: "McMaster & Wilhelm (1997), method 1",
  2: "McMaster & Wilhelm (1997), method 2",
  hours: "Baskerville & Emin (1969), a sine through lowest and highest",
};

function sourceOf(driver: StageDriver | undefined): string {
  return driver?.kind === "thermal" ? WARMTH_SOURCES[driver.method ?? "2"] : "counted";
}

function laterBegan(stages: readonly StageCourse[], id: string): boolean {
  return stages.slice(stages.findIndex((stage) => stage.id === id) + 1).some(({ startsOn }) => startsOn !== null);
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
