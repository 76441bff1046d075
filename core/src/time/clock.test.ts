import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { clockSeconds, clockText, minuteText, spanOf } from "./clock.ts";

describe("a time of day", () => {
  it("is read as seconds from midnight, and told as people write it", () => {
    expect(clockSeconds("07:30", "at")).toBe(27_000);
    expect(clockSeconds("07:30:15", "at")).toBe(27_015);
    expect([clockText(27_015), minuteText(27_015)]).toEqual(["07:30:15", "07:30"]);
    expect([clockText(27_015.5), minuteText(86_399.6)]).toEqual(["07:30:16", "24:00"]);
    fc.assert(fc.property(fc.integer({ min: 0, max: 86_400 }), (s) => clockSeconds(clockText(s), "at") === s));
  });

  it("ends a day at 24:00 and not later", () => {
    expect(spanOf({ start: "22:00", end: "24:00" }, "span")).toEqual({ startS: 79_200, endS: 86_400 });
    expect(() => clockSeconds("24:01", "at")).toThrow("from 00:00 to 24:00");
  });

  it.each([
    ["7 am", "18:00", "window.start"],
    ["07:00", "25:00", "window.end"],
    ["07:00", "17:60", "window.end"],
    ["07:00", "17:00:60", "window.end"],
  ])("from %s to %s is refused with its place", (start, end, path) => {
    expect(() => spanOf({ start, end }, "window")).toThrow(expect.objectContaining({ path }));
  });
});
