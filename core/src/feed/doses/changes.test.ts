import fc from "fast-check";
import loadHighs from "highs";
import { describe, expect, it } from "vitest";
import { evenly } from "../../working/evenly-for-tests.ts";
import { lpSolver } from "../recipe/highs-lp.ts";
import { doseCalendar } from "./calendar.ts";
import type { DoseCalendarInput } from "./calendar-input.ts";
import { MOST_STEP_PCT, stepFor, UNCHANGED, type DoseChange } from "./changes.ts";
import { NONE } from "./nutrients.ts";

const solve = lpSolver(await loadHighs());
const asked: DoseCalendarInput = {
  ...{ toGiveKgHa: { N: 90, P: 0, K: 0 }, areaM2: 10_000, plants: 1000, products: [{ id: "urea" }] },
  schedule: { kind: "equal", dates: ["2026-05-01", "2026-06-01", "2026-07-01"] },
};
const change = (more: Partial<DoseChange>): DoseChange => ({
  ...{ fromOn: "2026-05-20", untilOn: null, factorPct: UNCHANGED, addKgHa: NONE, why: "a result" },
  ...more,
});
const nitrogen = (changes: readonly DoseChange[], more: Partial<DoseCalendarInput> = {}) =>
  doseCalendar({ ...asked, ...more, changes }, solve).doses.map(({ nutrientsKgHa: { N } }) => Number(N.toFixed(6)));

describe("what is changed while the crop grows", () => {
  it("bears on the doses from its day on, and leaves those before as they were", () => {
    expect(nitrogen([change({ factorPct: { ...UNCHANGED, N: 120 } })])).toEqual([30, 36, 36]);
    expect(nitrogen([change({ factorPct: { ...UNCHANGED, N: 80 }, untilOn: "2026-06-15" })])).toEqual([30, 24, 30]);
  });

  it("comes one on the other, and never to more than three times what was planned", () => {
    const more = change({ factorPct: { ...UNCHANGED, N: 110 } });
    expect(nitrogen([more, more])).toEqual([30, 36.3, 36.3]);
    expect(
      nitrogen([change({ factorPct: { ...UNCHANGED, N: 300 } }), change({ factorPct: { ...UNCHANGED, N: 300 } })]),
    ).toEqual([30, 90, 90]);
  });

  it("adds once, to the first dose that can carry it", () => {
    expect(nitrogen([change({ addKgHa: { ...NONE, N: 12 } })])).toEqual([30, 42, 30]);
  });

  it("holds on the day on which it ends, for what it adds and what it takes", () => {
    const onTheDay = { untilOn: "2026-06-01" };
    expect(nitrogen([change({ ...onTheDay, addKgHa: { ...NONE, N: 12 } })])).toEqual([30, 42, 30]);
    expect(nitrogen([change({ ...onTheDay, factorPct: { ...UNCHANGED, N: 120 } })])).toEqual([30, 36, 30]);
  });

  it("tells what no dose is left to carry", () => {
    const late = change({ fromOn: "2026-08-01", addKgHa: { ...NONE, N: 12 } });
    const { unmet, doses } = doseCalendar({ ...asked, changes: [late] }, solve);
    expect(doses).toHaveLength(3);
    expect(unmet).toEqual([{ nutrient: "N", kgHa: 12, reason: expect.stringMatching(/no dose is left/) as string }]);
  });

  it("is split like any dose that grew too large", () => {
    expect(nitrogen([change({ addKgHa: { ...NONE, N: 30 } })], { largestNKgHa: 40, shortestDays: 4 })).toEqual([
      30, 30, 30, 30,
    ]);
  });

  it("is refused where it ends before it begins", () => {
    expect(() => nitrogen([change({ untilOn: "2026-05-01" })])).toThrow(
      expect.objectContaining({ path: "changes.0.untilOn" }),
    );
  });
});

describe("a result of leaf or sap", () => {
  it("asks for as many percent more as it lies under its band, and less over it", () => {
    expect(stepFor({ value: 3.6, low: 4, high: 5 })).toBeCloseTo(110, 9);
    expect(stepFor({ value: 5.5, low: 4, high: 5 })).toBeCloseTo(90, 9);
    expect(stepFor({ value: 4.4, low: 4, high: 5 })).toBe(100);
  });

  it("never changes more than a fifth at once, and never the wrong way", () => {
    fc.assert(
      fc.property(evenly(0, 1000), evenly(0.01, 500), evenly(0.01, 500), (value, low, width) => {
        const step = stepFor({ value, low, high: low + width });
        expect(Math.abs(step - 100)).toBeLessThanOrEqual(MOST_STEP_PCT);
        if (value < low) expect(step).toBeGreaterThan(100);
        if (value > low + width) expect(step).toBeLessThan(100);
      }),
    );
  });

  it.each([
    [{ low: 5, high: 4 }, "high"],
    [{ value: -1 }, "value"],
    [{ low: 0 }, "low"],
  ])("is refused with %j", (more, path) => {
    expect(() => stepFor({ value: 3, low: 4, high: 5, ...more })).toThrow(expect.objectContaining({ path }));
  });
});
