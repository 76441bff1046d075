import type { ZoneDayAnswer } from "@sprunel/contract/plan";
import type { RootHistory } from "@sprunel/contract/rootzone";
import type { Site } from "@sprunel/contract/site";
import { decisionOf } from "@sprunel/core/advice";
import { followedFrom } from "@sprunel/core/crop";
import type { Balance } from "@sprunel/core/course";
import { findingsOf, outsideEt, pulsesOf, rootsOf, type PlannedDay } from "@sprunel/core/plan";
import { type SitePulse } from "@sprunel/core/schedule";
import { litresGiven } from "@sprunel/core/irrigation";
import { NITROGEN } from "@sprunel/core/rootzone";
import { systemOf } from "@sprunel/core/systems";
import { addDays, localDate, minuteText } from "@sprunel/core/time";
import type { WeatherService } from "../climate/weather-service.ts";
import { pulseByClock } from "../irrigation/pulse-by-clock.ts";
import { cachedByZone } from "../scope/cache.ts";
import { port } from "../scope/ports.ts";
import type { Scope } from "../scope/scope.ts";
import type { StoredZone } from "../scope/zone-store.ts";
import { planning } from "./planners.ts";
import { COURSE_TABLES } from "./rests-on.ts";
import { drainWorkings, weatherWorkings, workingsOf } from "./workings.ts";
import { pulsesAnswer } from "./pulses-answer.ts";

export type PlanService = ReturnType<typeof planService>;

/** Plans of so many dates are remembered for their litres. */
const MOST_DATES = 200;

/** A day's water of a zone: what its valve gives, and what of it leaves source and tanks for good. */
export interface DayWater {
  readonly givenL: number;
  readonly drawnL: number;
}

/** Pulses of a date as the day of all zones has them, by zone; null where that is not planned. */
export const TOGETHER =
  port<(site: Site, date: string) => Promise<ReadonlyMap<number, readonly SitePulse[]> | null>>("the day of all zones");

const watersIn = cachedByZone<DayWater | null>(COURSE_TABLES);

/** What each zone gets on a date, and how it stands. */
export function planService(scope: Scope, weather: WeatherService) {
  const { clock } = scope;
  const { planners, logs } = planning(scope, weather);
  const waters = watersIn(scope);

  return {
    planners,
    logs,

    /** What each zone's plans give on so many days from a date on; null where nothing stands or no weather is known. */
    async water(
      site: Site,
      zones: readonly StoredZone[],
      from: string,
      days = 1,
    ): Promise<ReadonlyMap<number, readonly (DayWater | null)[]>> {
      const dates = Array.from({ length: days }, (_, day) => addDays(from, day));
      // Taken before anything is read: what changes meanwhile must not be kept as it was.
      const known = new Map(zones.map(({ id }) => [id, waters.of(id)]));
      const unknown = zones.filter(({ id }) => dates.some((date) => !known.get(id)?.has(date)));
      if (unknown.length > 0) {
        const { plannerOf, keep } = await planners(site, unknown, addDays(from, days - 1), { earliest: from });
        for (const zone of unknown) {
          const planner = plannerOf(zone);
          const ofZone = known.get(zone.id);
          if (ofZone && ofZone.size + days > MOST_DATES) ofZone.clear();
          for (const date of dates) {
            const plan = planner.plan(date);
            ofZone?.set(date, typeof plan === "string" ? null : waterOf(zone, plan));
          }
        }
        await keep();
      }
      return new Map(zones.map(({ id }) => [id, dates.map((date) => known.get(id)?.get(date) ?? null)]));
    },

    /** How warm each zone's planting has had its picking by the evening of a date, °C·d. */
    async pickingCd(zones: readonly StoredZone[], date: string): Promise<ReadonlyMap<number, number>> {
      const { plannerOf, keep } = await planners(await scope.site.current(), zones, date);
      const warmth = new Map(
        zones.flatMap((zone) => {
          const found = plannerOf(zone).roots.pickingCd(date);
          return found === null ? [] : [[zone.id, found] as const];
        }),
      );
      await keep();
      return warmth;
    },

    /** All but substrate: what was missing on each morning of a span, against the trigger, and what was then given. */
    async mornings(id: number, from: string, to: string): Promise<RootHistory["mornings"]> {
      const [site, zone] = [await scope.site.current(), await scope.zone(id)];
      const planner = (await planners(site, [zone], to, { earliest: from })).plannerOf(zone);
      const days: RootHistory["mornings"] = [];
      for (let date = from; date <= to; date = addDays(date, 1)) {
        const planned = planner.plan(date);
        if (typeof planned === "string") continue;
        const logged = planner.logged(date);
        const litres = logged.length > 0 ? litresGiven(logged) : planned.day.water.litres;
        days.push({
          date,
          depletionMm: planned.day.store.missingMm,
          triggerMm: planned.day.store.triggerMm,
          givenMm: litres / zone.definition.areaM2,
        });
      }
      return days;
    },

    /** The root zone as it will stand when the next water of today begins; null on other dates, and when no more comes. */
    async nextWater(id: number, date: string): Promise<RootHistory["next"]> {
      const [site, zone] = [await scope.site.current(), await scope.zone(id)];
      const nowMs = clock();
      if (date !== localDate(nowMs, site.timeZone)) return null;
      const planner = (await planners(site, [zone], date)).plannerOf(zone);
      const planned = planner.plan(date);
      const next = typeof planned === "string" ? undefined : planned.startsMs.find((startMs) => startMs > nowMs);
      if (typeof planned === "string" || next === undefined) return null;
      return { at: new Date(next).toISOString(), roots: rootsOf(zone, planner, planned, date, next - 1) };
    },

    /** The books of a day, of the seven days that end with it, and of the planting up to it; null where nothing stands. */
    async balances(id: number, date: string): Promise<RootHistory["balances"]> {
      const [site, zone] = [await scope.site.current(), await scope.zone(id)];
      const plantedOn = followedFrom(zone.grown, date);
      const today = localDate(clock(), site.timeZone);
      if (plantedOn === null || date > today) return null;
      const { plannerOf, keep } = await planners(site, [zone], date, { earliest: plantedOn });
      const planner = plannerOf(zone);
      const known = planner.known(date);
      const booked = ({ salt, nitrogen, ...water }: Balance) => ({
        ...water,
        salt: known.salt ? salt : null,
        nitrogen: known.nitrogen ? nitrogen : null,
      });
      const of = (from: string) => booked(planner.roots.balance(from, date, clock()));
      const balances = { day: of(date), week: of(addDays(date, -6)), planting: of(plantedOn) };
      await keep();
      return balances;
    },

    /**
     * Nitrogen in the water of a root zone now, and its books of the seven days that end with a date and of the planting up to it,
     * g/m²; null where nothing stands, or nobody keeps books of it.
     */
    async nitrogen(id: number, date: string) {
      const [site, zone] = [await scope.site.current(), await scope.zone(id)];
      const plantedOn = followedFrom(zone.grown, date);
      if (plantedOn === null || date > localDate(clock(), site.timeZone)) return null;
      const { plannerOf, keep } = await planners(site, [zone], date, { earliest: plantedOn });
      const planner = plannerOf(zone);
      if (!planner.known(date).nitrogen) return null;
      const of = (from: string) => planner.roots.balance(from, date, clock()).nitrogen;
      const found = {
        standingGM2: planner.roots.at(date, clock())[NITROGEN] as number,
        week: of(addDays(date, -6)),
        planting: of(plantedOn),
      };
      await keep();
      return found;
    },

    async zoneDay(id: number, asked: string | undefined): Promise<ZoneDayAnswer> {
      const zone = await scope.zone(id);
      const site = await scope.site.current();
      const nowMs = clock();
      const date = await scope.site.dateOr(asked);
      const { records, plannerOf } = await planners(site, [zone], date, { told: true });
      const planner = plannerOf(zone);
      const planned = planner.plan(date);
      const weatherDay = records.weather.get(date);
      const et0Outside = outsideEt(site, date, weatherDay?.hours ?? []);
      const missing = typeof planned === "string" ? planned : null;
      const known = typeof planned === "string" ? null : planned;
      const inForce = known && planner.inForce(date, known.standing);
      const roots = known && rootsOf(zone, planner, known, date, nowMs);
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
        pulses: pulsesAnswer(
          pulsesOf(planner, known, date, (await scope.ports.one(TOGETHER)(site, date))?.get(id) ?? null),
        ),
        roots,
        inForce: inForce && decisionOf(inForce),
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

function waterOf({ definition }: StoredZone, { day: { water } }: PlannedDay): DayWater {
  // What a bench does not take up runs back into its tank.
  const backL = systemOf(definition).returns ? water.drainL : 0;
  return { givenL: water.litres, drawnL: water.litres - backL };
}

/** The share of what is given that is drawn from source and tanks, by the plans; all of it where they give nothing. */
export function drawnShare(days: readonly (DayWater | null)[]): number {
  const [given, drawn] = days.reduce(
    ([sumGiven, sumDrawn], day) => [sumGiven + (day?.givenL ?? 0), sumDrawn + (day?.drawnL ?? 0)],
    [0, 0],
  );
  return given > 0 ? drawn / given : 1;
}

function planAnswer({ day, demand, cropState }: PlannedDay): NonNullable<ZoneDayAnswer["plan"]> {
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
    window: { start: minuteText(day.window.startS), end: minuteText(day.window.endS) },
    events: water.events.map(pulseByClock),
    warnings: [...day.warnings],
  };
}
