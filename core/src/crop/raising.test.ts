import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { RAISING_STARTS, RAISING_WAYS, raisingPlan, type Raising } from "./raising.ts";

const of = (way: Raising["way"], more: Partial<Raising> = {}) =>
  raisingPlan({ ...RAISING_STARTS[way], ...more }, "2026-05-01", 1000, 500);

describe("raising plants for a planting", () => {
  it("counts back from it: 5 days of hardening, 21 on the bench and 7 to come up are 33 days", () => {
    expect(of("seed").steps.map(({ on, kind }) => [on, kind])).toEqual([
      ["2026-03-29", "sow"],
      ["2026-04-05", "up"],
      ["2026-04-09", "feed"],
      ["2026-04-26", "harden"],
      ["2026-05-01", "plant"],
    ]);
  });

  it("starts from so many that enough are left: 1000 of 90 % that come up, less 5 %, are 1170 seeds in 14 trays", () => {
    expect(of("seed")).toMatchObject({ startFrom: 1170, trays: 14, seedKgHa: null });
    // 14 trays of 0.24 m² at 2 L/m²
    expect(of("seed").steps[1]?.litresDay).toBeCloseTo(6.72, 9);
  });

  it("tells seed that is sown in place in kg a hectare: 20 grains/m² of 30 mg are 6 kg", () => {
    const plan = of("sown", { startPct: 100, lossPct: 0, seedMg: 30 });
    expect(plan.trays).toBeNull();
    // 1000 plants on 500 m² are 2 a m²
    expect(plan.seedKgHa).toBeCloseTo(0.6, 9);
    expect(plan.steps.map(({ kind }) => kind)).toEqual(["sow", "up"]);
  });

  it("orders bought plants weeks ahead, and accepts them before they harden", () => {
    expect(of("bought").steps.map(({ on, kind }) => [on, kind])).toEqual([
      ["2026-03-18", "order"],
      ["2026-04-29", "accept"],
      ["2026-04-29", "harden"],
      ["2026-05-01", "plant"],
    ]);
  });

  it("takes cuttings from stock plants: 1145 of 12 at a flush need 96, cut back three weeks before, set three weeks before that", () => {
    const plan = of("cuttings", { stockCuttings: 12, flushWeeks: 3, coldDays: 4 });
    expect(plan).toMatchObject({ startFrom: 1145, stockPlants: 96 });
    // 4 + 14 + 14 days on the way: stuck on 30 March, cut four days before.
    expect(plan.steps.slice(0, 4).map(({ on, kind }) => [on, kind])).toEqual([
      ["2026-02-12", "stock"],
      ["2026-03-05", "flush"],
      ["2026-03-26", "cut"],
      ["2026-03-30", "stick"],
    ]);
    expect(of("cuttings")).toMatchObject({ stockPlants: null });
  });

  it("hardens longer outside from day to day, two hours at first and to the evening at last", () => {
    const ramp = of("seed").steps.find(({ kind }) => kind === "harden")?.ramp ?? [];
    expect(ramp.map(({ outside }) => outside?.hours)).toEqual([2, 5, 7, 10, 12]);
    expect(ramp.map(({ on }) => on)).toEqual(["2026-04-26", "2026-04-27", "2026-04-28", "2026-04-29", "2026-04-30"]);
    for (const { outside } of ramp) expect((outside?.fromH ?? 0) + (outside?.hours ?? 99)).toBeLessThanOrEqual(20);
  });

  it("mists cuttings ever less until they root, and a third as often in dull hours", () => {
    const ramp = of("cuttings").steps.find(({ kind }) => kind === "stick")?.ramp ?? [];
    expect(ramp).toHaveLength(14);
    expect([ramp[0]?.mistMin, ramp.at(-1)?.mistMin]).toEqual([
      [5, 15],
      [30, 90],
    ]);
    const every = ramp.map(({ mistMin }) => mistMin?.[0] ?? 0);
    expect(every).toEqual([...every].sort((a, b) => a - b));
  });

  it("has its steps in order and enough to start from, whatever its shares", () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...RAISING_WAYS),
        fc.integer({ min: 5, max: 100 }),
        fc.integer({ min: 0, max: 90 }),
        fc.integer({ min: 0, max: 60 }),
        fc.integer({ min: 0, max: 60 }),
        (way, startPct, lossPct, benchDays, hardenDays) => {
          const { steps, startFrom } = of(way, { startPct, lossPct, benchDays, hardenDays });
          const dates = steps.map(({ on }) => on);
          expect(dates).toEqual([...dates].sort());
          expect((startFrom * startPct * (100 - lossPct)) / 1e4).toBeGreaterThanOrEqual(1000 - 1e-6);
        },
      ),
    );
  });

  it.each([
    [{ startPct: 0 }, "startPct"],
    [{ lossPct: 95 }, "lossPct"],
    [{ cells: 0 }, "cells"],
    [{ coldDays: 200 }, "coldDays"],
  ])("refuses %j", (more, path) => {
    expect(() => of("seed", more)).toThrow(expect.objectContaining({ faults: [expect.objectContaining({ path })] }));
  });
});
