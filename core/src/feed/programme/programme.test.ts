import fc from "fast-check";
import loadHighs from "highs";
import { describe, expect, it } from "vitest";
import { addDays } from "../../time/local-time.ts";
import { DomainError } from "../../working/domain-error.ts";
import { lpSolver } from "../highs-lp.ts";
import { doseCalendar } from "./calendar.ts";
import { ledger } from "./ledger.ts";
import { MAIN } from "./nutrients.ts";
import { checkDressings, ofWater, scheduleOf, usualProgramme, type DosedSeason, type Programme } from "./programme.ts";
import { datesBetween, uptakeDone, uptakeSpans } from "./uptake-curve.ts";

const START = "2026-05-01";
const solve = lpSolver(await loadHighs());
/** Ten weeks: Kc of 0.5 for five, of 1 for five. */
const season: DosedSeason = {
  days: datesBetween(START, addDays(START, 70)).map((on, at) => ({ on, kc: at < 35 ? 0.5 : 1 })),
  stages: new Map([
    ["leaf", START],
    ["fruit", addDays(START, 35)],
  ]),
  litres: new Map([[START, 1000]]),
};
const aim = { N: 105, P: 21, K: 150 };

describe("the uptake of a season", () => {
  it("follows what the crop transpires: two thirds of it in the half in which Kc is twice as high", () => {
    expect(uptakeDone(season.days, addDays(START, 34))).toBeCloseTo(1 / 3, 12);
    expect(uptakeDone(season.days, addDays(START, 69))).toBeCloseTo(1, 12);
    expect(uptakeDone(season.days, addDays(START, -1))).toBe(0);
    const spans = uptakeSpans(season.days, 7);
    expect(spans).toHaveLength(10);
    expect((spans[9]?.share ?? 0) / (spans[0]?.share ?? 1)).toBeCloseTo(2, 12);
  });

  it("adds up to all of it, in spans of any length, each day in one of them", () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0, max: 1.4, noNaN: true }), { minLength: 1, maxLength: 200 }),
        fc.integer({ min: 1, max: 30 }),
        (kcs, length) => {
          const days = kcs.map((kc, at) => ({ on: addDays(START, at), kc }));
          const spans = uptakeSpans(days, length);
          expect(spans.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 9);
          expect(spans.reduce((sum, span) => sum + span.days, 0)).toBe(days.length);
        },
      ),
      { seed: 7 },
    );
  });
});

describe("a programme", () => {
  const of = (more: Partial<Programme>) => scheduleOf({ ...usualProgramme("ration"), ...more }, aim, season);

  it("as a ration gives each week what is taken up in it, in doses as far apart as asked", () => {
    const schedule = of({ everyDays: 14 });
    if (schedule.kind !== "daily-rates") throw new Error("a ration has daily rates");
    expect(schedule.weeks).toHaveLength(10);
    // A fifteenth of 105 kg in each of the first five weeks: 7 kg, 1 kg a day.
    expect(schedule.weeks[0]?.kgHaDay.N).toBeCloseTo(1, 9);
    expect(schedule.weeks[9]?.kgHaDay.N).toBeCloseTo(2, 9);
    const { doses, totalKgHa } = doseCalendar(
      {
        toGiveKgHa: aim,
        areaM2: 100,
        plants: 100,
        schedule,
        products: [{ id: "urea" }, { id: "monopotassium-phosphate" }, { id: "potassium-sulphate" }],
      },
      solve,
    );
    expect(doses.map(({ nutrientsKgHa: { N } }) => Math.round(N))).toEqual([14, 14, 21, 28, 28]);
    for (const nutrient of MAIN) expect(totalKgHa[nutrient]).toBeCloseTo(aim[nutrient], 4);
  });

  it("in dressings has each on its date, or so many days after its stage begins", () => {
    const schedule = of({
      school: "dressings",
      dressings: [
        { day: { kind: "date", on: addDays(START, 10) }, sharePct: 30, onlyIf: null },
        { day: { kind: "stage", stageId: "fruit", days: 7 }, sharePct: 70, onlyIf: "the leaf is pale" },
      ],
    });
    expect(schedule).toEqual({
      kind: "shares",
      events: [
        { on: addDays(START, 10), sharePct: 30 },
        { on: addDays(START, 42), sharePct: 70, onlyIf: "the leaf is pale" },
      ],
    });
  });

  it("at constant strength follows the litres that are known, and makes none up", () => {
    expect(of({ school: "constant", ppmN: 120 })).toEqual({
      kind: "constant-ppm",
      ppmN: 120,
      days: [{ on: START, litres: 1000 }],
    });
  });

  it("at constant strength says so while nothing was watered", () => {
    const dry = { ...season, litres: new Map<string, number>() };
    expect(() => scheduleOf({ ...usualProgramme("constant") }, aim, dry)).toThrow(/Nothing was watered yet/);
  });

  it("whose planting ends before its last dressing is still read, that dressing with its date", () => {
    const day = { kind: "date", on: addDays(START, 300) } as const;
    expect(of({ school: "dressings", dressings: [{ day, sharePct: 100, onlyIf: null }] })).toMatchObject({
      events: [{ on: addDays(START, 300), sharePct: 100 }],
    });
  });

  it.each([
    ["a stage that it has not", { kind: "stage", stageId: "bulb", days: 0 }, /no stage bulb/],
    ["a day before planting", { kind: "date", on: "2026-04-01" }, /lies outside/],
    ["a day after its last stage", { kind: "stage", stageId: "fruit", days: 200 }, /lies outside/],
  ] as const)("refuses a dressing at %s", (_what, day, words) => {
    try {
      const dressings = [{ day, sharePct: 100, onlyIf: null }];
      checkDressings({ ...usualProgramme("dressings"), dressings }, season);
      expect.unreachable();
    } catch (error) {
      if (!(error instanceof DomainError)) throw error;
      expect(error.message).toMatch(words);
    }
  });
});

describe("a planting's books", () => {
  const amount = fc.double({ min: 0, max: 500, noNaN: true });
  const amounts = fc.record({ N: amount, P: amount, K: amount });

  it("close for every nutrient, whatever came and went", () => {
    fc.assert(
      fc.property(amounts, amounts, amounts, amounts, amounts, (given, fed, water, credited, removed) => {
        const { left } = ledger({ given, fed, water, credited, removed });
        for (const nutrient of MAIN)
          expect(
            given[nutrient] +
              fed[nutrient] +
              water[nutrient] +
              credited[nutrient] -
              removed[nutrient] -
              (left?.[nutrient] ?? NaN),
          ).toBeCloseTo(0, 9);
      }),
      { seed: 12 },
    );
  });

  it("say nothing of what is left where nobody knows what was taken off, or what the water brought", () => {
    const none = { N: 0, P: 0, K: 0 };
    const all = { given: none, fed: none, water: none, credited: none, removed: none };
    expect(ledger({ ...all, removed: null }).left).toBeNull();
    expect(ledger({ ...all, water: null }).left).toBeNull();
  });

  it("have 1 mm of water at 10 mg N/L as 0.1 kg/ha", () => {
    expect(ofWater(500, 500, { N: 10, P: 0, K: 2 })).toEqual({
      N: expect.closeTo(0.1, 9) as number,
      P: 0,
      K: expect.closeTo(0.02, 9) as number,
    });
  });
});
