import { writtenChangeSchema, type ChangeFilter, type ChangeKind, type WrittenChange } from "@sprunel/contract/changes";
import canonicalize from "canonicalize";
import { createHash } from "node:crypto";
import type { Knex } from "knex";
import type { Writer } from "./scope.ts";

interface ChangeRow {
  id: number;
  at_ms: number;
  actor: string;
  device: string;
  endpoint: string;
  kind: ChangeKind;
  key: string;
  zone_id: number | null;
  zone: string | null;
  records: string;
  counts: string;
  before: string;
  from_file: number;
}

/** SQLite takes so many rows in a statement, and not many more. */
const ROWS_AT_ONCE = 200;

/** A change as it is kept in this folder. */
export interface KeptChange {
  readonly id: number;
  readonly change: WrittenChange;
  readonly zoneId: number | null;
  readonly fromFile: boolean;
}

/** A change that is about to be kept. */
export interface NewChange {
  readonly change: Omit<WrittenChange, "before">;
  readonly zoneId: number | null;
}

/** Which changes: of records by the keys of this folder, by instants. */
export interface ChangesAsked extends Omit<ChangeFilter, "from" | "to"> {
  readonly fromMs?: number | undefined;
  readonly beforeMs?: number | undefined;
  /** only those that stand behind this one */
  readonly behind?: Pick<KeptChange, "id" | "change"> | undefined;
}

/**
 * The hash of a change: the SHA-256 of its canonical JSON (RFC 8785) in hexadecimal digits. The hash of the change before it is
 * part of it, so none can be altered or left out without all later ones showing it.
 */
export function hashOf(change: WrittenChange): string {
  return createHash("sha256")
    .update(canonicalize(change) ?? "")
    .digest("hex");
}

/** All SQL about the record of changes. Rows are only ever added. */
export function changeStore({ db, into }: Pick<Writer, "db" | "into">) {
  const add = async (rows: readonly Omit<ChangeRow, "id">[]): Promise<void> => {
    for (let at = 0; at < rows.length; at += ROWS_AT_ONCE)
      await into<ChangeRow>({ table: "change", zones: [] }).insert(rows.slice(at, at + ROWS_AT_ONCE));
  };
  return {
    async add({ change, zoneId }: NewChange): Promise<void> {
      const last = await db<ChangeRow>("change").orderBy("id", "desc").first();
      await add([rowOf({ ...change, before: last ? hashOf(fromRow(last).change) : "" }, zoneId, false)]);
    },

    /** Those of a site's file as they stand in it, under the zones that they are of here. */
    addFromFile: (changes: readonly { readonly change: WrittenChange; readonly zoneId: number | null }[]) =>
      add(changes.map(({ change, zoneId }) => rowOf(change, zoneId, true))),

    /** The newest first: what was told of the past stands where it was. */
    async list(asked: ChangesAsked, most: number): Promise<KeptChange[]> {
      const order = [
        { column: "at_ms", order: "desc" },
        { column: "id", order: "desc" },
      ];
      const rows = await chosen(db<ChangeRow>("change"), asked).orderBy(order).limit(most);
      return rows.map(fromRow);
    },

    async find(id: number): Promise<KeptChange | null> {
      const row = await db<ChangeRow>("change").where({ id }).first();
      return row ? fromRow(row) : null;
    },

    /** In the order in which they were kept, some at a time, after one of them. */
    async after(id: number, most: number): Promise<KeptChange[]> {
      const rows = await db<ChangeRow>("change").where("id", ">", id).orderBy("id").limit(most);
      return rows.map(fromRow);
    },

    async people(): Promise<string[]> {
      const rows = await db<ChangeRow>("change").distinct("actor").orderBy("actor");
      return rows.map(({ actor }) => actor);
    },
  };
}

function chosen(rows: Knex.QueryBuilder<ChangeRow, ChangeRow[]>, asked: ChangesAsked) {
  if (asked.fromMs !== undefined) rows.where("at_ms", ">=", asked.fromMs);
  if (asked.beforeMs !== undefined) rows.where("at_ms", "<", asked.beforeMs);
  if (asked.behind) {
    const { id } = asked.behind;
    const atMs = Date.parse(asked.behind.change.at);
    rows.where((either) => {
      void either.where("at_ms", "<", atMs).orWhere((same) => void same.where("at_ms", atMs).where("id", "<", id));
    });
  }
  if (asked.by !== undefined) rows.where("actor", asked.by);
  if (asked.kind !== undefined) rows.where("kind", asked.kind);
  // Keys of another folder name other records.
  if (asked.key !== undefined) rows.where({ key: asked.key, from_file: 0 });
  if (asked.zone !== undefined) rows.where("zone_id", asked.zone);
  return rows;
}

function rowOf(change: WrittenChange, zoneId: number | null, fromFile: boolean): Omit<ChangeRow, "id"> {
  return {
    at_ms: Date.parse(change.at),
    actor: change.by,
    device: change.device,
    endpoint: change.endpoint,
    kind: change.kind,
    key: change.key,
    zone_id: zoneId,
    zone: change.zone,
    records: JSON.stringify(change.records),
    counts: JSON.stringify(change.counts),
    before: change.before,
    from_file: fromFile ? 1 : 0,
  };
}

function fromRow(row: ChangeRow): KeptChange {
  return {
    id: row.id,
    zoneId: row.zone_id,
    fromFile: row.from_file === 1,
    change: writtenChangeSchema.parse({
      at: new Date(row.at_ms).toISOString(),
      by: row.actor,
      device: row.device,
      endpoint: row.endpoint,
      kind: row.kind,
      key: row.key,
      zone: row.zone,
      records: JSON.parse(row.records) as unknown,
      counts: JSON.parse(row.counts) as unknown,
      before: row.before,
    }),
  };
}
