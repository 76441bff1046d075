import { describe, expect, it } from "vitest";
import { carbonateAlkalinityMmolL, phosphateAlkalinityMmolL, phosphateShares } from "./carbonate.ts";

describe("phosphate in water", () => {
  it.each([
    // pK 2.15, 7.20 and 12.35 at 25 °C: at each, the two species beside it are as much.
    [2.15, "h3po4", "h2po4"],
    [7.2, "h2po4", "hpo4"],
    [12.35, "hpo4", "po4"],
  ] as const)("is half one species and half the next at pH %d", (ph, one, other) => {
    const shares = phosphateShares(ph, 0);
    expect(shares[one] / shares[other]).toBeGreaterThan(0.85);
    expect(shares[one] / shares[other]).toBeLessThan(1.18);
  });

  it("is all there, whatever the pH", () => {
    for (const ph of [1, 4, 7, 10, 13]) {
      const { h3po4, h2po4, hpo4, po4 } = phosphateShares(ph, 0.02);
      expect(h3po4 + h2po4 + hpo4 + po4).toBeCloseTo(1, 12);
    }
  });

  it("has given off one proton of H₂PO₄⁻ at pH 9.8 and two at pH 14, and taken one up at pH 0", () => {
    expect(phosphateAlkalinityMmolL(9.8, 1, 0)).toBeCloseTo(1, 1);
    expect(phosphateAlkalinityMmolL(14, 1, 0)).toBeCloseTo(2, 1);
    expect(phosphateAlkalinityMmolL(0, 1, 0)).toBeCloseTo(-1, 1);
  });
});

describe("carbonate in water", () => {
  const closed = { temperatureC: 25, ionicStrength: 0, dicMmolL: 1 };

  it("counts bicarbonate once and carbonate twice", () => {
    // Between pK₁ 6.35 and pK₂ 10.33, at 8.3, nearly all is bicarbonate; at pH 10.33 half of it is carbonate: 1.5.
    expect(carbonateAlkalinityMmolL(8.34, closed)).toBeCloseTo(1, 1);
    const hydroxide = 1000 * 10 ** (10.33 - 14);
    expect(carbonateAlkalinityMmolL(10.33, closed) - hydroxide).toBeCloseTo(1.5, 1);
    expect(carbonateAlkalinityMmolL(6.35, closed)).toBeCloseTo(0.5, 1);
  });
});
