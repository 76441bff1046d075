import { describe, expect, it } from "vitest";
import type { Ions } from "../../chemistry/ions.ts";
import { Worksheet } from "../../working/working.ts";
import { feedSaturation } from "./precipitation.ts";

const index = (solid: string, ions: Ions, ph: number): number =>
  feedSaturation(ions, ph, new Worksheet()).find((entry) => entry.solid === solid)?.saturationIndex ?? NaN;

describe("saturation of the feed", () => {
  it("is none for gypsum where it dissolves: 15.2 mmol/L at 25 °C, CRC Handbook", () => {
    expect(index("gypsum", { Ca: 15.2, SO4: 15.2 }, 7)).toBeCloseTo(0, 1);
  });

  it("with calcite is Langelier's index by hand: Ca 1 and HCO₃ 2 mmol/L at pH 8 have 8.00 − 7.68", () => {
    expect(index("calcite", { Ca: 1, HCO3: 2 }, 8)).toBeCloseTo(0.32, 1);
  });

  it("with brushite by hand: Ca 4, phosphate 1.25 mmol/L at pH 6.5", () => {
    // I 12.4 mmol/L: γ₁ 0.894, γ₂ 0.640; HPO₄ is 22 % at pK₂ 7.20: log(4e−3·0.640) + log(0.274e−3·0.640) + 6.59
    expect(index("brushite", { Ca: 4, NO3: 6.75, H2PO4: 1.25 }, 6.5)).toBeCloseTo(0.24, 1);
  });

  it("with struvite by hand: Mg 2, NH₄ 1, phosphate 1.25 mmol/L at pH 7", () => {
    // I 7.9 mmol/L: γ₁ 0.913, γ₂ 0.695, γ₃ 0.442; PO₄ is 4.0e−9: −2.86 − 3.04 − 8.75 + 13.26
    expect(index("struvite", { Mg: 2, NH4: 1, NO3: 3.75, H2PO4: 1.25 }, 7)).toBeCloseTo(-1.39, 1);
  });

  it("is left out where an ion is missing, and warns above none only", () => {
    const found = feedSaturation({ Ca: 1, SO4: 1 }, 6, new Worksheet());
    expect(found).toMatchObject([{ solid: "gypsum", verdict: "stays dissolved" }]);
    expect(feedSaturation({ Ca: 40, SO4: 40 }, 6, new Worksheet())[0]?.verdict).toMatch(/^warning: gypsum/);
  });
});
