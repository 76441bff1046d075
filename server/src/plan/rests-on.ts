import { WEATHER_TABLES } from "../climate/weather-service.ts";
import type { DatedRows } from "../scope/cache.ts";
import type { Table } from "../database/tables.ts";
import type { Knex } from "knex";

/** Tables that the course of a root zone rests on: what the planner is given of them is all that it knows. */
export const COURSE_TABLES: readonly Table[] = [
  ...WEATHER_TABLES,
  "decision",
  "dose_programme",
  "dose_record",
  "feed_settings",
  "feed_target",
  "own_crop",
  "pick",
  "reading_strike",
  "source",
  "source_dose",
  "watering",
  "zone",
  "zone_reading",
  "zone_report",
];

/**
 * Drops the midnights that rest on rows that are written, in the transaction that writes them: a checkpoint never outlives what
 * it was worked out of. A change bears on the midnights after its own date.
 */
export async function dropCheckpoints(db: Knex, rows: readonly DatedRows[]): Promise<void> {
  const all = "all";
  const earliest = new Map<number | typeof all, string>();
  for (const { table, zones = [all], from } of rows)
    if (COURSE_TABLES.includes(table))
      for (const zone of zones as readonly (number | typeof all)[])
        if (from < (earliest.get(zone) ?? "~")) earliest.set(zone, from);
  for (const [zone, from] of earliest)
    await db("zone_checkpoint")
      .where("date", ">", from)
      .modify((gone) => {
        if (zone !== all) void gone.where({ zone_id: zone });
      })
      .delete();
}
