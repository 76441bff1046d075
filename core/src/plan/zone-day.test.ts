import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { cropById } from "../crop/library.ts";
import { cropStateOn } from "../crop/stage-on.ts";
import { clockSeconds } from "../time/clock.ts";
import type { Place, ZoneDefinition } from "../site/zone.ts";
import { STORES, SUBSTRATE } from "../site/zones-for-tests.ts";
import type { Demand } from "./demand.ts";
import { FIGURES, planZoneDay, type ZoneDayInput } from "./zone-day.ts";

const crop = cropById("courgette");
const cropState = cropStateOn(crop, "2026-05-01", "2026-06-15");
if (!cropState) throw new Error("the crop stands on that day");
const COAST: Place = { latitudeDeg: 51, longitudeDeg: 0, elevationM: 10, timeZone: "UTC" };
const ZONES: readonly ZoneDefinition[] = [SUBSTRATE, ...STORES];

/** A day's demand, all of it at noon. */
function demandOf(demandMm: number, date: string): Demand {
  const label = { label: "Demand", formula: "", substituted: "", value: demandMm, unit: "L/m²", source: "test" };
  return {
    demandMm,
    hourlyMm: [{ startMs: Date.parse(`${date}T12:00:00Z`), mm: demandMm }],
    solarOutsideMjM2: 20,
    lightSumMolM2: 30,
    warnings: [],
    working: [label],
    inputs: [],
  };
}

function dayOf(zone: ZoneDefinition, options: Partial<ZoneDayInput> & { demandMm: number }) {
  const { demandMm, date = "2026-06-15", ...others } = options;
  if (!cropState) throw new Error("no crop");
  const input = { zone, unconfirmed: [], place: COAST, date, crop, cropState, demand: demandOf(demandMm, date) };
  return planZoneDay({ ...input, ...others });
}

const seconds = (start: string): number => clockSeconds(start, "start");

describe("a zone's day", () => {
  it.each(ZONES.map((zone) => [zone.system, zone] as const))(
    "%s gets what its pulses add up to, inside the sun's window, with a working that ends on each figure",
    (_system, zone) => {
      const anyDay = fc.record({
        demandMm: fc.double({ min: 0, max: 9, noNaN: true }),
        depletionMm: fc.double({ min: 0, max: 40, noNaN: true }),
        rainMm: fc.double({ min: 0, max: 30, noNaN: true }),
        date: fc.constantFrom("2026-01-03", "2026-06-15", "2026-12-21"),
        latitudeDeg: fc.constantFrom(-55, 0, 37, 66),
      });
      fc.assert(
        fc.property(anyDay, ({ latitudeDeg, ...day }) => {
          const { water, window, workings } = dayOf(zone, { ...day, place: { ...COAST, latitudeDeg } });
          const sum = water.events.reduce((litres, pulse) => litres + pulse.litres, 0);
          expect(sum).toBeCloseTo(water.litres, 6);
          expect(water.litres).toBeGreaterThanOrEqual(0);
          for (const pulse of water.events) {
            expect(seconds(pulse.start)).toBeGreaterThanOrEqual(seconds(window.start));
            expect(seconds(pulse.start) + pulse.minutes * 60).toBeLessThanOrEqual(seconds(window.end) + 1);
          }
          expect(workings.gross?.at(-1)?.value).toBeCloseTo(water.grossMm, 9);
          for (const steps of Object.values(workings)) expect(steps[0]?.label).toBe("Demand");
          if (water.litres > 0) expect(Object.keys(workings).sort()).toEqual(Object.keys(FIGURES).sort());
        }),
        { numRuns: 60 },
      );
    },
  );

  it("fills a tank to its mark at the mark set for it, in one go, and not a millimetre sooner", () => {
    const [tank] = STORES.filter((zone) => zone.system === "solution-tank");
    if (!tank) throw new Error("no tank");
    const before = dayOf(tank, { demandMm: 3, depletionMm: 16.9 }).water;
    const due = dayOf(tank, { demandMm: 3, depletionMm: 17 }).water;
    expect(before.litres).toBe(0);
    expect(due).toMatchObject({ netMm: 20, grossMm: 20, litres: 20 * tank.areaM2, drainL: 0 });
    expect(due.events).toHaveLength(1);
  });

  it("moves a bench's whole flood, of which the pots keep what they lack", () => {
    const [bench] = STORES.filter((zone) => zone.system === "sub-irrigated-bench");
    if (!bench) throw new Error("no bench");
    // 0.4 L × 2000 ÷ 200 m² hold 4 mm; flooded at 60 % left, that is 1.6 mm gone
    const { water } = dayOf(bench, { demandMm: 1, depletionMm: 1 });
    expect(water.netMm).toBeCloseTo(2, 9);
    expect(water.litres).toBeCloseTo(25 * bench.areaM2, 6);
    expect(water.drainL).toBeCloseTo(23 * bench.areaM2, 6);
  });

  it("lets rain and what seeps count in a basin", () => {
    const [basin] = STORES.filter((zone) => zone.system === "basin");
    if (!basin) throw new Error("no basin");
    const dry = dayOf(basin, { demandMm: 5, depletionMm: 60 }).water;
    const wet = dayOf(basin, { demandMm: 5, depletionMm: 60, rainMm: 12 }).water;
    expect(dry.netMm - wet.netMm).toBeCloseTo(12, 9);
  });

  it("rests buried lines on the days off, unless nothing is left", () => {
    const [buried] = STORES.filter((zone) => zone.system === "buried-drip");
    if (buried?.system !== "buried-drip") throw new Error("no buried lines");
    const week = Array.from({ length: 7 }, (_, day) => `2026-06-${15 + day}`);
    const watered = (daysAWeek: number, depletionMm: number): number =>
      week.filter((date) => dayOf({ ...buried, daysAWeek }, { demandMm: 4, depletionMm, date }).water.litres > 0)
        .length;
    expect([1, 3, 5, 7].map((days) => watered(days, 30))).toEqual([1, 3, 5, 7]);
    expect(watered(1, 200)).toBe(7);
  });

  it("keeps an hour around noon where sunrise and sunset leave none, and eight to four where there is no sun", () => {
    const late = { ...SUBSTRATE, startAfterSunriseMin: 240, endBeforeSunsetMin: 240 };
    const short = dayOf(late, { demandMm: 1, date: "2026-12-21" }).window;
    expect(seconds(short.end) - seconds(short.start)).toBe(3600);
    expect(seconds(short.start)).toBeLessThan(12 * 3600);
    const polar = { ...COAST, latitudeDeg: 75 };
    expect(dayOf(SUBSTRATE, { demandMm: 1, date: "2026-12-21", place: polar }).window).toEqual({
      start: "08:00",
      end: "16:00",
    });
  });
});
