import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { addDays, clockOf, daysBetween, instantOf, localDate, startOfLocalDay } from "./local-time.ts";

const HOUR_MS = 3_600_000;
const at = (date: string, hour: number, minute: number, zone: string): string =>
  new Date(instantOf(date, hour * 3600 + minute * 60, zone)).toISOString();
const ZONES = [
  "Europe/Paris",
  "Europe/Madrid",
  "America/New_York",
  "America/Santiago",
  "Australia/Lord_Howe",
  "Asia/Kathmandu",
  "Pacific/Apia",
  "Africa/Cairo",
  "UTC",
];

describe("a clock time of a place as an instant", () => {
  // Clocks in the European Union go forward and back at 01:00 UTC (Directive 2000/84/EC).
  it.each([
    ["2026-06-16", 8, 10, "Europe/Madrid", "2026-06-16T06:10:00.000Z"],
    ["2026-10-25", 1, 30, "Europe/Madrid", "2026-10-24T23:30:00.000Z"],
    ["2026-10-25", 8, 0, "Europe/Madrid", "2026-10-25T07:00:00.000Z"],
    ["2027-03-28", 1, 59, "Europe/Paris", "2027-03-28T00:59:00.000Z"],
    ["2027-03-28", 8, 0, "Europe/Paris", "2027-03-28T06:00:00.000Z"],
    ["2026-01-10", 8, 0, "Asia/Kathmandu", "2026-01-10T02:15:00.000Z"],
  ])("%s %i:%i in %s is %s", (date, hour, minute, zone, instant) => {
    expect(at(date, hour, minute, zone)).toBe(instant);
  });

  it("that comes twice is the first of the two", () => {
    expect(at("2026-10-25", 2, 30, "Europe/Paris")).toBe("2026-10-25T00:30:00.000Z");
  });

  it("that is skipped lies as far past the jump as past the hour that is missing", () => {
    expect(at("2027-03-28", 2, 30, "Europe/Paris")).toBe("2027-03-28T01:30:00.000Z");
  });

  it("of a day that a place left out is the moment at which it did", () => {
    // Samoa went from the 29th straight to the 31st of December 2011 (IANA time zone database, Pacific/Apia).
    expect(at("2011-12-30", 0, 0, "Pacific/Apia")).toBe("2011-12-30T10:00:00.000Z");
    expect(at("2011-12-30", 15, 0, "Pacific/Apia")).toBe("2011-12-30T10:00:00.000Z");
    expect(startOfLocalDay("2011-12-31", "Pacific/Apia")).toBe(startOfLocalDay("2011-12-30", "Pacific/Apia"));
  });

  it("comes back from the instant as it was, but where the clock skips", () => {
    const minutes = fc.integer({ min: 0, max: 24 * 60 - 1 });
    const days = fc.integer({ min: 0, max: 365 * 60 });
    fc.assert(
      fc.property(days, minutes, fc.constantFrom(...ZONES), (day, minute, zone) => {
        const date = addDays("1990-01-01", day);
        const instant = instantOf(date, minute * 60, zone);
        const back = clockOf(instant, zone);
        const skipped = back.date !== date || back.clockS !== minute * 60;
        // Only where no instant at all shows that time.
        if (skipped)
          for (let ms = instant - 4 * HOUR_MS; ms <= instant + 4 * HOUR_MS; ms += 15 * 60_000) {
            const shown = clockOf(ms, zone);
            expect(shown.date === date && Math.abs(shown.clockS - minute * 60) < 1).toBe(false);
          }
      }),
      { numRuns: 400 },
    );
  });

  it("never runs backwards through a day, and days follow each other without a gap", () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 365 * 60 }), fc.constantFrom(...ZONES), (day, zone) => {
        const date = addDays("1990-01-01", day);
        const [start, next] = [startOfLocalDay(date, zone), startOfLocalDay(addDays(date, 1), zone)];
        expect(instantOf(date, 86_400, zone)).toBe(next);
        const hours = (next - start) / HOUR_MS;
        expect(hours === 0 || (hours >= 23 && hours <= 25)).toBe(true);
        if (hours > 0) expect(localDate(start, zone)).toBe(date);
      }),
      { numRuns: 400 },
    );
  });
});

describe("dates", () => {
  it("are counted without clocks", () => {
    expect(addDays("2026-10-24", 2)).toBe("2026-10-26");
    expect(addDays("2024-02-28", 1)).toBe("2024-02-29");
    expect(daysBetween("2026-03-28", "2026-03-30")).toBe(2);
    expect(daysBetween("2026-03-30", "2026-03-28")).toBe(-2);
  });
});
