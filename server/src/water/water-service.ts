import type { Site } from "@sprunel/contract/site";
import type { BoardZone } from "@sprunel/contract/today";
import type { NewWaterReport, NewSource, Source, SourceState, WaterStation } from "@sprunel/contract/water";
import { evaporationAheadMm, kcAhead, outsideEt, zoneUseAheadL } from "@sprunel/core/plan";
import { addDays, daysBetween, startOfLocalDay } from "@sprunel/core/time";
import { isTurn, nextTurn, projectStorage } from "@sprunel/core/water";
import type { WeatherService } from "../climate/weather-service.ts";
import { notFound, staleEdit, taken } from "../http/problems.ts";
import { wateringStore } from "../irrigation/watering-store.ts";
import { drawnShare, type DayWater, type PlanService } from "../plan/plan-service.ts";
import { litresOf, rainShareOf } from "../plan/zone-facts.ts";
import type { Scope } from "../scope/scope.ts";
import type { StoredZone } from "../scope/zone-store.ts";
import { reportStore } from "./report-store.ts";
import { sourceStore } from "./source-store.ts";

type ZoneSupply = NonNullable<BoardZone["water"]>;
export type WaterService = ReturnType<typeof waterService>;

/** Use is the mean of so many days; storage is looked at for so many, the rain of late over so many. */
const USE_DAYS = 7;
const AHEAD_DAYS = 42;
const MOST_COURSES = 2000;
const FORECAST_DAYS = 4;
const RAIN_DAYS = 42;

/** Sources of water: their limits, what is in store, and what the zones take of each. */
export function waterService(scope: Scope, weather: WeatherService, plans: PlanService) {
  /** A crop's course is the same as long as its zone is: known by the zone's version, for the day that is looked at. */
  const courses = new Map<string, readonly number[]>();
  const kcOf = ({ id, version, plantings }: StoredZone, date: string): readonly number[] => {
    const key = `${id} ${version} ${date}`;
    const known = courses.get(key);
    if (known) return known;
    if (courses.size >= MOST_COURSES) courses.clear();
    const kc = kcAhead(plantings, addDays(date, -USE_DAYS), USE_DAYS + AHEAD_DAYS);
    courses.set(key, kc);
    return kc;
  };

  const refuseTaken = async (inner: Scope, siteId: number, name: string, exceptId: number): Promise<void> => {
    const others = (await sourceStore(inner).list(siteId)).filter((source) => source.id !== exceptId);
    if (others.some((source) => source.name.toLowerCase() === name.toLowerCase()))
      throw taken("name", `Another water is already called ${name}; choose another name.`);
  };
  return {
    async addSource(source: NewSource): Promise<void> {
      const site = await scope.site.current();
      await scope.transaction(async (inner) => {
        await refuseTaken(inner, site.id, source.name, 0);
        await sourceStore(inner).add(site.id, source);
      });
    },

    async updateSource(id: number, version: number, source: NewSource): Promise<void> {
      const site = await scope.site.current();
      const before = await sourceStore(scope).find(id);
      if (!before) throw notFound(`Source ${id}`);
      await scope.transaction(async (inner) => {
        await refuseTaken(inner, site.id, source.name, id);
        if (!(await sourceStore(inner).update(id, version, source)))
          throw staleEdit(`The water ${before.name}`, await sourceStore(inner).find(id));
      });
    },

    async addReport(report: NewWaterReport): Promise<void> {
      await reportStore(scope).add((await scope.site.current()).id, report);
    },

    async station(asked: string | undefined): Promise<WaterStation> {
      const site = await scope.site.current();
      const date = await scope.site.dateOr(asked);
      const [sources, zones] = [await sourceStore(scope).list(site.id), await scope.zones()];
      const reports = await reportStore(scope).inForce(site.id, date);
      const startOfDay = startOfLocalDay(date, site.timeZone);
      const year = await wateringStore(scope).totals(
        startOfLocalDay(`${date.slice(0, 4)}-01-01`, site.timeZone),
        startOfDay,
      );
      const firstId = sources[0]?.id ?? 0;
      const stores = await storesOf(site, sources, zones, date);
      return {
        date,
        sources: sources.map((source) => ({
          source,
          report: reports.get(source.id) ?? null,
          yearUseM3: zones.reduce(
            (sum, zone) => sum + (shareOf(zone, source.id, firstId) * (year.get(zone.id) ?? 0)) / 1000,
            0,
          ),
          ...stores(source),
        })),
      };
    },

    /** What each zone drinks, and the days that the scarcest of it still lasts. */
    async supplies(site: Site, zones: readonly StoredZone[], date: string): Promise<(zone: StoredZone) => ZoneSupply> {
      const sources = await sourceStore(scope).list(site.id);
      const stores = await storesOf(site, sources, zones, date);
      const states = sources.map((source) => ({ source, ...stores(source) }));
      const firstId = sources[0]?.id ?? 0;
      return (zone) => {
        const drunk = states.flatMap((state) => {
          const share = shareOf(zone, state.source.id, firstId);
          return share > 0 ? [{ ...state, sharePct: share * 100 }] : [];
        });
        const lasting = drunk.filter(({ levelM3 }) => levelM3 !== null);
        const ends = lasting.flatMap(({ daysLeft }) => daysLeft ?? []);
        return {
          waters: drunk.map(({ source, sharePct }) => ({ name: source.name, sharePct })),
          stored: lasting.length > 0,
          daysLeft: ends.length > 0 ? Math.min(...ends) : null,
        };
      };
    },
  };

  /** A source's use and storage on a date, from what was given since its level was read. */
  async function storesOf(site: Site, sources: readonly Source[], zones: readonly StoredZone[], date: string) {
    const readOn = sources.flatMap(({ storage }) => storage?.readOn ?? []);
    const since = [addDays(date, -USE_DAYS), ...readOn].sort()[0] ?? date;
    const logged = await loggedByDay(site, zones, since, date);
    const { rain, evaporation } = await weatherOf(site, date);
    const usualRainMm = usualRain(rain, date);
    const planned = await plans.water(site, zones, date, FORECAST_DAYS);
    const given = drawnOf(logged, planned);
    const first = addDays(date, -USE_DAYS);
    const dates = Array.from({ length: USE_DAYS + AHEAD_DAYS }, (_, day) => addDays(first, day));
    const evaporationMm = evaporationAheadMm(site, first, dates.length, evaporation);
    const rainMm = dates.map((on) => rain.get(on) ?? usualRainMm);
    const ahead = new Map(
      zones.map((zone) => {
        const days = given.get(zone.id);
        const use = {
          areaM2: zone.definition.areaM2,
          kc: kcOf(zone, date),
          givenL: dates.slice(0, USE_DAYS).map((on) => days?.get(on) ?? 0),
          plannedL: untilUnknown(planned.get(zone.id) ?? []),
          ...(rainShareOf(zone) > 0 && { rainMm: rainMm.map((mm) => mm * rainShareOf(zone)) }),
        };
        return [zone.id, zoneUseAheadL(use, evaporationMm)];
      }),
    );
    return (source: Source) => {
      const useM3 = new Array<number>(AHEAD_DAYS).fill(0);
      for (const zone of zones) {
        const share = shareOf(zone, source.id, sources[0]?.id ?? 0);
        if (share > 0)
          ahead.get(zone.id)?.forEach((litres, day) => {
            useM3[day] = (useM3[day] ?? 0) + (share * litres) / 1000;
          });
      }
      return stateOf(source, usedOf(source, sources, zones, given), useM3, rain, date);
    };
  }

  /** L logged by zone and date, from one date to before another; only days on which anything was. */
  async function loggedByDay(
    site: Site,
    zones: readonly StoredZone[],
    from: string,
    to: string,
  ): Promise<ReadonlyMap<number, ReadonlyMap<string, number>>> {
    const logOf = await plans.logs(
      site,
      zones.map(({ id }) => id),
      from,
      to,
    );
    const dates = Array.from({ length: Math.max(0, daysBetween(from, to)) }, (_, day) => addDays(from, day));
    const litresOn = (id: number) =>
      dates.flatMap((date) => {
        const { waterings } = logOf(id, date);
        return waterings.length > 0 ? [[date, litresOf(waterings)] as const] : [];
      });
    return new Map(zones.map(({ id }) => [id, new Map(litresOn(id))]));
  }

  /** Rain of late and to come, mm by date, and what a reference surface evaporates on the days that are known. */
  async function weatherOf(site: Site, date: string) {
    const days = await weather.days(site, addDays(date, -RAIN_DAYS), addDays(date, FORECAST_DAYS - 1));
    const recent = days.filter((day) => day.date >= addDays(date, -USE_DAYS));
    return {
      rain: new Map(
        days.map((day) => [day.date, day.hours.reduce((sum, { values }) => sum + (values.rain?.value ?? 0), 0)]),
      ),
      evaporation: new Map(
        recent.flatMap((day) => {
          const et = outsideEt(site, day.date, day.hours);
          return et ? [[day.date, et.value] as const] : [];
        }),
      ),
    };
  }
}

/** L drawn by the plans, as far as they reach. */
function untilUnknown(days: readonly (DayWater | null)[]): number[] {
  const end = days.indexOf(null);
  return days.slice(0, end === -1 ? undefined : end).map((day) => day?.drawnL ?? 0);
}

/** What was drawn of what was given: meters of benches count the flood, most of which runs back. */
function drawnOf(
  logged: ReadonlyMap<number, ReadonlyMap<string, number>>,
  planned: ReadonlyMap<number, readonly (DayWater | null)[]>,
): ReadonlyMap<number, ReadonlyMap<string, number>> {
  return new Map(
    [...logged].map(([zoneId, days]) => {
      const share = drawnShare(planned.get(zoneId) ?? []);
      return [zoneId, share === 1 ? days : new Map([...days].map(([date, litres]) => [date, litres * share]))];
    }),
  );
}

/** mm a day, mean of late. */
function usualRain(rain: ReadonlyMap<string, number>, date: string): number {
  return (
    Array.from({ length: RAIN_DAYS }, (_, age) => rain.get(addDays(date, -1 - age)) ?? 0).reduce(
      (sum, mm) => sum + mm,
      0,
    ) / RAIN_DAYS
  );
}

/** m³ that the zones took of a source, by day. A zone without a choice drinks of the first source. */
function usedOf(
  source: Source,
  sources: readonly Source[],
  zones: readonly StoredZone[],
  given: ReadonlyMap<number, ReadonlyMap<string, number>>,
): ReadonlyMap<string, number> {
  const used = new Map<string, number>();
  for (const zone of zones) {
    const share = shareOf(zone, source.id, sources[0]?.id ?? 0);
    if (share === 0) continue;
    for (const [date, litres] of given.get(zone.id) ?? [])
      used.set(date, (used.get(date) ?? 0) + (litres * share) / 1000);
  }
  return used;
}

function shareOf({ waters }: StoredZone, sourceId: number, firstId: number): number {
  if (waters.length === 0) return sourceId === firstId ? 1 : 0;
  return (waters.find((water) => water.sourceId === sourceId)?.sharePct ?? 0) / 100;
}

function stateOf(
  { storage, turn }: Source,
  used: ReadonlyMap<string, number>,
  useM3: readonly number[],
  rain: ReadonlyMap<string, number>,
  date: string,
): Omit<SourceState, "source" | "report" | "yearUseM3"> {
  const sumFrom = (from: string): number =>
    [...used].reduce((sum, [on, m3]) => (on >= from && on < date ? sum + m3 : sum), 0);
  const dailyUseM3 = sumFrom(addDays(date, -USE_DAYS)) / USE_DAYS;
  // Turns may lie further off than is looked ahead: then the last of the days count on.
  const takenIn = (days: number): number =>
    Array.from({ length: days }, (_, day) => useM3[day] ?? useM3.at(-1) ?? 0).reduce((sum, m3) => sum + m3, 0);
  const aheadUseM3 = takenIn(USE_DAYS) / USE_DAYS;
  const on = turn && nextTurn(turn, date);
  const coming = { nextTurn: on ? { date: on, neededM3: takenIn(daysBetween(date, on)) } : null };
  if (!storage) return { dailyUseM3, aheadUseM3, levelM3: null, daysLeft: null, levels: [], working: [], ...coming };
  let levelM3 = storage.levelM3;
  for (let day = storage.readOn; day < date; day = addDays(day, 1)) {
    const caught = ((rain.get(day) ?? 0) * storage.roofM2 * storage.runoffPct) / 100_000;
    const turned = turn && isTurn(turn, day) ? turn.m3 : 0;
    levelM3 = Math.min(storage.capacityM3, Math.max(0, levelM3 + caught + turned - (used.get(day) ?? 0)));
  }
  const supply = projectStorage({
    date,
    levelM3,
    capacityM3: storage.capacityM3,
    useM3,
    rainMm: Array.from({ length: FORECAST_DAYS }, (_, day) => rain.get(addDays(date, day)) ?? 0),
    usualRainMm: usualRain(rain, date),
    roofM2: storage.roofM2,
    runoffPct: storage.runoffPct,
    turn,
  });
  return {
    dailyUseM3,
    aheadUseM3,
    levelM3,
    daysLeft: supply.daysLeft,
    levels: [...supply.levels],
    working: [...supply.steps],
    ...coming,
  };
}
