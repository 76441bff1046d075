import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { evenly } from "../../working/evenly-for-tests.ts";
import { DomainError } from "../../working/domain-error.ts";
import type { DoseNeedInput } from "./need-input.ts";
import { doseNeed } from "./need.ts";

const tomatoes: DoseNeedInput = {
  yieldTHa: 80,
  removalKgT: { N: 2.6, P: 0.45, K: 4 },
  efficiencyPct: { N: 80, P: 100, K: 90 },
};

describe("what a field is to be given", () => {
  it("is yield times removal, by the efficiency of what is given", () => {
    const { uptakeKgHa, toGiveKgHa, credits } = doseNeed(tomatoes);
    expect(uptakeKgHa).toEqual({ N: 208, P: 36, K: 320 });
    expect(toGiveKgHa.N).toBeCloseTo(260, 9);
    expect(toGiveKgHa.P).toBeCloseTo(36, 9);
    expect(toGiveKgHa.K).toBeCloseTo(320 / 0.9, 9);
    expect(credits).toEqual([]);
  });

  it("counts mineral N of the rooted soil: 10 mg/kg in 30 cm of 1.4 kg/L are 42 kg/ha", () => {
    const soilMineralN = [
      { fromCm: 0, toCm: 30, mgKg: 10, bulkDensityKgL: 1.4 },
      { fromCm: 30, toCm: 60, mgKg: 8, bulkDensityKgL: 1.5, rootedPct: 50 },
    ];
    const { credits, toGiveKgHa } = doseNeed({ ...tomatoes, credits: { soilMineralN } });
    expect(credits.map(({ N }) => N)).toEqual([expect.closeTo(42, 9), expect.closeTo(18, 9)]);
    expect(toGiveKgHa.N).toBeCloseTo((208 - 60) / 0.8, 9);
  });

  it("counts a test told in kg/ha as it stands, with the depth that was tested", () => {
    const from = (depthCm: readonly [number, number] | null) =>
      doseNeed({ ...tomatoes, credits: { testedSoil: [{ depthCm, kgHa: 40 }] } }).credits;
    expect(from([0, 25])).toEqual([{ kind: "soil", from: "soil, 0 to 25 cm", N: 40, P: 0, K: 0 }]);
    expect(from(null)).toMatchObject([{ from: "soil", N: 40 }]);
  });

  it("follows a decay series: of 400 kg N with 40, 25 and 6 %, the third year sets 10.8 kg free", () => {
    // Pratt, Broadbent & Martin (1973): 400 · 0.6 · 0.75 · 0.06; P and K count in the year of spreading alone
    const manure = { tHa: 20, nPct: 2, pPct: 0.5, kPct: 1.5, nDecayPct: [40, 25, 6] };
    const yearN = (yearsAgo: number) => doseNeed({ ...tomatoes, credits: { organic: [{ ...manure, yearsAgo }] } });
    expect(yearN(0).credits[0]).toMatchObject({ N: expect.closeTo(160, 9), P: 100, K: 300 });
    expect(yearN(1).credits[0]).toMatchObject({ N: expect.closeTo(60, 9), P: 0, K: 0 });
    expect(yearN(2).credits[0]?.N).toBeCloseTo(10.8, 9);
    expect(yearN(2).working.map(({ label }) => label)).toContain("N set free from organic dressing 1");
    expect(yearN(3).credits[0]?.N).toBeCloseTo(180 * 0.94 * 0.06, 9);
    expect(yearN(3).warnings).toEqual([expect.stringMatching(/its last figure, 6 %, goes on/)]);
  });

  it("counts what water, fixation and residues bring: 500 mm of 10 mg/L are 50 kg N/ha", () => {
    const { credits } = doseNeed({
      ...tomatoes,
      credits: { water: { mm: 500, no3NMgL: 10, kMgL: 4 }, fixationKgHa: 30, residuesKgHa: 12 },
    });
    expect(credits).toEqual([
      { kind: "water", from: "water", N: 50, P: 0, K: 20 },
      { kind: "fixation", from: "fixation", N: 30, P: 0, K: 0 },
      { kind: "residues", from: "residues", N: 12, P: 0, K: 0 },
    ]);
  });

  it("is none where credits cover the uptake, and says so", () => {
    const { toGiveKgHa, warnings } = doseNeed({ ...tomatoes, credits: { residuesKgHa: 300 } });
    expect(toGiveKgHa.N).toBe(0);
    expect(warnings).toEqual([expect.stringMatching(/credited of N, 300 kg\/ha, is more than/)]);
  });

  it("has calcium and magnesium where they are asked for", () => {
    const { toGiveKgHa, uptakeKgHa } = doseNeed({
      ...tomatoes,
      removalKgT: { ...tomatoes.removalKgT, Ca: 2 },
      efficiencyPct: { ...tomatoes.efficiencyPct, Ca: 50 },
    });
    expect([uptakeKgHa.Ca, toGiveKgHa.Ca]).toEqual([160, 320]);
    expect("Mg" in toGiveKgHa).toBe(false);
  });

  it("never gives less for more yield, nor more for more credit", () => {
    const amount = evenly(0, 200);
    fc.assert(
      fc.property(evenly(1, 200), amount, amount, (yieldTHa, residuesKgHa, more) => {
        const of = (tHa: number, kg: number): number =>
          doseNeed({ ...tomatoes, yieldTHa: tHa, credits: { residuesKgHa: kg } }).toGiveKgHa.N;
        expect(of(yieldTHa + 1, residuesKgHa)).toBeGreaterThanOrEqual(of(yieldTHa, residuesKgHa));
        expect(of(yieldTHa, residuesKgHa + more)).toBeLessThanOrEqual(of(yieldTHa, residuesKgHa) + 1e-9);
      }),
    );
  });

  it.each<[string, Partial<DoseNeedInput>]>([
    ["yieldTHa", { yieldTHa: 0 }],
    ["efficiencyPct.N", { efficiencyPct: { N: 0, P: 100, K: 100 } }],
    ["efficiencyPct.Mg", { removalKgT: { ...tomatoes.removalKgT, Mg: 1 } }],
    [
      "credits.soilMineralN.0.toCm",
      { credits: { soilMineralN: [{ fromCm: 30, toCm: 30, mgKg: 5, bulkDensityKgL: 1.4 }] } },
    ],
    ["credits.organic.0.nDecayPct", { credits: { organic: [{ tHa: 5, nPct: 2, nDecayPct: [], yearsAgo: 0 }] } }],
  ])("refuses what cannot be at %s", (path, wrong) => {
    const asked = (): unknown => doseNeed({ ...tomatoes, ...wrong });
    expect(asked).toThrow(DomainError);
    try {
      asked();
    } catch (error) {
      expect((error as DomainError).faults.map((fault) => fault.path)).toContain(path);
    }
  });
});
