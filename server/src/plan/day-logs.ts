import type { Site } from "@sprunel/contract/site";
import type { Watering } from "@sprunel/core/irrigation";
import type { DayLog, DayReadings, LogOf } from "@sprunel/core/plan";
import { addDays, localDate, startOfLocalDay } from "@sprunel/core/time";
import { wateringStore } from "../irrigation/watering-store.ts";
import { readingStore } from "../rootzone/reading-store.ts";
import { cachedByZone } from "../scope/cache.ts";
import type { Scope } from "../scope/scope.ts";

const NOTHING_LOGGED: DayLog = { waterings: [], readings: {} };

const overIn = cachedByZone<DayLog>(["watering", "zone_reading", "reading_strike", "site", "zone"]);

/** The logs of zones by day. Days that are over are remembered until something stored of them changes. */
export function dayLogs(scope: Scope) {
  const over = overIn(scope);

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
