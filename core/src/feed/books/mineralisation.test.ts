import { describe, expect, it } from "vitest";
import { freedOn } from "./mineralisation.ts";

describe("nitrogen that is set free", () => {
  it("is a day's share of the year at the warmth of its series, and doubles with ten degrees", () => {
    expect(freedOn(73, 15)).toBeCloseTo(0.2, 12);
    expect(freedOn(73, 25)).toBeCloseTo(0.4, 12);
    expect(freedOn(73, 35) / freedOn(73, 5)).toBeCloseTo(8, 12);
  });

  it("rests in the cold", () => {
    expect(freedOn(73, 4.9)).toBe(0);
    expect(freedOn(0, 20)).toBe(0);
  });
});
