import fc from "fast-check";
import loadHighs from "highs";
import { describe, expect, it } from "vitest";
import { evenly } from "../../working/evenly-for-tests.ts";
import { fromCanonical, toCanonical, type Quantity, type UnitOf } from "../../units/index.ts";
import { addDays } from "../../time/local-time.ts";
import { DomainError } from "../../working/domain-error.ts";
import { lpSolver } from "../recipe/highs-lp.ts";
import type { Product } from "../products/product.ts";
import { doseCalendar } from "./calendar.ts";
import type { DoseCalendarInput } from "./calendar-input.ts";

const solve = lpSolver(await loadHighs());
/** 46.6 % N; 22.8 % P and 28.7 % K; 52.4 % K: mmol per gram of the pure salts. */
const UREA: Product = { id: "urea", name: "Urea", form: "solid", composition: { urea: 33.3 } };
const MKP: Product = { id: "mkp", name: "MKP", form: "solid", composition: { H2PO4: 7.35, K: 7.35 } };
const KCL: Product = { id: "kcl", name: "KCl", form: "solid", composition: { K: 13.41, Cl: 13.41 } };
const field: DoseCalendarInput = {
  toGiveKgHa: { N: 120, P: 20, K: 150 },
  areaM2: 500,
  plants: 1000,
  schedule: { kind: "equal", dates: ["2026-05-01", "2026-05-15", "2026-06-01"] },
  products: [UREA, MKP, KCL],
};
const of = (more: Partial<DoseCalendarInput> = {}) => doseCalendar({ ...field, ...more }, solve);
const sumN = (calendar: ReturnType<typeof of>): number =>
  calendar.doses.reduce((sum, { nutrientsKgHa }) => sum + nutrientsKgHa.N, 0);

describe("a calendar of doses", () => {
  it("in equal parts brings a third each time, weighed for the zone and for a plant", () => {
    const { doses, totalKgHa, unmet } = of();
    expect(doses.map(({ on }) => on)).toEqual(["2026-05-01", "2026-05-15", "2026-06-01"]);
    for (const nutrient of ["N", "P", "K"] as const) {
      expect(doses[0]?.nutrientsKgHa[nutrient]).toBeCloseTo((field.toGiveKgHa?.[nutrient] ?? NaN) / 3, 6);
      expect(totalKgHa[nutrient]).toBeCloseTo(field.toGiveKgHa?.[nutrient] ?? NaN, 6);
    }
    // 40 kg N/ha on 500 m² are 2 kg N: 4.29 kg of urea, 4.29 g a plant
    const urea = doses[0]?.products.find(({ productId }) => productId === "urea");
    expect(urea?.kg).toBeCloseTo(2 / ((33.3 * 14.007) / 1000), 4);
    expect(urea?.gPlant).toBeCloseTo(urea?.kg ?? NaN, 6);
    expect(unmet).toEqual([]);
  });

  it("gives shares on their dates, and a basal part first", () => {
    const schedule = {
      kind: "shares" as const,
      events: [
        { on: "2026-05-10", sharePct: 75 },
        { on: "2026-05-01", sharePct: 25 },
      ],
    };
    const { doses } = of({ schedule, basalPct: 40 });
    expect(doses.map(({ on, basal, nutrientsKgHa: { N } }) => [on, basal ?? false, Math.round(N * 1e6) / 1e6])).toEqual(
      [
        ["2026-05-01", true, 48],
        ["2026-05-01", false, 18],
        ["2026-05-10", false, 54],
      ],
    );
  });

  it("covers the days until the next dose at daily rates: a week of 1.5 and one of 2 kg/ha, every four days", () => {
    const schedule = {
      kind: "daily-rates" as const,
      startOn: "2026-05-01",
      weeks: [
        { weeks: 1, kgHaDay: { N: 1.5 } },
        { weeks: 1, kgHaDay: { N: 2, K: 3 } },
      ],
      everyDays: 4,
    };
    const { doses, totalKgHa } = of({ schedule, toGiveKgHa: undefined });
    expect(doses.map(({ on, nutrientsKgHa: { N } }) => [on, Math.round(N * 1e6) / 1e6])).toEqual([
      ["2026-05-01", 6],
      ["2026-05-05", 3 * 1.5 + 2],
      ["2026-05-09", 8],
      ["2026-05-13", 4],
    ]);
    expect(totalKgHa.N).toBeCloseTo(7 * 3.5, 6);
    expect(totalKgHa.K).toBeCloseTo(21, 6);
  });

  it("follows the published daily rates of drip-fed tomatoes to the season's 200 lb of N an acre", () => {
    // UF/IFAS, vegetable production guide, fertigation of tomato: 1.5, 2.0, 2.5, 2.0 and 1.5 lb/acre a day over 2, 2, 7, 1 and 1
    // weeks, of 200 lb/acre that are recommended for the season.
    const rates = [
      [2, 1.5],
      [2, 2],
      [7, 2.5],
      [1, 2],
      [1, 1.5],
    ] as const;
    const weeks = rates.map(([weeks, lb]) => ({ weeks, kgHaDay: { N: toCanonical("perLand", lb, "lb/acre") } }));
    const schedule = { kind: "daily-rates" as const, startOn: "2026-03-01", weeks, everyDays: 7 };
    const { doses, totalKgHa } = of({ schedule, toGiveKgHa: undefined });
    expect(doses).toHaveLength(13);
    expect(fromCanonical("perLand", totalKgHa.N, "lb/acre")).toBeCloseTo(196, 6);
    expect(Math.abs(fromCanonical("perLand", totalKgHa.N, "lb/acre") / 200 - 1)).toBeLessThan(0.025);
    expect(fromCanonical("perLand", doses[4]?.nutrientsKgHa.N ?? NaN, "lb/acre")).toBeCloseTo(7 * 2.5, 6);
  });

  it("gives the same grams for the same aims typed in metric or in US units", () => {
    const asTyped = <Q extends Quantity>(quantity: Q, value: number, unit: UnitOf<Q>): number =>
      toCanonical(quantity, fromCanonical(quantity, value, unit), unit);
    const amount = evenly(1, 300);
    fc.assert(
      fc.property(amount, amount, evenly(10, 50_000), (N, K, areaM2) => {
        const metric = of({ toGiveKgHa: { N, P: 0, K }, areaM2 });
        const us = of({
          toGiveKgHa: { N: asTyped("perLand", N, "lb/acre"), P: 0, K: asTyped("perLand", K, "lb/acre") },
          areaM2: asTyped("area", areaM2, "ft²"),
        });
        us.doses.forEach(({ products }, at) =>
          products.forEach(({ kg, gPlant }, place) => {
            expect(kg / (metric.doses[at]?.products[place]?.kg ?? NaN)).toBeCloseTo(1, 9);
            expect(gPlant / (metric.doses[at]?.products[place]?.gPlant ?? NaN)).toBeCloseTo(1, 9);
          }),
        );
      }),
      { numRuns: 50 },
    );
  });

  it("in equal dressings over beds of any geometry sums to the hectare's figure", () => {
    const bed = fc.record({
      beds: fc.integer({ min: 1, max: 60 }),
      lengthM: evenly(2, 200),
      widthM: evenly(0.4, 6),
      times: fc.integer({ min: 1, max: 8 }),
    });
    fc.assert(
      fc.property(bed, ({ beds, lengthM, widthM, times }) => {
        const dates = Array.from({ length: times }, (_, at) => addDays("2026-05-01", 7 * at));
        const { doses } = of({ areaM2: beds * lengthM * widthM, schedule: { kind: "equal", dates } });
        // What goes on a bed each time, over all beds and times, on a hectare of them.
        const ureaKgBed = doses.map(
          ({ products }) => (products.find(({ productId }) => productId === "urea")?.kg ?? NaN) / beds,
        );
        const kgHa = (ureaKgBed.reduce((sum, kg) => sum + kg, 0) * 10_000) / (lengthM * widthM);
        expect((kgHa * 33.3 * 14.007) / 1000 / 120).toBeCloseTo(1, 6);
        for (const kg of ureaKgBed) expect(kg / (ureaKgBed[0] ?? NaN)).toBeCloseTo(1, 9);
      }),
      { numRuns: 60 },
    );
  });

  it("follows the litres at constant strength: 2 m³ of 150 mg/L on 500 m² are 6 kg N/ha", () => {
    const schedule = { kind: "constant-ppm" as const, ppmN: 150, days: [{ on: "2026-05-01", litres: 2000 }] };
    const { doses } = of({ schedule });
    expect(doses[0]?.nutrientsKgHa.N).toBeCloseTo(6, 6);
    expect(doses[0]?.nutrientsKgHa.K).toBeCloseTo(7.5, 6);
    // 6 of 120 kg: how far that is from the need is said, for each nutrient
    expect(of({ schedule }).warnings).toContain("The schedule brings 6.0 kg/ha of N; 120.0 kg/ha were to be given.");
  });

  it("splits what is too much at once into equal parts apart from each other, but not the basal dose", () => {
    const schedule = { kind: "equal" as const, dates: ["2026-05-01"] };
    const { doses } = of({ schedule, basalPct: 50, largestNKgHa: 25, shortestDays: 6 });
    expect(doses.map(({ on, nutrientsKgHa: { N } }) => [on, Math.round(N)])).toEqual([
      ["2026-05-01", 60],
      ["2026-05-01", 20],
      ["2026-05-07", 20],
      ["2026-05-13", 20],
    ]);
  });

  it("tells what cannot be given by the last day, and never gives it after", () => {
    const calendar = of({ lastOn: "2026-05-20" });
    expect(calendar.doses).toHaveLength(2);
    expect(calendar.unmet).toEqual(
      expect.arrayContaining([
        { nutrient: "N", kgHa: expect.closeTo(40, 6), reason: "no dose may be given after 2026-05-20" },
      ]),
    );
    expect(sumN(calendar)).toBeCloseTo(80, 6);
  });

  it("names a nutrient that no product brings, and refuses nitrogen without a product", () => {
    const calendar = of({ products: [UREA, KCL] });
    expect(calendar.unmet).toEqual([
      { nutrient: "P", kgHa: expect.closeTo(20, 6), reason: "none of the products brings it" },
    ]);
    expect(() => of({ products: [KCL] })).toThrow(/Nitrogen is asked for/);
  });

  it("takes the cheaper of two products that bring the same", () => {
    const dear: Product = { ...UREA, id: "dear", priceKg: 3 };
    const cheap: Product = { ...UREA, id: "cheap", priceKg: 1 };
    const { doses } = of({ toGiveKgHa: { N: 30, P: 0, K: 0 }, products: [dear, cheap] });
    expect(doses[0]?.products.map(({ productId }) => productId)).toEqual(["cheap"]);
  });

  it("gives, or names as not given, all that was to be given, whatever the schedule", () => {
    const amount = fc.integer({ min: 0, max: 300 });
    fc.assert(
      fc.property(
        fc.record({ N: fc.integer({ min: 1, max: 300 }), P: amount, K: amount }),
        fc.uniqueArray(fc.integer({ min: 0, max: 120 }), { minLength: 1, maxLength: 8 }),
        fc.integer({ min: 0, max: 60 }),
        fc.option(fc.integer({ min: 5, max: 60 }), { nil: undefined }),
        fc.option(fc.integer({ min: 20, max: 120 }), { nil: undefined }),
        (toGiveKgHa, days, basalPct, largestNKgHa, lastDay) => {
          const calendar = of({
            toGiveKgHa,
            schedule: { kind: "equal", dates: days.map((day) => addDays("2026-03-01", day)) },
            basalPct,
            ...(largestNKgHa !== undefined && { largestNKgHa, shortestDays: 3 }),
            ...(lastDay !== undefined && { lastOn: addDays("2026-03-01", lastDay) }),
          });
          for (const nutrient of ["N", "P", "K"] as const) {
            const unmet = calendar.unmet
              .filter((one) => one.nutrient === nutrient)
              .reduce((sum, { kgHa }) => sum + kgHa, 0);
            expect(calendar.totalKgHa[nutrient] + unmet).toBeCloseTo(toGiveKgHa[nutrient], 4);
          }
          for (const { on, basal, nutrientsKgHa } of calendar.doses) {
            if (lastDay !== undefined) expect(on <= addDays("2026-03-01", lastDay)).toBe(true);
            if (!basal && largestNKgHa !== undefined) expect(nutrientsKgHa.N).toBeLessThanOrEqual(largestNKgHa + 1e-6);
          }
        },
      ),
      { numRuns: 60 },
    );
  });

  it.each<[string, Partial<DoseCalendarInput>]>([
    ["schedule.events", { schedule: { kind: "shares", events: [{ on: "2026-05-01", sharePct: 90 }] } }],
    ["toGiveKgHa", { toGiveKgHa: undefined }],
    ["schedule.dates.0", { schedule: { kind: "equal", dates: ["2026-02-30"] } }],
    ["shortestDays", { largestNKgHa: 20 }],
    ["areaM2", { areaM2: 0 }],
    ["products.0.id", { products: [{ id: "moon-dust" }] }],
  ])("refuses what cannot be at %s", (path, wrong) => {
    try {
      of(wrong);
      expect.unreachable();
    } catch (error) {
      if (!(error instanceof DomainError)) throw error;
      expect(error.faults.map((fault) => fault.path)).toContain(path);
    }
  });
});

describe("a schedule that asks for nitrogen, of products that bring none", () => {
  const day = (N: number) => ({ on: "2026-05-01", litres: 2000, mgL: { N, P: 0, K: 80 } });
  const rate = (N: number) => ({ weeks: 1, kgHaDay: { N, P: 0, K: 2 } });
  const withN = (N: number): Partial<DoseCalendarInput>[] => [
    { toGiveKgHa: { N, P: 0, K: 50 } },
    { schedule: { kind: "daily-rates", startOn: "2026-05-01", weeks: [rate(0), rate(N)], everyDays: 7 } },
    { schedule: { kind: "constant-ppm", ppmN: N, days: [{ on: "2026-05-01", litres: 2000 }] } },
    { schedule: { kind: "with-water", days: [day(0), { ...day(N), on: "2026-05-02" }] } },
  ];
  const faultsOf = (more: Partial<DoseCalendarInput>): readonly string[] => {
    try {
      of({ products: [KCL], ...more });
      return [];
    } catch (error) {
      if (error instanceof DomainError) return error.faults.map(({ path }) => path);
      throw error;
    }
  };

  it("is refused, however it asks", () => {
    expect(withN(1).map(faultsOf)).toEqual([["products"], ["products"], ["products"], ["products"]]);
  });

  it("is made where none is asked for", () => {
    expect(withN(0).map(faultsOf)).toEqual([[], [], [], []]);
  });
});
