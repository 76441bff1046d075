import {
  houseAir,
  weatherAgain,
  weatherHours,
  type HouseAir,
  type WeatherOfDay,
  type WeatherSample,
} from "@sprunel/core/climate";
import { addDays, daysBetween, localDate, startOfLocalDay } from "@sprunel/core/time";
import type { Site } from "@sprunel/contract/site";
import type { Table } from "../database/tables.ts";
import { cachedByDate } from "../scope/cache.ts";
import type { Scope } from "../scope/scope.ts";
import type { WeatherDevice } from "./weather-device.ts";
import { weatherStore } from "./weather-store.ts";

const HOUR_MS = 3_600_000;
/** How far back hours are filled from, and how far ahead a forecast is asked for. */
const FILL_DAYS = 7;
const FORECAST_DAYS = 4;
/** A forecast may be so old; shorter than an hour of weather by far. */
const RUNNING_MS = 5 * 60_000;

/** Beyond the forecast those of the last two weeks whose light is known come again, as far ahead as anything is planned. */
const AGAIN_DAYS = 14;
const AHEAD_DAYS = 60;

/**
 * Tables that the weather of a day rests on: readings, the houses of their stations, the place. At what height an import's wind
 * was measured is written with its readings, and never later.
 */
export const WEATHER_TABLES = ["weather_reading", "station", "house", "site"] as const satisfies Table[];

export type DayWeather = WeatherOfDay;
export type WeatherService = ReturnType<typeof weatherService>;

const pastIn = cachedByDate<DayWeather>(WEATHER_TABLES);
/** Days with hours still to come, kept for a short while: a board of many zones asks often. */
const runningIn = cachedByDate<{ readonly day: DayWeather; readonly untilMs: number }>(WEATHER_TABLES);
const againIn = cachedByDate<DayWeather>(WEATHER_TABLES);

/**
 * The weather of days, put together from what was imported, measured and foreseen.
 *
 * Days that are over are kept in memory until weather of them or of days before them comes in. Days that no forecast reaches
 * have the weather of the last two weeks again, with the light of their own sun.
 */
export function weatherService(scope: Scope, device: WeatherDevice | null) {
  const { clock } = scope;

  function fresh(entry: { day: DayWeather; untilMs: number } | undefined): DayWeather | undefined {
    return entry && entry.untilMs > clock() ? entry.day : undefined;
  }

  async function load(site: Site, fromDate: string, toDate: string, via: Scope): Promise<DayWeather[]> {
    const store = weatherStore(via);
    const fromMs = startOfLocalDay(fromDate, site.timeZone);
    const toMs = startOfLocalDay(addDays(toDate, 1), site.timeZone);
    const reachMs = fromMs - FILL_DAYS * 24 * HOUR_MS;
    const { outsideId, byHouse } = await store.stations(site.id);
    const outsideSamples = [...(await store.samples(outsideId, reachMs, toMs)), ...forecast(site, fromMs, toMs)];
    const outside = weatherHours(reachMs, toMs, outsideSamples);
    const air = new Map<number, readonly HouseAir[]>();
    for (const [houseId, { stationId, heatedToC }] of byHouse)
      air.set(houseId, houseAir(outside, await store.samples(stationId, reachMs, toMs), fromMs, heatedToC));
    const outsideFrom = inOrder(outside);
    const airFrom = [...air].map(([id, hours]) => [id, inOrder(hours)] as const);
    return datesOf(fromDate, toDate).map((date) => {
      const end = startOfLocalDay(addDays(date, 1), site.timeZone);
      const start = startOfLocalDay(date, site.timeZone);
      return {
        date,
        hours: outsideFrom(start, end),
        air: new Map(airFrom.map(([id, next]) => [id, next(start, end)])),
      };
    });
  }

  /** Foreseen hours of a span, from the running hour on. */
  function forecast(site: Site, fromMs: number, toMs: number): WeatherSample[] {
    const now = clock();
    const thisHour = Math.floor(now / HOUR_MS) * HOUR_MS;
    const [from, to] = [Math.max(fromMs, thisHour), Math.min(toMs, thisHour + FORECAST_DAYS * 24 * HOUR_MS)];
    if (!device || from >= to) return [];
    return device.forecast(site, now, from, to).flatMap(({ startMs, values }) =>
      Object.entries(values).map(([kind, value]) => ({
        startMs,
        kind: kind as WeatherSample["kind"],
        value,
        origin: "forecast" as const,
      })),
    );
  }

  return {
    /** Whether a day rests on hours that a simulated station made up. */
    isSimulated: (day: DayWeather | undefined): boolean =>
      device?.simulated === true &&
      (day?.hours ?? []).some(({ values }) => values.radiation && values.radiation.origin !== "imported"),

    /**
     * Each day from one date to another.
     *
     * @param via what is read with, inside a transaction
     */
    async days(site: Site, fromDate: string, toDate: string, via: Scope = scope): Promise<DayWeather[]> {
      const today = localDate(clock(), site.timeZone);
      const [foreseen, last] = [addDays(today, FORECAST_DAYS), addDays(today, AHEAD_DAYS)];
      // Taken before anything is read: what changes meanwhile must not be kept as it was.
      const again = againIn(via);
      const known = await knownDays(site, fromDate, toDate < foreseen ? toDate : foreseen, via);
      const far = datesOf(fromDate > foreseen ? fromDate : addDays(foreseen, 1), toDate < last ? toDate : last);
      if (far.some((date) => !again.has(date))) {
        const late = await knownDays(site, addDays(today, -AGAIN_DAYS), addDays(today, -1), via);
        const lit = late.filter(({ hours }) => hours.length > 0 && hours.every(({ values }) => values.radiation));
        for (const date of far) {
          const was = lit[(daysBetween(foreseen, date) - 1) % lit.length];
          if (was && !again.has(date)) again.set(date, weatherAgain(was, date, site));
        }
      }
      return [...known, ...far.flatMap((date) => again.get(date) ?? [])];
    },
  };

  async function knownDays(site: Site, fromDate: string, toDate: string, via: Scope): Promise<DayWeather[]> {
    const dates = datesOf(fromDate, toDate);
    const [past, running] = [pastIn(via), runningIn(via)];
    const known = (date: string): DayWeather | undefined => past.get(date) ?? fresh(running.get(date));
    const missing = dates.filter((date) => !known(date));
    const [first, last] = [missing[0], missing.at(-1)];
    const loaded = new Map(first && last ? (await load(site, first, last, via)).map((day) => [day.date, day]) : []);
    for (const [date, day] of loaded)
      if (startOfLocalDay(addDays(date, 1), site.timeZone) <= clock()) past.set(date, day);
      else running.set(date, { day, untilMs: clock() + RUNNING_MS });
    return dates.flatMap((date) => loaded.get(date) ?? known(date) ?? []);
  }
}

/** Spans of hours that are asked for one after the other: each is found where the one before ended. */
function inOrder<T extends { readonly startMs: number }>(hours: readonly T[]): (start: number, end: number) => T[] {
  let at = 0;
  return (start, end) => {
    while (at < hours.length && (hours[at] as T).startMs < start) at++;
    const from = at;
    while (at < hours.length && (hours[at] as T).startMs < end) at++;
    return hours.slice(from, at);
  };
}

function datesOf(from: string, to: string): string[] {
  const dates: string[] = [];
  for (let date = from; date <= to; date = addDays(date, 1)) dates.push(date);
  return dates;
}
