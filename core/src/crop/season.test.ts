import { describe, expect, it } from "vitest";
import { grow } from "./grown.ts";
import { cropById } from "./library/library.ts";
import { seasonStages, yearBegan, yearOf } from "./season.ts";
import { cropStateOn, signFault } from "./stage-on.ts";
import type { Planting } from "./planting.ts";

const hedge = cropById("leaf-hedge");
const planting = (more: Partial<Planting> = {}): Planting => ({
  cropId: hedge.id,
  plantedOn: "2022-03-01",
  clearedOn: null,
  signs: [],
  ...more,
});
const flushed = { ...hedge, flushes: { from: "flush-1", to: "flush-2", times: 3 } };

describe("flushes of a season", () => {
  it("come as often as the crop says, each from the leaves that the one before left", () => {
    const stages = seasonStages({ ...planting(), crop: flushed }, "2026-03-01");
    expect(stages.map(({ id }) => id)).toEqual([
      ...["flush-1", "flush-2", "flush-1#2", "flush-2#2", "flush-1#3", "flush-2#3", "rest"],
    ]);
    expect(stages[2]).toMatchObject({ name: "First flush 2", leafAreaStart: stages[1]?.stage.leafAreaEnd });
  });

  it("are seen one by one, in their order", () => {
    const grown = grow(planting({ signs: [{ stageId: "flush-1#2", on: "2026-06-20" }] }), flushed);
    const second = grown.periodsFrom("2026-03-01").find(({ id }) => id === "flush-1#2");
    expect(second).toMatchObject({ startsOn: "2026-06-20", seen: true });
    const early = { stageId: "flush-2", on: "2026-06-25" };
    expect(signFault({ ...planting(), crop: flushed }, "2026-03-01", early, grown.signs)?.message).toMatch(
      /First flush 2 was seen on 2026-06-20, and comes after it/,
    );
  });
});

describe("a hard cut-back", () => {
  const cut = planting({ steps: [{ kind: "cut-back", on: "2026-05-10", leafAreaLeft: 0.3, regrowthDays: 40 }] });
  const grown = grow(cut, hedge);

  it("begins the season anew: leaf and Kc are those that are left, and the first flush waits for the regrowth", () => {
    expect(yearBegan({ ...cut, crop: hedge }, "2026-05-09")).toBe("2026-03-01");
    expect(yearBegan({ ...cut, crop: hedge }, "2026-05-10")).toBe("2026-05-10");
    const before = cropStateOn(grown, "2026-05-09");
    const after = cropStateOn(grown, "2026-05-10");
    expect(after).toMatchObject({ begins: true, period: { id: "regrowth" } });
    expect(after?.leafAreaIndex).toBeLessThan(0.4);
    expect(after?.kc).toBeLessThan((before?.kc ?? 0) / 2);
    const first = grown.periodsFrom("2026-05-10").find(({ id }) => id === "flush-1");
    expect(first?.startsOn).toBe("2026-06-19");
    // Roots stay.
    expect(after?.rootDepthM).toBeGreaterThanOrEqual(before?.rootDepthM ?? NaN);
  });

  it("holds for its season; the next anniversary is one as before it", () => {
    expect(yearBegan({ ...cut, crop: hedge }, "2027-03-02")).toBe("2027-03-01");
    expect(cropStateOn(grown, "2027-03-01")?.period.id).toBe("flush-1");
  });
});

describe("what a perennial is watered for", () => {
  const on = (date: string, more: Partial<Planting>) => cropStateOn(grow(planting(more), hedge), date);

  it("is to establish for two years, then yield, or to keep it alive where somebody says so", () => {
    expect(on("2023-06-01", {})?.aim).toBe("establish");
    expect(on("2024-06-01", {})?.aim).toBe("yield");
    expect(on("2024-06-01", { waterAim: "keep-alive" })?.aim).toBe("keep-alive");
    // Bought at an age of two years they have established before.
    expect(on("2022-06-01", { ageYears: 2 })?.aim).toBe("yield");
    expect(on("2024-06-01", { establishYears: 4 })?.aim).toBe("establish");
  });

  it("dries nothing on purpose while roots establish, and more where it is only kept alive", () => {
    const resting = "2024-12-20";
    expect(on(resting, { establishYears: 5 })?.drierPct).toBe(0);
    expect(on(resting, {})?.drierPct).toBe(5);
    expect(on(resting, { waterAim: "keep-alive" })?.drierPct).toBe(30);
  });

  it("counts its years from planting, and from the age that it had then", () => {
    expect(yearOf({ ...planting(), crop: hedge }, "2022-03-01")).toBe(1);
    expect(yearOf({ ...planting(), crop: hedge }, "2024-02-28")).toBe(2);
    expect(yearOf({ ...planting({ ageYears: 2 }), crop: hedge }, "2024-03-01")).toBe(5);
  });
});
