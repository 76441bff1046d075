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
  const earliest = new Map<number | null, string>();
  for (const { table, zones, from } of rows)
    if (COURSE_TABLES.includes(table))
      // Without a zone they are of all.
      for (const zone of zones ?? [null]) if (from < (earliest.get(zone) ?? "~")) earliest.set(zone, from);
  for (const [zone, from] of earliest) {
    const gone = db("zone_checkpoint").where("date", ">", from);
    if (zone !== null) void gone.where({ zone_id: zone });
    await gone.delete();
  }
}
