import { describe, expect, it } from "vitest";
import { libraryProduct } from "../products/library.ts";
import { bandSalt, type BandInput } from "./band-salt.ts";

const nitrate = libraryProduct("potassium-nitrate");
if (!nitrate) throw new Error("it is in the library");
const { solubility: _table, ...product } = nitrate;
const band: BandInput = {
  ...{ products: [{ product, kg: 5 }], rowM: 400, widthCm: 20, depthCm: 20 },
  ...{ thresholdMsCm: 2, zeroMsCm: 8 },
};

describe("a strip in which a dose is laid", () => {
  it("is as salty as its water makes the dose: by hand, potassium nitrate in 4 m³", () => {
    // 400 · 0.2 · 0.2 m³ hold 4000 L at a quarter: 1.25 g/L, 12.4 mmol/L; Kohlrausch: about 134 S cm²/mol, 1.66 mS/cm.
    const { ecMsCm, ecExtractMsCm, verdict } = bandSalt(band);
    expect(ecMsCm).toBeGreaterThan(1.66 * 0.93);
    expect(ecMsCm).toBeLessThan(1.66 * 1.07);
    expect(ecExtractMsCm).toBeCloseTo(ecMsCm / 2, 9);
    expect(verdict).toBe("fits");
  });

  it("slows what stands in it, and burns it, as more is laid into less", () => {
    expect(bandSalt({ ...band, widthCm: 6, depthCm: 15 }).verdict).toBe("slows");
    expect(bandSalt({ ...band, products: [{ product, kg: 60 }], widthCm: 10, depthCm: 15 }).verdict).toBe("burns");
    const wide = bandSalt({ ...band, widthCm: 40 }).ecMsCm;
    expect(wide).toBeLessThan(bandSalt(band).ecMsCm);
  });

  it("slows from beyond the threshold on, and burns from where yield ends on", () => {
    const { ecExtractMsCm: ec } = bandSalt(band);
    expect(bandSalt({ ...band, thresholdMsCm: ec }).verdict).toBe("fits");
    expect(bandSalt({ ...band, thresholdMsCm: 0.99 * ec }).verdict).toBe("slows");
    expect(bandSalt({ ...band, thresholdMsCm: 0.5 * ec, zeroMsCm: ec }).verdict).toBe("burns");
  });

  it.each([
    [{ rowM: 0 }, "rowM"],
    [{ widthCm: NaN }, "widthCm"],
    [{ depthCm: 100 }, "depthCm"],
  ])("of %j is refused", (change, path) => {
    expect(() => bandSalt({ ...band, ...change })).toThrow(expect.objectContaining({ path }));
  });
});
