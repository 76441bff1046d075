import type { Table } from "../database/tables.ts";
import type { Writer } from "../scope/scope.ts";

interface Row {
  id: number;
  key: string;
  site_id: number;
  name: string;
  version: number;
  kept_at_ms: number;
  made_in: string;
  actor: string;
}

/** Something that is kept under a name, counted up under it; none is ever changed. */
export interface KeptVersion {
  readonly id: number;
  readonly key: string;
  readonly name: string;
  readonly version: number;
  readonly keptAtMs: number;
  readonly madeIn: string;
}

/**
 * All SQL about versions under a name, whatever it is that is kept.
 *
 * @param table with a column of JSON for each part of what is kept
 */
export function keptVersions<Part extends string>({ db, actor, into }: Writer, table: Table, parts: readonly Part[]) {
  return {
    /** Newest first; each part as it was parsed, not yet checked. */
    async list(siteId: number): Promise<(KeptVersion & Record<Part, unknown>)[]> {
      const rows = (await db(table)
        .where({ site_id: siteId })
        .orderBy([
          { column: "kept_at_ms", order: "desc" },
          { column: "id", order: "desc" },
        ])) as (Row & Record<Part, string>)[];
      return rows.map((row) => ({
        ...{ id: row.id, key: row.key, name: row.name, version: row.version },
        ...{ keptAtMs: row.kept_at_ms, madeIn: row.made_in },
        ...(Object.fromEntries(parts.map((part) => [part, JSON.parse(row[part]) as unknown])) as Record<Part, unknown>),
      }));
    },
    /** The next version of its name; the same key a second time adds nothing. */
    async add(siteId: number, kept: Omit<KeptVersion, "id" | "version"> & Record<Part, unknown>): Promise<void> {
      const { key, name, keptAtMs, madeIn } = kept;
      const last = await db<Row>(table).where({ site_id: siteId, name }).orderBy("version", "desc").first("version");
      const version = (last?.version ?? 0) + 1;
      await into({ table })
        .insert({
          ...{ key, site_id: siteId, name, version, kept_at_ms: keptAtMs, made_in: madeIn, actor },
          ...Object.fromEntries(parts.map((part) => [part, JSON.stringify(kept[part])])),
        })
        .onConflict("key")
        .ignore();
    },
  };
}
