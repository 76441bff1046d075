import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { evenly } from "../working/evenly-for-tests.ts";
import { saturationVapourPressureKpa } from "../climate/air.ts";
import { referenceEt } from "../climate/reference-et.ts";
import type { WeatherHour } from "../climate/weather-hours.ts";
import { cropById } from "../crop/library/library.ts";
import { grownByDays } from "../crop/grown.ts";
import { cropStateOn } from "../crop/stage-on.ts";
import type { System } from "../site/zone.ts";
import { usualMethod, ZONE_DEMAND_METHODS } from "./demand-choice.ts";
import { dayDemand } from "./demand.ts";
import type { DemandInput } from "./demand-input.ts";

const crop = cropById("melon-netted");
const cropState = cropStateOn(grownByDays(crop, "2026-05-01"), "2026-06-15");
if (!cropState) throw new Error("the crop stands on that day");
const midnight = Date.parse("2026-06-15T00:00:00Z");
const measured = (value: number) => ({ value, origin: "measured" as const });

/** A day with so much sun in each hour from 6 to 18, and air as dry as said. */
function inputOf(system: System, sunMjM2: number, vpdKpa: number, transmissionPct = 60): DemandInput {
  if (!cropState) throw new Error("no crop");
  const starts = Array.from({ length: 24 }, (_, hour) => midnight + hour * 3_600_000);
  const hours: WeatherHour[] = starts.map((startMs, hour) => ({
    startMs,
    values: {
      radiation: measured(hour >= 6 && hour < 18 ? sunMjM2 : 0),
      airTemperature: measured(12 + Math.min(hour, 24 - hour)),
      humidity: measured(70),
      wind: measured(2),
    },
  }));
  return {
    system,
    place: { latitudeDeg: 51, longitudeDeg: 0, elevationM: 10, timeZone: "UTC" },
    date: "2026-06-15",
    hours,
    air: starts.map((startMs) => ({ startMs, airTemperatureC: 22, vpdKpa, origin: "measured" as const })),
    transmissionPct,
    transmissionOrigin: { kind: "entered" },
    crop,
    cropState,
  };
}

describe("a day's demand", () => {
  it.each([
    ["substrate", 60],
    ["soil-drip", 60],
    ["soil-drip", 100],
  ] as const)(
    "of %s under %d %% of the light is what its hours add up to, and its working ends on it",
    (system, pct) => {
      const sun = evenly(0.05, 2.4);
      const dryness = evenly(0, 5);
      fc.assert(
        fc.property(sun, dryness, (sunMjM2, vpdKpa) => {
          const demand = dayDemand(inputOf(system, sunMjM2, vpdKpa, pct));
          const hours = demand?.hourlyMm.reduce((sum, { mm }) => sum + mm, 0);
          expect(hours).toBeCloseTo(demand?.demandMm ?? NaN, 9);
          expect(demand?.working.at(-1)).toMatchObject({ label: "Demand", value: demand?.demandMm });
        }),
      );
    },
  );

  it("grows with light and with dry air in substrate, and air drier than 2.5 kPa takes no more", () => {
    const at = (sun: number, vpd: number): number => dayDemand(inputOf("substrate", sun, vpd))?.demandMm ?? NaN;
    expect(at(1.5, 1)).toBeGreaterThan(at(1, 1));
    expect(at(1, 1.5)).toBeGreaterThan(at(1, 1));
    expect(at(1, 4)).toBeCloseTo(at(1, 2.5), 9);
  });

  it("takes Penman–Monteith with the air inside under cover, times the Kc that was found under cover; light alone where that air is not known", () => {
    const weather = { tMaxC: 22, tMinC: 22, vapourPressureKpa: saturationVapourPressureKpa(22) - 1, solarMjM2: 12 };
    const place = { latitudeDeg: 51, longitudeDeg: 0, elevationM: 10, date: "2026-06-15", transmissionPct: 60 };
    const et0 = referenceEt({ ...place, method: "greenhouse-penman-monteith", weather }).value;
    const demand = dayDemand(inputOf("soil-drip", 1, 1));
    expect(demand?.et0Mm).toBeCloseTo(et0, 9);
    expect(demand?.demandMm).toBeCloseTo((et0 * cropState.kc * 1.3) / 0.85, 9);
    // Fernández et al. (2010), day 166: 0.6034 × 12 h × 1 MJ × 0.6 ÷ 2.45 is 1.773 mm
    const blind = dayDemand({ ...inputOf("soil-drip", 1, 1), air: [] });
    expect(blind?.et0Mm).toBeCloseTo(1.773, 2);
    expect(blind?.warnings.join()).toContain("by light alone");
  });

  it.each([
    ["bright", 1.6, 1.2],
    ["fair", 1, 0.8],
    ["dull", 0.4, 0.4],
  ])("of a full canopy in soil and in bags agrees within 30 %% on a %s day", (_day, sun, vpd) => {
    if (!cropState) throw new Error("no crop");
    // A vine led up strings at full cover: Kc 0.85 in the open, 1.3 in plastic houses (Orgaz et al. 2005), three square metres of leaf.
    const full = { cropState: { ...cropState, kc: 0.85, leafAreaIndex: 3 } };
    const [soil, bags] = (["soil-drip", "substrate"] as const).map(
      (system) => dayDemand({ ...inputOf(system, sun, vpd), ...full })?.demandMm ?? NaN,
    );
    expect(Math.abs((soil ?? NaN) / (bags ?? NaN) - 1)).toBeLessThan(0.3);
  });

  it("is a quarter less under a mulch that saves a quarter, and says so", () => {
    const origin = { kind: "entered" } as const;
    const [bare, mulched] = [inputOf("soil-drip", 1, 1), inputOf("soil-drip", 1, 1)].map((input, at) =>
      dayDemand({ ...input, mulch: { savesPct: at * 25, origin } }),
    );
    expect((mulched?.demandMm ?? NaN) / (bare?.demandMm ?? NaN)).toBeCloseTo(0.75, 12);
    expect(mulched?.inputs.at(-1)).toMatchObject({ name: "What the mulch saves", value: 25 });
  });

  it("says nothing rather than guess where an hour has no sunlight or the house no air", () => {
    const full = inputOf("substrate", 1, 1);
    const [, ...rest] = full.hours;
    expect(dayDemand({ ...full, hours: [{ startMs: midnight, values: {} }, ...rest] })).toBeNull();
    expect(dayDemand({ ...full, air: full.air.slice(1) })).toBeNull();
  });

  it("of bare bushes in pots is what their open mouths evaporate; of leaves that close, nothing is added", () => {
    const bare = { ...inputOf("substrate", 1, 0), openShare: 0.2 };
    const demandAt = (leafAreaIndex: number): number =>
      dayDemand({ ...bare, cropState: { ...bare.cropState, leafAreaIndex } })?.demandMm ?? NaN;
    // 12 MJ/m² · 60 %; at 22 °C Δ 0.161, γ 0.0673: 1.26 · 0.7054 · 0.85 · 7.2 ÷ 2.45 = 2.22 mm, from a fifth of the ground
    expect(demandAt(0)).toBeCloseTo(0.2 * 2.22, 2);
    const closed = { ...bare, openShare: undefined };
    expect(demandAt(1.5)).toBe(
      dayDemand({ ...closed, cropState: { ...bare.cropState, leafAreaIndex: 1.5 } })?.demandMm,
    );
  });

  it.each(ZONE_DEMAND_METHODS)("by %s is what its hours add up to, fitted as the zone's meter says", (method) => {
    const choice = { method, mlPerJCm2: 2, ownMm: 3.2, panMm: 6, panCoefficient: 0.7 };
    const input = { ...inputOf("substrate", 1.2, 1.1, 60), choice };
    const demand = dayDemand(input);
    expect(demand?.demandMm).toBeGreaterThan(0.5);
    expect(demand?.hourlyMm.reduce((sum, { mm }) => sum + mm, 0)).toBeCloseTo(demand?.demandMm ?? NaN, 9);
    const fitted = dayDemand({ ...input, choice: { ...choice, fittedFactor: 1.2 } });
    expect(fitted?.demandMm).toBeCloseTo(1.2 * (demand?.demandMm ?? NaN), 9);
    expect(fitted?.working.at(-1)).toMatchObject({ label: "Fitted to the zone", value: fitted?.demandMm });
  });

  it("by the pan is Kc · Kp · Epan: 6 mm at 0.7 are 4.2 mm of a reference (FAO-56, eq. 55)", () => {
    const demand = dayDemand({
      ...inputOf("soil-drip", 1.2, 1, 100),
      choice: { method: "pan", panMm: 6, panCoefficient: 0.7 },
    });
    expect([demand?.et0Mm, demand?.demandMm]).toEqual([expect.closeTo(4.2, 9), expect.closeTo(4.2 * cropState.kc, 9)]);
  });

  describe("by crop and wet soil apart", () => {
    const choice = { method: "fao56-dual" } as const;
    const kcOf = (more: Partial<DemandInput>): number => {
      const demand = dayDemand({ ...inputOf("soil-drip", 1.2, 1, 100), choice, ...more });
      return (demand?.demandMm ?? NaN) / (demand?.et0Mm ?? NaN);
    };
    const young = { ...cropState, leafAreaIndex: 0.3 };
    const withRain = (mm: number) => {
      const { hours } = inputOf("soil-drip", 1.2, 1, 100);
      return hours.map((hour, at) => (at === 3 ? { ...hour, values: { ...hour.values, rain: measured(mm) } } : hour));
    };

    it("counts the wetted strip under drippers, all of the ground after rain, and no soil over buried lines", () => {
      // Kcb = 0.15 + (0.85 − 0.05 − 0.15) · (1 − e^−0.21) = 0.273; fc 0.189; few = (1 − ⅔ · 0.189) · 0.5 = 0.437
      const kcb = 0.15 + 0.65 * (1 - Math.exp(-0.21));
      expect(kcOf({ cropState: young, wetsPct: 0 })).toBeCloseTo(kcb, 6);
      expect(kcOf({ cropState: young, wetsPct: 50 })).toBeCloseTo(kcb + 0.437 * 1.2, 2);
      expect(kcOf({ cropState: young, wetsPct: 50, hours: withRain(8) })).toBeCloseTo(1.2, 6);
      expect(kcOf({ cropState: young, wetsPct: 0, hours: withRain(0.4) })).toBeCloseTo(kcb, 6);
    });

    it("has a full crop near its single Kc, whatever lies under it", () => {
      const full = { ...cropState, leafAreaIndex: 5 };
      for (const wetsPct of [undefined, 0, 50])
        expect(Math.abs(kcOf({ cropState: full, wetsPct }) - 0.85)).toBeLessThan(0.1);
    });
  });

  it("by the sum of light is so many mL for each J/cm² outside: 14.4 MJ/m² at 2 mL are 2.88 L/m²", () => {
    const choice = { method: "radiation-sum", mlPerJCm2: 2 } as const;
    expect(dayDemand({ ...inputOf("soil-drip", 1.2, 1), choice })?.demandMm).toBeCloseTo(2.88, 9);
  });

  it("is found as its system has it where nobody chose: by the canopy, or by Kc under the sky that it stands under", () => {
    expect(usualMethod("substrate", 60)).toBe("baille");
    expect(usualMethod("solution-tank", 100)).toBe("baille");
    expect(usualMethod("soil-drip", 60)).toBe("house-penman-monteith");
    expect(usualMethod("basin", 100)).toBe("fao56-single");
  });
});
