import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { grow } from "../crop/grown.ts";
import { cropById } from "../crop/library/library.ts";
import { addDays } from "../time/local-time.ts";
import { goneByWarmth, pickedAmount, pickedSoFar, pickingTime, yieldPath } from "./yield-path.ts";

const MASS = { kind: "mass" } as const;
const HEADS = { kind: "piece", one: "head", many: "heads" } as const;
const courgette = cropById("courgette");
const planting = { cropId: "courgette", plantedOn: "2026-05-01", clearedOn: null, signs: [] };

describe("the target's path", () => {
  it("runs over the picking stages: courgette from day 50 to day 110, sooner when the first pick was seen", () => {
    expect(pickingTime(grow(planting, courgette), "2026-05-01")).toEqual({ from: "2026-06-20", to: "2026-08-19" });
    const seen = { ...planting, signs: [{ stageId: "picking", on: "2026-06-14" }] };
    expect(pickingTime(grow(seen, courgette), "2026-05-01")?.from).toBe("2026-06-14");
    expect(pickingTime(grow({ ...planting, clearedOn: "2026-08-01" }, courgette), "2026-05-01")?.to).toBe("2026-08-01");
  });

  it("is none before, all after, and never falls", () => {
    const time = { from: "2026-06-20", to: "2026-08-19" };
    expect(yieldPath(time, 6, "2026-06-19", MASS).perM2).toBe(0);
    // A logistic curve of steepness 4 from 0 to 1: after a third of the time (e^(⅔) …) 29 %, after half of it half
    const at = (t: number): number => 1 / (1 + Math.exp(-4 * (t - 0.5)));
    const share = (t: number): number => (at(t) - at(0)) / (at(1) - at(0));
    expect(yieldPath(time, 6, "2026-06-20", MASS).perM2).toBeCloseTo(6 * share(1 / 60), 9);
    expect(yieldPath(time, 6, "2026-07-19", MASS).perM2).toBeCloseTo(3, 9);
    expect(yieldPath(time, 6, "2026-09-30", MASS).perM2).toBe(6);
    fc.assert(
      fc.property(fc.integer({ min: -50, max: 200 }), (day) => {
        const on = addDays(time.from, day);
        expect(yieldPath(time, 6, addDays(on, 1), MASS).perM2).toBeGreaterThanOrEqual(
          yieldPath(time, 6, on, MASS).perM2,
        );
      }),
    );
  });

  it("is steeper for heads, whose dates lie about the middle, than for fruit that is picked again and again", () => {
    const time = { from: "2026-06-20", to: "2026-08-19" };
    expect(yieldPath(time, 8, "2026-07-04", HEADS).perM2).toBeLessThan(yieldPath(time, 8, "2026-07-04", MASS).perM2);
    expect(yieldPath(time, 8, "2026-07-19", HEADS).perM2).toBeCloseTo(4, 9);
    expect(yieldPath(time, 8, "2026-08-19", HEADS).perM2).toBe(8);
  });

  it("runs by warmth where that is known: a warm fortnight is further on than a mild one, and all is due at the end", () => {
    const time = { from: "2026-06-20", to: "2026-08-19" };
    // Courgette's stages hold at 22 °C, 14 above its base: 60 days need 840 °C·d; fifteen days of 17 are 255
    const gone = goneByWarmth(time, cropById("courgette"), 255);
    expect(gone).toBeCloseTo(255 / 840, 9);
    expect(yieldPath(time, 6, "2026-07-04", MASS, gone).perM2).toBeGreaterThan(
      yieldPath(time, 6, "2026-07-04", MASS).perM2,
    );
    expect(yieldPath(time, 6, "2026-08-18", MASS, 0.7).perM2).toBe(6);
    expect(yieldPath(time, 6, "2026-06-19", MASS, 0.7).perM2).toBe(0);
  });

  it("tells water per kilo only once something was picked and metered", () => {
    expect(pickedSoFar([40, 44], 420, 3360, MASS)).toMatchObject({ perM2: 0.2, litresPerUnit: 40 });
    expect(pickedSoFar([], 420, 3360, MASS).litresPerUnit).toBeNull();
    expect(pickedSoFar([40], 420, null, MASS).litresPerUnit).toBeNull();
  });

  it("counts heads by the head, whatever they weigh, and says so in its unit", () => {
    expect(pickedAmount({ massKg: 24, count: 96 }, HEADS)).toBe(96);
    expect(pickedAmount({ massKg: 24, count: null }, HEADS)).toBeNull();
    expect(pickedAmount({ massKg: 24, count: 96 }, MASS)).toBe(24);
    const { perM2, litresPerUnit, steps } = pickedSoFar([96, 104], 50, 400, HEADS);
    expect([perM2, litresPerUnit]).toEqual([4, 2]);
    expect(steps.map(({ unit }) => unit)).toEqual(["heads/m²", "L/head"]);
  });
});
