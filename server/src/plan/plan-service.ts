import type { ZoneDayAnswer } from "@sprunel/contract/plan";
import type { RootHistory } from "@sprunel/contract/rootzone";
import type { Site } from "@sprunel/contract/site";
import type { Board, BoardZone } from "@sprunel/contract/today";
import { sunTimes } from "@sprunel/core/climate";
import { standingOn } from "@sprunel/core/crop";
import { outsideEt } from "@sprunel/core/plan";
import type { StoreState } from "@sprunel/core/rootzone";
import { addDays, localDate, startOfLocalDay } from "@sprunel/core/time";
import type { Knex } from "knex";
import type { WeatherService } from "../climate/weather-service.ts";
import { decisionStore } from "../advice/decision-store.ts";
import { pickStore } from "../harvest/pick-store.ts";
import { badInput, notFound } from "../http/problems.ts";
import { wateringStore, type Watering } from "../irrigation/watering-store.ts";
import { readingStore } from "../rootzone/reading-store.ts";
import { siteStore } from "../site/site-store.ts";
import { zoneStore, type StoredZone } from "../site/zone-store.ts";
import { litresOf, recordKey, ZonePlanner, type DayReadings, type Mornings, type Records } from "./zone-plan.ts";
import { boardZone } from "./board-zone.ts";
import { drainWorkings, weatherWorkings, workingsOf } from "./workings.ts";
import { findingsOf, pulsesOf, rootsOf } from "./zone-state.ts";

export type PlanService = ReturnType<typeof planService>;

/** Days asked for beyond this are typing errors. */
const FIRST_DATE = "2000-01-01";
const LAST_DATE = "2100-12-31";
/** Readings that a day's plan and its judgement look back on. */
const READING_DAYS = 7;
/** Plans of so many dates are remembered for their litres. */
const MOST_DATES = 60;
/** Beyond this no weather is known, not even filled in, and no root zone is followed there. */
const FOLLOWED_AHEAD_DAYS = 14;

/** What each zone gets on a date, and how it stands. */
export function planService(
  db: Knex,
  clock: () => number,
  weather: WeatherService,
  suppliesOf: (
    site: Site,
    zones: readonly StoredZone[],
    date: string,
  ) => Promise<(zone: StoredZone) => NonNullable<BoardZone["water"]>>,
) {
  const mornings = new Map<number, Mornings>();
  const litres = new Map<string, ReadonlyMap<number, number>>();

  function morningsOf(zone: StoredZone): Mornings {
    const known = mornings.get(zone.id) ?? new Map<string, StoreState>();
    mornings.set(zone.id, known);
    return known;
  }

  /** Soil is followed from planting, or from the last morning that is known; every plan looks back on a few days. */
  function firstDateNeeded(zones: readonly StoredZone[], date: string): string {
    const lastFollowed = new Date(clock() + FOLLOWED_AHEAD_DAYS * 86_400_000).toISOString().slice(0, 10);
    const earliest = zones.map(({ id, definition, plantings }) => {
      if (definition.system === "substrate" || date > lastFollowed) return date;
      // Before planting and after the last stage there is no root zone to follow.
      const standing = standingOn(plantings, date);
      if (!standing) return date;
      return mornings.get(id)?.has(addDays(date, -READING_DAYS)) ? date : standing.planting.plantedOn;
    });
    return [...earliest, addDays(date, -READING_DAYS)].sort()[0] ?? date;
  }

  async function recordsFor(site: Site, zones: readonly StoredZone[], date: string, earliest = date): Promise<Records> {
    const needed = firstDateNeeded(zones, date);
    const from = earliest < needed ? earliest : needed;
    // A correction of today shows on tomorrow's plan.
    const days = await weather.days(site, from, addDays(date, 1));
    const toMs = startOfLocalDay(addDays(date, 1), site.timeZone);
    const keyOf = (zoneId: number, atMs: number): string => recordKey(zoneId, localDate(atMs, site.timeZone));
    const waterings = new Map<string, Watering[]>();
    for (const watering of await wateringStore(db).between(startOfLocalDay(from, site.timeZone), toMs)) {
      const key = keyOf(watering.zoneId, watering.startMs);
      waterings.set(key, [...(waterings.get(key) ?? []), watering]);
    }
    const readings = new Map<string, DayReadings>();
    for (const { zoneId, kind, atMs, value } of await readingStore(db).between(
      startOfLocalDay(from, site.timeZone),
      toMs,
    )) {
      const key = keyOf(zoneId, atMs);
      readings.set(key, { ...readings.get(key), [kind]: { value, atMs } });
    }
    return {
      site,
      weather: new Map(days.map((day) => [day.date, day])),
      waterings,
      readings,
      decisions: await decisionStore(db).upTo(addDays(date, 1)),
      today: localDate(clock(), site.timeZone),
    };
  }

  function checkedDate(asked: string | undefined, today: string): string {
    const date = asked ?? today;
    if (date < FIRST_DATE || date > LAST_DATE)
      throw badInput([{ path: "date", message: `The date must lie from ${FIRST_DATE} to ${LAST_DATE}, not ${date}.` }]);
    return date;
  }

  return {
    /** After anything stored has changed. */
    forget(): void {
      mornings.clear();
      litres.clear();
    },

    /** L that each zone's plan gives on a date; none without a plan. */
    async litresOn(asked: string): Promise<ReadonlyMap<number, number>> {
      const site = await siteStore(db).find();
      if (!site) return new Map<number, number>();
      const date = checkedDate(asked, localDate(clock(), site.timeZone));
      const known = litres.get(date);
      if (known) return known;
      const zones = await zoneStore(db).list();
      const records = await recordsFor(site, zones, date);
      const planned = new Map(
        zones.map((zone) => {
          const plan = new ZonePlanner(zone, records, morningsOf(zone)).plan(date);
          return [zone.id, typeof plan === "string" ? 0 : plan.day.water.litres];
        }),
      );
      if (litres.size >= MOST_DATES) litres.clear();
      litres.set(date, planned);
      return planned;
    },

    async board(asked: string | undefined): Promise<Board> {
      const site = await siteStore(db).find();
      const nowMs = clock();
      const now = new Date(nowMs).toISOString();
      if (!site) {
        const today = now.slice(0, 10);
        return { now, today, date: checkedDate(asked, today), site: null, sun: null, hours: [], zones: [] };
      }
      const today = localDate(nowMs, site.timeZone);
      const date = checkedDate(asked, today);
      const zones = await zoneStore(db).list();
      const records = await recordsFor(site, zones, date);
      const planted = zones.flatMap(({ id, plantings }) => {
        const standing = standingOn(plantings, date);
        return standing ? [[id, standing.planting.plantedOn] as const] : [];
      });
      const picked = await pickStore(db).totalsSince(new Map(planted), date);
      const supplies = await suppliesOf(site, zones, date);
      const supplyOf = (zone: StoredZone): BoardZone["water"] => {
        const supply = supplies(zone);
        return supply.waters.length > 0 ? supply : null;
      };
      const sun = sunTimes(date, site.timeZone, site.latitudeDeg, site.longitudeDeg);
      return {
        now,
        today,
        date,
        site,
        sun: sun && { riseUtc: new Date(sun.riseMs).toISOString(), setUtc: new Date(sun.setMs).toISOString() },
        hours: (records.weather.get(date)?.hours ?? []).map(({ startMs, values }) => ({
          startUtc: new Date(startMs).toISOString(),
          radiationMjM2: values.radiation?.value ?? null,
          rainMm: values.rain?.value ?? null,
          origin: values.radiation?.origin ?? null,
        })),
        zones: zones.map((zone) =>
          boardZone(zone, new ZonePlanner(zone, records, morningsOf(zone)), {
            date,
            nowMs,
            timeZone: site.timeZone,
            pickedKg: picked.get(zone.id) ?? 0,
            water: supplyOf(zone),
          }),
        ),
      };
    },

    /** All but substrate: what was missing on each morning of a span, against the trigger, and what was then given. */
    async mornings(id: number, from: string, to: string): Promise<RootHistory["mornings"]> {
      const [site, zone] = [await siteStore(db).find(), await zoneStore(db).find(id)];
      if (!site || !zone || zone.definition.system === "substrate") return [];
      const planner = new ZonePlanner(zone, await recordsFor(site, [zone], to, from), morningsOf(zone));
      const days: RootHistory["mornings"] = [];
      for (let date = from; date <= to; date = addDays(date, 1)) {
        const planned = planner.plan(date);
        if (typeof planned === "string" || planned.depletionMm === undefined) continue;
        const logged = planner.logged(date);
        const litres = logged.length > 0 ? litresOf(logged) : planned.day.water.litres;
        days.push({
          date,
          depletionMm: planned.depletionMm,
          triggerMm: planned.day.store?.triggerMm ?? 0,
          givenMm: litres / zone.definition.areaM2,
        });
      }
      return days;
    },

    async zoneDay(id: number, asked: string | undefined): Promise<ZoneDayAnswer> {
      const [site, zone] = [await siteStore(db).find(), await zoneStore(db).find(id)];
      if (!site || !zone) throw notFound(`Zone ${id}`);
      const nowMs = clock();
      const date = checkedDate(asked, localDate(nowMs, site.timeZone));
      const records = await recordsFor(site, [zone], date);
      const planner = new ZonePlanner(zone, records, morningsOf(zone));
      const planned = planner.plan(date);
      const weatherDay = records.weather.get(date);
      const et0Outside = outsideEt(site, date, weatherDay?.hours ?? []);
      const missing = typeof planned === "string" ? planned : null;
      const known = typeof planned === "string" ? null : planned;
      const roots = known && rootsOf(zone, planner, known, date, nowMs, site.timeZone);
      const demandAt = new Map(known?.demand.hourlyMm.map((hour) => [hour.startMs, hour.mm]));
      const airAt = new Map(weatherDay?.air.get(zone.houseId)?.map((hour) => [hour.startMs, hour]));
      return {
        zoneId: zone.id,
        date,
        now: new Date(nowMs).toISOString(),
        missing,
        et0OutsideMm: et0Outside?.value ?? null,
        hours: (weatherDay?.hours ?? []).map(({ startMs, values }) => ({
          startUtc: new Date(startMs).toISOString(),
          radiationMjM2: values.radiation?.value ?? null,
          airTemperatureC: values.airTemperature?.value ?? null,
          humidityPct: values.humidity?.value ?? null,
          windMs: values.wind?.value ?? null,
          rainMm: values.rain?.value ?? null,
          insideTemperatureC: airAt.get(startMs)?.airTemperatureC ?? null,
          insideVpdKpa: airAt.get(startMs)?.vpdKpa ?? null,
          demandMm: demandAt.get(startMs) ?? null,
          origin: values.radiation?.origin ?? null,
        })),
        pulses: pulsesOf(planner, known, date, site.timeZone),
        roots,
        findings: known && roots ? findingsOf(planner, known, roots, date) : [],
        workings: {
          ...weatherWorkings(site, date, weatherDay?.hours ?? []),
          ...(known && workingsOf(known, planner, date)),
          ...drainWorkings(roots),
        },
        plan: known && planAnswer(known),
      };
    },
  };
}

function planAnswer({
  day,
  demand,
  cropState,
}: Exclude<ReturnType<ZonePlanner["plan"]>, string>): NonNullable<ZoneDayAnswer["plan"]> {
  const { water } = day;
  return {
    demandMm: demand.demandMm,
    demandPerPlantL: day.demandPerPlantL,
    et0Mm: demand.et0Mm ?? null,
    kc: cropState.kc,
    leafAreaIndex: cropState.leafAreaIndex,
    solarOutsideMjM2: demand.solarOutsideMjM2,
    lightSumMolM2: demand.lightSumMolM2,
    netMm: water.netMm,
    grossMm: water.grossMm,
    litres: water.litres,
    litresPerPlant: day.litresPerPlant,
    drainL: water.drainL,
    leachingPct: water.leachingPct,
    minutesTotal: water.minutesTotal,
    window: day.window,
    events: [...water.events],
    warnings: [...day.warnings],
  };
}
