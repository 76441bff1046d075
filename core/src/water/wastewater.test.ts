import { describe, expect, it } from "vitest";
import { organicDosing, type OrganicDosingInput } from "./wastewater.ts";

const digestate: OrganicDosingInput = {
  analysis: { suspendedSolidsMgL: 80, nh4NMgL: 1500, organicNMgL: 1000, pMgL: 200, kMgL: 2000, ecMsCm: 18 },
  areaM2: 5000,
  yieldTHa: 30,
  removal: { nKgT: 2, pKgT: 0.3 },
  mineralisedPct: 30,
  givenM3: 0,
  doses: 5,
  freshEcMsCm: 0.6,
  mostEcMsCm: 2,
  passageMm: 1.2,
};

describe("the dosing of a digestate", () => {
  it("is capped by the nutrient that the crop takes off least of", () => {
    // N: 30 · 2 · 0.5 ÷ (1.5 + 1.0 · 0.3) = 16.67 m³; P: 30 · 0.3 · 0.5 ÷ 0.2 = 22.5 m³.
    const dosing = organicDosing(digestate);
    expect(dosing).toMatchObject({ boundBy: "nitrogen", nCapM3: expect.closeTo(16.667, 3), pCapM3: 22.5 });
    expect(dosing.doseL).toBeCloseTo(3333, 0);
    expect(dosing.bringsKgHa.n).toBeCloseTo(60, 6);
    const rich = { ...digestate, analysis: { ...digestate.analysis, pMgL: 400 } };
    expect(organicDosing(rich)).toMatchObject({ boundBy: "phosphorus", leftM3: expect.closeTo(11.25, 6) });
  });

  it("counts what was given, and never gives less than none", () => {
    expect(organicDosing({ ...digestate, givenM3: 10 }).leftM3).toBeCloseTo(6.667, 3);
    expect(organicDosing({ ...digestate, givenM3: 40 })).toMatchObject({ leftM3: 0, doseL: 0 });
  });

  it("is thinned until the drippers get no more salt than allowed", () => {
    const { dilution } = organicDosing(digestate);
    expect((18 + dilution * 0.6) / (1 + dilution)).toBeCloseTo(2, 9);
    expect(
      organicDosing({ ...digestate, mostEcMsCm: 10, analysis: { ...digestate.analysis, ecMsCm: 3 } }).dilution,
    ).toBe(0);
  });

  it("is filtered to a tenth of the emitter's passage, by the next finer sieve", () => {
    expect(organicDosing(digestate)).toMatchObject({ mesh: 140, filterUm: 106 });
    expect(organicDosing({ ...digestate, passageMm: 0.4 }).warnings.join()).toMatch(/take another emitter/);
  });

  it.each([
    [{ freshEcMsCm: 2.5 }, "mostEcMsCm"],
    [{ doses: 0 }, "doses"],
    [{ passageMm: 0 }, "passageMm"],
  ])("refuses %j and names what is wrong", (change, path) => {
    expect(() => organicDosing({ ...digestate, ...change })).toThrow(expect.objectContaining({ path }));
  });
});
