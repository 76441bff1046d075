import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { evenly } from "../working/evenly-for-tests.ts";
import { pipeCarriesLh } from "./pipe-carries.ts";
import { pipeLossKpa } from "./sub-main.ts";

describe("what a pipe carries", () => {
  it("is held by its speed where it is short: 50 mm at 1.5 m/s are 10.6 m³/h", () => {
    // π · 0.025² · 1.5 · 3600
    expect(pipeCarriesLh({ insideDiameterMm: 50, lengthM: 10, mostLossKpa: 100 })).toBe(10_602);
  });

  it("loses no more than is to spare, and a litre and a half more would, whatever the pipe", () => {
    fc.assert(
      fc.property(evenly(10, 200), evenly(50, 3000), evenly(2, 300), (insideDiameterMm, lengthM, mostLossKpa) => {
        const lh = pipeCarriesLh({ insideDiameterMm, lengthM, mostLossKpa });
        const bySpeed = Math.PI * (insideDiameterMm / 2000) ** 2 * 1.5 * 3.6e6;
        expect(lh).toBeLessThanOrEqual(bySpeed);
        expect(pipeLossKpa(lh, lengthM, insideDiameterMm)).toBeLessThanOrEqual(mostLossKpa);
        if (lh + 1.5 < bySpeed) expect(pipeLossKpa(lh + 1.5, lengthM, insideDiameterMm)).toBeGreaterThan(mostLossKpa);
      }),
      { numRuns: 100 },
    );
  });

  it("refuses a pipe that cannot be", () => {
    expect(() => pipeCarriesLh({ insideDiameterMm: 0, lengthM: 10, mostLossKpa: 10 })).toThrow(/5 to 500/);
  });
});
