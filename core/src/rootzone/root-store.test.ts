import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { cropById } from "../crop/library.ts";
import { cropStateOn } from "../crop/stage-on.ts";
import { FULL_STORE, nextMorning } from "../plan/root-course.ts";
import { BASIN as basin, STORES as zones } from "../site/zones-for-tests.ts";
import { depletionAtLevelMm, levelOfCm, rootStore } from "./root-store.ts";

const crop = cropById("courgette");
const state = cropStateOn(crop, "2026-05-01", "2026-06-15");
if (!state) throw new Error("the crop stands on that day");

describe("root zones as stores of water", () => {
  it.each(zones.map((zone) => [zone.system, zone] as const))(
    "%s never holds more than its mark nor less than nothing over any weather",
    (_system, zone) => {
      const day = fc.record({
        demandMm: fc.double({ min: 0, max: 9, noNaN: true }),
        givenMm: fc.double({ min: 0, max: 60, noNaN: true }),
        rainMm: fc.double({ min: 0, max: 80, noNaN: true }),
      });
      fc.assert(
        fc.property(fc.array(day, { minLength: 1, maxLength: 60 }), (days) => {
          let store = FULL_STORE;
          for (const weather of days) {
            store = nextMorning(zone, crop, state, store, weather);
            const { limits, triggerMm } = rootStore(zone, crop, state, weather.demandMm);
            expect(store.depletionMm).toBeGreaterThanOrEqual(-(limits.overMarkMm ?? 0) - 1e-9);
            expect(store.depletionMm).toBeLessThanOrEqual(limits.availableMm + 1e-9);
            expect(triggerMm).toBeLessThanOrEqual(limits.availableMm);
          }
        }),
        { numRuns: 40 },
      );
    },
  );

  it("has a basin's tube fall faster than its pond, and reads the same level back", () => {
    // 40 mm of pond are gone at the soil; below it 10 mm of water are 10 cm in a soil that drains a tenth.
    expect(levelOfCm(basin, 0)).toBe(4);
    expect(levelOfCm(basin, 40)).toBeCloseTo(0, 12);
    expect(levelOfCm(basin, 55)).toBeCloseTo(-15, 12);
    expect(rootStore(basin, crop, state, 5).triggerMm).toBe(55);
    for (const level of [3, 0, -7, -15])
      expect(levelOfCm(basin, depletionAtLevelMm(basin, level) ?? NaN)).toBeCloseTo(level, 9);
  });

  it("dries a basin by demand and percolation together", () => {
    expect(nextMorning(basin, crop, state, FULL_STORE, { demandMm: 6, givenMm: 0, rainMm: 0 }).depletionMm).toBeCloseTo(
      10,
      9,
    );
  });

  it("keeps a cloudburst in a basin up to 5 cm under its bund: of 120 mm on a full pond 110 stay, 4 seep and 6 are used", () => {
    // a bund of 20 cm over a flood of 4 cm leaves 200 − 50 − 40 = 110 mm over the mark
    const wet = nextMorning(basin, crop, state, FULL_STORE, { demandMm: 6, givenMm: 0, rainMm: 120 });
    expect(wet.depletionMm).toBeCloseTo(-100, 9);
    expect(levelOfCm(basin, wet.depletionMm)).toBeCloseTo(14, 9);
  });

  it("floods a bench at its share of what all pots hold: 0.4 L × 2000 ÷ 200 m² are 4 mm", () => {
    const [bench] = zones.filter((zone) => zone.system === "sub-irrigated-bench");
    if (!bench) throw new Error("a bench is among them");
    expect(rootStore(bench, crop, state, 3)).toMatchObject({
      triggerMm: expect.closeTo(1.6, 12),
      limits: { availableMm: 4 },
    });
    expect(levelOfCm(bench, 1)).toBeNull();
  });
});
