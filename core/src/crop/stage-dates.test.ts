import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { evenly } from "../working/evenly-for-tests.ts";
import { addDays } from "../time/local-time.ts";
import { stageDates, type StageDatesInput } from "./stage-dates.ts";
import { degreeDays, type CropDay, type StageDriver } from "./stage-driver.ts";

const START = "2026-04-01";
const daysOf = (count: number, of: Partial<CropDay> | ((at: number) => Partial<CropDay>) = {}): CropDay[] =>
  Array.from({ length: count }, (_, at) => ({
    date: addDays(START, at),
    ...(typeof of === "function" ? of(at) : of),
  }));
const days = (count: number): StageDriver => ({ kind: "days", days: count });
const run = (
  drivers: Readonly<Record<string, StageDriver>>,
  listed: readonly CropDay[],
  signs: StageDatesInput["signs"] = [],
) =>
  stageDates({
    startOn: START,
    stages: Object.entries(drivers).map(([id, driver]) => ({ id, driver })),
    days: listed,
    signs,
  });
const spans = (dates: ReturnType<typeof stageDates>) => dates.stages.map(({ startsOn, endsOn }) => [startsOn, endsOn]);

describe("a day's warmth", () => {
  it("is 5 for 4 to 20 °C above 10, by McMaster and Wilhelm's second method", () => {
    expect(degreeDays(4, 20, 10)).toBe(5);
    expect(degreeDays(4, 8, 10)).toBe(0);
    expect(degreeDays(12, 38, 10, 30)).toBe(11);
    expect(degreeDays(32, 38, 10, 30)).toBe(20);
  });

  it("is 2 for the same day by their first method, and 3.6 where its hours are counted", () => {
    expect(degreeDays(4, 20, 10, Infinity, "1")).toBe(2);
    expect(degreeDays(4, 8, 10, Infinity, "1")).toBe(0);
    expect(degreeDays(4, 20, 10, Infinity, "hours")).toBeCloseTo(3.6, 1);
    // Wholly above the base all three are the mean less the base.
    for (const method of ["1", "2", "hours"] as const) expect(degreeDays(12, 24, 10, Infinity, method)).toBe(8);
  });

  it("by its hours is what 1440 minutes of a sine come to, under a ceiling too", () => {
    fc.assert(
      fc.property(evenly(-10, 30), evenly(0.5, 25), evenly(0, 15), evenly(16, 35), (low, swing, baseC, ceilingC) => {
        let sum = 0;
        for (let minute = 0; minute < 1440; minute++) {
          const airC = low + swing / 2 + (swing / 2) * Math.sin((2 * Math.PI * (minute + 0.5)) / 1440);
          sum += Math.min(Math.max(airC, baseC), ceilingC) - baseC;
        }
        expect(degreeDays(low, low + swing, baseC, ceilingC, "hours")).toBeCloseTo(sum / 1440, 3);
      }),
      { numRuns: 50 },
    );
  });
});

describe("the stages of a planting", () => {
  it("follow each other day by day: ten days from 1 April end on the 10th, and the next begins on the 11th", () => {
    const dates = run({ a: days(10), b: days(5) }, daysOf(12));
    expect(spans(dates)).toEqual([
      ["2026-04-01", "2026-04-10"],
      ["2026-04-11", null],
    ]);
    expect(dates.stages[1]).toMatchObject({ done: 2, of: 5, unit: "days", seen: false });
  });

  it("end on the day on which their warmth is reached, and carry nothing over", () => {
    const thermal = (degreeDays: number): StageDriver => ({ kind: "thermal", degreeDays, baseC: 10 });
    // 8 °C·d a day: 20 are reached on the third day with 24
    const dates = run({ a: thermal(20), b: thermal(20) }, daysOf(5, { tMinC: 12, tMaxC: 24 }));
    expect(dates.stages).toMatchObject([
      { startsOn: "2026-04-01", endsOn: "2026-04-03", done: 24, of: 20, unit: "°C·d" },
      { startsOn: "2026-04-04", endsOn: null, done: 16 },
    ]);
  });

  it("count short days one by one; long ones between neither count nor reset", () => {
    const short: StageDriver = { kind: "cycles", count: 4, of: "short", criticalH: 12 };
    const dates = run(
      { short, after: days(3) },
      daysOf(9, (at) => ({ dayLengthH: at % 2 === 0 ? 10 : 14 })),
    );
    expect(dates.stages).toMatchObject([
      { endsOn: "2026-04-07", done: 4, of: 4, unit: "short days" },
      { startsOn: "2026-04-08", done: 2 },
    ]);
    const exact = run({ short }, daysOf(9, { dayLengthH: 12 }));
    expect(exact.stages[0]).toMatchObject({ done: 0, endsOn: null });
  });

  it("end on a date in the year, this one or the next", () => {
    const until = (monthDay: string): StageDriver => ({ kind: "date", monthDay });
    expect(spans(run({ a: until("04-03"), b: until("03-31") }, daysOf(400)))).toEqual([
      ["2026-04-01", "2026-04-03"],
      ["2026-04-04", "2027-03-31"],
    ]);
  });

  it("begin when they were seen to: sooner than the sum, or later, with the stage before held open", () => {
    const drivers = { a: days(10), b: days(10), c: days(10) };
    const sooner = run(drivers, daysOf(40), [{ stageId: "b", on: "2026-04-06" }]);
    expect(spans(sooner)).toEqual([
      ["2026-04-01", "2026-04-05"],
      ["2026-04-06", "2026-04-15"],
      ["2026-04-16", "2026-04-25"],
    ]);
    expect(sooner.stages.map(({ seen }) => seen)).toEqual([false, true, false]);
    const later = run(drivers, daysOf(40), [{ stageId: "b", on: "2026-04-15" }]);
    expect(later.stages[0]).toMatchObject({ endsOn: "2026-04-14", done: 14, of: 10 });
    expect(later.stages[1]).toMatchObject({ startsOn: "2026-04-15", endsOn: "2026-04-24" });
  });

  it("name a stage that was passed over by what was seen", () => {
    const dates = run({ a: days(10), b: days(10), c: days(10) }, daysOf(20), [{ stageId: "c", on: "2026-04-05" }]);
    expect(spans(dates)).toEqual([
      ["2026-04-01", "2026-04-04"],
      [null, null],
      ["2026-04-05", "2026-04-14"],
    ]);
    expect(dates.warnings).toEqual([expect.stringMatching(/b was passed over/)]);
  });

  it("say which days lack what a driver needs, and count them as nothing", () => {
    const dates = run({ a: { kind: "thermal", degreeDays: 100, baseC: 5 } }, [
      ...daysOf(3, { tMinC: 10, tMaxC: 20 }),
      { date: "2026-04-04" },
    ]);
    expect(dates.stages[0]).toMatchObject({ done: 30, endsOn: null });
    expect(dates.warnings).toEqual([expect.stringMatching(/1 days lack .* 2026-04-04/)]);
  });

  it("leave no day out and give none twice, whatever drives them", () => {
    const driver = fc.oneof(
      fc.integer({ min: 1, max: 30 }).map(days),
      fc.integer({ min: 5, max: 300 }).map((degreeDays): StageDriver => ({ kind: "thermal", degreeDays, baseC: 8 })),
      fc
        .integer({ min: 1, max: 20 })
        .map((count): StageDriver => ({ kind: "cycles", count, of: "long", criticalH: 12.5 })),
    );
    const day = fc.record({
      tMinC: fc.integer({ min: -5, max: 15 }),
      tMaxC: fc.integer({ min: 15, max: 40 }),
      dayLengthH: fc.integer({ min: 8, max: 16 }),
    });
    fc.assert(
      fc.property(
        fc.array(driver, { minLength: 1, maxLength: 6 }),
        fc.array(day, { minLength: 1, maxLength: 120 }),
        (drivers, known) => {
          const listed = daysOf(known.length, (at) => known[at] ?? {});
          const { stages } = run(Object.fromEntries(drivers.map((one, at) => [`s${at}`, one])), listed);
          const begun = stages.filter(({ startsOn }) => startsOn !== null);
          expect(begun[0]?.startsOn).toBe(START);
          begun.forEach(({ endsOn, done, of }, at) => {
            const next = begun[at + 1];
            if (next) expect(next.startsOn).toBe(addDays(endsOn ?? "", 1));
            if (endsOn !== null) expect(done).toBeGreaterThanOrEqual(of - 1e-9);
          });
        },
      ),
    );
  });

  it.each<[string, Partial<StageDatesInput>]>([
    ["stages.0.driver.days", { stages: [{ id: "a", driver: days(0) }] }],
    [
      "stages.0.driver.ceilingC",
      { stages: [{ id: "a", driver: { kind: "thermal", degreeDays: 9, baseC: 9, ceilingC: 8 } }] },
    ],
    ["stages.0.driver.monthDay", { stages: [{ id: "a", driver: { kind: "date", monthDay: "13-01" } }] }],
    ["days.1.date", { days: [{ date: START }, { date: "2026-04-03" }] }],
    ["days.0.date", { days: [{ date: "2026-04-02" }] }],
    ["days.0.tMinC", { days: [{ date: START, tMinC: 20, tMaxC: 10 }] }],
    ["signs.0.on", { signs: [{ stageId: "b", on: "2026-03-20" }] }],
    ["signs.0.on", { signs: [{ stageId: "b", on: "2026-09-20" }] }],
    ["signs.0.stageId", { signs: [{ stageId: "nowhere", on: "2026-04-03" }] }],
    [
      "stages.1.id",
      {
        stages: [
          { id: "a", driver: days(2) },
          { id: "a", driver: days(2) },
        ],
      },
    ],
  ])("refuse what cannot be at %s", (path, wrong) => {
    const stages = [
      { id: "a", driver: days(5) },
      { id: "b", driver: days(5) },
    ];
    const faultsOf = (): unknown[] => {
      try {
        stageDates({ startOn: START, stages, days: daysOf(9), ...wrong });
      } catch (error) {
        return (error as { faults: { path: string }[] }).faults.map((fault) => fault.path);
      }
      return [];
    };
    expect(faultsOf()).toContain(path);
  });
});
