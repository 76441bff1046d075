import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { evenly } from "../working/evenly-for-tests.ts";
import { saturationVapourPressureKpa } from "../climate/air.ts";
import { againstBands, consequence, lampsFor, type AirHour } from "./bands.ts";
import { cropById } from "./library/library.ts";

const { bands } = cropById("tomato");
/** Twelve hours of sun between six and six. */
const day = (dayC: number, nightC: number, more: Partial<AirHour> = {}): AirHour[] =>
  Array.from({ length: 24 }, (_, hour) => {
    const light = hour >= 6 && hour < 18;
    return { airC: light ? dayC : nightC, vpdKpa: 0.7, solarMjM2: light ? 1 : 0, ...more };
  });
const of = (hours: AirHour[], kind: string) => againstBands(bands, hours)?.find((found) => found.kind === kind);

describe("a day against the bands of its crop", () => {
  it("is inside where both means are, and says by day and by night on which side it was not", () => {
    expect(of(day(22, 17), "day")).toMatchObject({ value: 22, side: 0, hours: 0 });
    expect(of(day(29, 17), "day")).toMatchObject({ value: 29, side: 1, hours: 12 });
    expect(of(day(22, 11), "night")).toMatchObject({ value: 11, side: -1, hours: 12 });
  });

  it("counts the hours of air over 85 %: at 17 °C a deficit of 0.2 kPa is 90 %", () => {
    expect(100 * (1 - 0.2 / saturationVapourPressureKpa(17))).toBeCloseTo(89.7, 1);
    const damp = day(22, 17).map((hour, at) => (at < 5 ? { ...hour, vpdKpa: 0.2 } : hour));
    expect(of(damp, "humidity")).toMatchObject({ value: 5, side: 1 });
    expect(of(day(22, 17), "humidity")).toMatchObject({ value: 0, side: 0 });
  });

  it("has 12 MJ/m² of light as some 25 mol/m², and a dull day as a gap", () => {
    expect(of(day(22, 17), "light")?.value).toBeGreaterThan(23);
    expect(of(day(22, 17), "light")?.side).toBe(0);
    expect(of(day(22, 17, { solarMjM2: 0.1 }), "light")).toMatchObject({ side: -1 });
  });

  it("counts as outside what lies more than 2 °C beyond the band, on either side", () => {
    const [from, to] = bands.dayC;
    expect([from - 1.9, from - 2.1, to + 1.9, to + 2.1].map((airC) => of(day(airC, 17), "day")?.hours)).toEqual([
      0, 12, 0, 12,
    ]);
  });

  it("is not judged while too little of it is known", () => {
    expect(againstBands(bands, day(22, 17).slice(0, 12))).toBeNull();
  });

  it("never counts more hours than there are", () => {
    const hour = fc.record({
      airC: evenly(-20, 50),
      vpdKpa: evenly(0, 6),
      // Up to the brightest day on earth, 50 MJ/m² over 25 hours.
      solarMjM2: evenly(0, 2),
    });
    fc.assert(
      fc.property(fc.array(hour, { minLength: 18, maxLength: 25 }), (hours) => {
        for (const found of againstBands(bands, hours) ?? []) {
          expect(found.hours).toBeGreaterThanOrEqual(0);
          expect(found.hours).toBeLessThanOrEqual(hours.length);
          expect(Number.isFinite(found.value)).toBe(true);
        }
      }),
    );
  });
});

describe("lamps that close a gap of light", () => {
  it("burn 10 h at 100 µmol/m² s for 3.6 mol/m², and draw a third of a kWh a m² at 2.7 µmol/J", () => {
    const { hours, kwhM2 } = lampsFor(3.6);
    expect(hours).toBeCloseTo(10, 9);
    expect(kwhM2).toBeCloseTo(3.6 / 2.7 / 3.6, 9);
  });
});

describe("what a day outside its band does", () => {
  it("is told of flowers and fruit where a crop bears them, and of growth and quality where it does not", () => {
    for (const group of ["vine fruit", "beans", "berries"] as const) {
      expect(consequence(group, "day", 1)).toMatch(/fruit ripens small/);
      expect(consequence("leaf", "day", 1)).toMatch(/growth is soft/);
    }
  });

  it("is told of roots by what warm and cold water do, and of CO₂ by where it goes", () => {
    expect([1, -1].map((side) => consequence("leaf", "root", side as 1 | -1))).toEqual([
      expect.stringMatching(/oxygen/),
      expect.stringMatching(/cold roots/),
    ]);
    expect([1, -1].map((side) => consequence("leaf", "co2", side as 1 | -1))).toEqual([
      expect.stringMatching(/vents/),
      expect.stringMatching(/used it up/),
    ]);
    expect([consequence("leaf", "humidity", 1), consequence("pots", "humidity", 1)]).toEqual([
      expect.stringMatching(/tips burn/),
      expect.stringMatching(/Botrytis/),
    ]);
  });

  it("is slow growth on a cold day and thin plants after a warm night, of every crop", () => {
    for (const group of ["vine fruit", "leaf"] as const) {
      expect(consequence(group, "day", -1)).toMatch(/slow/);
      expect(consequence(group, "night", 1)).toMatch(/breathed away/);
    }
  });
});
