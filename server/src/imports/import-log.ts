import type { ImportKind } from "@sprunel/contract/exchange";
import { keepImportedRows, removeImportedRows, valuesNow, type ImportedTable } from "../database/import-rows.ts";
import { lastNote } from "../database/row-notes.ts";
import type { Writer } from "../scope/scope.ts";

/** Tables that files add to or change. What is put back of a row is as it was; its version goes on. */
const WATCHED: readonly ImportedTable[] = [
  { table: "zone_reading", key: ["zone_id", "kind", "at_ms"], putBack: null },
  { table: "zone_report", key: ["id"], putBack: null },
  { table: "water_report", key: ["id"], putBack: null },
  { table: "pick", key: ["id"], putBack: null },
  { table: "shelf_item", key: ["site_id", "product_id"], putBack: ["price_kg", "stock_kg"] },
];

export interface NewImport {
  readonly kind: ImportKind;
  readonly fileName: string;
  /** the heads of its columns: files that look alike are read alike */
  readonly heads: string;
  /** what a person settled about it */
  readonly choices: object;
  readonly rows: number;
  readonly importedAtMs: number;
  readonly weatherImportId?: number;
}

export interface KeptImport {
  readonly id: number;
  readonly kind: ImportKind;
  readonly fileName: string;
  readonly rows: number;
  readonly importedAtMs: number;
  readonly takenBackAtMs: number | null;
  readonly weatherImportId: number | null;
  readonly actor: string;
}

interface ImportRow {
  id: number;
  kind: ImportKind;
  file_name: string;
  heads: string;
  choices: string;
  rows: number;
  imported_at_ms: number;
  taken_back_at_ms: number | null;
  weather_import_id: number | null;
  actor: string;
}
interface ChangedRow {
  import_id: number;
  place: number;
  of_table: string;
  key: string;
  before: string | null;
  after: string | null;
}

/** Which files were imported, and what each of them added or changed. */
export function importLog({ db, actor, into, writes }: Writer) {
  return {
    /** Does the work of an import inside its transaction, and keeps which rows it added or changed. */
    async watched<T>(work: () => Promise<T>, about: (done: T) => NewImport | null): Promise<T> {
      const before = await lastNote(db);
      const done = await work();
      const found = about(done);
      if (found) await keep(found, before);
      return done;
    },

    /** Notes an import whose rows know it themselves. */
    add: (found: NewImport): Promise<void> => keep(found, null),

    async list(most: number): Promise<KeptImport[]> {
      const rows = await db<ImportRow>("file_import").orderBy("id", "desc").limit(most);
      return rows.map(keptOf);
    },

    async find(id: number): Promise<KeptImport | null> {
      const row = await db<ImportRow>("file_import").where({ id }).first();
      return row ? keptOf(row) : null;
    },

    /** What a person settled for the last file of a kind with these heads, and who. */
    async choicesOf(
      kind: ImportKind,
      heads: string,
    ): Promise<{ readonly choices: unknown; readonly by: string } | null> {
      const row = await db<ImportRow>("file_import")
        .where({ kind, heads })
        .whereNull("taken_back_at_ms")
        .orderBy("id", "desc")
        .first("choices", "actor");
      return row ? { choices: JSON.parse(row.choices) as unknown, by: row.actor } : null;
    },

    /**
     * Takes an import back: what it added goes, what it changed is as before. What somebody changed since stays.
     *
     * @returns how many rows went or were put back, and how many stay
     */
    async takeBack(id: number, nowMs: number): Promise<{ readonly undone: number; readonly stays: number }> {
      const [counted] = await db<ChangedRow>("file_import_row")
        .where({ import_id: id })
        .count<{ n: number }[]>({ n: "*" });
      let undone = 0;
      for (const watched of WATCHED) {
        writes({ table: watched.table });
        undone += await removeImportedRows(db, id, watched);
      }
      const changed = await db<ChangedRow>("file_import_row")
        .where({ import_id: id })
        .whereNotNull("before")
        .orderBy("place", "desc");
      for (const row of changed) if (await putBack(row)) undone++;
      await into({ table: "file_import" }).where({ id }).update({ taken_back_at_ms: nowMs });
      return { undone, stays: (counted?.n ?? 0) - undone };
    },
  };

  /** @param afterNote the note after which its rows were written; null where they know the import themselves */
  async function keep(
    { kind, fileName, heads, choices, rows, importedAtMs, weatherImportId }: NewImport,
    afterNote: number | null,
  ): Promise<void> {
    const [id] = await into({ table: "file_import" }).insert({
      ...{ kind, file_name: fileName, heads, choices: JSON.stringify(choices), rows, imported_at_ms: importedAtMs },
      ...{ weather_import_id: weatherImportId ?? null, actor },
    });
    if (afterNote === null) return;
    writes({ table: "file_import_row" });
    await keepImportedRows(db, id ?? 0, afterNote, WATCHED);
  }

  /** Puts a changed row back, unless somebody has changed it since. */
  async function putBack({ of_table: table, key, before, after }: ChangedRow): Promise<boolean> {
    const watched = WATCHED.find((one) => one.table === table);
    if (!watched?.putBack) return false;
    const where = JSON.parse(key) as Record<string, string | number>;
    const was = JSON.parse(before ?? "{}") as Record<string, number | null>;
    const changed = await into({ table: watched.table })
      .where(where)
      .whereRaw(`${valuesNow(watched.putBack)} = ?`, [after])
      .update(was);
    return changed > 0;
  }
}

function keptOf(row: ImportRow): KeptImport {
  return {
    id: row.id,
    kind: row.kind,
    fileName: row.file_name,
    rows: row.rows,
    importedAtMs: row.imported_at_ms,
    takenBackAtMs: row.taken_back_at_ms,
    weatherImportId: row.weather_import_id,
    actor: row.actor,
  };
}
