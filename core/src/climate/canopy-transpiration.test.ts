import { describe, expect, it } from "vitest";
import { canopyTranspirationMm } from "./canopy-transpiration.ts";

const canopy = { radiationShare: 0.5, vpdDay: 18, vpdNight: 9, extinction: 0.64 };
const at = (solarInsideMjM2: number): number =>
  canopyTranspirationMm({ solarInsideMjM2, vpdKpa: 1, leafAreaIndex: 3 }, canopy);

describe("the canopy form", () => {
  it("has stomata open with the light at dawn, not all at once at the first of it", () => {
    // B from 9 to 18 W·m⁻²·kPa⁻¹ would be 0.0397 L/m² in the hour at a stroke.
    expect(at(0.001) - at(0)).toBeLessThan(0.002);
    expect(at(0)).toBeCloseTo((9 * 3 * 0.0036) / 2.45, 9);
    const light = (0.5 * (1 - Math.exp(-0.64 * 3)) * 1.5) / 2.45;
    expect(at(1.5)).toBeCloseTo(light + (18 * 3 * 0.0036) / 2.45, 9);
  });
});
