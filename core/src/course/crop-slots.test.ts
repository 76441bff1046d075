import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { evenly } from "../working/evenly-for-tests.ts";
import type { Crop } from "../crop/crop.ts";
import { CROPS } from "../crop/library/library.ts";
import { grownByDays } from "../crop/grown.ts";
import { cropStateOn } from "../crop/stage-on.ts";
import { STORES } from "../site/zones-for-tests.ts";
import { addDays } from "../time/local-time.ts";
import { growCrop, LEAF_AREA, PICKING_THERMAL, STAGE, standingShare, THERMAL } from "./crop-slots.ts";
import { fullState, storeOn, walkDay } from "./day-walk.ts";
import { dayHours } from "./day-hours.ts";

const START = "2026-04-01";
const grown = new Map(CROPS.map((crop) => [crop, grownByDays(crop, START)]));
const stateOf = (crop: Crop, date: string) => cropStateOn(grown.get(crop) ?? grownByDays(crop, START), date);
function firstDayOf(crop: Crop) {
  const first = stateOf(crop, START);
  if (!first) throw new Error("it stands on its first day");
  return first;
}
const [zone] = STORES;
if (!zone) throw new Error("there is a zone");

describe.each(CROPS.map((crop) => [crop.id, crop] as const))("%s in the state of its zone", (_id, crop) => {
  it("goes through its stages from midnight to midnight, as its calendar says, with the leaf area of the day", () => {
    const state = fullState(zone, crop, firstDayOf(crop));
    for (let day = 1; day < 200; day++) {
      const tomorrow = stateOf(crop, addDays(START, day));
      growCrop(state, crop, tomorrow, { air: null, takenShare: 0 });
      if (!tomorrow) continue;
      expect(crop.stages[state[STAGE] ?? -1]?.id).toBe(tomorrow.period.stage.id);
      expect(state[LEAF_AREA]).toBe(tomorrow.leafAreaIndex);
    }
    expect(standingShare(state)).toBe(1);
  });
});

describe("a crop in the state of its zone", () => {
  const crop = CROPS[0];
  if (!crop) throw new Error("there is a crop");

  it("gathers the warmth of its days above its base: 12 to 24 °C over 10 are 8 °C·d each", () => {
    const state = fullState(zone, crop, firstDayOf(crop));
    for (let day = 1; day <= 30; day++)
      growCrop(state, crop, stateOf(crop, addDays(START, day)), {
        air: { tMinC: 12, tMaxC: 24 },
        takenShare: 0,
      });
    expect(state[THERMAL]).toBeCloseTo(240, 9);
  });

  it("has of a perennial the warmth of its own year: on the anniversary it begins anew", () => {
    const bush = CROPS.find(({ perennial }) => perennial);
    if (!bush) throw new Error("there is a perennial");
    const state = fullState(zone, bush, firstDayOf(bush));
    const grow = (from: number, to: number): void => {
      for (let day = from; day <= to; day++)
        growCrop(state, bush, stateOf(bush, addDays(START, day)), { air: { tMinC: 12, tMaxC: 24 }, takenShare: 0 });
    };
    grow(1, 364);
    expect(state[PICKING_THERMAL]).toBeGreaterThan(100);
    grow(365, 366);
    expect(state[STAGE]).toBe(0);
    expect(state[THERMAL]).toBeLessThan(30);
    expect(state[PICKING_THERMAL]).toBeLessThan(30);
  });

  it("falls by what is taken of it, never below nothing, and never rises", () => {
    fc.assert(
      fc.property(fc.array(evenly(0, 0.4), { maxLength: 20 }), (taken) => {
        const state = fullState(zone, crop, firstDayOf(crop));
        for (const takenShare of taken) {
          const before = standingShare(state);
          growCrop(state, crop, null, { air: null, takenShare });
          expect(standingShare(state)).toBeLessThanOrEqual(before);
          expect(standingShare(state)).toBeGreaterThanOrEqual(0);
        }
        expect(standingShare(state)).toBeCloseTo(Math.max(0, 1 - taken.reduce((sum, share) => sum + share, 0)), 9);
      }),
    );
  });

  it("is not touched by the hours of its root zone", () => {
    const first = firstDayOf(crop);
    const state = fullState(zone, crop, firstDayOf(crop));
    const hours = dayHours(
      Array.from({ length: 24 }, (_, hour) => ({ startMs: hour * 3_600_000, mm: 0.2 })),
      [],
    );
    const walked = walkDay(state, storeOn(zone, crop, first, 4.8), hours).state;
    expect([...walked.slice(STAGE)]).toEqual([...state.slice(STAGE)]);
  });
});
