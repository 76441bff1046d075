import { CHANGE_KINDS, type ChangeKind } from "@sprunel/contract/changes";
import type { Knex } from "knex";

/*
 * The database itself notes each row of what people change that is added, changed or removed, in a table of the connection, and
 * takes the notes back with the transaction: whoever asks what a transaction did finds all of it, whichever statement did it.
 */

type Row = Readonly<Record<string, string | number | null>>;

/** A row that was written: without `before` it was added, without `after` removed. */
export interface RowNote {
  readonly table: ChangeKind;
  /** values of its primary key, by column */
  readonly key: Row;
  readonly before: Row | null;
  readonly after: Row | null;
}

interface NoteRow {
  place: number;
  of_table: ChangeKind;
  key: string;
  before: string | null;
  after: string | null;
}

/** Begins to note what is written over a connection; once, when its tables have today's shape. */
export async function beginRowNotes(db: Knex): Promise<void> {
  await db.raw("CREATE TEMP TABLE row_note (place INTEGER PRIMARY KEY, of_table, key, before, after)");
  await db.raw("CREATE TEMP TABLE row_noting (noting INTEGER NOT NULL)");
  await db.raw("INSERT INTO temp.row_noting VALUES (1)");
  for (const table of CHANGE_KINDS) {
    const columns = await db.raw<{ name: string; pk: number }[]>("SELECT name, pk FROM pragma_table_info(?)", [table]);
    const json = (row: "NEW" | "OLD", among: typeof columns): string =>
      `json_object(${among.map(({ name }) => `'${name}', ${row}.${name}`).join(", ")})`;
    const noted = (row: "NEW" | "OLD", before: string, after: string): string =>
      `INSERT INTO row_note (of_table, key, before, after) VALUES ('${table}', ${json(
        row,
        columns.filter(({ pk }) => pk > 0),
      )}, ${before}, ${after})`;
    const cases = [
      ["INSERT", noted("NEW", "NULL", json("NEW", columns))],
      ["UPDATE", noted("NEW", json("OLD", columns), json("NEW", columns))],
      ["DELETE", noted("OLD", json("OLD", columns), "NULL")],
    ] as const;
    for (const [event, note] of cases)
      await db.raw(`CREATE TEMP TRIGGER note_${event}_${table} AFTER ${event} ON main.${table}
        WHEN (SELECT noting FROM row_noting) BEGIN ${note}; END`);
  }
}

/**
 * Notes no more rows while thousands are read from a file, of which it is known what they are. What is taken back in the middle
 * takes this back too.
 */
export async function pauseRowNotes(trx: Knex): Promise<void> {
  await trx.raw("UPDATE temp.row_noting SET noting = 0");
}

export async function resumeRowNotes(trx: Knex): Promise<void> {
  await trx.raw("UPDATE temp.row_noting SET noting = 1");
}

/** The place of the last note of a transaction so far; 0 before the first. */
export async function lastNote(trx: Knex): Promise<number> {
  const [row] = await trx.raw<{ place: number | null }[]>("SELECT max(place) AS place FROM temp.row_note");
  return row?.place ?? 0;
}

/** How many rows of a table a transaction wrote. */
export interface NoteCount {
  readonly table: ChangeKind;
  readonly added: number;
  readonly changed: number;
  readonly removed: number;
}

/**
 * What a transaction wrote, in order, and forgets it: the next transaction begins without notes.
 *
 * @param most of a table with more notes only their count is told
 */
export async function takeNotes(
  trx: Knex,
  most: number,
): Promise<{ readonly notes: readonly RowNote[]; readonly counts: readonly NoteCount[] }> {
  const first = await trx<NoteRow>("temp.row_note")
    .orderBy("place")
    .limit(most + 1);
  if (first.length === 0) return { notes: [], counts: [] };
  const taken = first.length > most ? await takenByTable(trx, most) : { notes: first.map(fromRow), counts: [] };
  await trx.raw("DELETE FROM temp.row_note");
  return taken;
}

async function takenByTable(trx: Knex, most: number): ReturnType<typeof takeNotes> {
  const found = await trx.raw<(Omit<NoteCount, "changed"> & { readonly all_of: number })[]>(
    `SELECT of_table AS "table", count(*) AS all_of, sum(before IS NULL) AS added, sum(after IS NULL) AS removed
     FROM temp.row_note GROUP BY of_table`,
  );
  const few = found.filter((one) => one.all_of <= most).map(({ table }) => table);
  const rows = await trx<NoteRow>("temp.row_note").whereIn("of_table", few).orderBy("place");
  return {
    notes: rows.map(fromRow),
    counts: found
      .filter((one) => one.all_of > most)
      .map(({ table, all_of: all, added, removed }) => ({ table, added, removed, changed: all - added - removed })),
  };
}

function fromRow(row: NoteRow): RowNote {
  return {
    table: row.of_table,
    key: JSON.parse(row.key) as Row,
    before: row.before === null ? null : (JSON.parse(row.before) as Row),
    after: row.after === null ? null : (JSON.parse(row.after) as Row),
  };
}
