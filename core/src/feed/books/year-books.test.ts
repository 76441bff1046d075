import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { evenly } from "../../working/evenly-for-tests.ts";
import { molarMassG } from "../../chemistry/formula.ts";
import { MAIN } from "../doses/nutrients.ts";
import { AS_OXIDE, checkRules, NO_RULES, NUTRIENT_SOURCES, yearBooks, type NutrientEntry } from "./year-books.ts";

const entry = (on: string, source: NutrientEntry["source"], N: number, P = 0): NutrientEntry => ({
  ...{ on, source, what: source, kgHa: { N, P, K: 0 } },
});

describe("the books of a year", () => {
  it("close for every nutrient: each entry counts in one year and under one source", () => {
    const amount = evenly(0, 300);
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            on: fc.constantFrom("2024-03-01", "2024-12-31", "2025-01-01", "2026-06-20"),
            source: fc.constantFrom(...NUTRIENT_SOURCES, "removed" as const),
            what: fc.constant("something"),
            kgHa: fc.record({ N: amount, P: amount, K: amount }),
          }),
          { maxLength: 40 },
        ),
        (entries) => {
          const books = yearBooks(entries, NO_RULES);
          for (const nutrient of MAIN) {
            const all = (of: (one: (typeof books)[number]) => number): number =>
              books.reduce((sum, book) => sum + of(book), 0);
            const came = entries
              .filter(({ source }) => source !== "removed")
              .reduce((sum, { kgHa }) => sum + kgHa[nutrient], 0);
            const went = entries
              .filter(({ source }) => source === "removed")
              .reduce((sum, { kgHa }) => sum + kgHa[nutrient], 0);
            expect(all(({ total }) => total[nutrient])).toBeCloseTo(came, 6);
            expect(
              all(({ bySource }) => NUTRIENT_SOURCES.reduce((sum, source) => sum + bySource[source][nutrient], 0)),
            ).toBeCloseTo(came, 6);
            expect(all(({ surplus }) => surplus[nutrient])).toBeCloseTo(came - went, 6);
          }
        },
      ),
    );
  });

  it("are held against what the rules allow, organic nitrogen apart from all of it", () => {
    const entries = [entry("2026-03-01", "manure", 150, 30), entry("2026-05-01", "dose", 60, 5)];
    const rules = { ...NO_RULES, totalNKgHa: 200, organicNKgHa: 170, totalPKgHa: 30 };
    expect(yearBooks(entries, rules)[0]?.breaches).toEqual([
      { rule: "total-n", kgHa: 210, mostKgHa: 200 },
      { rule: "total-p", kgHa: 35, mostKgHa: 30 },
    ]);
    expect(yearBooks(entries, NO_RULES)[0]?.breaches).toEqual([]);
  });

  it("tell what was spread in the closed time, over the turn of the year, and leave the water alone", () => {
    const entries = [
      entry("2026-10-31", "manure", 40),
      entry("2026-11-01", "digestate", 10),
      entry("2026-01-31", "dose", 5),
      entry("2026-02-01", "dose", 5),
      entry("2026-12-24", "water", 3),
    ];
    const closed = { from: "11-01", to: "01-31", of: "all" } as const;
    const days = (of: "all" | "organic") =>
      yearBooks(entries, { ...NO_RULES, closed: { ...closed, of } })[0]?.inClosedTime.map(({ on }) => on);
    expect(days("all")).toEqual(["2026-11-01", "2026-01-31"]);
    expect(days("organic")).toEqual(["2026-11-01"]);
  });

  it("stand with the newest year first", () => {
    const entries = ["2025-05-01", "2023-05-01", "2026-05-01", "2025-06-01"].map((on) => entry(on, "dose", 10));
    expect(yearBooks(entries, NO_RULES).map(({ year, total }) => [year, total.N])).toEqual([
      [2026, 10],
      [2025, 20],
      [2023, 10],
    ]);
  });

  it("tell P and K as their oxides by what atoms weigh", () => {
    expect(AS_OXIDE.P).toBeCloseTo(molarMassG("P2O5") / (2 * molarMassG("P")), 3);
    expect(AS_OXIDE.K).toBeCloseTo(molarMassG("K2O") / (2 * molarMassG("K")), 3);
  });

  it.each([
    [{ totalNKgHa: 0 }, "totalNKgHa"],
    [{ totalPKgHa: 5000 }, "totalPKgHa"],
    [{ closed: { from: "13-01", to: "01-31", of: "all" as const } }, "closed.from"],
  ])("are not held against %j", (change, path) => {
    expect(() => {
      checkRules({ ...NO_RULES, ...change });
    }).toThrow(expect.objectContaining({ path }));
  });
});
