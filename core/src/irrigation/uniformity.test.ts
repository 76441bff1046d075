import { describe, expect, it } from "vitest";
import { uniformity, uniformityClass } from "./uniformity.ts";

describe("uniformity of a catch-can test", () => {
  it("follows the low quarter, Christiansen and the standard deviation by hand", () => {
    // Mean 100; the lowest two are 80 and 90; Σ|x − 100| = 60; Σ(x − 100)² = 700.
    const { meanLh, lowQuarterDuPct, christiansenPct, cv, verdict } = uniformity({
      catchesMl: [80, 90, 100, 100, 100, 100, 110, 120],
      minutes: 3,
    });
    expect(meanLh).toBeCloseTo(2, 9);
    expect(lowQuarterDuPct).toBeCloseTo(85, 9);
    expect(christiansenPct).toBeCloseTo(92.5, 9);
    expect(cv).toBeCloseTo(Math.sqrt(1000 / 7) / 100, 9);
    expect(verdict).toMatch(/^good: the driest quarter gets 85 %/);
  });

  it("takes a part of the next catch where a quarter is no whole number, whatever the order", () => {
    // A quarter of 6 is 1.5: (60 + 0.5 × 80) ÷ 1.5 = 66.67 of a mean of 95.
    expect(uniformity({ catchesMl: [110, 60, 100, 80, 110, 110], minutes: 5 }).lowQuarterDuPct).toBeCloseTo(70.175, 2);
  });

  it("calls equal drippers perfect and names those that are shut", () => {
    expect(uniformity({ catchesMl: Array<number>(16).fill(50), minutes: 2 })).toMatchObject({
      lowQuarterDuPct: 100,
      christiansenPct: 100,
      cv: 0,
      warnings: [],
    });
    const shut = [0, 2, ...Array<number>(14).fill(50)];
    expect(uniformity({ catchesMl: shut, minutes: 2 }).warnings.join(" ")).toMatch(
      /2 of 16 drippers give next to nothing/,
    );
  });

  it.each([
    [97, "excellent"],
    [84, "good"],
    [71, "fair"],
    [59, "poor"],
    [45, "unacceptable"],
  ])("classes a low quarter of %d %% as ASAE EP458 does: %s", (pct, word) => {
    expect(uniformityClass(pct)).toBe(word);
  });

  it.each([
    [[10, 10, 10], 3, "catchesMl"],
    [[10, -1, 10, 10], 3, "catchesMl.1"],
    [[0, 0, 0, 0], 3, "catchesMl"],
    [[10, 10, 10, 10], 0, "minutes"],
  ])("refuses catches %j in %d min", (catchesMl, minutes, path) => {
    expect(() => uniformity({ catchesMl, minutes })).toThrow(expect.objectContaining({ path }));
  });
});
