import type { Site } from "@sprunel/contract/site";
import type { BoardZone } from "@sprunel/contract/today";
import type { NewWaterReport, NewSource, Source, SourceState, WaterStation } from "@sprunel/contract/water";
import { addDays, daysBetween, startOfLocalDay } from "@sprunel/core/time";
import { isTurn, nextTurn, projectStorage } from "@sprunel/core/water";
import type { WeatherService } from "../climate/weather-service.ts";
import { notFound, staleEdit, taken } from "../http/problems.ts";
import { wateringStore } from "../irrigation/watering-store.ts";
import { drawnShare, type DayWater, type PlanService } from "../plan/plan-service.ts";
import { litresGiven } from "@sprunel/core/irrigation";
import type { Scope } from "../scope/scope.ts";
import type { StoredZone } from "../scope/zone-store.ts";
import { reportStore } from "./report-store.ts";
import { sourceStore } from "./source-store.ts";

type ZoneSupply = NonNullable<BoardZone["water"]>;
export type WaterService = ReturnType<typeof waterService>;

/** Use is the mean of so many days; storage is looked at for so many, the rain of late over so many. */
const USE_DAYS = 7;
const AHEAD_DAYS = 42;
const FORECAST_DAYS = 4;
const RAIN_DAYS = 42;

/** Sources of water: their limits, what is in store, and what the zones take of each. */
export function waterService(scope: Scope, weather: WeatherService, plans: PlanService) {
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
      await scope.transaction(async (inner) => reportStore(inner).add((await inner.site.current()).id, report));
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
    const rain = await rainOf(site, date);
    const planned = await plans.water(site, zones, addDays(date, -USE_DAYS), USE_DAYS + AHEAD_DAYS);
    const given = drawnOf(logged, planned);
    const ahead = new Map(zones.map(({ id }) => [id, aheadL(planned.get(id) ?? [], given.get(id), date)]));
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
        return waterings.length > 0 ? [[date, litresGiven(waterings)] as const] : [];
      });
    return new Map(zones.map(({ id }) => [id, new Map(litresOn(id))]));
  }

  /** Rain of late and to come, mm by date. */
  async function rainOf(site: Site, date: string): Promise<ReadonlyMap<string, number>> {
    const days = await weather.days(site, addDays(date, -RAIN_DAYS), addDays(date, FORECAST_DAYS - 1));
    return new Map(
      days.map((day) => [day.date, day.hours.reduce((sum, { values }) => sum + (values.rain?.value ?? 0), 0)]),
    );
  }
}

/**
 * L that a zone draws on each of the days from a date on: by its plans, times what was drawn of late for what was planned then.
 *
 * @param planned of the days before the date and from it on; none on a day without crop or weather
 * @param drawn L by date
 */
function aheadL(
  planned: readonly (DayWater | null)[],
  drawn: ReadonlyMap<string, number> | undefined,
  date: string,
): number[] {
  const litres = planned.map((day) => day?.drawnL ?? 0);
  const [was, said] = litres.slice(0, USE_DAYS).reduce(
    ([sumWas, sumSaid], ofDay, day) => {
      const ofLog = drawn?.get(addDays(date, day - USE_DAYS));
      return ofLog === undefined ? [sumWas, sumSaid] : [sumWas + ofLog, sumSaid + ofDay];
    },
    [0, 0],
  );
  const perPlanned = was > 0 && said > 0 ? was / said : 1;
  return litres.slice(USE_DAYS).map((ofDay) => ofDay * perPlanned);
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
