import { describe, expect, it } from "vitest";
import type { ZoneDecision } from "../advice/decision.ts";
import { saturationVapourPressureKpa } from "../climate/air.ts";
import type { WeatherOfDay } from "../climate/weather-again.ts";
import { missingIn } from "../course/advance.ts";
import { grow } from "../crop/grown.ts";
import { cropById } from "../crop/library/library.ts";
import type { Watering } from "../irrigation/watering.ts";
import type { Place, ZoneDefinition } from "../site/zone.ts";
import { STORES, SUBSTRATE } from "../site/zones-for-tests.ts";
import { addDays, localDate } from "../time/local-time.ts";
import { findingsOf } from "./open-findings.ts";
import { rootsOf } from "./root-zone-state.ts";
import { FULL, NITROGEN } from "../rootzone/store.ts";
import { ZoneFacts } from "./zone-facts.ts";
import { ZonePlanner, type PlannedDay } from "./zone-planner.ts";
import { pulsesOf } from "./zone-pulses.ts";
import type { DayReadings, NitrogenFacts, PlannedZone, PlanRecords } from "./zone-records.ts";

const COAST: Place = { latitudeDeg: 45, longitudeDeg: 0, elevationM: 10, timeZone: "UTC" };
const PLANTED = "2026-05-20";
const TODAY = "2026-06-15";
const HOUR_MS = 3_600_000;
const [SOIL] = STORES as [ZoneDefinition];
const at = (date: string, hour: number): number => Date.parse(`${date}T00:00:00Z`) + hour * HOUR_MS;

/** The same clear day in June, again and again. */
function weatherOn(date: string): WeatherOfDay {
  const hours = Array.from({ length: 24 }, (_, hour) => {
    const of = (value: number) => ({ value, origin: "measured" as const });
    const sun = Math.max(0, Math.sin(((hour - 5.5) / 13) * Math.PI));
    const values = { airTemperature: of(22), humidity: of(60), wind: of(2), radiation: of(2.4 * sun), rain: of(0) };
    return { startMs: at(date, hour), values };
  });
  const vpdKpa = 0.4 * saturationVapourPressureKpa(22);
  const air = hours.map(({ startMs }) => ({ startMs, airTemperatureC: 22, vpdKpa, origin: "measured" as const }));
  return { date, hours, air: new Map([[1, air]]) };
}

interface Stored {
  readonly definition?: ZoneDefinition;
  readonly waterings?: readonly Watering[];
  /** by date */
  readonly readings?: Readonly<Record<string, DayReadings>>;
  readonly decisions?: readonly ZoneDecision[];
  /** days without weather */
  readonly dark?: readonly string[];
  readonly nitrogenOn?: PlanRecords["nitrogenOn"];
  readonly cropId?: string;
  /** pieces, by date */
  readonly taken?: Readonly<Record<string, number>>;
  /** in the place of one planting that fills the zone */
  readonly plantings?: readonly Partial<Parameters<typeof grow>[0]>[];
}

/** Courgettes, or another crop, in a zone, with what was stored of it. */
function planned({
  definition = SOIL,
  waterings = [],
  readings = {},
  decisions = [],
  dark = [],
  nitrogenOn = () => null,
  plantings = [{}],
  cropId = "courgette",
  taken = {},
}: Stored = {}) {
  const planting = { cropId, plantedOn: PLANTED, clearedOn: null, signs: [], part: null, steps: [] };
  const zone: PlannedZone = {
    ...{ id: 1, name: "Tunnel", houseId: 1, house: { transmissionPct: 70 }, definition, unconfirmed: [], layout: null },
    ...{ demand: null, grown: plantings.map((one) => grow({ ...planting, ...one }, cropById(cropId))) },
  };
  const dates = Array.from({ length: 40 }, (_, day) => addDays("2026-05-10", day)).filter((on) => !dark.includes(on));
  const records: PlanRecords = {
    place: COAST,
    weather: new Map(dates.map((on) => [on, weatherOn(on)])),
    logOf: (_zone, date) => ({
      waterings: waterings.filter(({ startMs }) => localDate(startMs, COAST.timeZone) === date),
      readings: readings[date] ?? {},
    }),
    ...{
      fedOn: () => null,
      nitrogenOn,
      takenOn: (_zone: number, date: string) => taken[date] ?? 0,
      drainWasRead: new Set(),
    },
    ...{ decisions, today: TODAY },
  };
  const planner = new ZonePlanner(zone, records, { mornings: new Map(), plans: new Map() });
  const day = (date = TODAY): PlannedDay => {
    const plan = planner.plan(date);
    if (typeof plan === "string") throw new Error(plan);
    return plan;
  };
  const findings = (date = TODAY) =>
    findingsOf(planner, day(date), rootsOf(zone, planner, day(date), date, at(date, 8)), date);
  return { zone, planner, day, findings, facts: new ZoneFacts(zone, records) };
}
const given = (date: string, hour: number, litres: number): Watering => ({
  ...{ zoneId: 1, startMs: at(date, hour), minutes: 30, litres },
});
const accepted = (more: Partial<ZoneDecision>): ZoneDecision => ({
  ...{ id: 1, zoneId: 1, cause: "drain-low", about: "", verdict: "accepted", decidedAt: "2026-06-01T08:00:00Z" },
  ...{ fromDate: "2026-06-02", correction: { demandFactor: 1.2, drainSharePct: null }, reason: null },
  ...more,
});

describe("a planting that fills part of its zone", () => {
  const part = (from: number, to: number) => ({ from, to, of: 3 });
  const seen = [{ stageId: "picking", on: "2026-06-05" }];

  it("drinks its share of what the whole would", () => {
    const demandMm = (plantings: Stored["plantings"]) =>
      planned({ definition: SUBSTRATE, ...(plantings && { plantings }) }).day().demand.demandMm;
    const whole = demandMm([{}]);
    expect(whole).toBeGreaterThan(1);
    expect(demandMm([{ part: part(1, 1) }]) / whole).toBeCloseTo(1 / 3, 2);
  });

  it("has its warmth of picking counted from its first pick on, unless another led the zone then", () => {
    const pickingCd = (plantings: Stored["plantings"]) =>
      planned({ ...(plantings && { plantings }) }).planner.roots.pickingCd(TODAY);
    const alone = pickingCd([{ signs: seen }]);
    expect(alone).toBeGreaterThan(50);
    expect(alone).toBeLessThan(22 * 11);
    const larger = { part: part(1, 2), clearedOn: "2026-06-10" };
    expect(pickingCd([larger, { part: part(3, 3), signs: seen }])).toBeNull();
  });
});

describe("plants that are sold by the piece", () => {
  it("stand no longer once they are taken: a tenth of the heads cut leaves nine tenths, from the next morning on", () => {
    const cut = addDays(TODAY, -3);
    const { facts } = planned({ cropId: "lettuce-butterhead", taken: { [cut]: SOIL.plants / 10 } });
    const standing = facts.standing(TODAY);
    if (!standing) throw new Error("lettuce stands there");
    expect(facts.left(cut, standing)).toBe(1);
    expect(facts.left(addDays(cut, 1), standing)).toBeCloseTo(0.9, 9);
    expect(facts.left(TODAY, standing)).toBeCloseTo(0.9, 9);
  });

  it("are all there of a crop that is weighed, whatever was counted of it", () => {
    const { facts } = planned({ taken: { [addDays(TODAY, -3)]: 40 } });
    const standing = facts.standing(TODAY);
    expect(standing && facts.left(TODAY, standing)).toBe(1);
  });
});

describe("bags as they stand", () => {
  it("hold as much of their water as is not missing, in per cent", () => {
    const { zone, planner, day } = planned({ definition: SUBSTRATE });
    const roots = rootsOf(zone, planner, day(), TODAY, at(TODAY, 0));
    if (roots?.kind !== "drained") throw new Error("bags drain");
    const morning = planner.roots.morning(TODAY);
    const full = roots.heldPct / (1 - missingIn(morning) / (morning[FULL] ?? NaN));
    expect(full).toBeCloseTo(100, 6);
  });
});

describe("the plan of a zone", () => {
  it("says why there is none: nothing stands, or the weather is not known", () => {
    expect(planned().planner.plan(addDays(PLANTED, -1))).toBe("not-planted");
    expect(planned({ dark: [TODAY] }).planner.plan(TODAY)).toBe("no-weather");
  });

  it("takes a day without a log as run by its plan, and one with a log as it was logged", () => {
    const yesterday = addDays(TODAY, -1);
    const of = (waterings: readonly Watering[]) => planned({ definition: SUBSTRATE, waterings });
    const missingOn = (waterings: readonly Watering[]) => missingIn(of(waterings).planner.roots.morning(TODAY));
    const { water } = of([]).day(yesterday).day;
    expect(water.litres).toBeGreaterThan(0);
    expect(missingOn([given(yesterday, 12, water.litres)])).toBeCloseTo(missingOn([]), 0);
    // On 200 m²: half the litres are that many mm less, of which none would have drained.
    const half = missingOn([given(yesterday, 12, water.litres / 2)]) - missingOn([]);
    expect(half).toBeCloseTo(water.litres / 2 / 200 - water.drainL / 200, 0);
    expect(half).toBeGreaterThan(0.5);
  });

  it("is the same however often and in which order its days are asked for", () => {
    const one = planned();
    const other = planned();
    const later = one.day("2026-06-18").day.water.litres;
    for (let date = PLANTED; date <= TODAY; date = addDays(date, 1)) other.planner.plan(date);
    expect(other.day("2026-06-18").day.water.litres).toBeCloseTo(later, 9);
    expect(one.day("2026-06-10").day.water.litres).toBeCloseTo(other.day("2026-06-10").day.water.litres, 9);
  });

  it("follows a correction from its day on, not one of a planting before, and the last of two", () => {
    const litres = (decisions: readonly ZoneDecision[], date = TODAY) =>
      planned({ definition: SUBSTRATE, decisions }).day(date).day.water.litres;
    const plain = litres([]);
    expect(litres([accepted({})]) / plain).toBeCloseTo(1.2, 6);
    expect(litres([accepted({})], "2026-06-01")).toBeCloseTo(litres([], "2026-06-01"), 9);
    expect(litres([accepted({ fromDate: addDays(PLANTED, -1) })])).toBeCloseTo(plain, 9);
    expect(litres([accepted({ zoneId: 2 })])).toBeCloseTo(plain, 9);
    const later = accepted({ id: 2, fromDate: "2026-06-05", correction: { demandFactor: 0.9, drainSharePct: null } });
    expect(litres([accepted({}), later]) / plain).toBeCloseTo(0.9, 6);
  });
});

describe("nitrogen in the root zone", () => {
  const nothing: NitrogenFacts = { givenKgHa: 0, yearKgHa: 0, measuredKgHa: null, wantedKgHa: 0 };
  const standing = (more: Partial<NitrogenFacts>) => {
    const nitrogenOn: PlanRecords["nitrogenOn"] = (_zone, date) =>
      date === addDays(TODAY, -1) ? { ...nothing, ...more } : nothing;
    return planned({ nitrogenOn }).planner.roots.morning(TODAY)[NITROGEN] ?? NaN;
  };

  it("is what was given, and of a soil test what that found, g/m²", () => {
    expect(standing({})).toBe(0);
    // Roots that grow into ground as rich bring a little more by the next morning.
    expect(standing({ givenKgHa: 30 })).toBeCloseTo(3, 0);
    expect(standing({ measuredKgHa: 50 })).toBeCloseTo(5, 0);
    expect(standing({ measuredKgHa: 50, givenKgHa: 30 })).toBeCloseTo(8, 0);
  });

  it("is taken up as the crop wants it", () => {
    const all = standing({ measuredKgHa: 50 });
    expect(all - standing({ measuredKgHa: 50, wantedKgHa: 4 })).toBeCloseTo(0.4, 1);
  });
});

describe("the pulses of a zone's day", () => {
  it("are those of its log, and of its plan only what comes after them", () => {
    const { planner, day } = planned({ definition: SUBSTRATE, waterings: [given(TODAY, 7, 300)] });
    const pulses = pulsesOf(planner, day(), TODAY);
    expect(pulses[0]).toEqual({ startMs: at(TODAY, 7), endMs: at(TODAY, 7.5), litres: 300, state: "logged" });
    expect(pulses.length).toBeGreaterThan(1);
    for (const { startMs, state } of pulses.slice(1))
      expect([state, startMs > at(TODAY, 7.5)]).toEqual(["planned", true]);
  });
});

describe("what is found in a zone", () => {
  it("is water that did not come: logged against the plan of the day before", () => {
    const yesterday = addDays(TODAY, -1);
    const planL = planned({ definition: SUBSTRATE }).day(yesterday).day.water.litres;
    const found = (share: number) =>
      planned({ definition: SUBSTRATE, waterings: [given(yesterday, 8, share * planL)] })
        .findings()
        .map(({ station, finding: { cause, mark } }) => [station, cause, mark]);
    expect(found(1)).toEqual([]);
    expect(found(0.88)).toEqual([["run", "delivery", "watch"]]);
    expect(found(0.5)).toEqual([["run", "delivery", "act"]]);
  });

  it("is a low drain with its cure from the day after, until it is decided and read anew", () => {
    const read = (date: string, drainPct: number): NonNullable<Stored["readings"]> => ({
      [date]: { drainPct: { value: drainPct, atMs: at(date, 6) } },
    });
    const low = planned({ definition: SUBSTRATE, readings: read(TODAY, 5) });
    const [entry] = low.findings();
    expect(entry).toMatchObject({
      ...{ station: "roots", finding: { cause: "drain-low", drainPct: 5 }, about: `${TODAY}T06:00:00.000Z` },
      ...{ decision: null, proposal: { fromDate: addDays(TODAY, 1) } },
    });
    const { before, after } = entry?.proposal ?? {};
    expect(after?.litres).toBeGreaterThan(before?.litres ?? Infinity);
    const about = { cause: "drain-low", about: entry?.about ?? "", verdict: "dismissed" as const, correction: null };
    const decided = planned({ definition: SUBSTRATE, readings: read(TODAY, 5), decisions: [accepted(about)] });
    expect(decided.findings()[0]?.decision).toMatchObject({ id: 1, verdict: "dismissed" });
    expect(decided.findings()[0]?.decision).not.toHaveProperty("zoneId");
    expect(planned({ definition: SUBSTRATE, readings: read(addDays(TODAY, -3), 5) }).findings()).toEqual([]);
  });
});
