import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { grow } from "./grown.ts";
import { cropById } from "./library/library.ts";
import { cropStateOn } from "./stage-on.ts";
import {
  drippersFromStemCm,
  kcOfLeaf,
  overlap,
  partShare,
  spreadState,
  standFault,
  standOn,
  type Part,
  type StandStep,
} from "./stand.ts";

const BENCH = { areaM2: 240, plants: 3360 };
const spaced = (on: string, plantsPerM2: number): StandStep => ({ kind: "spaced", on, plantsPerM2 });
const stood = (steps: readonly StandStep[], part: Part | null = null, plants: number | null = null) => ({
  plantedOn: "2026-03-01",
  part,
  plants,
  steps,
});

describe("rows of a zone", () => {
  it("are so large a share of its ground, and meet or do not meet those of another planting", () => {
    expect(partShare({ from: 1, to: 6, of: 12 })).toBe(0.5);
    expect(overlap({ from: 1, to: 6, of: 12 }, { from: 7, to: 12, of: 12 })).toBe(false);
    expect(overlap({ from: 1, to: 6, of: 12 }, { from: 6, to: 12, of: 12 })).toBe(true);
    // Half of six rows is half of twelve.
    expect(overlap({ from: 1, to: 3, of: 6 }, { from: 7, to: 12, of: 12 })).toBe(false);
    expect(overlap(null, { from: 1, to: 1, of: 12 })).toBe(true);
  });

  it("cut one after the other share out all of the ground and no more", () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 20 }), { minLength: 1, maxLength: 8 }), (widths) => {
        const of = widths.reduce((sum, width) => sum + width, 0);
        let from = 1;
        const parts = widths.map((width) => ({ from, to: (from += width) - 1, of }));
        expect(parts.reduce((sum, part) => sum + partShare(part), 0)).toBeCloseTo(1, 12);
        for (const [at, part] of parts.entries())
          for (const other of parts.slice(at + 1)) expect(overlap(part, other)).toBe(false);
        const plants = parts.map((part) => standOn(stood([], part), BENCH, "2026-04-01").plants);
        expect(plants.reduce((sum, some) => sum + some, 0)).toBeCloseTo(BENCH.plants, 6);
      }),
    );
  });
});

describe("a stand", () => {
  const steps = [spaced("2026-03-01", 40), spaced("2026-04-10", 24), spaced("2026-05-15", 14)];

  it("takes so much of the bench as its pots need, from each date on: 3360 at 40 a m² stand on 84 of 240 m²", () => {
    const shareOn = (date: string): number => standOn(stood(steps), BENCH, date).share;
    expect(shareOn("2026-03-20")).toBeCloseTo(84 / 240, 12);
    expect(shareOn("2026-04-09")).toBeCloseTo(84 / 240, 12);
    expect(shareOn("2026-04-10")).toBeCloseTo(140 / 240, 12);
    expect(shareOn("2026-06-01")).toBeCloseTo(1, 12);
  });

  it("stays as it is set while pots are changed on the spot, and they hold what the new ones hold", () => {
    const potted: StandStep = { kind: "potted-on", on: "2026-04-20", heldLPlant: 0.9, plantsPerM2: null };
    const at = (date: string) => standOn(stood([...steps.slice(0, 2), potted]), BENCH, date);
    expect(at("2026-04-19")).toMatchObject({ heldLPlant: null, perM2: 24 });
    expect(at("2026-04-20")).toMatchObject({ heldLPlant: 0.9, perM2: 24 });
  });

  it("has its drippers where they were last set", () => {
    const set = (on: string, fromStemCm: number): StandStep => ({ kind: "drippers", on, fromStemCm });
    const moved = stood([set("2026-03-05", 12), set("2026-04-15", 3)]);
    expect(["2026-03-04", "2026-03-05", "2026-04-14", "2026-04-15"].map((on) => drippersFromStemCm(moved, on))).toEqual(
      [null, 12, 12, 3],
    );
  });

  it("has its leaves on less ground while it stands close: all of them together stay as many", () => {
    const cyclamen = cropById("cyclamen");
    const planting = { ...stood(steps), cropId: cyclamen.id, clearedOn: null, signs: [] };
    const state = cropStateOn(grow(planting, cyclamen), "2026-04-20");
    if (!state) throw new Error("it stands on that day");
    const close = spreadState(state, cyclamen, planting, BENCH, "2026-04-20");
    const { share } = standOn(planting, BENCH, "2026-04-20");
    expect(close.leafAreaIndex * share).toBeCloseTo(state.leafAreaIndex, 9);
    expect(close.kc).toBeGreaterThan(state.kc);
    expect(spreadState(state, cyclamen, planting, BENCH, "2026-06-01")).toBe(state);
  });

  it("needs Kc by leaf as FAO-56 has it: 0.15 + 0.9 · (1 − e^−0.7) ÷ (1 − e^−2.1) where a full canopy of 3 has 1.05", () => {
    expect(kcOfLeaf(1.05, 3, 1)).toBeCloseTo(0.15 + (0.9 * (1 - Math.exp(-0.7))) / (1 - Math.exp(-2.1)), 12);
    expect(kcOfLeaf(1.05, 3, 3)).toBeCloseTo(1.05, 12);
  });
});

describe("what cannot be of a stand is told with what would do", () => {
  const pots = { perennial: false, inPots: true };
  it.each([
    [
      "more pots than the bench has room for",
      stood([spaced("2026-04-01", 10)]),
      pots,
      /3360 plants at 10 a m² need 336 m², and there are 240 m²; give at least 14 a m²/,
    ],
    ["moved apart before planting", stood([spaced("2026-02-01", 20)]), pots, /before planting on 2026-03-01/],
    ["the same twice", stood([spaced("2026-04-01", 20), spaced("2026-04-01", 24)]), pots, /noted twice for 2026-04-01/],
    [
      "potted on without pots",
      stood([{ kind: "potted-on", on: "2026-04-01", heldLPlant: 1, plantsPerM2: null }]),
      { ...pots, inPots: false },
      /stand in no pots/,
    ],
    [
      "an annual that is cut back",
      stood([{ kind: "cut-back", on: "2026-04-01", leafAreaLeft: 0.2, regrowthDays: 30 }]),
      pots,
      /Only a perennial/,
    ],
    ["rows that are not there", stood([], { from: 9, to: 14, of: 12 }), pots, /Rows 9 to 14 of 12 cannot be/],
  ])("%s", (_what, planting, can, words) => {
    expect(standFault(planting, BENCH, can)?.message).toMatch(words);
  });

  it("and nothing is told of what can be", () => {
    expect(standFault(stood([spaced("2026-03-01", 40), spaced("2026-04-01", 14)]), BENCH, pots)).toBeNull();
  });
});
