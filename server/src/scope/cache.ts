import type { RowsWritten, Table } from "../database/tables.ts";
import type { Scope } from "./scope.ts";

/** What is worked out of zones, by date. */
interface ByZone<T> {
  /** that of one zone, to be filled by whoever works it out */
  of(zoneId: number): Map<string, T>;
}

/** Rows that were written, with the site's date from which on they tell something; "" for all time. */
export interface DatedRows {
  readonly table: Table;
  readonly zones?: readonly number[] | undefined;
  readonly from: string;
}

interface Slot {
  readonly restsOn: readonly Table[];
  /** lets go of what tells something about these zones from a date on; of all zones where none are named */
  drop(zones: readonly number[] | undefined, from: string): void;
}

/**
 * What is kept between requests of one site until rows that it was worked out of are written. Whoever keeps something says on
 * which tables it rests ({@link cached}, {@link cachedByZone}, {@link cachedByDate}); whoever writes says which rows. What is
 * kept by date is let go from the date of a change on, for a change bears on its own day and those after it: a reading of today
 * costs no zone its season, and no other zone anything.
 */
export class Cache {
  private readonly slots = new Map<object, Slot>();
  private readonly counts = new Map<Table, number>();
  private today: string | undefined;

  /** @param outer that of the site, where this one is of a transaction: what the transaction has not written is the same in both */
  constructor(private readonly outer?: Cache) {}

  /** How often rows of some tables were written. */
  versionOf(tables: readonly Table[]): number {
    return tables.reduce((sum, table) => sum + (this.counts.get(table) ?? 0), 0);
  }

  /** Where something is kept that rests on some tables: outside of the transaction, unless that has written one of them. */
  homeOf(tables: readonly Table[]): Cache {
    return this.outer && this.versionOf(tables) === 0 ? this.outer.homeOf(tables) : this;
  }

  /** What is kept under a key. */
  slot<T extends Slot>(key: object, make: () => T): T {
    const known = this.slots.get(key) as T | undefined;
    if (known) return known;
    const made = make();
    this.slots.set(key, made);
    return made;
  }

  /** Lets go of what rests on rows that are written. */
  written({ table, zones, from }: DatedRows): void {
    this.counts.set(table, (this.counts.get(table) ?? 0) + 1);
    for (const slot of this.slots.values()) if (slot.restsOn.includes(table)) slot.drop(zones, from);
  }

  /** At midnight the day that is over is what was logged of it, no longer what was still planned. */
  dayIs(today: string): void {
    const last = this.today ?? today;
    this.today = today;
    const from = last < today ? last : today;
    if (last !== today) for (const slot of this.slots.values()) slot.drop(undefined, from);
  }
}

/** What is read of a site, kept until one of the tables is written. What fails is not kept. */
export function cached<T>(restsOn: readonly Table[], read: (scope: Scope) => Promise<T>): (scope: Scope) => Promise<T> {
  interface Kept extends Slot {
    found: { readonly version: number; readonly value: T } | null;
  }
  const key = {};
  return async (scope) => {
    const home = scope.cache.homeOf(restsOn);
    const kept = home.slot<Kept>(key, () => ({ restsOn, found: null, drop: () => undefined }));
    const version = home.versionOf(restsOn);
    if (kept.found?.version === version) return kept.found.value;
    const value = await read(scope);
    kept.found = { version, value };
    return value;
  };
}

/** Something that fills as it is asked, made anew once rows that it rests on were written. */
export function cachedWhole<T>(restsOn: readonly Table[], make: () => T): (scope: Pick<Scope, "cache">) => T {
  interface Kept extends Slot {
    value: T;
  }
  const key = {};
  return ({ cache }) =>
    cache.homeOf(restsOn).slot<Kept>(key, () => {
      const kept = {
        restsOn,
        value: make(),
        drop() {
          kept.value = make();
        },
      };
      return kept;
    }).value;
}

/** What the program itself keeps of a site as long as it runs, whatever is written and however many days go by. */
export function keptOfSite<T>(make: () => T): (scope: Pick<Scope, "cache">) => T {
  const key = {};
  return ({ cache }) =>
    cache
      .homeOf([])
      .slot<Slot & { readonly value: T }>(key, () => ({ restsOn: [], value: make(), drop: () => undefined })).value;
}

/** What is worked out of zones, by date: let go from the date on from which rows of the zone were written. */
export function cachedByZone<T>(restsOn: readonly Table[]): (scope: Pick<Scope, "cache">) => ByZone<T> {
  interface Kept extends Slot, ByZone<T> {}
  const key = {};
  return ({ cache }) =>
    cache.homeOf(restsOn).slot<Kept>(key, () => {
      const zones = new Map<number, Map<string, T>>();
      return {
        restsOn,
        of(zoneId) {
          const known = zones.get(zoneId) ?? new Map<string, T>();
          zones.set(zoneId, known);
          return known;
        },
        drop(those, from) {
          // A new map: who is still working on the old one must not put back what has changed.
          for (const zoneId of those ?? [...zones.keys()]) zones.set(zoneId, before(zones.get(zoneId), from));
        },
      };
    });
}

/** What is worked out of the site's days: let go from the date on from which rows of any zone were written. */
export function cachedByDate<T>(restsOn: readonly Table[]): (scope: Pick<Scope, "cache">) => Map<string, T> {
  interface Kept extends Slot {
    readonly days: Map<string, T>;
  }
  const key = {};
  return ({ cache }) =>
    cache.homeOf(restsOn).slot<Kept>(key, () => {
      const kept = {
        restsOn,
        days: new Map<string, T>(),
        drop(_zones: readonly number[] | undefined, from: string) {
          kept.days = before(kept.days, from);
        },
      };
      return kept;
    }).days;
}

function before<T>(known: Map<string, T> | undefined, from: string): Map<string, T> {
  return new Map([...(known ?? [])].filter(([date]) => date < from));
}

/** Rows written, by the site's dates: of each table and zones once, from the earliest date on. */
export function dated(written: readonly RowsWritten[], dateOf: (ms: number) => string): readonly DatedRows[] {
  const earliest = new Map<string, DatedRows>();
  for (const { table, zones, from = "" } of written) {
    const rows = { table, zones, from: typeof from === "number" ? dateOf(from) : from };
    const key = JSON.stringify([table, zones]);
    if (rows.from < (earliest.get(key)?.from ?? "~")) earliest.set(key, rows);
  }
  return [...earliest.values()];
}
