import { describe, expect, it } from "vitest";
import { houseSensor } from "./house-sensor.ts";
import { SimulatedWeatherStation } from "./weather-station.ts";

const HOUR = 3_600_000;
const station = new SimulatedWeatherStation({ latitudeDeg: 43.4, longitudeDeg: -1.5, elevationM: 60 }, 7);
const start = Date.parse("2026-01-01T00:00:00Z");
const year = Array.from({ length: 365 * 24 }, (_, at) => station.hour(start + at * HOUR));
const sum = (values: number[]): number => values.reduce((total, value) => total + value, 0);
const mean = (values: number[]): number => sum(values) / values.length;

describe("the simulated weather station", () => {
  it("reads the same hour the same way, and another seed reads otherwise", () => {
    expect(station.hour(start + 4000 * HOUR)).toEqual(year[4000]);
    expect(
      new SimulatedWeatherStation({ latitudeDeg: 43.4, longitudeDeg: -1.5, elevationM: 60 }, 8).hour(
        start + 4000 * HOUR,
      ),
    ).not.toEqual(year[4000]);
  });

  it("has the year of a mild coast: sun, warmth and rain of the right size, dark nights", () => {
    expect(sum(year.map((hour) => hour.values.radiation))).toBeGreaterThan(4000);
    expect(sum(year.map((hour) => hour.values.radiation))).toBeLessThan(5600);
    expect(mean(year.map((hour) => hour.values.airTemperature))).toBeCloseTo(14.6, 0);
    expect(sum(year.map((hour) => hour.values.rain))).toBeGreaterThan(500);
    expect(sum(year.map((hour) => hour.values.rain))).toBeLessThan(2200);
    expect(
      year.every(
        ({ startMs, values }) => values.radiation === 0 || ![0, 1, 2, 23].includes(new Date(startMs).getUTCHours()),
      ),
    ).toBe(true);
    expect(year.every(({ values }) => values.humidity >= 15 && values.humidity <= 100 && values.wind >= 0)).toBe(true);
  });

  it("has clouds that persist: an hour tells more of the next one than of the next week", () => {
    const noon = year
      .filter(({ startMs }) => new Date(startMs).getUTCHours() === 12)
      .map((hour) => hour.values.radiation);
    const next = year
      .filter(({ startMs }) => new Date(startMs).getUTCHours() === 13)
      .map((hour) => hour.values.radiation);
    const gap = (other: number[]): number =>
      mean(noon.slice(0, 350).map((value, day) => Math.abs(value - (other[day] ?? NaN))));
    expect(gap(next)).toBeLessThan(0.6 * gap(noon.slice(7)));
  });

  it("is forecast worse the further ahead", () => {
    const error = (leadH: number): number =>
      mean(
        Array.from({ length: 200 }, (_, day) => {
          const issued = start + (day * 24 + 6) * HOUR;
          return Math.abs(
            station.forecast(issued, issued + leadH * HOUR).values.airTemperature -
              station.hour(issued + leadH * HOUR).values.airTemperature,
          );
        }),
      );
    expect(error(0)).toBe(0);
    expect(error(6)).toBeLessThan(error(30));
    expect(error(30)).toBeLessThan(error(96));
  });

  it("warms a closed house in the sun, opens its vents, and heats it by night", () => {
    const house = { transmissionPct: 65, heatedToC: 15, ventedFromC: 26 };
    const inside = year.map((hour) => houseSensor(hour, house));
    expect(Math.min(...inside.map((air) => air.airTemperature))).toBe(15);
    expect(Math.max(...inside.map((air) => air.airTemperature))).toBeLessThan(40);
    expect(inside.every((air) => air.humidity >= 20 && air.humidity <= 98)).toBe(true);
  });

  it("is duller in a spell of low cloud than it would be without, and the same before and after", () => {
    const place = { latitudeDeg: 43.4, longitudeDeg: -1.5, elevationM: 60 };
    const [fromMs, toMs] = [start + 4000 * HOUR, start + 4096 * HOUR];
    const dull = new SimulatedWeatherStation(place, 7, [{ fromMs, toMs, cloudier: 1.1 }]);
    const light = (of: SimulatedWeatherStation): number =>
      sum(Array.from({ length: 96 }, (_, at) => of.hour(fromMs + at * HOUR).values.radiation));
    expect(light(dull)).toBeLessThan(0.8 * light(station));
    for (const ms of [fromMs - HOUR, toMs]) expect(dull.hour(ms)).toEqual(station.hour(ms));
  });
});
