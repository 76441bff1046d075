import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { evenly } from "../working/evenly-for-tests.ts";
import {
  depletionFractionAt,
  figuresOf,
  FLUX_SLOTS,
  HOUR_SLOTS,
  N_IN,
  N_OUT,
  N_TAKEN,
  NITROGEN,
  SALT,
  SALT_IN,
  SALT_OUT,
  SALT_TAKEN,
  STATE_SLOTS,
  stepStore,
  TAKEN_MM,
  WATER,
  type Store,
} from "./store.ts";

const amount = (max: number) => evenly(0, max);

/** Any root zone that there may be: what is easy is no more than what is available, and that no more than what it holds. */
const anyStore: fc.Arbitrary<Store> = fc
  .record({
    fullMm: evenly(2, 400),
    available: amount(1),
    easy: amount(1),
    overMm: amount(150),
    drainShareH: amount(1),
    seepMmH: amount(1),
    efficientShare: evenly(0.3, 1),
    returns: fc.boolean(),
  })
  .map(({ available, easy, fullMm, ...rest }) => ({
    ...rest,
    fullMm,
    availableMm: fullMm * available,
    easyMm: fullMm * available * easy,
  }));
const hour = fc.tuple(amount(1.5), amount(40), amount(60), amount(8), amount(300), amount(4), amount(0.1));

describe("a root zone's step", () => {
  it("loses no salt and no nitrogen in any root zone, over any hours", () => {
    fc.assert(
      fc.property(anyStore, fc.array(hour, { minLength: 1, maxLength: 100 }), (store, hours) => {
        const state = new Float64Array(STATE_SLOTS);
        state[WATER] = store.fullMm;
        state[SALT] = store.fullMm * 2;
        state[NITROGEN] = store.fullMm * 0.1;
        const before = state.slice();
        const flux = new Float64Array(hours.length * FLUX_SLOTS);
        stepStore(figuresOf(store), state, Float64Array.from(hours.flat()), 0, flux, 0, hours.length);
        const total = (slot: number): number =>
          hours.reduce((sum, _hour, at) => sum + (flux[at * FLUX_SLOTS + slot] ?? NaN), 0);
        const change = (slot: number): number => (state[slot] ?? NaN) - (before[slot] ?? NaN);
        expect(total(SALT_IN) - total(SALT_OUT) - total(SALT_TAKEN) - change(SALT)).toBeCloseTo(0, 5);
        expect(total(N_IN) - total(N_OUT) - total(N_TAKEN) - change(NITROGEN)).toBeCloseTo(0, 6);
        for (const slot of [WATER, SALT, NITROGEN]) expect(state[slot]).toBeGreaterThanOrEqual(-1e-9);
      }),
      { numRuns: 200 },
    );
  });

  it("gives less once the easy water is gone, in a straight line to the wilting point (FAO-56, eq. 84)", () => {
    const soil: Store = {
      fullMm: 90,
      availableMm: 48,
      easyMm: 24,
      overMm: 0,
      drainShareH: 1,
      seepMmH: 0,
      efficientShare: 1,
      returns: false,
    };
    const taken = (missingMm: number): number => {
      const state = Float64Array.of(90 - missingMm, 0, 0, 90);
      const flux = new Float64Array(FLUX_SLOTS);
      const asked = new Float64Array(HOUR_SLOTS);
      asked[0] = 1;
      stepStore(figuresOf(soil), state, asked, 0, flux, 0);
      return flux[TAKEN_MM] ?? NaN;
    };
    expect([10, 24, 36, 48].map(taken)).toEqual([1, 1, 0.5, 0]);
  });

  it("corrects the depletion fraction for demand as FAO-56 does", () => {
    expect(depletionFractionAt(0.5, 5)).toBe(0.5);
    expect(depletionFractionAt(0.5, 2)).toBeCloseTo(0.62, 12);
    expect(depletionFractionAt(0.2, 9)).toBe(0.1);
  });
});
