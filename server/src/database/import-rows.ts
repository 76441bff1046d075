import type { ChangeKind } from "@sprunel/contract/changes";
import type { Knex } from "knex";

/*
 * Which rows a file added or changed, kept from what the database noted of them, and how they go or are put back. Thousands of
 * them cost one statement for each table.
 */

/** A table that files add to or change. */
export interface ImportedTable {
  readonly table: ChangeKind;
  /** columns that a row is known by */
  readonly key: readonly string[];
  /** columns that are put back as they were; null where files only add rows */
  readonly putBack: readonly string[] | null;
}

/** Keeps what was noted of some tables after a place as the rows of an import. */
export async function keepImportedRows(
  trx: Knex,
  importId: number,
  afterPlace: number,
  tables: readonly ImportedTable[],
): Promise<void> {
  for (const { table, putBack } of tables) {
    const [before, after] = putBack ? [valuesIn(putBack, "before"), valuesIn(putBack, "after")] : ["NULL", "NULL"];
    await trx.raw(
      `INSERT INTO file_import_row (import_id, place, of_table, key, before, after)
       SELECT ?, place, of_table, key, CASE WHEN before IS NOT NULL THEN ${before} END, ${after} FROM temp.row_note
       WHERE place > ? AND of_table = ? AND after IS NOT NULL ${putBack ? "" : "AND before IS NULL"}`,
      [importId, afterPlace, table],
    );
  }
}

/** Removes rows that an import added and nobody has changed since. @returns how many */
export async function removeImportedRows(
  trx: Knex,
  importId: number,
  { table, key, putBack }: ImportedTable,
): Promise<number> {
  const known = [...key, ...(putBack ? [valuesNow(putBack)] : [])];
  const kept = [...key.map((column) => `key ->> '${column}'`), ...(putBack ? ["after"] : [])];
  await trx.raw(
    `DELETE FROM ${table} WHERE (${known.join(", ")}) IN (
       SELECT ${kept.join(", ")} FROM file_import_row WHERE import_id = ? AND of_table = ? AND before IS NULL)`,
    [importId, table],
  );
  const [row] = await trx.raw<{ n: number }[]>("SELECT changes() AS n");
  return row?.n ?? 0;
}

/** Some columns of a row as one JSON text, as {@link keepImportedRows} keeps them. */
export function valuesNow(columns: readonly string[]): string {
  return `json_object(${columns.map((column) => `'${column}', ${column}`).join(", ")})`;
}

function valuesIn(columns: readonly string[], note: "before" | "after"): string {
  return `json_object(${columns.map((column) => `'${column}', ${note} ->> '${column}'`).join(", ")})`;
}
