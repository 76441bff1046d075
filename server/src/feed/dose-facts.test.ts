import type { DosedSeason } from "@sprunel/core/feed/doses";
import { addDays } from "@sprunel/core/time";
import { describe, expect, it } from "vitest";
import { seasonWater } from "./dose-facts.ts";

const PLANTED = "2026-06-01";
const WATER = { N: 14, P: 0, K: 39 };

/** Ten days that count alike, on which water was given as it says by days since planting. */
function season(litres: Readonly<Record<number, number>>): DosedSeason {
  const days = Array.from({ length: 10 }, (_, at) => ({ on: addDays(PLANTED, at), kc: 1 }));
  return {
    ...{ days, nitrogenDays: days, stages: new Map(), picks: [], pickingFrom: null, areaM2: 100 },
    litres: new Map(Object.entries(litres).map(([at, some]) => [addDays(PLANTED, Number(at)), some])),
    ...{ ahead: new Map(), light: new Map(), recipeMgL: () => null },
  };
}
const waterOn = (litres: Readonly<Record<number, number>>, at: number) =>
  seasonWater(season(litres), 100, addDays(PLANTED, at), WATER);

describe("the water of a whole season", () => {
  it("is what was given up to the evening of a day over the share of the season that is over by then", () => {
    // 300 L and 100 L on 100 m² are 4 mm by the evening of the fourth of ten days: 10 mm in all.
    expect(waterOn({ 0: 300, 3: 100, 4: 5000 }, 3)).toEqual({ mm: 10, no3NMgL: 14, kMgL: 39, expected: true });
  });

  it("is no longer expected once the season is over", () => {
    expect(waterOn({ 0: 300, 9: 100 }, 9)).toEqual({ mm: 4, no3NMgL: 14, kMgL: 39, expected: false });
  });

  it("is not known before a day on which water was given, nor while a tenth of the season is over", () => {
    expect(waterOn({ 4: 500 }, 3)).toBeNull();
    expect(waterOn({ 0: 500 }, 0)).toBeNull();
  });
});
