import type { ChangedRecord } from "@sprunel/contract/changes";
import type { Site } from "@sprunel/contract/site";
import { localDate } from "@sprunel/core/time";
import type { Knex } from "knex";
import { takeNotes } from "../database/row-notes.ts";
import type { RowsWritten, Table } from "../database/tables.ts";
import type { Caller } from "../http/caller.ts";
import { notFound } from "../http/problems.ts";
import type { Pool } from "../pool/pool.ts";
import { Cache, cached, dated, type DatedRows } from "./cache.ts";
import { changedRecords } from "./changed-records.ts";
import { changeStore } from "./change-store.ts";
import { Ports } from "./ports.ts";
import { siteStore } from "./site-store.ts";
import { zoneStore, type StoredZone, type ZoneRecord } from "./zone-store.ts";

/** What a store reads and writes with: where, and in whose name. */
export interface Writer extends Caller {
  readonly db: Knex;
  /**
   * A table, to write these rows of it: what was worked out of them is let go.
   *
   * @throws outside of a transaction
   */
  into<Row extends object>(rows: RowsWritten): ReturnType<typeof tableIn<Row>>;
  /** Says which rows a statement of one's own writes. */
  writes(rows: RowsWritten): void;
}

const tableIn = <Row extends object>(db: Knex, table: Table) => db<Row>(table);

/** How the plantings of zones have grown and will grow: told by the rooms above, that know weather and crops. */
export type Grow = (zones: readonly ZoneRecord[], scope: Scope) => Promise<StoredZone[]>;

/** What every room of the server stands on, made for one caller. */
export interface Scope extends Writer {
  readonly clock: () => number;
  readonly cache: Cache;
  readonly pool: Pool;
  readonly grow: Grow;
  /** what rooms answer that stand on the one that asks */
  readonly ports: Ports;
  readonly site: {
    find(): Promise<Site | null>;
    /** @throws 404 while no site is described */
    current(): Promise<Site>;
    /** the site's date now, or the one that was asked for */
    dateOr(asked: string | undefined): Promise<string>;
  };
  /** @throws 404 for a zone that is not there */
  zone(id: number): Promise<StoredZone>;
  zones(): Promise<StoredZone[]>;
  /**
   * Everything that is written through the inner scope, or nothing of it. The database has one connection: inside, nothing
   * may ask through the outer scope, or it waits for ever.
   *
   * @param told when it happened, of what is told of the past; now where it is left out
   */
  transaction<T>(work: (inner: Scope) => Promise<T>, told?: { readonly atMs: number }): Promise<T>;
  /** Does all of it, and takes it back. */
  rehearsal<T>(work: (inner: Scope) => Promise<T>): Promise<T>;
}

/** A site that is open, whoever works on it: what every scope of it is made of. */
export interface OpenSite extends Pick<Scope, "db" | "clock" | "cache" | "pool" | "grow"> {
  /** runs at the end of every transaction, in it: what is kept in the database of what was written goes with it */
  readonly forget: (db: Knex, rows: readonly DatedRows[]) => Promise<void>;
}

const siteOf = cached(["site"], (scope) => siteStore(scope).find());
const zonesOf = cached(["zone", "house"], (scope) => zoneStore(scope).list());

export function createScope(open: OpenSite, caller: Caller): Scope {
  return scopeOver(open, caller, new Ports(), () => {
    throw new Error("Rows are written inside a transaction only");
  });
}

function scopeOver(open: OpenSite, caller: Caller, ports: Ports, writes: (rows: RowsWritten) => void): Scope {
  const { db, clock, cache } = open;

  /** Does the work in a transaction over a cache of its own. @returns what came of it, and which rows were written */
  async function within<T>(trx: Knex, work: (inner: Scope) => Promise<T>) {
    const written: RowsWritten[] = [];
    const innerCache = new Cache(cache);
    const inner = scopeOver({ ...open, db: trx, cache: innerCache }, caller, ports, (rows) => {
      written.push(rows);
      innerCache.written({ table: rows.table, from: "" });
    });
    return { inner, written, done: await work(inner) };
  }

  const scope: Scope = {
    ...{ ...caller, db, clock, cache, pool: open.pool, grow: open.grow, ports, writes },
    into<Row extends object>(rows: RowsWritten) {
      writes(rows);
      return tableIn<Row>(db, rows.table);
    },
    site: {
      find: () => siteOf(scope),
      async current() {
        const site = await siteOf(scope);
        if (!site) throw notFound("A site");
        return site;
      },
      dateOr: async (asked) => asked ?? localDate(clock(), (await scope.site.current()).timeZone),
    },
    async zone(id) {
      const zone = (await zonesOf(scope)).find((one) => one.id === id) ?? (await zoneStore(scope).find(id));
      const [grown] = zone ? await open.grow([zone], scope) : [];
      if (!grown) throw notFound(`Zone ${id}`);
      return grown;
    },
    zones: async () => open.grow(await zonesOf(scope), scope),
    transaction: (work, told) =>
      db.transaction(async (trx) => {
        const { inner, written, done } = await within(trx, work);
        if (db.isTransaction) {
          written.forEach(writes);
          return done;
        }
        if (written.length > 0) await recordChange(inner, told?.atMs ?? clock());
        const site = written.length > 0 ? await inner.site.find() : null;
        const rows = dated(written, (ms) => (site ? localDate(ms, site.timeZone) : ""));
        await open.forget(trx, rows);
        // Before the transaction ends: nobody else reads until then, and whoever does so next finds nothing old.
        rows.forEach((one) => cache.written(one));
        return done;
      }),
    async rehearsal(work) {
      const trx = await db.transaction();
      try {
        return (await within(trx, work)).done;
      } finally {
        await trx.rollback();
      }
    },
  };
  return scope;
}

/** Of a table with more rows in one change only their count is kept: a file brings thousands. */
const MOST_TOLD = 60;

/** Keeps who changed what in a transaction, at its end and in it. */
async function recordChange(inner: Scope, atMs: number): Promise<void> {
  const { notes, counts } = await takeNotes(inner.db, MOST_TOLD);
  const changed = changedRecords(notes, counts);
  if (!changed) return;
  const { kind, key, zoneId } = changed;
  const zone = zoneId === null ? null : await nameOf(inner, zoneId, changed.records);
  const change = {
    ...{ at: new Date(atMs).toISOString(), by: inner.actor, device: inner.device, endpoint: inner.endpoint },
    ...{ kind, key, zone, records: [...changed.records], counts: [...changed.counts] },
  };
  await changeStore(inner).add({ change, zoneId });
}

/** The name of a zone, of one that is put aside or was just removed too. */
async function nameOf(inner: Scope, zoneId: number, records: readonly ChangedRecord[]): Promise<string | null> {
  const known = (await zonesOf(inner)).find(({ id }) => id === zoneId);
  if (known) return known.name;
  const aside = await zoneStore(inner).nameOf(zoneId);
  if (aside !== null) return aside;
  const removed = records.find(({ kind, did }) => kind === "zone" && did === "removed");
  const name = removed?.known["name"];
  return typeof name === "string" ? name : null;
}

/** Rows of several zones, each from its own earliest instant on. */
export function byZone<T extends { readonly zoneId: number }>(
  rows: readonly T[],
  msOf: (row: T) => number,
): { readonly zones: readonly number[]; readonly from: number }[] {
  const earliest = new Map<number, number>();
  for (const row of rows) earliest.set(row.zoneId, Math.min(earliest.get(row.zoneId) ?? Infinity, msOf(row)));
  return [...earliest].map(([zoneId, from]) => ({ zones: [zoneId], from }));
}
