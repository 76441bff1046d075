import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { rootZone } from "./course/root-zone.ts";
import { cropById } from "./crop/library/library.ts";
import { grownByDays } from "./crop/grown.ts";
import { cropStateOn } from "./crop/stage-on.ts";
import type { Demand } from "./plan/demand-input.ts";
import { planZoneDay } from "./plan/zone-day.ts";
import { NOTHING_DRIPS } from "./site/layout-starts.ts";
import type { ZoneDefinition } from "./site/zone.ts";
import type { GrowingSystem } from "./systems/growing-system.ts";
import { fieldsOf, SYSTEMS } from "./systems/index.ts";
import { refill } from "./systems/refill.ts";

const filmOf = (zone: ZoneDefinition): number => (zone as unknown as { readonly filmMm: number }).filmMm;

/** Roots that hang in the air and are misted: made up here, known to nothing but its own module. */
const mistWall: GrowingSystem<ZoneDefinition> = {
  id: "mist-wall" as never,
  fields: [
    { key: "filmMm", name: "Film on the roots", unit: "mm", least: 0.1, most: 5, start: { value: 1, source: "here" } },
  ],
  store: (zone) => ({
    fullMm: filmOf(zone),
    availableMm: filmOf(zone),
    easyMm: filmOf(zone) / 2,
    overMm: 0,
    drainShareH: 1,
    seepMmH: 0,
    efficientShare: 1,
    returns: true,
  }),
  marks: (_zone, { fullMm }) => ({ triggerMm: fullMm / 4, leaveMm: 0 }),
  seen: () => ({}),
  missingMm: () => null,
  layout: { ...NOTHING_DRIPS, widthM: 1, rows: 2, inRowM: 0.3 },
  returns: true,
  demand: "canopy",
  policy: (asked, sheet) =>
    refill(asked, { lossShare: 0, leachingPct: 0, overWords: "runs back", source: "here" }, sheet),
};

const registry = SYSTEMS as Record<string, unknown>;
beforeAll(() => void (registry["mist-wall"] = mistWall));
afterAll(() => void delete registry["mist-wall"]);

const zone = {
  system: "mist-wall",
  areaM2: 100,
  plants: 400,
  flowLh: 2000,
  uniformityPct: 95,
  startAfterSunriseMin: 0,
  endBeforeSunsetMin: 0,
  minGapMin: 0,
  filmMm: 1,
} as unknown as ZoneDefinition;

describe("a seventh growing system", () => {
  it("has its fields from its module alone", () => {
    expect(fieldsOf(zone.system).map(({ key }) => key)).toContain("filmMm");
  });

  it("goes through the hours like any other, and loses no water", () => {
    const hours = Array.from({ length: 48 }, (_, hour) => ({ demandMm: 0.1, waterMm: hour % 4 === 0 ? 0.6 : 0 }));
    const { balance, hours: stood } = rootZone({ zone: zone as never, hours });
    expect(Math.abs(balance.water.residualMm)).toBeLessThan(1e-9);
    expect(stood[3]?.depletionMm).toBeCloseTo(0.4, 9);
  });

  it("gets a day's plan by its own policy: each time a quarter of its film is gone", () => {
    const crop = cropById("courgette");
    const cropState = cropStateOn(grownByDays(crop, "2026-05-01"), "2026-06-15");
    if (!cropState) throw new Error("the crop stands on that day");
    const noon = Date.parse("2026-06-15T00:00:00Z");
    const step = { label: "Demand", formula: "", substituted: "", value: 2.4, unit: "L/m²", source: "test" };
    const demand: Demand = {
      demandMm: 2.4,
      hourlyMm: Array.from({ length: 24 }, (_, hour) => ({ startMs: noon + hour * 3_600_000, mm: 0.1 })),
      solarOutsideMjM2: 20,
      lightSumMolM2: 30,
      warnings: [],
      working: [step],
      inputs: [],
    };
    const place = { latitudeDeg: 51, longitudeDeg: 0, elevationM: 10, timeZone: "UTC" };
    const { water } = planZoneDay({ zone, unconfirmed: [], place, date: "2026-06-15", crop, cropState, demand });
    expect(water.events.length).toBeGreaterThan(4);
    // What is given by day is what had gone; the night after the last pulse is still missing.
    expect(water.litres).toBeGreaterThan(0.6 * 240);
    expect(water.litres).toBeLessThan(240);
  });
});
