import { describe, expect, it } from "vitest";
import { libraryProduct } from "../products/library.ts";
import type { Product } from "../products/product.ts";
import { granularDressing } from "./granular.ts";
import { seasonStrength } from "./season-strength.ts";
import { singleGrade, wallTable } from "../recipe/single-grade.ts";
import { coatedOut, slowRelease } from "./slow-release.ts";
import { tankTopUp } from "../recipe/tank-top-up.ts";
import { uptakeTarget } from "../recipe/uptake-target.ts";

const product = (id: string): Product => {
  const { solubility, ...found } = libraryProduct(id) ?? expect.fail(id);
  return { ...found, ...(solubility && { solubilityGL: solubility[1] }) };
};

describe("one grade at so many ppm N", () => {
  it("needs 1 g/L of 20-10-20 for 200 ppm N, with 43.6 P and 166 K, and tells phosphorus from phosphate", () => {
    const grade = singleGrade({ product: product("grade-20-10-20"), ppmN: 200, water: { ions: {}, ph: 7 } });
    expect(grade.gL).toBeCloseTo(1, 6);
    // 10 % P₂O₅ · 0.4364, 20 % K₂O · 0.8301
    expect(grade.bringsMgL).toMatchObject({ P: expect.closeTo(43.6, 1), K: expect.closeTo(166, 0) });
    expect(grade.ecMsCm).toBeGreaterThan(1.1);
  });

  it("warns that urea hides from the meter, and refuses what holds no nitrogen", () => {
    expect(singleGrade({ product: product("grade-20-20-20"), ppmN: 100, water: { ions: {} } }).warnings[0]).toMatch(
      /50 % .* urea/,
    );
    expect(() => singleGrade({ product: product("potassium-sulphate"), ppmN: 100, water: { ions: {} } })).toThrow(
      /no nitrogen/,
    );
  });

  it("fills the wall's table, and leaves empty what does not dissolve", () => {
    const rows = wallTable(product("grade-20-10-20"), { ions: {}, ph: 7 }, [100, 200], [100, 400]);
    expect(rows.map(({ concentrateGL }) => concentrateGL)).toEqual([
      [expect.closeTo(50, 6), expect.closeTo(200, 6)],
      [expect.closeTo(100, 6), null],
    ]);
  });
});

describe("the season's strength", () => {
  const day = { waterLM2: 4, usualWaterLM2: 3, lightMolM2: 10, usualLightMolM2: 20, least: 0.7, most: 1.4 };
  it.each([
    ["same-strength", 1],
    ["same-ration", 0.75],
    ["stronger-in-low-light", 1.2],
    ["stronger-in-high-use", 1 + 0.4 / 3],
  ] as const)("by %s is %f", (policy, factor) => {
    expect(seasonStrength({ ...day, policy })).toMatchObject({ factor: expect.closeTo(factor, 9), limited: false });
  });

  it("stays within its limits, and says so", () => {
    expect(seasonStrength({ ...day, policy: "same-ration", waterLM2: 8 })).toMatchObject({
      factor: 0.7,
      limited: true,
    });
  });
});

describe("a tank topped up", () => {
  const tank = {
    litres: 1000,
    ecMsCm: 1.2,
    ph: 6.8,
    targetEcMsCm: 2,
    targetPh: 5.8,
    waterEcMsCm: 0.4,
    recipeEcMsCm: 2,
    dilution: 100,
    phosphateMmolL: 1,
    acid: product("nitric-acid-38"),
  };
  it("takes 5 L of each concentrate for half the strength that the recipe adds: 1000 · 0.8 ÷ (100 · 1.6)", () => {
    expect(tankTopUp(tank)).toMatchObject({ concentrateL: expect.closeTo(5, 9), waterL: 0 });
  });

  it("takes acid for the phosphate between two pH: about a third of 1 mmol/L from 6.8 to 5.8, 42 mL of nitric acid 38 %", () => {
    // pK₂ 7.2 less 0.2 for activity: HPO₄²⁻ is 1/(1 + 10^0.2) = 0.39 at 6.8 and 0.06 at 5.8; the acid holds 7.44 mmol/mL.
    expect(tankTopUp(tank).acidMl).toBeGreaterThan(35);
    expect(tankTopUp(tank).acidMl).toBeLessThan(55);
    expect(tankTopUp({ ...tank, ph: 5.2 })).toMatchObject({ acidMl: 0, tooAcid: true });
    const aboutAcid = (ph: number) =>
      tankTopUp({ ...tank, ph }).warnings.filter((one) => one.includes("half of the acid"));
    expect([aboutAcid(6.8).length, aboutAcid(5.2).length]).toEqual([1, 0]);
  });

  it("takes water where it is too strong, and refuses to aim below the water", () => {
    // 1000 · (2.4 − 2) ÷ (2 − 0.4)
    expect(tankTopUp({ ...tank, ecMsCm: 2.4 })).toMatchObject({ concentrateL: 0, waterL: expect.closeTo(250, 9) });
    expect(() => tankTopUp({ ...tank, targetEcMsCm: 0.3 })).toThrow(/water alone has 0.4/);
  });
});

describe("slow release", () => {
  it("leaves half of the liquid feed where granules give half, and is twice as fast at ten degrees more", () => {
    // 3 g/L · 2 L · 160 mg/g are 960 mg; from 5 to 77 % of the time it comes at a steady (0.6 + 0.4 · ln 1.6) ÷ 0.95 of it
    const grains = GRAINS;
    const pace = (0.6 + 0.4 * Math.log(1.6)) / 0.95;
    const steady = slowRelease(grains);
    expect(steady.nMgPlantDay).toBeCloseTo((960 * pace) / 120, 9);
    expect(steady.releasedPct).toBeCloseTo(100 * pace * (0.25 - 0.05), 9);
    expect(steady.liquidSharePct).toBeCloseTo(100 - (100 * 8 * pace) / 16, 9);
    expect(slowRelease({ ...grains, temperatureC: 31 }).nMgPlantDay).toBeCloseTo(2 * steady.nMgPlantDay, 9);
  });

  it("waits before anything comes out, and has set three quarters free when its label's time is over", () => {
    const grains = { ...GRAINS, ageDays: 5 };
    expect(slowRelease(grains)).toMatchObject({ nMgPlantDay: 0, releasedPct: 0, liquidSharePct: 100 });
    expect(slowRelease({ ...GRAINS, ageDays: 120 }).releasedPct).toBeCloseTo(75, 9);
    const { longevityDays, statedAtC } = GRAINS;
    expect(coatedOut(120, { longevityDays, statedAtC, temperatureC: GRAINS.temperatureC })).toBeCloseTo(0.75, 9);
    expect(coatedOut(-5, { longevityDays, statedAtC, temperatureC: 30 })).toBe(0);
    const late = slowRelease({ ...GRAINS, ageDays: 400 });
    expect(late.nMgPlantDay).toBeLessThan(0.5);
    expect(late.daysLeft).toBe(0);
  });

  it("counts every day at the warmth it had: a cold month and a warm one are not two mild ones", () => {
    const days = [...Array<number>(30).fill(11), ...Array<number>(30).fill(31)];
    // 30 · ½ + 30 · 2 = 75 stated days; sixty days at the mean of 21 °C would be 60
    const swung = slowRelease({ ...GRAINS, ageDays: 60, pastC: days });
    const mild = slowRelease({ ...GRAINS, ageDays: 60, pastC: 21 });
    expect(swung.releasedPct).toBeGreaterThan(mild.releasedPct);
    expect(swung.releasedPct).toBeCloseTo(slowRelease({ ...GRAINS, ageDays: 75, pastC: 21 }).releasedPct, 9);
    expect(() => slowRelease({ ...GRAINS, ageDays: 3, pastC: [20, 20] })).toThrow(/one a day, 3, not 2/);
  });
});

const GRAINS = {
  gL: 3,
  nPct: 16,
  longevityDays: 120,
  statedAtC: 21,
  temperatureC: 21,
  pastC: 21,
  substrateLPlant: 2,
  ageDays: 30,
  needMgPlantDay: 16,
};

describe("a granular dressing", () => {
  it("is 150 kg/ha of a bag of 20 % for 30 kg/ha, and adds up over beds, rows and plants", () => {
    const dressing = granularDressing({
      nutrientKgHa: 30,
      contentPct: 20,
      areaM2: 320,
      beds: 4,
      rowM: 400,
      plants: 800,
    });
    expect(dressing.working[0]?.substituted).toBe("30 ÷ 0.2");
    expect(dressing).toMatchObject({ kgHa: 150, zoneKg: 4.8, bedKg: 1.2, rowMetreG: 12, plantG: 6, warnings: [] });
  });
});

describe("a target by the concentration of uptake", () => {
  it("is uptake over water in a closed loop, and the mix with the root zone where something leaves", () => {
    const input = { uptakeMmolM2Day: { K: 18, Ca: 6 }, waterLM2Day: 3, leachingFraction: 0, rootZone: {} };
    expect(uptakeTarget(input).ions).toEqual({ K: 6, Ca: 2 });
    // 6 · 0.7 + 8 · 0.3
    const open = uptakeTarget({ ...input, leachingFraction: 0.3, rootZone: { K: 8 } });
    expect(open.ions.K).toBeCloseTo(6.6, 9);
    expect(open.warnings).toEqual([expect.stringContaining("Ca in the root zone was not given")]);
  });

  it("refuses sodium, whose uptake follows its concentration", () => {
    expect(() =>
      uptakeTarget({ uptakeMmolM2Day: { Na: 1 }, waterLM2Day: 3, leachingFraction: 0, rootZone: {} }),
    ).toThrow(/the faster the more of it/);
  });
});
