import { describe, expect, it } from "vitest";
import { changedLeaves, knownLeaves, wordsOf } from "./field-words.ts";

describe("a field's words", () => {
  it.each([
    ["name", "name", null],
    ["mass_kg", "mass", { quantity: "mass" }],
    ["flowLh", "flow", { quantity: "flow" }],
    ["areaM2", "area", { quantity: "area" }],
    ["waterHeldLPlant", "water held", { unit: "L/plant" }],
    ["ecWaterMsCm", "EC water", { unit: "mS/cm" }],
    ["availableMmM", "available", { unit: "mm/m" }],
    ["seedKgHa", "seed", { quantity: "perLand" }],
    ["targetPerM2", "target", { quantity: "density" }],
    ["price_kg", "price", { quantity: "pricePerMass" }],
    ["monthDay", "month day", null],
    ["plants", "plants", null],
    ["mixed_at_ms", "mixed at", { instant: true }],
    ["at_ms", "at", { instant: true }],
    ["NO3", "NO3", null],
    ["sourceId", "source", { idOf: "source" }],
  ])("of %s are “%s” and its unit", (name, label, measure) => {
    expect(wordsOf([name])).toEqual({ label, measure });
  });

  it("lead to it through lists, counted from one, without what only holds it", () => {
    expect(wordsOf(["definition", "areaM2"])).toEqual({ label: "area", measure: { quantity: "area" } });
    expect(wordsOf(["plantings", 1, "clearedOn"])).toEqual({ label: "plantings 2, cleared on", measure: null });
    expect(wordsOf(["unconfirmed", 0])).toEqual({ label: "unconfirmed 1", measure: null });
  });
});

describe("what changed of a record", () => {
  it("is told value by value, whatever held them", () => {
    const fields = [
      { path: ["name"], was: "Bags", is: "Bags east" },
      { path: ["definition"], is: { areaM2: 100, plants: null, waters: [{ sharePct: 40 }] } },
      { path: ["plantings", 0], was: { crop: "melon", seeds: null } },
    ];
    expect(changedLeaves({ kind: "zone", known: {}, fields })).toEqual([
      { label: "name", measure: null, was: "Bags", is: "Bags east" },
      { label: "area", measure: { quantity: "area" }, is: 100 },
      { label: "waters 1, share", measure: { unit: "%" }, is: 40 },
      { label: "plantings 1, crop", measure: null, was: "melon" },
      { label: "plantings 1, seeds", measure: null, was: null },
    ]);
  });

  it("of a reading goes by what was read, and when", () => {
    const reading = { kind: "zone_reading" as const, known: { kind: "drainEcMsCm", at_ms: 5, source: "notebook" } };
    expect(changedLeaves({ ...reading, fields: [{ path: ["value"], is: 3.2 }] })).toEqual([
      { label: "drain EC", measure: { unit: "mS/cm" }, is: 3.2 },
    ]);
    expect(knownLeaves(reading, "Bags")).toEqual([
      { label: "at", measure: { instant: true }, is: 5 },
      { label: "source", measure: null, is: "notebook" },
    ]);
    expect(knownLeaves({ kind: "zone", known: { name: "Bags" } }, "Bags")).toEqual([]);
  });

  it("keeps a value that stands before and after in one line", () => {
    const fields = [{ path: ["target"], was: { ions: { K: 3 }, ph: 6 }, is: { ions: { K: 4 }, ecMsCm: 2 } }];
    expect(changedLeaves({ kind: "zone", known: {}, fields })).toEqual([
      { label: "target, ions, K", measure: null, was: 3, is: 4 },
      { label: "target, pH", measure: null, was: 6 },
      { label: "target, EC", measure: { unit: "mS/cm" }, is: 2 },
    ]);
  });
});
