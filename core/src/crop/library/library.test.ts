import { describe, expect, it } from "vitest";
import { addDays } from "../../time/local-time.ts";
import { PUBLISHED_TARGETS } from "../../feed/recipe/published-targets.ts";
import { CROP_GROUPS } from "../crop.ts";
import { seasonStages } from "../season.ts";
import { cropStateOn } from "../stage-on.ts";
import { grownByDays } from "../grown.ts";
import { CROPS, cropById } from "./library.ts";

const each = CROPS.map((crop) => [crop.id, crop] as const);

describe("the library", () => {
  it("holds at least thirty crops, of every group, each known by one name", () => {
    expect(CROPS.length).toBeGreaterThanOrEqual(30);
    for (const group of CROP_GROUPS) expect(CROPS.some((crop) => crop.group === group)).toBe(true);
    for (const of of ["id", "name"] as const) expect(new Set(CROPS.map((crop) => crop[of])).size).toBe(CROPS.length);
  });

  it.each(each)(
    "has of %s only figures that can be, and says where each is from or that it is assumed",
    (_id, crop) => {
      const between = (value: number, least: number, most: number): void => {
        expect(value).toBeGreaterThanOrEqual(least);
        expect(value).toBeLessThanOrEqual(most);
      };
      for (const { source, assumed } of [
        ...Object.values(crop.sources),
        ...[crop.baseC, crop.usualC, crop.depletionFraction, crop.ecThresholdMsCm, crop.ecZeroYieldMsCm],
        ...[crop.removal, crop.bands],
      ])
        expect(source.length > 5 && (assumed === true) === source.includes("assumed")).toBe(true);
      between(crop.baseC.value, 0, 15);
      between(crop.usualC.value, crop.baseC.value + 5, 30);
      between(crop.depletionFraction.value, 0.1, 0.7);
      between(crop.ecThresholdMsCm.value, 0.8, 8);
      between(crop.ecZeroYieldMsCm.value, crop.ecThresholdMsCm.value + 2, 25);
      for (const kc of [crop.kcStart, ...crop.stages.map(({ kcEnd }) => kcEnd)]) between(kc, 0.15, 1.25);
      for (const lai of [crop.leafAreaStart, ...crop.stages.map(({ leafAreaEnd }) => leafAreaEnd)]) between(lai, 0, 6);
      for (const { rootDepthEndM, drainTargetPct, days, feed } of crop.stages) {
        between(rootDepthEndM, 0.05, 1.5);
        between(drainTargetPct, 0, 40);
        between(days, 5, 366);
        expect(PUBLISHED_TARGETS.some(({ id }) => id === feed)).toBe(true);
      }
      const { dayC, nightC, lightMolM2 } = crop.bands;
      for (const [from, to] of [dayC, nightC, lightMolM2]) expect(to).toBeGreaterThan(from);
      expect(crop.stages.some(({ picking }) => picking)).toBe(true);
    },
  );

  it.each(each)("takes %s through all its stages in the days that it says, in its usual climate", (_id, crop) => {
    const season = seasonStages({ crop, plantedOn: "2026-03-01" }, "2026-03-01").map(({ stage }) => stage);
    const days = season.reduce((sum, stage) => sum + (stage.driver?.kind === "thermal" ? NaN : stage.days), 0);
    const periods = grownByDays(crop, "2026-03-01").periodsFrom("2026-03-01");
    expect(periods.map(({ stage }) => stage)).toEqual(season);
    if (!Number.isNaN(days)) expect(periods.at(-1)?.endsOn).toBe(addDays("2026-03-01", days));
    const first = cropStateOn(grownByDays(crop, "2026-03-01"), "2026-03-01");
    expect(first?.period.stage).toBe(crop.stages[0]);
  });

  it("has maize flower near the warmth that is published for a late hybrid, within days of its usual length", () => {
    const periods = grownByDays(cropById("maize"), "2026-05-01").periodsFrom("2026-05-01");
    const silking = periods.find(({ stage }) => stage.id === "silking");
    expect(silking?.startsOn).toBe(addDays("2026-05-01", Math.ceil(70 / 12) + Math.ceil(620 / 12)));
  });
});

describe("the library's salt tolerance", () => {
  it("of melon falls from 1.0 mS/cm by 8.4 % for each mS/cm (Maas & Grattan 1999): nothing is left at 12.9", () => {
    const { ecThresholdMsCm, ecZeroYieldMsCm } = cropById("melon-netted");
    expect(ecThresholdMsCm.value).toBe(1);
    expect(100 - 8.4 * (ecZeroYieldMsCm.value - ecThresholdMsCm.value)).toBeCloseTo(0, 0);
  });
});
