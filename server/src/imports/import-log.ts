import type { ImportKind } from "@sprunel/contract/exchange";
import type { Writer } from "../scope/scope.ts";

/** Tables that files add to or change, by what a row of them is known by. */
const WATCHED = {
  zone_reading: ["zone_id", "kind", "at_ms"],
  zone_report: ["id"],
  water_report: ["id"],
  pick: ["id"],
  shelf_item: ["site_id", "product_id"],
} as const;
type Watched = keyof typeof WATCHED;

/** What of a row is put back as it was; its version goes on. */
const PUT_BACK: Partial<Record<Watched, readonly string[]>> = { shelf_item: ["price_kg", "stock_kg"] };

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
  of_table: Watched;
  key: string;
  before: string | null;
  after: string | null;
}

/** Which files were imported, and what each of them added or changed. */
export function importLog({ db, actor, into, writes }: Writer) {
  return {
    /**
     * Does the work of an import inside its transaction, and keeps which rows it added or changed: the database itself notes
     * them, so that nothing is forgotten.
     */
    async watched<T>(work: () => Promise<T>, about: (done: T) => NewImport | null): Promise<T> {
      await db.raw(
        "CREATE TEMP TABLE IF NOT EXISTS import_notes (place INTEGER PRIMARY KEY, of_table, key, before, after)",
      );
      await db.raw("DELETE FROM temp.import_notes");
      const triggers = Object.keys(WATCHED) as Watched[];
      for (const table of triggers) await watch(table);
      let done: T;
      try {
        done = await work();
      } finally {
        for (const table of triggers) {
          await db.raw(`DROP TRIGGER IF EXISTS temp.note_added_${table}`);
          await db.raw(`DROP TRIGGER IF EXISTS temp.note_changed_${table}`);
        }
      }
      const found = about(done);
      if (found) await keep(found);
      return done;
    },

    /** Notes an import whose rows know it themselves. */
    add: (found: NewImport): Promise<void> => keep(found),

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
      for (const table of Object.keys(WATCHED) as Watched[]) undone += await removeAdded(id, table);
      const changed = await db<ChangedRow>("file_import_row")
        .where({ import_id: id })
        .whereNotNull("before")
        .orderBy("place", "desc");
      for (const row of changed) if (await putBack(row)) undone++;
      await into({ table: "file_import" }).where({ id }).update({ taken_back_at_ms: nowMs });
      return { undone, stays: (counted?.n ?? 0) - undone };
    },
  };

  async function keep({
    kind,
    fileName,
    heads,
    choices,
    rows,
    importedAtMs,
    weatherImportId,
  }: NewImport): Promise<void> {
    const [id] = await into({ table: "file_import" }).insert({
      ...{ kind, file_name: fileName, heads, choices: JSON.stringify(choices), rows, imported_at_ms: importedAtMs },
      ...{ weather_import_id: weatherImportId ?? null, actor },
    });
    if (weatherImportId !== undefined) return;
    writes({ table: "file_import_row" });
    await db.raw(
      "INSERT INTO file_import_row (import_id, place, of_table, key, before, after) SELECT ?, place, of_table, key, before, after FROM temp.import_notes",
      [id ?? 0],
    );
  }

  async function watch(table: Watched): Promise<void> {
    const json = (columns: readonly string[], row: "NEW" | "OLD"): string =>
      `json_object(${columns.map((column) => `'${column}', ${row}.${column}`).join(", ")})`;
    const key = json(WATCHED[table], "NEW");
    const columns = PUT_BACK[table];
    const after = columns ? json(columns, "NEW") : "NULL";
    await db.raw(`CREATE TEMP TRIGGER note_added_${table} AFTER INSERT ON main.${table}
      BEGIN INSERT INTO import_notes (of_table, key, after) VALUES ('${table}', ${key}, ${after}); END`);
    if (columns)
      await db.raw(`CREATE TEMP TRIGGER note_changed_${table} AFTER UPDATE ON main.${table}
        BEGIN INSERT INTO import_notes (of_table, key, before, after)
          VALUES ('${table}', ${key}, ${json(columns, "OLD")}, ${after}); END`);
  }

  /** As it was after the import: nobody has changed it since. */
  function asAfter(table: Watched): string | null {
    const columns = PUT_BACK[table];
    return columns ? `json_object(${columns.map((column) => `'${column}', ${column}`).join(", ")})` : null;
  }

  async function removeAdded(id: number, table: Watched): Promise<number> {
    const columns: readonly string[] = WATCHED[table];
    const now = asAfter(table);
    writes({ table });
    await db.raw(
      `DELETE FROM ${table} WHERE (${[...columns, ...(now ? [now] : [])].join(", ")}) IN (
         SELECT ${[...columns.map((column) => `key ->> '${column}'`), ...(now ? ["after"] : [])].join(", ")} FROM file_import_row
         WHERE import_id = ? AND of_table = ? AND before IS NULL)`,
      [id, table],
    );
    const [row] = await db.raw<{ n: number }[]>("SELECT changes() AS n");
    return row?.n ?? 0;
  }

  async function putBack({ of_table: table, key, before, after }: ChangedRow): Promise<boolean> {
    const where = JSON.parse(key) as Record<string, string | number>;
    const was = JSON.parse(before ?? "{}") as Record<string, number | null>;
    const changed = await into({ table })
      .where(where)
      .whereRaw(`${asAfter(table) ?? "NULL"} = ?`, [after])
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
