import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { evenly } from "../working/evenly-for-tests.ts";
import { referenceEt } from "../climate/reference-et.ts";
import { demand } from "./demand.ts";
import { DEMAND_METHODS, type DemandInput } from "./demand-input.ts";

const DATE = "2026-06-15";
const place = { latitudeDeg: 43.4, longitudeDeg: -1.5, elevationM: 60, timeZone: "Europe/Paris", date: DATE };
const sun = (hour: number): number => Math.max(0, 2.6 * Math.sin((Math.PI * (hour - 5)) / 16));
const outside = Array.from({ length: 24 }, (_, hour) => ({
  hour,
  solarMjM2: hour > 5 && hour < 21 ? sun(hour) : 0,
  airC: 18 + 6 * Math.sin((Math.PI * (hour - 8)) / 12),
  rhPct: 65 - 20 * Math.sin((Math.PI * (hour - 8)) / 12),
  windMs: 2,
}));
const inside = outside.map(({ hour, airC, rhPct }) => ({ hour, airC: airC + 3, rhPct: rhPct + 5 }));
const all: Omit<DemandInput, "method"> = {
  ...place,
  transmissionPct: 65,
  hours: outside,
  insideHours: inside,
  leafAreaIndex: 3,
  kc: 1.1,
  dual: { kcb: 0.9, wettedPct: 40, coverPct: 60, irrigationMm: 6 },
  radiationSum: { mlPerJCm2: 2 },
  pan: { evaporationMm: 7, panCoefficient: 0.75, kc: 1 },
  ownMm: 4,
};
const total = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0);
const of = (method: DemandInput["method"], more: Partial<DemandInput> = {}) => demand({ ...all, method, ...more });

describe("the demand of a day", () => {
  it.each(DEMAND_METHODS)(
    "by %s is never below nothing, adds up by the hour, and grows with the fitted factor",
    (method) => {
      const weather = fc.array(
        fc.record({
          solar: evenly(0, 3.6),
          airC: evenly(-5, 42),
          rhPct: evenly(5, 100),
        }),
        { minLength: 24, maxLength: 24 },
      );
      fc.assert(
        fc.property(weather, evenly(0, 8), (hours, leafAreaIndex) => {
          const day = hours.map(({ solar, airC, rhPct }, hour) => ({
            hour,
            airC,
            rhPct,
            windMs: 1,
            solarMjM2: hour > 7 && hour < 17 ? solar : 0,
          }));
          const asked = { hours: day, insideHours: undefined, leafAreaIndex };
          const plain = of(method, asked);
          expect(plain.hourlyMm).toHaveLength(24);
          for (const mm of plain.hourlyMm) expect(mm).toBeGreaterThanOrEqual(0);
          expect(total(plain.hourlyMm)).toBeCloseTo(plain.demandMm, 9);
          if (method !== "own")
            expect(of(method, { ...asked, fittedFactor: 1.5 }).demandMm).toBeCloseTo(1.5 * plain.demandMm, 9);
        }),
        { numRuns: 25 },
      );
    },
  );

  it("by Kc is Kc times the reference that reference-et gives for the same day", () => {
    const air = { tMaxC: 24, tMinC: 12, rhMaxPct: 85, rhMinPct: 45 };
    const weather = { ...air, windMs: 2, solarMjM2: total(outside.map(({ solarMjM2 }) => solarMjM2)) };
    const et0 = referenceEt({ ...place, method: "penman-monteith-daily", weather }).value;
    const open = of("fao56-single", { transmissionPct: 100 });
    expect(open.et0Mm).toBeCloseTo(et0, 9);
    expect(open.demandMm).toBeCloseTo(1.1 * et0, 9);
    expect(of("fao56-single").warnings.join()).toContain("open field");
  });

  it("by the sum of light: 2 mL for each of 2,000 J/cm² outside are 4 L/m²", () => {
    const hours = outside.map((hour, at) => ({ ...hour, solarMjM2: at >= 8 && at < 18 ? 2 : 0 }));
    const { demandMm, hourlyMm } = of("radiation-sum", { hours });
    expect(demandMm).toBeCloseTo(4, 12);
    expect([hourlyMm[7], hourlyMm[8]]).toEqual([0, expect.closeTo(0.4, 12)]);
  });

  it("by pan: 7 mm at Kp 0.75 are 5.25 mm of reference (FAO-56, eq. 55)", () => {
    expect(of("pan")).toMatchObject({ et0Mm: 5.25, demandMm: expect.closeTo(5.25, 9) });
  });

  it("by the dual coefficient adds what the wetted soil evaporates: few = min(0.4, 0.6 · 0.4) = 0.24 (FAO-56, eq. 75)", () => {
    const open = { transmissionPct: 100 };
    const et0 = of("fao56-dual", open).et0Mm ?? NaN;
    // Ke = min(1.2 − 0.9, 0.24 · 1.2) = 0.288
    expect(of("fao56-dual", open).demandMm).toBeCloseTo((0.9 + 0.288) * et0, 9);
    const dry = { kcb: 0.9, wettedPct: 40, coverPct: 60, irrigationMm: 0, rainMm: 0 };
    expect(of("fao56-dual", { ...open, dual: dry }).demandMm).toBeCloseTo(0.9 * et0, 9);
    // Rain wets all that is exposed: Ke = min(0.3, 0.4 · 1.2) = 0.3; no more evaporates than fell.
    const rain = (rainMm: number) => of("fao56-dual", { ...open, dual: { ...dry, rainMm } }).demandMm;
    expect(rain(5)).toBeCloseTo(1.2 * et0, 9);
    expect(rain(0.2)).toBeCloseTo(0.9 * et0 + 0.2, 9);
  });

  it("of a full canopy in a house agrees within 30 % between Kc, big leaf and the canopy form", () => {
    // Vine crops led up strings in plastic houses have a Kc of 1.3 or more at full cover (Orgaz et al. 2005).
    const found = (["house-penman-monteith", "big-leaf", "baille"] as const).map(
      (method) => of(method, { kc: 1.3 }).demandMm,
    );
    const middle = [...found].sort((a, b) => a - b)[1] ?? NaN;
    for (const mm of found) expect(Math.abs(mm / middle - 1)).toBeLessThan(0.3);
  });

  it("grows with leaves, light and dry air", () => {
    for (const method of ["big-leaf", "baille"] as const) {
      const plain = of(method).demandMm;
      expect(of(method, { leafAreaIndex: 1 }).demandMm).toBeLessThan(plain);
      expect(of(method, { leafAreaIndex: 0 }).demandMm).toBe(0);
      expect(of(method, { transmissionPct: 40 }).demandMm).toBeLessThan(plain);
    }
  });

  it.each([
    [{ method: "fao56-single", kc: undefined }, "kc"],
    [{ method: "big-leaf", leafAreaIndex: undefined }, "leafAreaIndex"],
    [{ method: "own", ownMm: 4, fittedFactor: 1.2 }, "fittedFactor"],
    [{ method: "own", ownMm: -1 }, "ownMm"],
    [{ method: "baille", hours: outside.slice(1) }, "hours"],
    [{ method: "baille", hours: [...outside.slice(1), { ...outside[1], hour: 1 }] }, "hours"],
    [{ method: "pan", pan: undefined }, "pan"],
    // More light in a day than there is above the air.
    [{ method: "fao56-single", hours: outside.map((hour) => ({ ...hour, solarMjM2: 3 })) }, "hours"],
    [{ method: "baille", timeZone: "Mars/Base" }, "timeZone"],
    [{ method: "fao56-dual", dual: { kcb: 3, wettedPct: 40, coverPct: 60 } }, "dual.kcb"],
  ])("refuses %j at %s", (damage, path) => {
    expect(() => demand({ ...all, ...damage } as DemandInput)).toThrow(
      expect.objectContaining({ faults: expect.arrayContaining([expect.objectContaining({ path })]) }),
    );
  });
});

describe("long-wave radiation", () => {
  it("no longer shrinks once the sky is overcast: it grows no dimmer than at Rs/Rso 0.3 (ASCE-EWRI 2005)", () => {
    const et = (solarMjM2: number) =>
      referenceEt({
        ...place,
        method: "penman-monteith-daily",
        weather: { tMaxC: 18, tMinC: 12, rhMeanPct: 80, windMs: 2, solarMjM2 },
      }).value;
    // Rso ≈ 31 MJ/m²: both are overcast, and more light is more evaporation.
    const darkening = [9, 7, 5, 3, 1].map(et);
    expect([...darkening].sort((a, b) => b - a)).toEqual(darkening);
  });
});
