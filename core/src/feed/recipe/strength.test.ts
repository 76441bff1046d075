import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { evenly } from "../../working/evenly-for-tests.ts";
import { ecMsCm } from "../../chemistry/solution.ts";
import { PUBLISHED_TARGETS } from "./published-targets.ts";
import { atStrength } from "./strength.ts";

describe("a target at another strength", () => {
  it("has the conductivity asked for, and every ion in the proportion it had", () => {
    fc.assert(
      fc.property(fc.constantFrom(...PUBLISHED_TARGETS), evenly(0.3, 5), (target, ec) => {
        const ions = atStrength(target.ions, target.ph, ec);
        expect(ecMsCm(ions, target.ph)).toBeCloseTo(ec, 4);
        const factor = (ions.K ?? 0) / (target.ions.K ?? 1);
        for (const [ion, amount] of Object.entries(target.ions))
          expect((ions as Record<string, number>)[ion]).toBeCloseTo(amount * factor, 9);
      }),
      { numRuns: 60 },
    );
  });

  it("is refused outside what is fed, and of no ions", () => {
    expect(() => atStrength({ K: 5, NO3: 5 }, 5.8, 20)).toThrow(/0.1 to 10 mS\/cm/);
    expect(() => atStrength({}, 5.8, 2)).toThrow(/has no strength/);
  });
});
