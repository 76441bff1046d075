import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { evenly } from "../working/evenly-for-tests.ts";
import { chargeBalance } from "../chemistry/ions.ts";
import { langelierIndex, relativeYieldPct, sodiumAdsorptionRatio, waterHazards } from "./hazards.ts";
import { largestSharePct, mixWaters } from "./mix-waters.ts";
import { projectStorage } from "./supply.ts";

const borehole = { ions: { Ca: 1.9, Mg: 0.55, Na: 1, K: 0.08, NO3: 0.1, Cl: 0.9, SO4: 0.3, HCO3: 4.4 }, ph: 7.4 };
const roof = { ions: { Ca: 0.1, Na: 0.15, Cl: 0.15, HCO3: 0.2 }, ph: 6.5 };

describe("mixing waters", () => {
  it("keeps every ion in proportion and the charge, and puts the pH between the two", () => {
    fc.assert(
      fc.property(evenly(1, 99), (sharePct) => {
        const mix = mixWaters([
          { ...borehole, sharePct },
          { ...roof, sharePct: 100 - sharePct },
        ]);
        expect(mix.ions.Ca).toBeCloseTo((1.9 * sharePct + 0.1 * (100 - sharePct)) / 100, 9);
        expect(Math.abs(chargeBalance(mix.ions).cationsMeqL - chargeBalance(mix.ions).anionsMeqL)).toBeLessThan(0.1);
        expect(mix.ph).toBeGreaterThan(6.49);
        expect(mix.ph).toBeLessThan(7.41);
      }),
    );
  });

  it("finds the share that a sodium, bicarbonate or EC limit allows", () => {
    // 0.15 + s · 0.85 = 0.5 → 41.18 %
    expect(largestSharePct(borehole, roof, { kind: "ion", ion: "Na", most: 0.5 })).toBeCloseTo(41.18, 2);
    expect(largestSharePct(borehole, roof, { kind: "ion", ion: "Na", most: 2 })).toBe(100);
    expect(largestSharePct(borehole, roof, { kind: "ion", ion: "Na", most: 0.1 })).toBeNull();
    expect(largestSharePct(borehole, roof, { kind: "ec", most: 0.3 })).toBeGreaterThan(30);
  });

  it("says nothing of bicarbonate and pH where one report leaves them out, and names what it counts as none", () => {
    const { HCO3: _left, Na: _out, ...rest } = borehole.ions;
    const mix = mixWaters([
      { ions: rest, ph: 7.4, sharePct: 50 },
      { ...roof, sharePct: 50 },
    ]);
    expect([mix.ph, mix.ions.HCO3, mix.ions.Na]).toEqual([undefined, undefined, 0.075]);
    expect(mix.unmeasured).toEqual(expect.arrayContaining(["HCO3", "Na", "Mg", "K"]));
    const limit = { kind: "ion", ion: "HCO3", most: 2 } as const;
    expect(largestSharePct({ ions: rest, ph: 7.4 }, roof, limit)).toBeNull();
  });

  it("leaves a water alone as it was measured", () => {
    const { HCO3: _left, ...ions } = borehole.ions;
    expect(
      mixWaters([
        { ions, ph: 7.4, sharePct: 100 },
        { ...roof, sharePct: 0 },
      ]),
    ).toEqual({
      ions,
      ph: 7.4,
      unmeasured: ["HCO3"],
    });
  });

  it("refuses shares that do not add up", () => {
    expect(() => mixWaters([{ ...roof, sharePct: 60 }])).toThrow(/add up to 60 %/);
  });
});

describe("what a water does", () => {
  it("has Langelier's index worked by hand: Ca 1 and HCO₃ 2 mmol/L at pH 8 and 25 °C", () => {
    // I = 3 mmol/L: log γ₁ −0.0260, log γ₂ −0.1039 (Davies); pHs = −8.48 + 10.33 + 3.104 + 2.725 = 7.68.
    expect(langelierIndex({ Ca: 1, HCO3: 2 }, 8, 25)).toBeCloseTo(0.32, 1);
    expect(langelierIndex({ Na: 1, Cl: 1 }, 7, 20)).toBeNull();
  });

  it("has the SAR of Ayers & Westcot's example: Na 7.73, Ca 2.32, Mg 1.44 meq/L give 5.64", () => {
    expect(sodiumAdsorptionRatio({ Na: 7.73, Ca: 2.32 / 2, Mg: 1.44 / 2 })).toBeCloseTo(5.64, 2);
  });

  it("classes by the published limits and says unknown rather than none where nothing was measured", () => {
    const hazards = waterHazards({
      ions: { ...borehole.ions, Fe: 36 },
      ph: 7.4,
      ecMsCm: 0.58,
      temperatureC: 15,
    });
    const classOf = (id: string): string | undefined => hazards.find((hazard) => hazard.id === id)?.class;
    expect(["ph", "tds", "iron", "manganese", "boron", "sar", "chloride"].map(classOf)).toEqual([
      "moderate",
      "none",
      "severe",
      "unknown",
      "unknown",
      "moderate",
      "none",
    ]);
  });

  it.each([
    // Bucks, Nakayama & Gilbert (1979), as in FAO-29, table 20; chloride and boron by FAO-29, table 1, solids as 640 mg/L for 1 mS/cm.
    ["ph", "pH 7 and 8", 7, 8, (ph: number) => ({ ph })],
    ["tds", "500 and 2000 mg/L", 500, 2000, (mgL: number) => ({ ecMsCm: mgL / 640 })],
    ["iron", "0.1 and 1.5 mg/L", 0.1, 1.5, (mgL: number) => ({ ions: { Fe: (mgL * 1000) / 55.845 } })],
    ["manganese", "0.1 and 1.5 mg/L", 0.1, 1.5, (mgL: number) => ({ ions: { Mn: (mgL * 1000) / 54.938 } })],
    ["solids", "50 and 100 mg/L", 50, 100, (suspendedSolidsMgL: number) => ({ suspendedSolidsMgL })],
    ["chloride", "4 and 10 mmol/L", 4, 10, (Cl: number) => ({ ions: { Cl } })],
    ["boron", "0.7 and 3 mg/L", 0.7, 3, (mgL: number) => ({ ions: { B: (mgL * 1000) / 10.81 } })],
  ] as const)("calls %s moderate between %s, and not before nor after", (id, _limits, slight, severe, water) => {
    const classAt = (value: number): string | undefined =>
      waterHazards({ ions: {}, ph: null, ecMsCm: null, temperatureC: 15, ...water(value) }).find(
        (hazard) => hazard.id === id,
      )?.class;
    expect([0.99 * slight, 1.01 * slight, 0.99 * severe, 1.01 * severe].map(classAt)).toEqual([
      "none",
      "moderate",
      "moderate",
      "severe",
    ]);
  });

  it("calls scale moderate up to half a unit over balance, severe beyond, none under it", () => {
    const at = (ph: number) =>
      waterHazards({ ions: { Ca: 1, HCO3: 2 }, ph, ecMsCm: null, temperatureC: 25 }).find(
        ({ id }) => id === "langelier",
      );
    const balance = 8 - (at(8)?.value ?? NaN);
    expect([-0.01, 0.01, 0.49, 0.51].map((over) => at(balance + over)?.class)).toEqual([
      "none",
      "moderate",
      "moderate",
      "severe",
    ]);
  });

  it.each([
    // FAO-29, table 1: SAR, EC from which there is none, EC under which it is severe.
    [1.5, 0.7, 0.2],
    [4.5, 1.2, 0.3],
    [9, 1.9, 0.5],
    [16, 2.9, 1.3],
    [30, 5, 2.9],
  ])("calls a water of SAR %d without harm to soil over %d mS/cm and severe under %d", (sar, noneFrom, severeBelow) => {
    // With 1 mmol/L of calcium SAR is the sodium in mmol/L.
    const classAt = (ecMsCm: number): string | undefined =>
      waterHazards({ ions: { Na: sar, Ca: 1 }, ph: null, ecMsCm, temperatureC: 15 }).find(({ id }) => id === "sar")
        ?.class;
    expect([noneFrom + 0.01, noneFrom - 0.01, severeBelow + 0.01, severeBelow - 0.01].map(classAt)).toEqual([
      "none",
      "moderate",
      "moderate",
      "severe",
    ]);
  });

  it("loses yield in soil as Maas and Hoffman have it, and never in waters under the threshold", () => {
    // Lettuce, a 1.3, b 13: ECw 2 → ECe 3 → 100 − 13 × 1.7 = 77.9 %.
    expect(relativeYieldPct(2, 1.3, 1.3 + 100 / 13).pct).toBeCloseTo(77.9, 9);
    expect(relativeYieldPct(0.8, 1.3, 9).pct).toBe(100);
    expect(relativeYieldPct(20, 1.3, 9).pct).toBe(0);
  });
});

describe("a storage ahead", () => {
  const basin = {
    date: "2026-07-01",
    levelM3: 50,
    capacityM3: 80,
    useM3: Array.from({ length: 30 }, () => 6),
    rainMm: [0, 10],
    usualRainMm: 0,
    roofM2: 500,
    runoffPct: 80,
  };

  it("adds the roof, takes the use and tells the day on which nothing is left", () => {
    // 50 − 6, + 4 − 6 = 42 on the second evening; then seven days at 6 m³.
    const { levels, daysLeft } = projectStorage(basin);
    expect(levels.slice(0, 2).map(({ m3 }) => m3)).toEqual([44, 42]);
    expect(daysLeft).toBe(9);
  });

  it("never holds more than it can, and has no end where rain covers the use", () => {
    const wet = projectStorage({ ...basin, rainMm: [], usualRainMm: 20 });
    expect(Math.max(...wet.levels.map(({ m3 }) => m3))).toBe(80);
    expect(wet.daysLeft).toBeNull();
  });
});
