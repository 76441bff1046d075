import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { evenly } from "../working/evenly-for-tests.ts";
import { Worksheet } from "../working/working.ts";
import { netRadiationMjM2 } from "./net-radiation.ts";
import { referenceEt } from "./reference-et.ts";
import type { ReferenceEtInput } from "./reference-et-input.ts";

/** FAO-56, example 18: Uccle near Brussels, 6 July. */
const uccle: ReferenceEtInput = {
  method: "penman-monteith-daily",
  latitudeDeg: 50.8,
  elevationM: 100,
  date: "2026-07-06",
  weather: { tMaxC: 21.5, tMinC: 12.3, rhMaxPct: 84, rhMinPct: 63, windMs: 2.78, windHeightM: 10, sunshineH: 9.25 },
};

/** FAO-56, example 19: N'Diaye in Senegal, 1 October. */
const ndiaye: ReferenceEtInput = {
  method: "penman-monteith-hourly",
  latitudeDeg: 16 + 13 / 60,
  longitudeDeg: -(16 + 15 / 60),
  zoneMeridianDeg: -15,
  elevationM: 8,
  date: "2026-10-01",
  hourStart: 14,
  weather: { tMeanC: 38, rhMeanPct: 52, windMs: 3.3, solarMjM2: 2.45 },
};

describe("reference evapotranspiration", () => {
  it.each([
    // e°(12.3 °C) = 1.431 kPa and e°(21.5 °C) = 2.564 kPa, FAO-56, table 2.3.
    ["both extremes of humidity", { rhMaxPct: 84, rhMinPct: 63 }, (1.431 * 84 + 2.564 * 63) / 200],
    ["the most alone", { rhMaxPct: 84 }, 1.431 * 0.84],
    ["the mean", { rhMeanPct: 73.5 }, (0.735 * (1.431 + 2.564)) / 2],
    ["the least beside the mean", { rhMinPct: 63, rhMeanPct: 73.5 }, (0.735 * (1.431 + 2.564)) / 2],
    ["itself", { vapourPressureKpa: 1.41 }, 1.41],
    ["nothing, then the dew point is the coldest of the day", {}, 1.431],
  ])("takes the vapour pressure of the air from %s", (_what, humidity, kPa) => {
    const weather = { tMaxC: 21.5, tMinC: 12.3, windMs: 2.078, sunshineH: 9.25, ...humidity };
    const step = referenceEt({ ...uccle, weather }).working.find(({ label }) => label === "Vapour pressure of the air");
    expect(step?.value).toBeCloseTo(kPa, 2);
  });

  it("follows example 18 of FAO-56 from sunshine to millimetres", () => {
    const et = referenceEt(uccle);
    expect(et.value).toBeCloseTo(3.88, 1);
    expect(et.parts.raMjM2).toBeCloseTo(41.09, 1);
    expect(et.parts.daylightH).toBeCloseTo(16.1, 1);
    expect(et.parts.rsMjM2).toBeCloseTo(22.07, 1);
    expect(et.parts.rnMjM2).toBeCloseTo(13.28, 1);
    expect(et.parts.vpdKpa).toBeCloseTo(0.589, 2);
    expect(et.warnings).toEqual([]);
  });

  it("follows example 17 of FAO-56 for Bangkok in April, with its soil heat", () => {
    const et = referenceEt({
      method: "penman-monteith-daily",
      latitudeDeg: 13 + 44 / 60,
      elevationM: 2,
      date: "2026-04-15",
      soilHeatMjM2: 0.14,
      weather: { tMaxC: 34.8, tMinC: 25.6, vapourPressureKpa: 2.85, windMs: 2, sunshineH: 8.5 },
    });
    expect(et.value).toBeCloseTo(5.72, 1);
  });

  it("follows example 20 of FAO-56 for Lyon in July, from temperatures alone, and names every estimate", () => {
    const lyon = {
      latitudeDeg: 45 + 43 / 60,
      elevationM: 200,
      date: "2026-07-15",
      weather: { tMaxC: 26.6, tMinC: 14.8 },
    };
    const et = referenceEt({ ...lyon, method: "penman-monteith-daily" });
    expect(et.value).toBeCloseTo(4.56, 1);
    expect(et.warnings.join()).toMatch(/radiation.*wind.*humidity/s);
    expect(referenceEt({ ...lyon, method: "hargreaves-daily" }).value).toBeCloseTo(5.0, 1);
  });

  it("follows example 19 of FAO-56 by day and by night", () => {
    const day = referenceEt(ndiaye);
    expect(day.unit).toBe("mm/hour");
    expect(day.value).toBeCloseTo(0.63, 2);
    expect(day.parts.raMjM2).toBeCloseTo(3.543, 2);
    expect(day.parts.rnMjM2).toBeCloseTo(1.749, 2);
    const night = referenceEt({
      ...ndiaye,
      hourStart: 2,
      weather: { tMeanC: 28, rhMeanPct: 90, windMs: 1.9, solarMjM2: 0 },
    });
    expect(night.value).toBeCloseTo(0.0, 2);
    expect(night.parts.rnMjM2).toBeCloseTo(-0.1, 2);
    expect(night.warnings.join()).toMatch(/before sunset/);
  });

  it("takes a sky brighter than a clear one as clear: the long waves lose no more, by day and by hour", () => {
    // Broken cloud beside the sun: 38 of 41.1 MJ/m² above the air, where a clear sky lets 30.9 through.
    const weather = { tMaxC: 21.5, tMinC: 12.3, rhMaxPct: 84, rhMinPct: 63, windMs: 2 };
    const clearnessOf = ({ working }: ReturnType<typeof referenceEt>): number | undefined =>
      working.find(({ label }) => label === "Clearness of the sky")?.value;
    expect(clearnessOf(referenceEt({ ...uccle, weather: { ...weather, solarMjM2: 38 } }))).toBe(1);
    expect(clearnessOf(referenceEt({ ...uccle, weather: { ...weather, solarMjM2: 20 } }))).toBeCloseTo(0.647, 2);
    expect(clearnessOf(referenceEt({ ...ndiaye, weather: { ...ndiaye.weather, solarMjM2: 3.4 } }))).toBe(1);
    const sheet = new Worksheet();
    const sky = { temperaturesC: [20], vapourPressureKpa: 1.5, days: 1 };
    const netAt = (clearness: number): number => netRadiationMjM2(sheet, 20, { ...sky, clearness });
    expect(netAt(1.4)).toBe(netAt(1));
    expect(netAt(0.9)).toBeGreaterThan(netAt(1));
  });

  it("takes the greenhouse radiation form as published, on both branches and in the south", () => {
    const house = { method: "greenhouse-radiation", latitudeDeg: 36.8, elevationM: 150, transmissionPct: 60 } as const;
    const at = (date: string, latitudeDeg: number): number =>
      referenceEt({ ...house, date, latitudeDeg, weather: { solarMjM2: 20 } }).value;
    expect(at("2026-04-10", 36.8)).toBeCloseTo(((0.288 + 0.0019 * 100) * 12) / 2.45, 6);
    expect(at("2026-09-07", 36.8)).toBeCloseTo(((1.339 - 0.00288 * 250) * 12) / 2.45, 6);
    // Day 284 + 182 falls on day 101 of the next year.
    expect(at("2026-10-11", -36.8)).toBeCloseTo(((0.288 + 0.0019 * 101) * 12) / 2.45, 6);
  });

  it("holds still air and a weaker sun under a cover: less than outside, and no wind of the field", () => {
    const weather = { tMaxC: 30, tMinC: 18, rhMaxPct: 95, rhMinPct: 50, solarMjM2: 22 };
    const inside = referenceEt({ ...uccle, method: "greenhouse-penman-monteith", transmissionPct: 65, weather });
    expect(inside.value).toBeLessThan(referenceEt({ ...uccle, weather: { ...weather, windMs: 2 } }).value);
    expect(
      referenceEt({
        ...uccle,
        method: "greenhouse-penman-monteith",
        transmissionPct: 65,
        weather: { ...weather, windMs: 9 },
      }).value,
    ).toBe(inside.value);
  });

  it("never falls below zero and always ends its working on the value, whatever the weather", () => {
    const temperature = evenly(-20, 45);
    const weather = fc.record({
      a: temperature,
      b: temperature,
      rh: evenly(0, 100),
      wind: evenly(0, 20),
    });
    fc.assert(
      fc.property(
        weather,
        fc.integer({ min: -65, max: 65 }),
        fc.constantFrom("2026-01-10", "2026-06-21", "2026-09-23"),
        (w, latitudeDeg, date) => {
          const et = referenceEt({
            ...uccle,
            latitudeDeg,
            date,
            weather: { tMaxC: Math.max(w.a, w.b), tMinC: Math.min(w.a, w.b), rhMeanPct: w.rh, windMs: w.wind },
          });
          expect(et.value).toBeGreaterThanOrEqual(0);
          expect(et.working.at(-1)?.value).toBe(et.value);
        },
      ),
    );
  });

  it.each([
    ["weather.tMinC", { weather: { ...uccle.weather, tMinC: 25 } }],
    ["weather.rhMaxPct", { weather: { ...uccle.weather, rhMaxPct: 130 } }],
    ["weather.sunshineH", { weather: { ...uccle.weather, sunshineH: 18 } }],
    ["weather.solarMjM2", { weather: { ...uccle.weather, solarMjM2: 44 } }],
    ["weather.windHeightM", { weather: { ...uccle.weather, windHeightM: 0 } }],
    ["latitudeDeg", { latitudeDeg: 91 }],
    ["date", { date: "2026-02-30" }],
    ["transmissionPct", { method: "greenhouse-radiation" as const }],
    [
      "weather.solarMjM2",
      {
        method: "penman-monteith-hourly" as const,
        hourStart: 3,
        longitudeDeg: 0,
        zoneMeridianDeg: 0,
        weather: { tMeanC: 20 },
      },
    ],
  ])("refuses a bad %s and names it", (path, change) => {
    expect(() => referenceEt({ ...uccle, ...change })).toThrow(expect.objectContaining({ path }));
  });

  it("of an hour takes its mean temperature, or its least and most, and asks for one where neither is given", () => {
    const { tMeanC: _mean, ...without } = ndiaye.weather;
    const et = (weather: ReferenceEtInput["weather"]) => referenceEt({ ...ndiaye, weather }).value;
    expect(et({ ...without, tMaxC: 39, tMinC: 37 })).toBeCloseTo(et(ndiaye.weather), 2);
    for (const half of [{}, { tMaxC: 39 }, { tMinC: 37 }])
      expect(() => et({ ...without, ...half })).toThrow(expect.objectContaining({ path: "weather.tMeanC" }));
  });
});
