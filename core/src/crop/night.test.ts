import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { evenly } from "../working/evenly-for-tests.ts";
import { dayLength } from "../climate/day-length.ts";
import { addDays } from "../time/local-time.ts";
import { unbrokenDarkH, type NightProgramme } from "./night.ts";

const place = { latitudeDeg: 52, longitudeDeg: 0.5, timeZone: "Europe/London" };
const cloth: NightProgramme = { kind: "cloth", fromOn: "2026-06-01", untilOn: null, start: "17:00", end: "08:00" };
const lamps: NightProgramme = {
  kind: "lamps",
  fromOn: "2026-11-01",
  untilOn: "2026-12-01",
  start: "22:00",
  end: "02:00",
};

describe("the unbroken dark of a night", () => {
  it("is what the day leaves of 24 hours, dusk to dawn, within minutes", () => {
    for (const date of ["2026-03-20", "2026-06-21", "2026-09-23", "2026-12-21"]) {
      const { dayLengthH } = dayLength({ ...place, date, twilight: "civil" });
      expect(Math.abs(unbrokenDarkH(place, date, {}) - (24 - dayLengthH))).toBeLessThan(0.05);
    }
  });

  it("is as long as the cloth is drawn in June, fifteen hours, and the night's own on an evening that was missed", () => {
    const nights = { nights: [cloth], missedNights: ["2026-06-15"] };
    expect(unbrokenDarkH(place, "2026-06-14", nights)).toBeCloseTo(15, 9);
    expect(unbrokenDarkH(place, "2026-06-15", nights)).toBeCloseTo(unbrokenDarkH(place, "2026-06-15", {}), 9);
    expect(unbrokenDarkH(place, "2026-05-31", nights)).toBeLessThan(9);
  });

  it("is the longer of the two parts into which lamps break it", () => {
    // Civil dusk is about 16:40 and dawn 06:45 in mid November: 22:00 to 02:00 leaves 5.3 h and 4.8 h.
    const whole = unbrokenDarkH(place, "2026-11-15", {});
    const broken = unbrokenDarkH(place, "2026-11-15", { nights: [lamps] });
    expect(whole).toBeGreaterThan(13.5);
    expect(broken).toBeGreaterThan(4.7);
    expect(broken).toBeLessThan(5.6);
    expect(unbrokenDarkH(place, "2026-12-02", { nights: [lamps] })).toBeGreaterThan(14);
  });

  it("is none in the polar day but under cloth, and all of it in the polar night", () => {
    const north = { latitudeDeg: 75, longitudeDeg: 16, timeZone: "Europe/Oslo" };
    expect(unbrokenDarkH(north, "2026-06-21", {})).toBe(0);
    expect(unbrokenDarkH(north, "2026-06-21", { nights: [cloth] })).toBeCloseTo(15, 9);
    expect(unbrokenDarkH(north, "2026-12-21", {})).toBe(24);
  });

  it("never grows by lamps and never shrinks by cloth, at any place and date", () => {
    const minute = fc.integer({ min: 0, max: 59 }).map((value) => String(value).padStart(2, "0"));
    const clock = (least: number, most: number) =>
      fc.tuple(fc.integer({ min: least, max: most }), minute).map(([h, m]) => `${String(h).padStart(2, "0")}:${m}`);
    fc.assert(
      fc.property(
        evenly(-65, 65),
        fc.nat({ max: 365 }),
        clock(13, 23),
        clock(0, 11),
        (latitudeDeg, day, start, end) => {
          const where = { latitudeDeg, longitudeDeg: 0, timeZone: "UTC" };
          const date = addDays("2026-01-01", day);
          const of = (kind: NightProgramme["kind"]) =>
            unbrokenDarkH(where, date, { nights: [{ kind, fromOn: date, untilOn: date, start, end }] });
          const own = unbrokenDarkH(where, date, {});
          expect(of("lamps")).toBeLessThanOrEqual(own + 1e-9);
          expect(of("cloth")).toBeGreaterThanOrEqual(own - 1e-9);
        },
      ),
      { numRuns: 100 },
    );
  });
});
