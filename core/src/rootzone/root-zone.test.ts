import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { depletionFractionAt, stepStore, type StoreState } from "./water-store.ts";
import { stepSubstrate, type SubstrateState } from "./substrate.ts";

const amount = (max: number) => fc.double({ min: 0, max, noNaN: true });

describe("the substrate", () => {
  const limits = { capacityL: 6, easilyAvailableL: 3 };

  it("keeps every drop and all salt over any run of hours", () => {
    const hour = fc.record({
      givenL: amount(2),
      givenEcMsCm: amount(6),
      demandL: amount(0.6),
      uptakeEcMsCm: amount(4),
    });
    fc.assert(
      fc.property(fc.array(hour, { minLength: 1, maxLength: 200 }), (hours) => {
        const start: SubstrateState = { waterL: 5, saltEcL: 12 };
        let state = start;
        let [water, salt] = [0, 0];
        for (const inputs of hours) {
          const step = stepSubstrate(state, inputs, limits);
          water += inputs.givenL - step.fluxes.uptakeL - step.fluxes.drainL;
          salt += inputs.givenL * inputs.givenEcMsCm - step.fluxes.uptakeSaltEcL - step.fluxes.drainSaltEcL;
          state = step.state;
          expect(state.waterL).toBeGreaterThanOrEqual(limits.capacityL - limits.easilyAvailableL - 1e-9);
          expect(state.waterL).toBeLessThanOrEqual(limits.capacityL + 1e-9);
          expect(state.saltEcL).toBeGreaterThanOrEqual(-1e-9);
        }
        expect(state.waterL - start.waterL).toBeCloseTo(water, 8);
        expect(state.saltEcL - start.saltEcL).toBeCloseTo(salt, 7);
      }),
    );
  });

  it("drains only above capacity, at the EC of what it holds", () => {
    const { fluxes } = stepSubstrate(
      { waterL: 5.8, saltEcL: 5.8 * 4 },
      { givenL: 0.5, givenEcMsCm: 2, demandL: 0, uptakeEcMsCm: 0 },
      limits,
    );
    expect(fluxes.drainL).toBeCloseTo(0.3, 12);
    expect(fluxes.drainSaltEcL / fluxes.drainL).toBeCloseTo((5.8 * 4 + 1) / 6.3, 12);
  });
});

describe("a store of water", () => {
  const limits = { availableMm: 48, fullMm: 90, depletionFraction: 0.5 };

  it("keeps every millimetre and all salt over any weather", () => {
    const day = fc.record({
      givenMm: amount(30),
      givenEcMsCm: amount(3),
      rainMm: amount(60),
      demandMm: amount(9),
      seepMm: amount(8),
    });
    fc.assert(
      fc.property(fc.array(day, { minLength: 1, maxLength: 120 }), (days) => {
        const start: StoreState = { depletionMm: 20, saltEcMm: 80 };
        let state = start;
        let [water, salt] = [0, 0];
        for (const inputs of days) {
          const step = stepStore(state, inputs, limits);
          water += inputs.givenMm + inputs.rainMm - step.fluxes.uptakeMm - step.fluxes.percolationMm;
          salt += inputs.givenMm * inputs.givenEcMsCm - step.fluxes.percolationSaltEcMm;
          state = step.state;
          expect(state.depletionMm).toBeGreaterThanOrEqual(-1e-9);
          expect(state.depletionMm).toBeLessThanOrEqual(limits.availableMm + 1e-9);
        }
        expect(start.depletionMm - state.depletionMm).toBeCloseTo(water, 7);
        expect(state.saltEcMm - start.saltEcMm).toBeCloseTo(salt, 6);
      }),
    );
  });

  it("seeps no more than is there, and never out of what roots cannot reach", () => {
    const dry = { givenMm: 0, givenEcMsCm: 0, rainMm: 0, demandMm: 0, seepMm: 6 };
    expect(stepStore({ depletionMm: 10, saltEcMm: 0 }, dry, limits).fluxes.percolationMm).toBe(6);
    expect(stepStore({ depletionMm: 45, saltEcMm: 0 }, dry, limits)).toMatchObject({
      fluxes: { percolationMm: 3 },
      state: { depletionMm: 48 },
    });
  });

  it("gives less once the easy water is gone, in a straight line to the wilting point", () => {
    const uptake = (depletionMm: number): number =>
      stepStore({ depletionMm, saltEcMm: 0 }, { givenMm: 0, givenEcMsCm: 0, rainMm: 0, demandMm: 4 }, limits).fluxes
        .uptakeMm;
    expect(uptake(10)).toBe(4);
    expect(uptake(36)).toBeCloseTo(2, 12);
    expect(uptake(48)).toBe(0);
  });

  it("corrects the depletion fraction for demand as FAO-56 does", () => {
    expect(depletionFractionAt(0.5, 5)).toBe(0.5);
    expect(depletionFractionAt(0.5, 2)).toBeCloseTo(0.62, 12);
    expect(depletionFractionAt(0.2, 9)).toBe(0.1);
  });
});
