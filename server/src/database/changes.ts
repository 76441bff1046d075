import type { Knex } from "knex";

/** Counts every change of the database since it was opened: what was read or worked out before one may be another thing after it. */
export async function changesOf(db: Knex): Promise<number> {
  const [row] = await db.raw<{ n: number }[]>("SELECT total_changes() AS n");
  return row?.n ?? NaN;
}
