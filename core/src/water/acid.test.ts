import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { evenly } from "../working/evenly-for-tests.ts";
import { carbonateConstants } from "../chemistry/carbonate.ts";
import { atomsOf, molarMassG } from "../chemistry/formula.ts";
import { ecMsCm } from "../chemistry/solution.ts";
import { acidForWater } from "./acid.ts";

describe("formulas", () => {
  it("are read with brackets and water of crystallisation", () => {
    expect(atomsOf("Ca(NO3)2·4H2O")).toEqual({ Ca: 1, N: 2, O: 10, H: 8 });
    expect(molarMassG("KNO3")).toBeCloseTo(101.1, 1);
    expect(molarMassG("MgSO4·7H2O")).toBeCloseTo(246.47, 1);
  });
});

describe("electrical conductivity from ions", () => {
  it("gives 1.41 mS/cm for 0.01 mol/L of potassium chloride, the calibration standard", () => {
    expect(ecMsCm({ K: 10, Cl: 10 }, 7)).toBeCloseTo(1.41, 2);
  });

  it("gives 2.75 mS/cm within 3 % for the published tomato solution for inert substrate", () => {
    const tomato = { NO3: 16, H2PO4: 1.5, SO4: 4.4, NH4: 1.2, K: 9.5, Ca: 5.4, Mg: 2.4 };
    expect(Math.abs(ecMsCm(tomato, 5.8) / 2.75 - 1)).toBeLessThan(0.03);
  });
});

describe("acid for a water", () => {
  it("stands on the constants of Plummer & Busenberg at 25 °C", () => {
    const { k1, k2, kh, kw } = carbonateConstants(25);
    expect([k1, k2, kh, kw].map((k) => Math.log10(k))).toEqual([
      expect.closeTo(-6.352, 2),
      expect.closeTo(-10.329, 2),
      expect.closeTo(-1.468, 2),
      expect.closeTo(-14, 1),
    ]);
  });

  it("needs a mole of nitric acid for each bicarbonate that is not left, and half of sulphuric", () => {
    const water = { alkalinityMmolL: 4, ph: 7.4, leaveAlkalinityMmolL: 0.5, temperatureC: 20 };
    expect(acidForWater({ ...water, acid: "HNO3" }).acidMmolL).toBeCloseTo(3.5, 9);
    expect(acidForWater({ ...water, acid: "H2SO4" }).acidMmolL).toBeCloseTo(1.75, 3);
    expect(acidForWater({ ...water, acid: "H3PO4" }).acidMmolL).toBeGreaterThan(3.2);
    expect(acidForWater({ ...water, acid: "HNO3" }).addedNutrientMgL.N).toBeCloseTo(49.02, 2);
  });

  it("leaves α₁ of the carbon as bicarbonate at a target pH in the closed line, by hand", () => {
    // 20 °C: pK1 6.381; I = 0.006, log γ −0.0358, so pK1' = 6.345. Water pH 7.2: CO₂ share 0.1225, DIC 4.558. At 5.8: 4.558 · 0.2217 = 1.011.
    const answer = acidForWater({ alkalinityMmolL: 4, ph: 7.2, targetPh: 5.8, temperatureC: 20, acid: "HNO3" });
    expect(answer.residualAlkalinityMmolL).toBeCloseTo(1.01, 1);
    expect(answer.acidMmolL).toBeCloseTo(2.99, 1);
    expect(answer.phInLine).toBeCloseTo(5.8, 6);
    // Then CO₂ goes to the air: pH = 7.82 + log10(alkalinity/…) near 8.2 for 1 mmol/L.
    expect(answer.phDegassed).toBeGreaterThan(7.9);
  });

  it("turns moles into millilitres by strength and density", () => {
    const answer = acidForWater({
      alkalinityMmolL: 4,
      ph: 7.4,
      leaveAlkalinityMmolL: 1,
      temperatureC: 20,
      acid: "HNO3",
      acidStrengthPct: 60,
      acidDensityKgL: 1.37,
    });
    expect(answer.acidMlM3).toBeCloseTo((3 * 63.012) / (0.6 * 1.37), 1);
  });

  it("asks no acid for a target above the water's own pH, and says why", () => {
    const answer = acidForWater({ alkalinityMmolL: 2, ph: 6.5, targetPh: 7, acid: "HNO3" });
    expect(answer).toMatchObject({ acidMmolL: 0, phInLine: 6.5, residualAlkalinityMmolL: 2 });
    expect(answer.warnings.join()).toMatch(/no acid/);
  });

  it("takes more acid the lower the target, and reaches it in any water", () => {
    const water = fc.record({
      alkalinityMmolL: evenly(0.5, 10),
      ph: evenly(6.8, 8.8),
      temperatureC: evenly(2, 35),
    });
    fc.assert(
      fc.property(water, fc.constantFrom("HNO3", "H3PO4", "H2SO4"), (given, acid) => {
        const [mild, strong] = [6.2, 5.4].map((targetPh) => acidForWater({ ...given, targetPh, acid }));
        expect(mild?.phInLine).toBeCloseTo(6.2, 4);
        expect(strong?.acidMmolL).toBeGreaterThan(mild?.acidMmolL ?? Infinity);
        expect(strong?.phDegassed).toBeGreaterThan(strong?.phInLine ?? Infinity);
      }),
    );
  });

  it.each([
    ["targetPh", {}],
    ["targetPh", { targetPh: 5.8, leaveAlkalinityMmolL: 1 }],
    ["alkalinityMmolL", { targetPh: 5.8, alkalinityMmolL: -1 }],
    ["alkalinityMmolL", { targetPh: 5.8, alkalinityMmolL: 0.01, ph: 10.4 }],
    ["ph", { targetPh: 5.8, ph: 14 }],
    ["acidStrengthPct", { targetPh: 5.8, acidStrengthPct: 130 }],
  ])("refuses a bad %s and names it", (path, change) => {
    expect(() => acidForWater({ alkalinityMmolL: 4, ph: 7.4, acid: "HNO3", ...change })).toThrow(
      expect.objectContaining({ path }),
    );
  });
});
