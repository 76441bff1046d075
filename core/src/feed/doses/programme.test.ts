import fc from "fast-check";
import loadHighs from "highs";
import { describe, expect, it } from "vitest";
import { evenly } from "../../working/evenly-for-tests.ts";
import { addDays } from "../../time/local-time.ts";
import { DomainError } from "../../working/domain-error.ts";
import { lpSolver } from "../recipe/highs-lp.ts";
import { doseCalendar } from "./calendar.ts";
import { ledger } from "../books/planting-ledger.ts";
import { ofWater, MAIN } from "./nutrients.ts";
import {
  checkDressings,
  plainDressing,
  scheduleOf,
  usualProgramme,
  type Dressing,
  type Programme,
} from "./programme.ts";
import { seasonLitres, type DosedSeason } from "./season.ts";
import { datesBetween, mostAhead, nitrogenDays, uptakeDone, uptakeSpans } from "./uptake-curve.ts";

const START = "2026-05-01";
const solve = lpSolver(await loadHighs());
/** Ten weeks: Kc of 0.5 for five, of 1 for five. */
const days = datesBetween(START, addDays(START, 70)).map((on, at) => ({ on, kc: at < 35 ? 0.5 : 1 }));
const season: DosedSeason = {
  ...{ days, nitrogenDays: days },
  stages: new Map([
    ["leaf", START],
    ["fruit", addDays(START, 35)],
  ]),
  picks: [],
  pickingFrom: addDays(START, 42),
  ...{ areaM2: 500, light: new Map(), ahead: new Map() },
  litres: new Map([[START, 1000]]),
  recipeMgL: () => ({ N: 150, P: 30, K: 200 }),
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

  it("leaves in the ground what comes before it is taken up: all of a single dose, little of many", () => {
    const dose = (after: number, kgHa: number) => ({ on: addDays(START, after), kgHa });
    expect(mostAhead(season.days, 90, [dose(0, 90)])).toEqual({ on: START, kgHa: 90 });
    // By day 35 a third of 90 is taken up: 90 − 30 lie there when the second half comes.
    expect(mostAhead(season.days, 90, [dose(0, 45), dose(35, 45)]).kgHa).toBeCloseTo(60, 9);
    const weekly = uptakeSpans(season.days, 7).map(({ from, share }) => ({ on: from, kgHa: 90 * share }));
    expect(mostAhead(season.days, 90, weekly).kgHa).toBeCloseTo(12, 9);
    expect(mostAhead(season.days, 90, [dose(69, 10)])).toEqual({ on: null, kgHa: 0 });
  });

  it("of nitrogen runs ahead of dry matter by the published dilution: by hand for tomato", () => {
    // Tei et al. (2002): 10 t/ha hold 4.53 · 10^−0.327 = 2.133 %, 213.3 kg; 5 t/ha 2.676 %, 133.8 kg: 62.7 % of it in half the growth.
    const dilution = { aPct: 4.53, b: 0.327 };
    const even = datesBetween(START, addDays(START, 100)).map((on) => ({ on, kc: 1 }));
    const weighed = nitrogenDays(even, 213.35, dilution);
    expect(uptakeDone(weighed, addDays(START, 49))).toBeCloseTo(0.627, 3);
    expect(weighed.reduce((sum, { kc }) => sum + kc, 0)).toBeCloseTo(213.35, 6);
    // A crop that never makes a tonne does not thin out.
    expect(uptakeDone(nitrogenDays(even, 40, dilution), addDays(START, 49))).toBeCloseTo(0.5, 9);
    const schedule = scheduleOf(
      usualProgramme("ration"),
      aim,
      { ...season, nitrogenDays: nitrogenDays(days, 213.35, dilution) },
      START,
    );
    if (schedule.kind !== "daily-rates") throw new Error("a ration has daily rates");
    const of = (nutrient: "N" | "K"): number =>
      schedule.weeks.reduce((sum, { weeks, kgHaDay }) => sum + weeks * 7 * (kgHaDay[nutrient] ?? 0), 0);
    expect(of("N")).toBeCloseTo(aim.N, 9);
    expect(of("K")).toBeCloseTo(aim.K, 9);
    expect((schedule.weeks[0]?.kgHaDay.N ?? 0) / aim.N).toBeGreaterThan((schedule.weeks[0]?.kgHaDay.K ?? 0) / aim.K);
  });

  it("adds up to all of it, in spans of any length, each day in one of them", () => {
    fc.assert(
      fc.property(
        fc.array(evenly(0, 1.4), { minLength: 1, maxLength: 200 }),
        fc.integer({ min: 1, max: 30 }),
        (kcs, length) => {
          const days = kcs.map((kc, at) => ({ on: addDays(START, at), kc }));
          const spans = uptakeSpans(days, length);
          expect(spans.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 9);
          expect(spans.reduce((sum, span) => sum + span.days, 0)).toBe(days.length);
        },
      ),
    );
  });
});

describe("a programme", () => {
  const of = (more: Partial<Programme>) => scheduleOf({ ...usualProgramme("ration"), ...more }, aim, season, START);

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
        plainDressing({ kind: "date", on: addDays(START, 10) }, 30),
        { ...plainDressing({ kind: "stage", stageId: "fruit", days: 7 }, 70), onlyIf: "the leaf is pale" },
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
    expect(of({ school: "constant", ppmN: 105 })).toEqual({
      kind: "with-water",
      days: [{ on: START, litres: 1000, mgL: { N: 105, P: 21, K: 150 } }],
    });
  });

  it("at constant strength by stage has each stage's nitrogen, the others in the ratio of what is to be given", () => {
    const until = addDays(START, 34);
    const ppmStages = [{ stageId: "fruit", ppmN: 200 }];
    const schedule = scheduleOf({ ...usualProgramme("constant"), ppmN: 100, ppmStages }, aim, season, until);
    if (schedule.kind !== "with-water") throw new Error("stages have their own strengths");
    expect(schedule.days[0]?.mgL.N).toBe(100);
    // From the very day on which the stage begins.
    expect(schedule.days.find(({ on }) => on === addDays(START, 35))?.mgL.N).toBe(200);
    expect(schedule.days.at(-1)?.mgL).toEqual({ N: 200, P: 40, K: expect.closeTo((200 * 150) / 105, 9) as number });
  });

  it("goes by the light of each mixing where that is asked: a third stronger in half of the usual, and no more than allowed", () => {
    const rule = { policy: "stronger-in-low-light", usualWaterLM2: 2, usualLightMolM2: 20, least: 0.8 } as const;
    const until = addDays(START, 20);
    const litres = new Map(datesBetween(START, addDays(START, 21)).map((on) => [on, 1000]));
    // The first week has 10 mol/m², the second 20; of the third nothing is known.
    const light = new Map(datesBetween(START, addDays(START, 14)).map((on, at) => [on, at < 7 ? 10 : 20]));
    const strengths = (most: number): (number | undefined)[] => {
      const programme = { ...usualProgramme("constant"), ppmN: 100, season: { ...rule, most } };
      const schedule = scheduleOf(programme, aim, { ...season, litres, light }, until);
      if (schedule.kind !== "with-water") throw new Error("constant feed follows the water");
      return [0, 1, 2].map((at) => schedule.days[at]?.mgL.N);
    };
    expect(strengths(5 / 3)).toEqual([expect.closeTo(100 * (1 + (2 / 3) * 0.5), 9), 100, 100]);
    expect(strengths(1)).toEqual([100, 100, 100]);
  });

  it("keeps the grams of a day where that is asked: with twice the usual water half as strong, days without any counted", () => {
    const season14 = (dates: readonly string[]) => ({ ...season, litres: new Map(dates.map((on) => [on, 2000])) });
    const rule = { policy: "same-ration", usualWaterLM2: 2, usualLightMolM2: 20, least: 0.2, most: 3 } as const;
    const strength = (dates: readonly string[]): number | undefined => {
      const programme = { ...usualProgramme("constant"), ppmN: 100, season: rule };
      const schedule = scheduleOf(programme, aim, season14(dates), addDays(START, 6));
      return schedule.kind === "with-water" ? schedule.days[0]?.mgL.N : undefined;
    };
    const week = datesBetween(START, addDays(START, 7));
    // 2,000 L on 500 m² are 4 L/m² every day; every other day, four of seven, 16 ÷ 7.
    expect(strength(week)).toBeCloseTo(50, 9);
    expect(strength(week.filter((_, at) => at % 2 === 0))).toBeCloseTo((100 * 2 * 7) / 16, 9);
  });

  it("at constant strength says so while nothing was watered", () => {
    const dry = { ...season, litres: new Map<string, number>() };
    expect(() => scheduleOf({ ...usualProgramme("constant") }, aim, dry, START)).toThrow(/Nothing was watered yet/);
  });

  it("whose planting ends before its last dressing is still read, that dressing with its date", () => {
    const day = { kind: "date", on: addDays(START, 300) } as const;
    expect(of({ school: "dressings", dressings: [plainDressing(day, 100)] })).toMatchObject({
      events: [{ on: addDays(START, 300), sharePct: 100 }],
    });
  });

  const eventsOf = (dressings: readonly Dressing[], more: Partial<DosedSeason> = {}) => {
    const schedule = scheduleOf({ ...usualProgramme("dressings"), dressings }, aim, { ...season, ...more }, START);
    if (schedule.kind !== "shares") throw new Error("dressings have shares");
    return schedule.events;
  };

  it("repeats a part every so many days until another time, its share split evenly", () => {
    const until = { kind: "stage", stageId: "fruit", days: 0 } as const;
    const events = eventsOf([plainDressing({ kind: "planting", days: 7 }, 100, { everyDays: 14, until })]);
    expect(events.map(({ on }) => on)).toEqual([7, 21, 35].map((after) => addDays(START, after)));
    for (const { sharePct } of events) expect(sharePct).toBeCloseTo(100 / 3, 12);
  });

  it("gives each part its own ratio and its own bags, and all of each nutrient in the end", () => {
    const parts = [
      { ...plainDressing({ kind: "planting", days: 7 }, 40), shareP: 100, shareK: 10, productIds: ["urea"] },
      { ...plainDressing({ kind: "planting", days: 28 }, 60), shareP: 0, shareK: 90 },
    ];
    const schedule = { kind: "shares", events: eventsOf(parts) } as const;
    const products = [{ id: "urea" }, { id: "monopotassium-phosphate" }, { id: "potassium-sulphate" }];
    const { doses, unmet } = doseCalendar({ toGiveKgHa: aim, areaM2: 100, plants: 100, schedule, products }, solve);
    expect(doses[0]?.products.map(({ productId }) => productId)).toEqual(["urea"]);
    expect(doses[0]?.nutrientsKgHa.N).toBeCloseTo(42, 6);
    // Urea brings no phosphorus: what its part should have brought is told.
    expect(unmet).toContainEqual({ nutrient: "P", kgHa: expect.closeTo(21, 6) as number, reason: expect.any(String) });
    expect(doses[1]?.nutrientsKgHa.N).toBeCloseTo(63, 6);
    expect(doses[1]?.nutrientsKgHa.K).toBeCloseTo(135, 6);
    const short = eventsOf([{ ...plainDressing({ kind: "planting", days: 7 }, 100), shareK: 60 }]);
    expect(() =>
      doseCalendar(
        { toGiveKgHa: aim, areaM2: 100, plants: 100, schedule: { kind: "shares", events: short }, products },
        solve,
      ),
    ).toThrow(/The shares of K must add up to 100 %; these add up to 60 %/);
  });

  it("gives a part after a pick when it is over, and until then on the day that is expected, hanging on it", () => {
    const after = (pick: number, picks: string[]) =>
      eventsOf([plainDressing({ kind: "pick", pick, days: 1 }, 100)], { picks })[0];
    expect(after(2, [])).toEqual({ on: addDays(START, 50), sharePct: 100, onlyIf: "pick 2 is over" });
    const picks = [40, 44, 48].map((day) => addDays(START, day));
    expect(after(2, picks)).toEqual({ on: addDays(START, 45), sharePct: 100 });
    // Every four days so far: the fifth eight days after the third.
    expect(after(5, picks)).toEqual({ on: addDays(START, 57), sharePct: 100, onlyIf: "pick 5 is over" });
    expect(() => eventsOf([plainDressing({ kind: "pick", pick: 1, days: 0 }, 100)], { pickingFrom: null })).toThrow(
      /is not picked/,
    );
  });

  it("follows the water of days to come by their Kc, as the zone drank so far", () => {
    // 35 days of 0.5 are a third of the season; the rest drinks twice as much in all.
    const until = addDays(START, 34);
    const litres = seasonLitres(season, until);
    const all = [...litres.values()].reduce((sum, some) => sum + some, 0);
    expect(all).toBeCloseTo(3000, 9);
    // Nothing was given yet: two days are planned, at 0.5 of Kc, and the rest follows them.
    const ahead = new Map([1, 2].map((day) => [addDays(START, day), 40 * day]));
    const foreseen = seasonLitres({ ...season, litres: new Map(), ahead }, START);
    expect([1, 2, 3, 40].map((day) => foreseen.get(addDays(START, day)))).toEqual([40, 80, 60, 120]);
    // A tenth of it tells nothing yet.
    expect(seasonLitres(season, addDays(START, 6))).toEqual(new Map([[START, 1000]]));
  });

  it("by recipe brings what is in each litre, a week mixed at once", () => {
    const until = addDays(START, 34);
    const recipeMgL = (on: string) => (on < addDays(START, 35) ? { N: 100, P: 20, K: 150 } : { N: 200, P: 40, K: 250 });
    const schedule = scheduleOf(usualProgramme("recipe"), aim, { ...season, recipeMgL }, until);
    const { totalKgHa, doses } = doseCalendar(
      {
        ...{ areaM2: 1000, plants: 100, schedule },
        products: [{ id: "urea" }, { id: "monopotassium-phosphate" }, { id: "potassium-sulphate" }],
      },
      solve,
    );
    // 1000 L at 100 mg N/L and 2000 L at 200: 500 g on 0.1 ha.
    expect(totalKgHa.N).toBeCloseTo(5, 6);
    expect(doses).toHaveLength(6);
    expect(() => scheduleOf(usualProgramme("recipe"), aim, { ...season, recipeMgL: () => null }, until)).toThrow(
      /Nobody has said what is to be in the feed/,
    );
  });

  it("of organic parts comes in small ones, every other week, as nobody said otherwise", () => {
    const schedule = scheduleOf(usualProgramme("organic"), aim, season, START);
    if (schedule.kind !== "shares") throw new Error("organic parts have shares");
    expect(schedule.events.map(({ on }) => on)).toEqual([14, 28, 42, 56].map((after) => addDays(START, after)));
  });

  it.each([
    ["a stage that it has not", { kind: "stage", stageId: "bulb", days: 0 }, /no stage bulb/],
    ["a day before planting", { kind: "date", on: "2026-04-01" }, /lies outside/],
    ["a day after its last stage", { kind: "stage", stageId: "fruit", days: 200 }, /lies outside/],
  ] as const)("refuses a dressing at %s", (_what, day, words) => {
    try {
      const dressings = [plainDressing(day, 100)];
      checkDressings({ ...usualProgramme("dressings"), dressings }, season);
      expect.unreachable();
    } catch (error) {
      if (!(error instanceof DomainError)) throw error;
      expect(error.message).toMatch(words);
    }
  });
});

describe("a planting's books", () => {
  const amount = evenly(0, 500);
  const amounts = fc.record({ N: amount, P: amount, K: amount });

  it("close for every nutrient, whatever came and went", () => {
    const drained = fc.record({ N: fc.option(amount), P: fc.option(amount), K: fc.option(amount) });
    const all = { given: amounts, fed: amounts, digestate: amounts, water: amounts, credited: amounts };
    fc.assert(
      fc.property(fc.record({ ...all, removed: amounts, leaf: amounts, drained }), (input) => {
        const { left } = ledger(input);
        for (const nutrient of MAIN) {
          const came = (Object.keys(all) as (keyof typeof all)[]).reduce((sum, key) => sum + input[key][nutrient], 0);
          const went = input.removed[nutrient] + input.leaf[nutrient] + (input.drained[nutrient] ?? 0);
          expect(came - went - (left?.[nutrient] ?? NaN)).toBeCloseTo(0, 9);
        }
      }),
    );
  });

  it("say nothing of what is left where nobody knows what was taken off, or what the water brought", () => {
    const none = { N: 0, P: 0, K: 0 };
    const drained = { N: null, P: null, K: null };
    const came = { given: none, fed: none, digestate: none, water: none, credited: none };
    const all = { ...came, removed: none, leaf: none, drained };
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
