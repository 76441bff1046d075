import { describe, expect, it } from "vitest";
import { lanesOf, namesOn, placeOf } from "./calendar.ts";

const namesBetween = (from: string, to: string): string[] => namesOn({ from, to }).map(({ name }) => name);

describe("the calendar of plantings", () => {
  it("names the months that begin on it, in full where they are few", () => {
    expect(namesBetween("2026-02-28", "2026-05-02")).toEqual(["March", "April", "May"]);
  });

  it("names a month that begins on its first day, and none that begins on the day after its last", () => {
    expect(namesBetween("2026-03-01", "2026-04-01")).toEqual(["March"]);
  });

  it("shortens the names of a planting that stands for a year", () => {
    expect(namesBetween("2025-09-10", "2026-09-10")).toHaveLength(12);
    expect(namesBetween("2025-09-10", "2026-09-10")[0]).toBe("Oct");
  });

  it("names the years where the months would lie on each other", () => {
    expect(namesBetween("2026-04-29", "2031-01-02")).toEqual(["2027", "2028", "2029", "2030", "2031"]);
  });

  it("has plantings after each other in one lane, and those beside each other in lanes of their own", () => {
    const planted = (plantedOn: string, clearedOn: string | null, to = "2026-09-01") => ({
      plantedOn,
      clearedOn,
      stages: [{ to }],
    });
    const [first, older, younger, next] = [
      planted("2026-01-01", "2026-04-01"),
      planted("2026-04-01", null, "2026-06-01"),
      planted("2026-05-01", null, "2026-07-01"),
      planted("2026-06-10", null),
    ];
    expect(lanesOf([first, older, younger, next])).toEqual([[first, older, next], [younger]]);
  });

  it("keeps a date that is off the line at its end", () => {
    const calendar = { from: "2026-01-01", to: "2026-01-11" };
    expect([placeOf("2025-12-01", calendar), placeOf("2026-01-06", calendar), placeOf("2027-01-01", calendar)]).toEqual(
      [0, 50, 100],
    );
  });
});
