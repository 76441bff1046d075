import type { Knex } from "knex";

/** Changes of each database that are not counted, by what its connection and all its transactions share. */
const uncounted = new WeakMap<object, number>();
const sharedBy = (db: Knex): object => (db.client as { readonly config: object }).config;

/**
 * Counts every change of the database since it was opened, but those on which nothing else rests: what was read or worked out before
 * one may be another thing after it.
 */
export async function changesOf(db: Knex): Promise<number> {
  return (await allOf(db)) - (uncounted.get(sharedBy(db)) ?? 0);
}

/** Writes what nothing rests on that is remembered by {@link changesOf}. */
export async function withoutCount(db: Knex, write: (db: Knex) => Promise<void>): Promise<void> {
  await db.transaction(async (trx) => {
    const before = await allOf(trx);
    await write(trx);
    const shared = sharedBy(trx);
    uncounted.set(shared, (uncounted.get(shared) ?? 0) + (await allOf(trx)) - before);
  });
}

async function allOf(db: Knex): Promise<number> {
  const [row] = await db.raw<{ n: number }[]>("SELECT total_changes() AS n");
  return row?.n ?? NaN;
}
