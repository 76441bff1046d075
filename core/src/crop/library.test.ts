import { describe, expect, it } from "vitest";
import { cropById } from "./library.ts";

describe("the library's salt tolerance", () => {
  it("of melon falls from 1.0 mS/cm by 8.4 % for each mS/cm (Maas & Grattan 1999): nothing is left at 12.9", () => {
    const { ecThresholdMsCm, ecZeroYieldMsCm } = cropById("melon-netted");
    expect(ecThresholdMsCm.value).toBe(1);
    expect(100 - 8.4 * (ecZeroYieldMsCm.value - ecThresholdMsCm.value)).toBeCloseTo(0, 0);
  });
});
