import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { evenly } from "../working/evenly-for-tests.ts";
import { DomainError } from "../working/domain-error.ts";
import { dayLength } from "./day-length.ts";

/** Minutes by which an instant is off a time of an almanac. */
const off = (instant: string | null, almanac: string): number =>
  Math.abs(Date.parse(instant ?? "") - Date.parse(almanac)) / 60_000;

describe("the length of a day", () => {
  it.each([
    ["London", 51.5, -0.13, "2026-06-21", "2026-06-21T03:43Z", "2026-06-21T20:21:30Z"],
    ["London in winter", 51.5, -0.13, "2026-12-21", "2026-12-21T08:03:45Z", "2026-12-21T15:53:30Z"],
    ["New York", 40.71, -74.01, "2026-06-21", "2026-06-21T09:25Z", "2026-06-22T00:31Z"],
    ["Sydney", -33.87, 151.21, "2026-12-22", "2026-12-21T18:41Z", "2026-12-22T09:05:30Z"],
    ["Reykjavik", 64.15, -21.94, "2026-06-21", "2026-06-21T02:55Z", "2026-06-22T00:04Z"],
    ["the Gulf of Guinea at equinox", 0, 0, "2026-03-20", "2026-03-20T06:04Z", "2026-03-20T18:10:45Z"],
  ])("is the almanac's at %s within a minute", (_place, latitudeDeg, longitudeDeg, date, rise, set) => {
    const day = dayLength({ latitudeDeg, longitudeDeg, date });
    expect(off(day.riseUtc, rise)).toBeLessThan(1);
    expect(off(day.setUtc, set)).toBeLessThan(1);
    expect(day.dayLengthH).toBeCloseTo((Date.parse(set) - Date.parse(rise)) / 3_600_000, 1);
  });

  it("is longer with civil twilight: London's begins at 2:56 and ends at 21:09 in June", () => {
    const day = dayLength({ latitudeDeg: 51.5, longitudeDeg: -0.13, date: "2026-06-21", twilight: "civil" });
    expect(off(day.riseUtc, "2026-06-21T02:55:30Z")).toBeLessThan(1);
    expect(off(day.setUtc, "2026-06-21T21:09Z")).toBeLessThan(1);
  });

  it("is 24 hours or none where the sun stays up or down, with no instants", () => {
    const at = (date: string) => dayLength({ latitudeDeg: 70, longitudeDeg: 20, date });
    expect(at("2026-06-21")).toMatchObject({ dayLengthH: 24, riseUtc: null, setUtc: null, polar: "day" });
    expect(at("2026-12-21")).toMatchObject({ dayLengthH: 0, riseUtc: null, setUtc: null, polar: "night" });
    const civil = dayLength({ latitudeDeg: 70, longitudeDeg: 20, date: "2026-12-21", twilight: "civil" });
    expect(civil.polar).toBeNull();
    expect(civil.dayLengthH).toBeGreaterThan(3);
  });

  it("lies around the noon of its longitude, wherever on earth", () => {
    fc.assert(
      fc.property(
        evenly(-60, 60),
        evenly(-180, 180),
        fc.integer({ min: 0, max: 364 }),
        (latitudeDeg, longitudeDeg, day) => {
          const date = new Date(Date.UTC(2026, 0, 1 + day)).toISOString().slice(0, 10);
          const { riseUtc, setUtc } = dayLength({ latitudeDeg, longitudeDeg, date });
          const noon = Date.parse(`${date}T12:00:00Z`) - longitudeDeg * 240_000;
          const middle = (Date.parse(riseUtc ?? "") + Date.parse(setUtc ?? "")) / 2;
          // The equation of time is never above 17 minutes.
          expect(Math.abs(middle - noon) / 60_000).toBeLessThan(18);
        },
      ),
    );
  });

  it("refuses a place and a date that are not on earth", () => {
    expect(() => dayLength({ latitudeDeg: 91, longitudeDeg: 181, date: "2026-02-30" })).toThrow(DomainError);
  });
});
