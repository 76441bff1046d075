import { describe, expect, it } from "vitest";
import { clockAt } from "./clock-at.ts";
import { hourTicks } from "./day-scale.ts";

const scale = { fromMs: Date.parse("2026-12-02T00:00:00Z"), toMs: Date.parse("2026-12-02T12:00:00Z") };
const ticks = (timeZone: string, width = 1000) => hourTicks(scale, timeZone, width).map((ms) => clockAt(ms, timeZone));

describe("the hours under a day", () => {
  it("are full hours of the place's clock, even where it differs by quarters of an hour", () => {
    expect(ticks("Europe/Paris")).toEqual(["02:00", "04:00", "06:00", "08:00", "10:00", "12:00"]);
    // From 05:45 to 17:45 there.
    expect(ticks("Asia/Kathmandu")).toEqual(["06:00", "08:00", "10:00", "12:00", "14:00", "16:00"]);
  });

  it("are every third where there is little room", () => {
    expect(ticks("Asia/Kolkata", 500)).toEqual(["06:00", "09:00", "12:00", "15:00"]);
  });
});
