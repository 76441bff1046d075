import { describe, expect, it } from "vitest";
import { programmeSchema } from "./dose-programme.ts";
import { newOwnProductSchema } from "./own-product.ts";
import { newLeafTakenSchema } from "./leaf-taken.ts";

const programme = {
  ...{ school: "dressings", fromOn: null, yieldTHa: 60, efficiencyPct: { N: 80, P: 100, K: 85 }, organic: [] },
  ...{ residuesKgHa: null, fixationKgHa: null, everyDays: 7, dressings: [], ppmN: 100, basalPct: 0 },
  ...{ largestNKgHa: null, shortestDays: null, lastOn: null, productIds: ["urea", "potassium-nitrate"] },
};
const dressing = (sharePct: number, more: object = {}) => ({
  ...{ day: { kind: "planting", days: 20 }, sharePct },
  ...more,
});
const faults = (
  schema: { safeParse(value: unknown): ReturnType<typeof programmeSchema.safeParse> | object },
  value: object,
) => {
  const { error } = schema.safeParse(value) as ReturnType<typeof programmeSchema.safeParse>;
  return (error?.issues ?? []).map(({ path, message }) => `${path.map(String).join(".")}: ${message}`);
};
const ofProgramme = (change: object) => faults(programmeSchema, { ...programme, ...change });

describe("a programme of doses", () => {
  it("is taken with what may be left out filled in", () => {
    expect(programmeSchema.parse(programme)).toMatchObject({
      ...{ pieceG: null, coated: [], soilClass: { P: null, K: null }, ppmStages: [], season: null, bandWidthCm: null },
      ...{ injectMin: null, travelMin: null, workMin: 20, mostEcMsCm: null, changes: [] },
    });
    expect(ofProgramme({})).toEqual([]);
  });

  it("has dressings that share out all of the nitrogen, and of P and K where those have shares of their own", () => {
    expect(ofProgramme({ dressings: [dressing(60), dressing(40)] })).toEqual([]);
    expect(ofProgramme({ dressings: [dressing(60), dressing(30)] })).toEqual([
      "dressings: The shares of the dressings must add up to 100 %; these add up to 90 %.",
    ]);
    // A third and two thirds, as people write them.
    expect(ofProgramme({ dressings: [dressing(33.33), dressing(66.66)] })).toEqual([]);
    expect(ofProgramme({ dressings: [dressing(50, { shareP: 100 }), dressing(50, { shareP: 0 })] })).toEqual([]);
    // Whose share of P is not said gets that of N: 100 and 50.
    expect(ofProgramme({ dressings: [dressing(50, { shareP: 100 }), dressing(50)] })).toEqual([
      "dressings: The shares of P of the dressings must add up to 100 %; these add up to 150 %.",
    ]);
    expect(ofProgramme({ dressings: [dressing(50, { shareK: 20 }), dressing(50, { shareK: 20 })] })).toEqual([
      "dressings: The shares of K of the dressings must add up to 100 %; these add up to 40 %.",
    ]);
  });

  it("has dressings only of the bags that it may use", () => {
    expect(ofProgramme({ dressings: [dressing(100, { productIds: ["urea"] })] })).toEqual([]);
    expect(ofProgramme({ dressings: [dressing(50), dressing(50, { productIds: ["urea", "lime"] })] })).toEqual([
      "dressings.1.productIds: lime is not among the bags that this programme may use.",
    ]);
  });

  it("says how many days lie between the parts of a dose that is too large", () => {
    expect(ofProgramme({ largestNKgHa: 30 })).toEqual([
      "shortestDays: A dose that is too large is given in parts: say how many days lie between them, 1 to 60.",
    ]);
    expect(ofProgramme({ largestNKgHa: 30, shortestDays: 5 })).toEqual([]);
  });

  it.each([
    ["the yield", { yieldTHa: 0 }, /^yieldTHa: .*0\.1 to 1\W?000 t\/ha, not 0/],
    [
      "a share that is not taken up",
      { efficiencyPct: { N: 4, P: 100, K: 85 } },
      /^efficiencyPct\.N: .*5 to 100 %, not 4/,
    ],
    ["days between doses", { everyDays: 61 }, /^everyDays: .*1 to 60.*not 61/],
    ["a way of feeding", { school: "by ear" }, /^school: The school must be one of/],
    [
      "a dressing's day",
      { dressings: [dressing(100, { day: { kind: "moon" } })] },
      /^dressings\.0\.day.*A dressing is given/,
    ],
    ["a strip", { bandWidthCm: 1 }, /^bandWidthCm: .*2 to 200 cm, not 1/],
    [
      "grains",
      { coated: [{ name: "Grains", on: "2026-05-01", gPlant: 3, nPct: 47 }] },
      /^coated\.0\.nPct: .*0 to 46 %, not 47/,
    ],
    ["an unknown word", { luck: 7 }, /luck/],
  ])("is refused with %s out of its range, in words that name the range", (_what, change, words) => {
    expect(ofProgramme(change).some((fault) => words.test(fault))).toBe(true);
  });
});

describe("a bag of one's own", () => {
  const bag = {
    ...{ name: "Blend", form: "solid", isAcid: false, isChelate: false, densityKgL: null, solubilityGL: 400 },
    label: { nitrateN: 13.7, K2O: 46.3 },
  };

  it("has a label in per cent of what labels name, and a density that a liquid can have", () => {
    expect(faults(newOwnProductSchema, bag)).toEqual([]);
    expect(faults(newOwnProductSchema, { ...bag, label: { K2O: 101 } })[0]).toMatch(
      /label\.K2O: .*0 to 100 %, not 101/,
    );
    expect(faults(newOwnProductSchema, { ...bag, label: { gold: 1 } })).toHaveLength(1);
    expect(faults(newOwnProductSchema, { ...bag, densityKgL: 0.6 })[0]).toMatch(
      /densityKgL: .*0\.7 to 3 kg\/L, not 0\.6/,
    );
  });
});

describe("leaf that was carried away", () => {
  it("weighs something and has no more of a nutrient than leaves can have", () => {
    const leaf = {
      ...{ key: "8d6f1c3e-5a4b-4c2d-9e8f-0a1b2c3d4e5f", takenOn: "2026-06-10", massKg: 500, dryPct: 12 },
      ...{ nPct: 3.5, pPct: 0.4, kPct: 4, analysed: false },
    };
    expect(faults(newLeafTakenSchema, leaf)).toEqual([]);
    for (const [change, words] of [
      [{ massKg: 0 }, /massKg/],
      [{ dryPct: 1 }, /dryPct: .*2 to 100 %, not 1/],
      [{ nPct: 10.1 }, /nPct: .*0 to 10 %/],
      [{ pPct: 3.1 }, /pPct: .*0 to 3 %/],
      [{ kPct: 15.1 }, /kPct: .*0 to 15 %/],
      [{ key: "one" }, /key: The key is no UUID\./],
    ] as const)
      expect(faults(newLeafTakenSchema, { ...leaf, ...change })[0]).toMatch(words);
  });
});
