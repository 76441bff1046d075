import { describe, expect, it } from "vitest";
import { showDigits, showExact, showQuantity } from "./show.ts";

describe("numbers as people read them", () => {
  it.each([
    [0, "0"],
    [0.004, "0.0"],
    [1.333, "1.33"],
    [2, "2.0"],
    [23.04, "23"],
    [61.84, "61.8"],
    [2253.4, "2\u202f253"],
    [-3.641, "−3.64"],
  ])("shows %d as %s", (value, text) => expect(showDigits(value)).toBe(text));

  it.each([
    [2, "2"],
    [43.401234, "43.401234"],
    [1 / 3, "0.333333333"],
    [13_240, "13\u202f240"],
    [-0.5, "−0.5"],
  ])("tells %d exactly as %s", (value, text) => expect(showExact(value)).toBe(text));

  it("carries the unit of the person's system", () => {
    expect(showQuantity("temperature", 15, "us")).toEqual({ text: "59", unit: "°F" });
    expect(showQuantity("bulk", 320, "us")).toEqual({ text: "84\u202f535", unit: "gal" });
  });
});
