import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { evenly } from "../../working/evenly-for-tests.ts";
import { MAIN } from "../doses/nutrients.ts";
import { bedsOf, entriesOn, type PlacedEntry } from "./beds.ts";
import { inLeaf, USUAL_LEAF } from "./leaf-taken.ts";

const partOf = fc
  .tuple(fc.integer({ min: 1, max: 12 }), fc.integer({ min: 1, max: 12 }), fc.integer({ min: 1, max: 12 }))
  .map(([of, a, b]) => ({
    of,
    from: Math.min(((a - 1) % of) + 1, ((b - 1) % of) + 1),
    to: Math.max(((a - 1) % of) + 1, ((b - 1) % of) + 1),
  }));

describe("the beds of a zone", () => {
  it("are where plantings had rows of their own, whatever the counts", () => {
    expect(bedsOf([null, undefined])).toEqual([]);
    expect(bedsOf([{ from: 1, to: 2, of: 4 }, null])).toEqual([
      { part: { from: 1, to: 2, of: 4 }, share: 0.5 },
      { part: { from: 3, to: 4, of: 4 }, share: 0.5 },
    ]);
    // A half and a third of the same ground meet in sixths.
    expect(
      bedsOf([
        { from: 1, to: 1, of: 2 },
        { from: 1, to: 1, of: 3 },
      ]).map(({ part }) => part),
    ).toEqual([
      { from: 1, to: 2, of: 6 },
      { from: 3, to: 3, of: 6 },
      { from: 4, to: 6, of: 6 },
    ]);
  });

  it("hold together what the whole zone holds: each entry by the share of its bed", () => {
    const amount = evenly(0, 400);
    const entry = fc.record({
      on: fc.constant("2026-05-01"),
      source: fc.constantFrom("dose", "removed"),
      what: fc.constant(""),
      kgHa: fc.record({ N: amount, P: amount, K: amount }),
      part: fc.option(partOf),
    });
    fc.assert(
      fc.property(fc.array(entry, { minLength: 1, maxLength: 8 }), (entries: PlacedEntry[]) => {
        const beds = bedsOf(entries.map(({ part }) => part));
        if (beds.length === 0) return;
        expect(beds.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 9);
        for (const nutrient of MAIN) {
          const sum = (some: readonly PlacedEntry[]): number => some.reduce((so, { kgHa }) => so + kgHa[nutrient], 0);
          const inBeds = beds.reduce((so, bed) => so + bed.share * sum(entriesOn(bed, entries)), 0);
          expect(inBeds).toBeCloseTo(sum(entries), 6);
        }
      }),
    );
  });
});

describe("leaf that was taken off", () => {
  it("holds by hand: 1,000 kg of 12 % on half a hectare are 240 kg/ha of dry matter, 3.5 % of it nitrogen", () => {
    const taken = inLeaf({ massKg: 1000, ...USUAL_LEAF }, 5000);
    expect(taken.N).toBeCloseTo(8.4, 9);
    expect(taken.P).toBeCloseTo(0.96, 9);
    expect(taken.K).toBeCloseTo(9.6, 9);
  });
});
