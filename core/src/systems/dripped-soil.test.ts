import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { evenly } from "../working/evenly-for-tests.ts";
import { STORES } from "../site/zones-for-tests.ts";
import { reachedShare, soilStore } from "./dripped-soil.ts";

const BED = { areaM2: 100, plants: 200, wettedPct: 50 };

describe("drippers set away from the stem", () => {
  it("wet less of what young roots reach; grown roots reach all of it again", () => {
    expect(reachedShare(BED, 0.15, 0)).toBe(1);
    // The wetted disc is √(0.25 m² ÷ π) = 0.282 m wide about its dripper: roots of 0.15 m lie wholly in it up to 13 cm away.
    expect(reachedShare(BED, 0.15, 13)).toBeCloseTo(1, 9);
    expect(reachedShare(BED, 0.15, 28.2)).toBeLessThan(0.55);
    expect(reachedShare(BED, 0.8, 20)).toBe(1);
  });

  it("never wet more than drippers at the stem, less the further away, and a fifth at least", () => {
    const cm = evenly(0, 100);
    const depth = evenly(0.05, 2);
    fc.assert(
      fc.property(depth, cm, cm, (depthM, one, other) => {
        const [near, far] = [Math.min(one, other), Math.max(one, other)].map((at) => reachedShare(BED, depthM, at));
        expect(near).toBeLessThanOrEqual(1 + 1e-9);
        expect(far).toBeGreaterThanOrEqual(0.2);
        expect(far).toBeLessThanOrEqual((near ?? 0) + 1e-9);
      }),
    );
  });

  it("leave the crop less water to draw from", () => {
    const soil = STORES.find((zone) => zone.system === "soil-drip");
    if (soil?.system !== "soil-drip") throw new Error("no soil");
    const roots = { depthM: 0.2, depletionFraction: 0.5, drierPct: 0 };
    const at = soilStore(soil, roots).availableMm;
    expect(soilStore(soil, { ...roots, fromStemCm: 60 }).availableMm).toBeLessThan(at);
    expect(soilStore(soil, { ...roots, fromStemCm: 0 }).availableMm).toBe(at);
  });
});
