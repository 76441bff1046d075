import type { Knex } from "knex";

export const iso = (ms: number): string => new Date(ms).toISOString();
/** Knex writes many rows as a compound SELECT, of which SQLite takes 500 terms. */
const ROWS_AT_A_TIME = 400;

export async function insertAll(db: Knex, table: string, rows: readonly object[], zoneId?: number): Promise<void> {
  for (let at = 0; at < rows.length; at += ROWS_AT_A_TIME)
    await db(table).insert(
      rows.slice(at, at + ROWS_AT_A_TIME).map((row) => (zoneId === undefined ? row : { zone_id: zoneId, ...row })),
    );
}

export function withoutVersion<T extends { version: number }>({ version: _version, ...rest }: T): Omit<T, "version"> {
  return rest;
}
