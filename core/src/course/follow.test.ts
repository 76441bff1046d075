import { describe, expect, it } from "vitest";
import { cropById } from "../crop/library/library.ts";
import { grownByDays } from "../crop/grown.ts";
import { cropStateOn } from "../crop/stage-on.ts";
import { STORES, SUBSTRATE } from "../site/zones-for-tests.ts";
import { NITROGEN } from "../rootzone/store.ts";
import { addDays } from "../time/local-time.ts";
import { balanceOf } from "./balance.ts";
import { missingIn } from "./advance.ts";
import { fullState } from "./day-walk.ts";
import { follow, goThrough, type CourseDay, type Followed } from "./follow.ts";

const crop = cropById("courgette");
const START = "2026-05-01";
const grown = grownByDays(crop, START);
const stands = (date: string) => {
  const state = cropStateOn(grown, date);
  if (!state) throw new Error("the crop stands");
  return state;
};

/** Half a mm an hour by day, fed every second day at nine. */
function dayOn(zone: CourseDay["zone"], date: string): CourseDay {
  const midnight = Date.parse(`${date}T00:00:00Z`);
  const hourlyMm = Array.from({ length: 24 }, (_, hour) => ({
    startMs: midnight + hour * 3_600_000,
    mm: hour >= 8 && hour < 16 ? 0.5 : 0,
  }));
  const even = Number(date.slice(-2)) % 2 === 0;
  return {
    zone,
    crop,
    cropState: stands(date),
    demandMm: 4,
    hourlyMm,
    rain: [],
    uptake: { ecMsCm: 1.6, nGM3: 150 },
    given: even ? [{ startMs: midnight + 9 * 3_600_000, mm: 8, ecMsCm: 2.2, nGM3: 160 }] : [],
    reads: [],
  };
}
const followed = (zone: CourseDay["zone"]): Followed => ({
  dayOf: (date) => dayOn(zone, date),
  nextOf: (date) => ({
    crop,
    tomorrow: cropStateOn(grown, addDays(date, 1)),
    change: { air: { tMinC: 12, tMaxC: 24 }, takenShare: 0 },
    takesOver: false,
  }),
});

describe.each([SUBSTRATE, ...STORES].map((zone) => [zone.system, zone] as const))(
  "%s followed from day to day",
  (_system, zone) => {
    it("comes to the same midnight in one go as in two, and as far as any hour of a day", () => {
      const first = fullState(zone, crop, stands(START), { ecMsCm: 2, nGM3: 150 });
      const whole = new Map<string, Float64Array>();
      const end = follow(followed(zone), whole, START, addDays(START, 30), first);
      const half = new Map<string, Float64Array>();
      const middle = follow(followed(zone), half, START, addDays(START, 13), first);
      const again = follow(followed(zone), half, addDays(START, 13), addDays(START, 30), middle);
      expect([...again]).toEqual([...end]);
      const date = addDays(START, 7);
      const morning = whole.get(date);
      if (!morning) throw new Error("its midnight was passed");
      const day = dayOn(zone, date);
      const untilNight = goThrough(day, morning, Date.parse(`${addDays(date, 1)}T00:00:00Z`));
      expect(missingIn(untilNight.state)).toBeCloseTo(missingIn(goThrough(day, morning).state), 9);
    });

    it("keeps books of water, salt and nitrogen that close over a month", () => {
      const mornings = new Map<string, Float64Array>();
      const first = fullState(zone, crop, stands(START), { ecMsCm: 2, nGM3: 150 });
      follow(followed(zone), mornings, START, addDays(START, 30), first);
      const days = Array.from({ length: 30 }, (_, day) => {
        const date = addDays(START, day);
        return goThrough(dayOn(zone, date), mornings.get(date) ?? first);
      });
      const { givenMm, reachedMm, takenMm, drainMm, lostMm, overflowMm, changeMm, salt, nitrogen } = balanceOf(days);
      expect(givenMm).toBeCloseTo(15 * 8, 9);
      expect(givenMm + reachedMm - takenMm - drainMm - lostMm - overflowMm - changeMm).toBeCloseTo(0, 9);
      for (const { in: came, reached, taken, out, change } of [salt, nitrogen])
        expect(came + reached - taken - out - change).toBeCloseTo(0, 9);
      expect(nitrogen.taken).toBeGreaterThan(0);
    });

    it("has nitrogen of doses, and of what was tested, in its books, and they close", () => {
      const dressed: Followed = {
        ...followed(zone),
        dayOf: (date) => ({
          ...dayOn(zone, date),
          given: [],
          nitrogen: { freedGM2: 0.2, measuredGM2: date === addDays(START, 10) ? 5 : null },
        }),
      };
      const mornings = new Map<string, Float64Array>();
      const first = fullState(zone, crop, stands(START), { ecMsCm: 2, nGM3: 20 });
      follow(dressed, mornings, START, addDays(START, 30), first);
      const days = Array.from({ length: 30 }, (_, day) => {
        const date = addDays(START, day);
        const asked = dressed.dayOf(date);
        if (!asked) throw new Error("every day is known");
        return goThrough(asked, mornings.get(date) ?? first);
      });
      const { in: came, reached, freed, corrected, taken, out, change } = balanceOf(days).nitrogen;
      expect(came).toBe(0);
      expect(freed).toBeCloseTo(30 * 0.2, 9);
      expect(corrected).not.toBe(0);
      expect(came + reached + freed + corrected - taken - out - change).toBeCloseTo(0, 9);
      // On the day of the test the root zone holds what was found, and what came on that day.
      const tested = goThrough(
        { ...dayOn(zone, START), hourlyMm: [], given: [], nitrogen: { freedGM2: 1, measuredGM2: 5 } },
        first,
      );
      expect(tested.state[NITROGEN]).toBeCloseTo(6, 9);
    });

    it("stays as it was over a day whose weather nobody knows", () => {
      const first = fullState(zone, crop, stands(START));
      const blind = { ...followed(zone), dayOf: () => null };
      expect(missingIn(follow(blind, new Map(), START, addDays(START, 2), first))).toBe(missingIn(first));
    });
  },
);
