/** What was worked out of zones, by date. */
interface ZoneMemory<T> {
  /** the memory of one zone, to be filled by whoever works it out */
  of(zoneId: number): Map<string, T>;
}

export type Cache = ReturnType<typeof createCache>;

/**
 * What is remembered between requests, and let go by zone and date: a change bears on its own day and those after it, never on
 * those before. So a reading of today costs no zone its season, and no other zone anything.
 */
export function createCache() {
  const zones: Map<number, Map<string, unknown>>[] = [];
  const days: Map<string, unknown>[] = [];
  const before = (memory: Map<string, unknown> | undefined, from: string): Map<string, unknown> =>
    new Map([...(memory ?? [])].filter(([date]) => date < from));
  const cache = {
    /** how often weather came in: what was put together of many days holds as long as this does */
    weatherChanges: 0,
    /** a memory by zone and date */
    ofZones<T>(): ZoneMemory<T> {
      const memory = new Map<number, Map<string, T>>();
      zones.push(memory);
      return {
        of(zoneId) {
          const known = memory.get(zoneId) ?? new Map<string, T>();
          memory.set(zoneId, known);
          return known;
        },
      };
    },
    /** a memory of the site's days, as of their weather */
    ofDays<T>(): Map<string, T> {
      const memory = new Map<string, T>();
      days.push(memory);
      return memory;
    },
    /** Something was stored of a zone that bears on a day and those after it; on all its days without one. */
    zoneChanged(zoneId: number, from = ""): void {
      // A new map: who is still working on the old one must not put back what has changed.
      for (const memory of zones) memory.set(zoneId, before(memory.get(zoneId), from));
    },
    /** Weather of a day came in; hours after it may have been filled from those before. */
    weatherChanged(from = ""): void {
      cache.weatherChanges++;
      for (const memory of days) for (const date of memory.keys()) if (date >= from) memory.delete(date);
      for (const memory of zones) for (const [zoneId, known] of memory) memory.set(zoneId, before(known, from));
    },
    allChanged(): void {
      cache.weatherChanged();
    },
  };
  return cache;
}
