import type { Site } from "@sprunel/contract/site";
import { addDays, localDate, startOfLocalDay } from "@sprunel/core/time";
import { wateringStore, type Watering } from "../irrigation/watering-store.ts";
import { readingStore, type ReadingKind } from "../rootzone/reading-store.ts";
import type { Scope } from "../scope/scope.ts";

/** The last reading of each kind on a day. */
export type DayReadings = Partial<Record<ReadingKind, { readonly value: number; readonly atMs: number }>>;

/** What was logged of a zone on a day: all that was given, in order of time, and what was last read. */
export interface DayLog {
  readonly waterings: readonly Watering[];
  readonly readings: DayReadings;
}
/** The log of a zone on a date; an empty one where nothing was logged. */
export type LogOf = (zoneId: number, date: string) => DayLog;

const NOTHING_LOGGED: DayLog = { waterings: [], readings: {} };

/** The logs of zones by day. Days that are over are remembered until something stored of them changes. */
export function dayLogs(scope: Scope) {
  const over = scope.cache.ofZones<DayLog>();

  async function load(site: Site, zoneIds: readonly number[], from: string, to: string) {
    const [fromMs, toMs] = [from, to].map((date) => startOfLocalDay(date, site.timeZone)) as [number, number];
    const days = new Map<number, Map<string, { waterings: Watering[]; readings: DayReadings }>>();
    const dayOf = (zoneId: number, atMs: number) => {
      const zone = days.get(zoneId) ?? new Map<string, { waterings: Watering[]; readings: DayReadings }>();
      days.set(zoneId, zone);
      const date = localDate(atMs, site.timeZone);
      const day = zone.get(date) ?? { waterings: [], readings: {} };
      zone.set(date, day);
      return day;
    };
    for (const watering of await wateringStore(scope).between(fromMs, toMs, zoneIds))
      dayOf(watering.zoneId, watering.startMs).waterings.push(watering);
    for (const { zoneId, kind, atMs, value } of await readingStore(scope).between(fromMs, toMs, zoneIds))
      dayOf(zoneId, atMs).readings[kind] = { value, atMs };
    return days;
  }

  /** Logs of some zones from one date to before another. */
  return async function logsOf(site: Site, zoneIds: readonly number[], from: string, to: string): Promise<LogOf> {
    const today = localDate(scope.clock(), site.timeZone);
    // Taken before anything is asked for: what changes meanwhile must not be remembered as it was.
    const memories = new Map(zoneIds.map((id) => [id, over.of(id)]));
    const dates: string[] = [];
    for (let date = from; date < to; date = addDays(date, 1)) dates.push(date);
    const isKnown = (date: string): boolean => [...memories.values()].every((memory) => memory.has(date));
    const missing = dates.filter((date) => date >= today || !isKnown(date));
    const [first, last] = [missing[0], missing.at(-1)];
    const loaded = first && last ? await load(site, zoneIds, first, addDays(last, 1)) : new Map<number, never>();
    for (const [id, memory] of memories)
      for (const date of missing) if (date < today) memory.set(date, loaded.get(id)?.get(date) ?? NOTHING_LOGGED);
    return (zoneId, date) => loaded.get(zoneId)?.get(date) ?? memories.get(zoneId)?.get(date) ?? NOTHING_LOGGED;
  };
}
