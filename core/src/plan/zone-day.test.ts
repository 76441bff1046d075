import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { evenly } from "../working/evenly-for-tests.ts";
import { sunTimes } from "../climate/sun-times.ts";
import { cropById } from "../crop/library/library.ts";
import { grownByDays } from "../crop/grown.ts";
import { cropStateOn } from "../crop/stage-on.ts";
import type { Place, ZoneDefinition } from "../site/zone.ts";
import { STORES, SUBSTRATE } from "../site/zones-for-tests.ts";
import { dayHours, fullState, giveWater, missingIn, stateOf, storeOn, walkDay } from "../course/index.ts";
import type { Demand } from "./demand-input.ts";
import { DRAIN_MM, FLUX_SLOTS } from "../rootzone/store.ts";
import { FIGURES, planZoneDay, type ZoneDayInput } from "./zone-day.ts";

const crop = cropById("courgette");
const cropState = cropStateOn(grownByDays(crop, "2026-05-01"), "2026-06-15");
if (!cropState) throw new Error("the crop stands on that day");
const COAST: Place = { latitudeDeg: 51, longitudeDeg: 0, elevationM: 10, timeZone: "UTC" };
const ZONES: readonly ZoneDefinition[] = [SUBSTRATE, ...STORES];

/** A day's demand, all of it in the hour after noon. */
function demandOf(demandMm: number, date: string): Demand {
  const label = { label: "Demand", formula: "", substituted: "", value: demandMm, unit: "L/m²", source: "test" };
  return {
    demandMm,
    hourlyMm: Array.from({ length: 24 }, (_, hour) => ({
      startMs: Date.parse(`${date}T00:00:00Z`) + hour * HOUR_MS,
      mm: hour === 12 ? demandMm : 0,
    })),
    solarOutsideMjM2: 20,
    lightSumMolM2: 30,
    warnings: [],
    working: [label],
    inputs: [],
  };
}

interface DayOptions extends Partial<Pick<ZoneDayInput, "date" | "place">> {
  readonly demandMm: number;
  /** missing this morning */
  readonly missingMm?: number;
  /** mm in the hour after six */
  readonly rainMm?: number;
}

function dayOf(zone: ZoneDefinition, options: DayOptions) {
  const { demandMm, date = "2026-06-15", missingMm = 0, rainMm = 0, place = COAST } = options;
  if (!cropState) throw new Error("no crop");
  const store = storeOn(zone, crop, cropState, demandMm);
  const state = stateOf(store, Math.min(missingMm, store.availableMm), 1);
  const rain = [{ startMs: Date.parse(`${date}T06:00:00Z`), mm: rainMm }];
  return planZoneDay({
    zone,
    unconfirmed: [],
    place,
    date,
    crop,
    cropState,
    demand: demandOf(demandMm, date),
    state,
    rain,
  });
}

const HOUR_MS = 3_600_000;

describe("a zone's day", () => {
  it.each(ZONES.map((zone) => [zone.system, zone] as const))(
    "%s gets what its pulses add up to, inside the sun's window, with a working that ends on each figure",
    (_system, zone) => {
      const anyDay = fc.record({
        demandMm: evenly(0, 9),
        missingMm: evenly(0, 40),
        rainMm: evenly(0, 30),
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
            expect(pulse.startS).toBeGreaterThanOrEqual(window.startS);
            expect(pulse.startS + pulse.minutes * 60).toBeLessThanOrEqual(window.endS + 1);
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
    const before = dayOf(tank, { demandMm: 3, missingMm: 16.9 }).water;
    const due = dayOf(tank, { demandMm: 3, missingMm: 20 }).water;
    expect(before.litres).toBe(0);
    // What is missing when it is due, and nothing for the hours to come.
    expect(due).toMatchObject({ netMm: 20, grossMm: 20, litres: 20 * tank.areaM2, drainL: 0 });
    expect(due.events).toHaveLength(1);
    // Reached in the hour after noon: filled at one, with what that hour took.
    const later = dayOf(tank, { demandMm: 3, missingMm: 19 });
    expect(later.water).toMatchObject({ netMm: 22, events: [{ startS: 13 * 3600 }] });
  });

  it("fills a tank that was read to be low, from the hour of the reading on", () => {
    const [tank] = STORES.filter((zone) => zone.system === "solution-tank");
    if (!tank || !cropState) throw new Error("no tank");
    const plan = planZoneDay({
      zone: tank,
      unconfirmed: [],
      place: COAST,
      date: "2026-06-15",
      crop,
      cropState,
      demand: demandOf(0, "2026-06-15"),
      state: stateOf(storeOn(tank, crop, cropState, 0), 5, 1),
      reads: [{ afterHours: 9.8, missingMm: 60 }],
    });
    expect(plan.water).toMatchObject({ netMm: 60, events: [{ startS: 10 * 3600 }] });
  });

  it("moves a bench's whole flood, of which the pots keep what they lack", () => {
    const [bench] = STORES.filter((zone) => zone.system === "sub-irrigated-bench");
    if (!bench) throw new Error("no bench");
    // 0.4 L × 2000 ÷ 200 m² hold 4 mm; flooded at 60 % left, that is 1.6 mm gone
    const { water } = dayOf(bench, { demandMm: 1, missingMm: 2 });
    expect(water.netMm).toBeCloseTo(2, 9);
    expect(water.litres).toBeCloseTo(25 * bench.areaM2, 6);
    expect(water.drainL).toBeCloseTo(23 * bench.areaM2, 6);
  });

  it("lets rain and what seeps count in a basin", () => {
    const [basin] = STORES.filter((zone) => zone.system === "basin");
    if (!basin) throw new Error("no basin");
    // It seeps 4 mm a day: 60 mm missing at midnight are more by a sixth of a millimetre an hour until it is filled.
    const dry = dayOf(basin, { demandMm: 5, missingMm: 60 });
    const startH = dry.window.startS / 3600;
    expect(dry.water.netMm).toBeCloseTo(60 + Math.floor(startH) / 6, 6);
    const wet = dayOf({ ...basin, startAfterSunriseMin: 300 }, { demandMm: 5, missingMm: 80, rainMm: 12 }).water;
    const late = dayOf({ ...basin, startAfterSunriseMin: 300 }, { demandMm: 5, missingMm: 80 }).water;
    expect(late.netMm - wet.netMm).toBeCloseTo(12, 6);
  });

  it("gives a loam over 60 days of 5 mm what it uses and what unevenness takes: about 346 mm", () => {
    // 50 mm held, EU 85 %: (60 · 5 − what is missing at the end) ÷ 0.85; filled up in advance every evening it was 440.
    const [soil] = STORES.filter((zone) => zone.system === "soil-drip");
    if (soil?.system !== "soil-drip" || !cropState) throw new Error("no soil");
    const zone = { ...soil, uniformityPct: 85, refillPct: 100, availableMmM: 100, wettedPct: 100, ecWaterMsCm: 0.1 };
    const standing = { ...cropState, rootDepthM: 0.5 };
    let state = stateOf(storeOn(zone, crop, standing, 5), 0, 1);
    let [given, drained] = [0, 0];
    for (let day = 0; day < 60; day++) {
      const date = new Date(Date.parse("2026-06-01T00:00:00Z") + day * 24 * HOUR_MS).toISOString().slice(0, 10);
      const demand = demandOf(5, date);
      const spread = demand.hourlyMm.map(({ startMs }, hour) => ({ startMs, mm: hour >= 7 && hour < 17 ? 0.5 : 0 }));
      const plan = planZoneDay({
        zone,
        unconfirmed: [],
        place: COAST,
        date,
        crop,
        cropState: standing,
        demand: { ...demand, hourlyMm: spread },
        state,
      });
      const hours = dayHours(spread, []);
      const runs = plan.water.events.map(({ startS, litres }) => ({
        startMs: Date.parse(`${date}T00:00:00Z`) + startS * 1000,
        mm: litres / zone.areaM2,
      }));
      expect(
        giveWater(
          hours,
          spread.map(({ startMs }) => startMs),
          runs,
        ),
      ).toBe(0);
      given += runs.reduce((sum, { mm }) => sum + mm, 0);
      const walked = walkDay(state, storeOn(zone, crop, standing, 5), hours);
      for (let at = 0; at < walked.flux.length; at += FLUX_SLOTS) drained += walked.flux[at + DRAIN_MM] ?? 0;
      state = walked.state;
    }
    expect(given).toBeCloseTo((300 - missingIn(state)) / 0.85, 6);
    expect(given).toBeGreaterThan(330);
    expect(given).toBeLessThan(353);
    expect(drained).toBeCloseTo(0, 9);
  });

  it("waters later where a stage is to dry on purpose", () => {
    const [soil] = STORES.filter((zone) => zone.system === "soil-drip");
    if (!soil || !cropState) throw new Error("no soil");
    const drier = { ...cropState, drierPct: 20 };
    const of = (standing: typeof cropState) =>
      planZoneDay({
        zone: soil,
        unconfirmed: [],
        place: COAST,
        date: "2026-06-15",
        crop,
        cropState: standing,
        demand: demandOf(5, "2026-06-15"),
        state: fullState(soil, crop, cropState),
      }).store;
    expect(of(drier).triggerMm - of(cropState).triggerMm).toBeCloseTo(0.2 * of(cropState).availableMm, 9);
  });

  it("rests buried lines on the days off, unless nothing is left", () => {
    const [buried] = STORES.filter((zone) => zone.system === "buried-drip");
    if (buried?.system !== "buried-drip") throw new Error("no buried lines");
    const week = Array.from({ length: 7 }, (_, day) => `2026-06-${15 + day}`);
    const watered = (daysAWeek: number, missingMm: number): number =>
      week.filter((date) => dayOf({ ...buried, daysAWeek }, { demandMm: 4, missingMm, date }).water.litres > 0).length;
    expect([1, 3, 5, 7].map((days) => watered(days, 30))).toEqual([1, 3, 5, 7]);
    expect(watered(1, 200)).toBe(7);
  });

  it("waters leafless bushes by weight: nothing for days, and then what they have lost", () => {
    const dormant = { ...cropState, leafAreaIndex: 0 };
    // 4 L · 2000 ÷ 200 m² hold 40 mm; half of the easy half of it, 10 mm, may be gone
    const at = (missingMm: number): number => {
      const store = storeOn(SUBSTRATE, crop, dormant, 0.3);
      return planZoneDay({
        zone: SUBSTRATE,
        unconfirmed: [],
        place: COAST,
        date: "2026-01-15",
        crop,
        cropState: dormant,
        demand: demandOf(0.3, "2026-01-15"),
        state: stateOf(store, missingMm, 1),
      }).water.netMm;
    };
    expect(at(9)).toBe(0);
    expect(at(10.5)).toBeCloseTo(10.5, 6);
  });

  it("keeps an hour short of a sunset after midnight as far before midnight as it is before the sunset", () => {
    // At 65.0° N, 25.5° E the June sun sets at 0:02 of the next date by the clock of Helsinki (UTC+3).
    const north = { latitudeDeg: 65, longitudeDeg: 25.5, elevationM: 10, timeZone: "Europe/Helsinki" };
    const at = (endBeforeSunsetMin: number): number =>
      dayOf({ ...SUBSTRATE, endBeforeSunsetMin }, { demandMm: 2, date: "2026-06-20", place: north }).window.endS;
    const sun = sunTimes("2026-06-20", north.timeZone, north.latitudeDeg, north.longitudeDeg);
    const afterMidnightS = ((sun?.setMs ?? 0) - Date.parse("2026-06-20T21:00:00Z")) / 1000;
    expect(afterMidnightS).toBeGreaterThan(0);
    expect(at(0)).toBe(86_400);
    expect(at(60)).toBeCloseTo(86_400 + afterMidnightS - 3600, -2);
  });

  it("keeps an hour around noon where sunrise and sunset leave none, and eight to four where there is no sun", () => {
    const late = { ...SUBSTRATE, startAfterSunriseMin: 240, endBeforeSunsetMin: 240 };
    const short = dayOf(late, { demandMm: 1, date: "2026-12-21" }).window;
    expect(short.endS - short.startS).toBe(3600);
    expect(short.startS).toBeLessThan(12 * 3600);
    const polar = { ...COAST, latitudeDeg: 75 };
    expect(dayOf(SUBSTRATE, { demandMm: 1, date: "2026-12-21", place: polar }).window).toEqual({
      startS: 8 * 3600,
      endS: 16 * 3600,
    });
  });
});
