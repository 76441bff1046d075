import { describe, expect, it } from "vitest";
import { FULL, HOUR_SLOTS, NITROGEN, SALT, WATER, type Store } from "../rootzone/store.ts";
import { STORES } from "../site/zones-for-tests.ts";
import { cropById } from "../crop/library/library.ts";
import { grownByDays } from "../crop/grown.ts";
import { cropStateOn } from "../crop/stage-on.ts";
import { correctWater, ecIn, missingIn, reach, stateOf } from "./advance.ts";
import { storeOn, walkDay } from "./day-walk.ts";

/** 50 mm when full, 12 of them missing, at 2 mS/cm and 100 g of nitrogen in a m³. */
const state = () => stateOf({ fullMm: 50 }, 12, 2, 100);

describe("the state of a root zone", () => {
  it("holds the water, salt and nitrogen that it was made of", () => {
    const made = state();
    expect([made[FULL], made[WATER], made[SALT], made[NITROGEN]]).toEqual([50, 38, 76, 3.8]);
    expect([missingIn(made), ecIn(made)]).toEqual([12, 2]);
    expect(ecIn(stateOf({ fullMm: 50 }, 50, 2))).toBeNull();
  });

  it("is put where a reading has it, by as much as it was off, its salt thinned and not lost", () => {
    const corrected = state();
    expect(correctWater(corrected, 20)).toBe(-8);
    expect([missingIn(corrected), corrected[SALT], ecIn(corrected)]).toEqual([20, 76, 76 / 30]);
    expect(correctWater(corrected, 5)).toBe(15);
    expect(missingIn(corrected)).toBe(5);
    expect(correctWater(corrected, 5)).toBe(0);
  });

  it("keeps what is missing when roots reach deeper soil, which is full and like theirs", () => {
    const grown = state();
    expect(reach(grown, { fullMm: 88 })).toBe(38);
    expect([missingIn(grown), grown[WATER], grown[SALT], ecIn(grown)]).toEqual([12, 76, 152, 2]);
    expect(grown[NITROGEN]).toBeCloseTo(7.6, 12);
  });
});

describe("a reading in the course of a day", () => {
  const crop = cropById("courgette");
  const cropState = cropStateOn(grownByDays(crop, "2026-05-01"), "2026-06-10");
  const soil = STORES.find(({ system }) => system === "soil-drip");
  if (!cropState || !soil) throw new Error("a courgette stands in soil");
  const store: Store = storeOn(soil, crop, cropState, 0);
  const still = new Float64Array(24 * HOUR_SLOTS);
  const read = (missingMm: number, afterHours = 12) =>
    walkDay(stateOf(store, 4, 0), store, still, [{ afterHours, missingMm }]);

  it("counts from its hour on, and is booked as what it added", () => {
    const { state: evening, correctedMm } = read(9);
    expect(missingIn(evening)).toBeCloseTo(9, 9);
    expect(correctedMm).toBeCloseTo(-5, 9);
  });

  it("cannot say that more is missing than roots could ever take", () => {
    expect(missingIn(read(store.availableMm - 0.5).state)).toBeCloseTo(store.availableMm - 0.5, 9);
    expect(missingIn(read(store.availableMm + 30).state)).toBeCloseTo(store.availableMm, 9);
  });
});
