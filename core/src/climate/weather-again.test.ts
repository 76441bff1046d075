import { describe, expect, it } from "vitest";
import { dailyExtraterrestrialMjM2, dayOfYear } from "./solar-geometry.ts";
import { weatherAgain, type WeatherOfDay } from "./weather-again.ts";

const site = { latitudeDeg: 43.4, timeZone: "Europe/Paris" };
const HOUR_MS = 3_600_000;

function dayOf(date: string, startUtc: string): WeatherOfDay {
  const startMs = Date.parse(startUtc);
  const hours = Array.from({ length: 24 }, (_, hour) => ({
    startMs: startMs + hour * HOUR_MS,
    values: {
      radiation: { value: hour > 6 && hour < 20 ? 1.5 : 0, origin: "measured" as const },
      airTemperature: { value: 10 + hour / 2, origin: "measured" as const },
    },
  }));
  const air = hours.map(({ startMs: at }) => ({
    startMs: at,
    airTemperatureC: 20,
    vpdKpa: 0.8,
    origin: "measured" as const,
  }));
  return { date, hours, air: new Map([[3, air]]) };
}
const light = ({ hours }: WeatherOfDay): number =>
  hours.reduce((sum, { values }) => sum + (values.radiation?.value ?? 0), 0);

describe("a day's weather that comes again", () => {
  const was = dayOf("2026-06-10", "2026-06-09T22:00:00Z");

  it("has its air hour by hour, and light as the sun of the other day gives it", () => {
    const again = weatherAgain(was, "2026-08-05", site);
    const sun = (date: string): number => dailyExtraterrestrialMjM2(site.latitudeDeg, dayOfYear(date));
    expect(light(again) / light(was)).toBeCloseTo(sun("2026-08-05") / sun("2026-06-10"), 9);
    expect(light(again)).toBeLessThan(light(was));
    expect(again.hours[14]?.values.airTemperature).toEqual({ value: 17, origin: "again" });
    expect(again.air.get(3)?.[5]).toMatchObject({ airTemperatureC: 20, vpdKpa: 0.8, origin: "again" });
  });

  it("begins at the other day's own midnight, on either side of a clock change", () => {
    expect(weatherAgain(was, "2026-07-01", site).hours[0]?.startMs).toBe(Date.parse("2026-06-30T22:00:00Z"));
    expect(weatherAgain(was, "2026-11-01", site).hours[0]?.startMs).toBe(Date.parse("2026-10-31T23:00:00Z"));
  });

  it("has no light where the sun stays away, and none from a day that had none", () => {
    const north = { latitudeDeg: 69.6, timeZone: "Europe/Oslo" };
    expect(light(weatherAgain(was, "2026-12-21", north))).toBe(0);
    expect(light(weatherAgain(dayOf("2026-12-21", "2026-12-20T23:00:00Z"), "2026-12-22", north))).toBe(0);
  });
});
