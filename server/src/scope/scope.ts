import type { Site } from "@sprunel/contract/site";
import { localDate } from "@sprunel/core/time";
import type { Knex } from "knex";
import { notFound } from "../http/problems.ts";
import type { Pool } from "../pool/pool.ts";
import type { Cache } from "./cache.ts";
import { siteStore } from "./site-store.ts";
import { zoneStore, type StoredZone, type ZoneRecord } from "./zone-store.ts";

/** What a store writes with: where, and in whose name. */
export interface Writer {
  readonly db: Knex;
  /** who makes a record: "owner" until there are accounts */
  readonly actor: string;
}

/** How the plantings of zones have grown and will grow: told by the rooms above, that know weather and crops. */
export type Grow = (zones: readonly ZoneRecord[], scope: Scope) => Promise<StoredZone[]>;

/** What every room of the server stands on. */
export interface Scope extends Writer {
  readonly clock: () => number;
  readonly cache: Cache;
  readonly pool: Pool;
  readonly grow: Grow;
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
   */
  transaction<T>(work: (inner: Scope) => Promise<T>): Promise<T>;
  /** Does all of it, and takes it back. */
  rehearsal<T>(work: (inner: Scope) => Promise<T>): Promise<T>;
}

export function createScope(outer: Pick<Scope, "db" | "actor" | "clock" | "cache" | "pool" | "grow">): Scope {
  const { db, clock } = outer;
  const scope: Scope = {
    ...outer,
    site: {
      find: () => siteStore(outer).find(),
      async current() {
        const site = await siteStore(outer).find();
        if (!site) throw notFound("A site");
        return site;
      },
      dateOr: async (asked) => asked ?? localDate(clock(), (await scope.site.current()).timeZone),
    },
    async zone(id) {
      const zone = await zoneStore(outer).find(id);
      const [grown] = zone ? await outer.grow([zone], scope) : [];
      if (!grown) throw notFound(`Zone ${id}`);
      return grown;
    },
    zones: async () => outer.grow(await zoneStore(outer).list(), scope),
    transaction: (work) => db.transaction((trx) => work(createScope({ ...outer, db: trx }))),
    async rehearsal(work) {
      const trx = await db.transaction();
      try {
        return await work(createScope({ ...outer, db: trx }));
      } finally {
        await trx.rollback();
      }
    },
  };
  return scope;
}
