import { describe, expect, it } from "vitest";
import {
  airPressureKpa,
  lightSumMolM2,
  psychrometricConstantKpaC,
  saturationVapourPressureKpa,
  vapourPressureSlopeKpaC,
  windAt2MMs,
} from "./air.ts";
import {
  clearSkyMjM2,
  dailyExtraterrestrialMjM2,
  dayOfYear,
  daylightHours,
  periodExtraterrestrialMjM2,
} from "./solar-geometry.ts";
import { sunTimes } from "./sun-times.ts";

describe("the worked examples of FAO-56, chapter 3", () => {
  it.each([
    ["2: pressure at 1800 m", airPressureKpa(1800), 81.8, 1],
    ["2: psychrometric constant there", psychrometricConstantKpaC(airPressureKpa(1800)), 0.054, 3],
    ["3: saturation at 24.5 °C", saturationVapourPressureKpa(24.5), 3.075, 3],
    ["3: saturation at 15 °C", saturationVapourPressureKpa(15), 1.705, 3],
    ["annex 2, table 2.4: slope at 25 °C", vapourPressureSlopeKpaC(25), 0.189, 3],
    [
      "8: radiation above the air, 20° S on 3 September",
      dailyExtraterrestrialMjM2(-20, dayOfYear("2026-09-03")),
      32.2,
      1,
    ],
    ["9: hours of daylight there", daylightHours(-20, 246), 11.7, 1],
    ["10: clear sky over Rio de Janeiro in May", clearSkyMjM2(dailyExtraterrestrialMjM2(-22.9, 135), 0), 18.8, 1],
    ["14: wind of 3.2 m/s at 10 m", windAt2MMs(3.2, 10), 2.4, 1],
  ])("number %s", (_name, value, published, digits) => expect(value).toBeCloseTo(published, digits));

  it("gives hours that add up to the day", () => {
    const hours = Array.from({ length: 24 }, (_, hour) => periodExtraterrestrialMjM2(43.4, 172, hour + 0.5, -1.5, 0));
    expect(hours.reduce((sum, mj) => sum + mj, 0)).toBeCloseTo(dailyExtraterrestrialMjM2(43.4, 172), 1);
  });
});

describe("what is derived from air and light", () => {
  it("takes 20 MJ/m² of sunlight for about 41 mol/m²", () => expect(lightSumMolM2(20)).toBeCloseTo(41.1, 1));

  it("knows sunrise on the longest day, and none in the polar night", () => {
    const sun = sunTimes("2026-06-21", "Europe/Paris", 43.4, -1.5);
    expect(((sun?.setMs ?? NaN) - (sun?.riseMs ?? NaN)) / 3_600_000).toBeCloseTo(15.4, 1);
    expect(sunTimes("2026-12-21", "Europe/Oslo", 75, 20)).toBeNull();
  });
});
