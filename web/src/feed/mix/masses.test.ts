import { describe, expect, it } from "vitest";
import { onTheScale, scaleFor, weighed } from "./masses.ts";

const scales = { coarseG: 50, fineG: 0.1 };

describe("a mass at the scales", () => {
  it.each([
    [12.36, "metric", { text: "12.4", unit: "kg" }],
    [0.349, "metric", { text: "349", unit: "g" }],
    [0.0123, "metric", { text: "12.3", unit: "g" }],
    [12.35, "us", { text: "27.2", unit: "lb" }],
    [0.349, "us", { text: "12.3", unit: "oz" }],
    [0.0123, "us", { text: "12.3", unit: "g" }],
  ] as const)("of %d kg is spoken of in %s units as a feed hand does", (kg, system, shown) => {
    expect(weighed(kg, system)).toEqual(shown);
  });

  it("keeps every digit that the scale shows, with the grams beside ounces", () => {
    expect(onTheScale(12.35, scales, "metric")).toEqual({ text: "12.35", unit: "kg" });
    expect(onTheScale(13.7, { coarseG: 100, fineG: 1 }, "us")).toEqual({ text: "30.2", unit: "lb" });
    expect(onTheScale(0.5, { coarseG: 100, fineG: 1 }, "metric")).toEqual({ text: "500", unit: "g" });
    expect(onTheScale(0.3493, scales, "metric")).toEqual({ text: "349.3", unit: "g" });
    expect(onTheScale(0.3493, scales, "us")).toEqual({ text: "12.32", unit: "oz (349.3 g)" });
    expect(onTheScale(0.0123, scales, "us")).toEqual({ text: "12.3", unit: "g" });
  });

  it("is typed in the unit in which it is shown", () => {
    expect([2, 0.5, 0.02].map((kg) => scaleFor(kg, "us"))).toEqual(["mass", "smallMass", "g"]);
    expect([2, 0.5, 0.02].map((kg) => scaleFor(kg, "metric"))).toEqual(["mass", "smallMass", "smallMass"]);
  });
});
