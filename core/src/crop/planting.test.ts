import { describe, expect, it } from "vitest";
import { grow } from "./grown.ts";
import { cropById } from "./library/library.ts";
import { followedFrom, pickedOn, plantingOn, plantingsOn, standingsOn, type Planting } from "./planting.ts";

const lettuce = cropById("lettuce-butterhead");
const planted = (plantedOn: string, more: Partial<Planting> = {}) =>
  grow({ cropId: lettuce.id, plantedOn, clearedOn: null, signs: [], ...more }, lettuce);
const half = (from: number) => ({ from, to: from + 5, of: 12 });

const old = planted("2026-05-01", { part: half(1), clearedOn: "2026-06-12" });
const young = planted("2026-05-22", { part: half(7) });
const zone = [planted("2026-03-01", { clearedOn: "2026-05-01" }), old, young];

describe("plantings beside each other", () => {
  it("stand each in its rows, and the first planted leads where they have as much ground", () => {
    expect(plantingsOn(zone, "2026-05-25")).toEqual([old, young]);
    expect(plantingOn(zone, "2026-05-25")).toBe(old);
    expect(plantingOn(zone, "2026-06-12")).toBe(young);
    expect(standingsOn(zone, "2026-05-25").map(({ planting }) => planting)).toEqual([old, young]);
  });

  it("are led by the one with the most ground", () => {
    const most = planted("2026-05-22", { part: { from: 4, to: 12, of: 12 } });
    const strip = planted("2026-05-01", { part: { from: 1, to: 3, of: 12 } });
    expect(plantingOn([strip, most], "2026-05-25")).toBe(most);
  });

  it("are picked by the oldest that is ready, whichever leads", () => {
    const most = planted("2026-05-22", { part: { from: 4, to: 12, of: 12 } });
    const strip = planted("2026-05-01", { part: { from: 1, to: 3, of: 12 } });
    const ready = strip.periodsFrom("2026-05-01").find(({ stage }) => stage.picking)?.startsOn ?? "";
    expect(pickedOn([strip, most], ready)?.planting).toBe(strip);
  });

  it("share one root zone for as long as something has stood in it", () => {
    expect(followedFrom(zone, "2026-04-01")).toBe("2026-03-01");
    // It was cleared on the day on which the next was planted: the root zone begins anew.
    expect(followedFrom(zone, "2026-05-10")).toBe("2026-05-01");
    expect(followedFrom(zone, "2026-06-20")).toBe("2026-05-01");
    expect(followedFrom(zone, "2026-02-01")).toBeNull();
  });
});
