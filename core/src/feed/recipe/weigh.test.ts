import { describe, expect, it } from "vitest";
import { libraryProduct } from "../products/library.ts";
import { bringsPerGram } from "./recipe-model.ts";
import { weighOut } from "./weigh.ts";

const nitrate = libraryProduct("potassium-nitrate");
if (!nitrate) throw new Error("potassium nitrate is in the library");
const tanks = [{ id: "A", volumeL: 200, dilution: 100 }];
const gM3 = 500;
const recipe = {
  lines: [{ productId: nitrate.id, name: nitrate.name, gM3, tankId: "A", kgPerTank: 10.0 }],
  delivered: {
    ions: { K: bringsPerGram(nitrate, "K") * gM3, NO3: bringsPerGram(nitrate, "NO3") * gM3 },
    ecMsCm: 0.7,
    ph: 6,
  },
};
const weigh = (coarseG: number, leftL = 0, fillToL = 200) =>
  weighOut(recipe, {
    tanks,
    products: [nitrate],
    water: {},
    scales: { coarseG, fineG: 0.1 },
    leftL: { A: leftL },
    fillToL: { A: fillToL },
  });

describe("weighing out a recipe", () => {
  it("takes as much less as stands in the tank already", () => {
    expect(weigh(10, 180).lines[0]).toMatchObject({ exactKg: expect.closeTo(1, 9), kg: expect.closeTo(1, 9) });
    expect(weigh(10, 200).lines[0]?.kg).toBe(0);
  });

  it("weighs half for a tank filled to the half, less what stands in it", () => {
    expect(weigh(10, 0, 100).lines[0]?.kg).toBeCloseTo(5, 9);
    expect(weigh(10, 60, 100).lines[0]?.kg).toBeCloseTo(2, 9);
    expect(() => weigh(10, 120, 100)).toThrow(/What stands in tank A must be 0 to 100 L, not 120/);
  });

  it("rounds to the scale's step and tells which ions that moves", () => {
    // 3.3 kg on a scale of 500 g: 3.5 kg, 6 % more of both ions.
    const { lines, moved } = weigh(500, 134);
    expect(lines[0]?.kg).toBeCloseTo(3.5, 9);
    expect(moved).toEqual([
      { ion: "NO3", pct: expect.closeTo(6.06, 2) },
      { ion: "K", pct: expect.closeTo(6.06, 2) },
    ]);
    expect(weigh(10).moved).toEqual([]);
  });

  it("refuses more in the tank than it holds, and a scale without a step", () => {
    expect(() => weigh(10, 250)).toThrow(/What stands in tank A must be 0 to 200 L, not 250/);
    expect(() => weigh(0)).toThrow(/step of the scale for bags/);
  });
});
