import { describe, expect, it } from "vitest";
import { libraryProduct } from "../products/library.ts";
import type { Product } from "../products/product.ts";
import { injection, type InjectionInput } from "./injection.ts";

function bag(id: string, kg: number, solubilityGL?: number): InjectionInput["products"][number] {
  const found = libraryProduct(id);
  if (!found) throw new Error(`no product ${id}`);
  const { solubility: _table, ...product } = found;
  return { product: { ...product, solubilityGL }, kg };
}

const rain = { ions: { Ca: 0.5, HCO3: 1 }, ph: 7 };
const dose: InjectionInput = {
  ...{ products: [bag("potassium-nitrate", 3, 240)], flowLh: 1200, water: rain },
  ...{ injectMin: 30, travelMin: 6, mostEcMsCm: null },
};

describe("a dose that is injected", () => {
  it("follows by hand: run, concentrate, grams a minute", () => {
    const { runL, stockL, gMin, stockMlMin, fillMin, flushMin } = injection(dose);
    // 1200 L/h are 20 L a minute; 6 + 30 + 6 minutes; 3000 g ÷ (240 · 0.8) g/L
    expect(runL).toBeCloseTo(840, 9);
    expect(stockL).toBeCloseTo(15.625, 9);
    expect(gMin).toBeCloseTo(100, 9);
    expect(stockMlMin).toBeCloseTo(15_625 / 30, 6);
    expect([fillMin, flushMin]).toEqual([6, 6]);
  });

  it("comes out of the dripper as strong as potassium nitrate in so much water is", () => {
    // 3000 g in 600 L of clean water: 5 g/L, 49.5 mmol/L of KNO3. Kohlrausch: Λ of 0.05 mol/L is 126.3 S cm²/mol, so 6.25 mS/cm.
    const { ecMsCm } = injection({ ...dose, water: { ions: {}, ph: 7 } });
    const molar = 3000 / 101.1 / 600;
    expect(ecMsCm).not.toBeNull();
    expect((ecMsCm ?? 0) / (molar * 126.3)).toBeGreaterThan(0.92);
    expect((ecMsCm ?? 0) / (molar * 126.3)).toBeLessThan(1.08);
  });

  it("adds no strength with urea, which carries no charge", () => {
    const { ecMsCm } = injection({ ...dose, products: [bag("urea", 3, 1000)] });
    const without = injection({ ...dose, products: [] });
    expect(ecMsCm).toBeCloseTo(without.ecMsCm ?? NaN, 9);
  });

  it("is injected longer where it would be too strong, and just as long as told", () => {
    const strong = injection({ ...dose, mostEcMsCm: 3 });
    expect(strong.warnings.join(" ")).toMatch(/3 are allowed: inject for \d+ min at least/);
    const longer = injection({ ...dose, mostEcMsCm: 3, injectMin: strong.leastMin ?? NaN });
    expect(longer.ecMsCm).toBeCloseTo(3, 3);
    const salty = { ions: { Na: 40, Cl: 40 }, ph: 7 };
    expect(injection({ ...dose, mostEcMsCm: 3, water: salty }).warnings.join(" ")).toMatch(/The water alone/);
  });

  it("does not say what it cannot know: strength without a water, concentrate without a solubility", () => {
    expect(injection({ ...dose, water: null, mostEcMsCm: 2 })).toMatchObject({ ecMsCm: null, leastMin: null });
    expect(injection({ ...dose, products: [bag("potassium-nitrate", 3)] })).toMatchObject({
      stockL: null,
      stockMlMin: null,
    });
  });

  it("measures a liquid in mL", () => {
    const liquid: Product = { id: "uan", name: "UAN", form: "liquid", composition: { urea: 10 }, densityKgL: 1.3 };
    const { liquids, stockL } = injection({ ...dose, products: [{ product: liquid, kg: 2.6 }] });
    expect(liquids).toEqual([{ productId: "uan", mL: 2000 }]);
    expect(stockL).toBeCloseTo(2, 9);
  });

  it("keeps calcium from phosphate", () => {
    const { warnings } = injection({
      ...dose,
      products: [bag("calcium-nitrate", 1, 1000), bag("monopotassium-phosphate", 1, 200)],
    });
    expect(warnings.join(" ")).toMatch(/fall out as calcium phosphate.*one after the other/);
  });

  it("takes its bicarbonate from the water where it is an acid", () => {
    const acid: Product = {
      id: "acid",
      name: "acid",
      form: "liquid",
      composition: { NO3: 10, H: 10 },
      densityKgL: 1.3,
    };
    const alkaline = { ions: { Ca: 2, HCO3: 4 }, ph: 7 };
    // 0.24 kg of 10 mmol/g in 600 L are 4 mmol/L: nitrate stands where bicarbonate stood.
    const { ecMsCm } = injection({ ...dose, water: alkaline, products: [{ product: acid, kg: 0.24 }] });
    const nitrate = injection({ ...dose, water: { ions: { Ca: 2, NO3: 4 }, ph: 7 }, products: [] });
    expect(ecMsCm).toBeCloseTo(nitrate.ecMsCm ?? NaN, 9);
  });

  it.each([
    [{ injectMin: 0 }, "injectMin"],
    [{ flowLh: -1 }, "flowLh"],
    [{ travelMin: NaN }, "travelMin"],
    [{ mostEcMsCm: 90 }, "mostEcMsCm"],
  ])("refuses %j", (change, path) => {
    expect(() => injection({ ...dose, ...change })).toThrow(expect.objectContaining({ path }));
  });
});
