import type { Knex } from "knex";

export interface Watering {
  readonly zoneId: number;
  readonly startMs: number;
  readonly minutes: number;
  readonly litres: number;
}
interface WateringRow {
  zone_id: number;
  start_ms: number;
  minutes: number;
  litres: number;
  source: string;
}

/** All SQL about water that was given. */
export function wateringStore(db: Knex) {
  return {
    /** In order of time. */
    async between(fromMs: number, toMs: number): Promise<Watering[]> {
      const rows = await db<WateringRow>("watering")
        .whereIn("zone_id", db("zone").select("id"))
        .where("start_ms", ">=", fromMs)
        .where("start_ms", "<", toMs)
        .orderBy("start_ms");
      return rows.map((row) => ({
        zoneId: row.zone_id,
        startMs: row.start_ms,
        minutes: row.minutes,
        litres: row.litres,
      }));
    },
    /** Adds what is not there yet; what is there stays as it is. */
    async add(waterings: readonly Watering[], source: string): Promise<void> {
      const rows = waterings.map(({ zoneId, startMs, minutes, litres }) => ({
        zone_id: zoneId,
        start_ms: startMs,
        minutes,
        litres,
        source,
      }));
      if (rows.length > 0) await db<WateringRow>("watering").insert(rows).onConflict().ignore();
    },
  };
}
