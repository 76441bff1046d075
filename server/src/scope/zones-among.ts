import type { Knex } from "knex";

/** Ids of all zones, or of those that are asked for: what the records of a zone are looked up by, so that its index serves. */
export function zonesAmong(db: Knex, zoneIds?: readonly number[]): Knex.QueryBuilder {
  const ids = db<{ id: number }>("zone").select("id");
  return zoneIds ? ids.whereIn("id", [...zoneIds]) : ids;
}
