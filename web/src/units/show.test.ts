import { describe, expect, it } from "vitest";
import { onTheScale, weighed } from "../feed/mix/masses.ts";
import { showDigits, showQuantity } from "./show.ts";

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

  it("carries the unit of the person's system", () => {
    expect(showQuantity("temperature", 15, "us")).toEqual({ text: "59", unit: "°F" });
    expect(showQuantity("bulk", 320, "us")).toEqual({ text: "84\u202f535", unit: "gal" });
  });
});

describe("masses on the scales", () => {
  const scales = { coarseG: 100, fineG: 0.1 };

  it("are kilograms or pounds for bags and grams for trace salts in both systems", () => {
    expect(weighed(25, "us")).toEqual({ text: "55.1", unit: "lb" });
    expect(weighed(0.0058, "us")).toEqual({ text: "5.8", unit: "g" });
    expect(weighed(0.0058, "metric")).toEqual({ text: "5.8", unit: "g" });
  });

  it("show every digit of their scale and no more", () => {
    expect(onTheScale(13.7, scales, "metric")).toEqual({ text: "13.7", unit: "kg" });
    expect(onTheScale(13.7, scales, "us")).toEqual({ text: "30.2", unit: "lb" });
    expect(onTheScale(0.0301, scales, "us")).toEqual({ text: "30.1", unit: "g" });
    expect(onTheScale(0.5, { ...scales, fineG: 1 }, "metric")).toEqual({ text: "500", unit: "g" });
  });
});
