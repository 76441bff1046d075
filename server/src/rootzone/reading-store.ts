import type { Knex } from "knex";

export const READING_KINDS = [
  "drainPct",
  "drainEcMsCm",
  "feedEcMsCm",
  "drainPh",
  "tankEcMsCm",
  "tankPh",
  "levelCm",
  "dripEcMsCm",
  "dripPh",
] as const;
export type ReadingKind = (typeof READING_KINDS)[number];

export interface ZoneReading {
  readonly zoneId: number;
  readonly kind: ReadingKind;
  readonly atMs: number;
  readonly value: number;
}
interface ReadingRow {
  zone_id: number;
  kind: ReadingKind;
  at_ms: number;
  source: string;
  value: number;
}

/** All SQL about readings at the root zone. */
export function readingStore(db: Knex) {
  return {
    /** What counts, in order of time: struck readings are left out. */
    async between(fromMs: number, toMs: number): Promise<ZoneReading[]> {
      const rows = await db<ReadingRow>("zone_reading")
        .whereIn("zone_id", db("zone").select("id"))
        .whereIn("kind", [...READING_KINDS])
        .where("at_ms", ">=", fromMs)
        .where("at_ms", "<", toMs)
        .whereNotExists(
          db("reading_strike").whereRaw(
            "reading_strike.zone_id = zone_reading.zone_id AND reading_strike.at_ms = zone_reading.at_ms",
          ),
        )
        .orderBy("at_ms");
      return rows.map((row) => ({ zoneId: row.zone_id, kind: row.kind, atMs: row.at_ms, value: row.value }));
    },
    /** All readings of a zone, struck ones with the reason, in order of time. */
    async history(zoneId: number, fromMs: number): Promise<(ZoneReading & { struck: string | null })[]> {
      const rows: (ReadingRow & { reason: string | null })[] = await db<ReadingRow>("zone_reading")
        .leftJoin("reading_strike", (join) =>
          join.on("reading_strike.zone_id", "zone_reading.zone_id").andOn("reading_strike.at_ms", "zone_reading.at_ms"),
        )
        .where("zone_reading.zone_id", zoneId)
        .where("zone_reading.at_ms", ">=", fromMs)
        .orderBy("zone_reading.at_ms")
        .select("zone_reading.*", "reading_strike.reason");
      return rows.map((row) => ({ zoneId, kind: row.kind, atMs: row.at_ms, value: row.value, struck: row.reason }));
    },
    /** @returns false when there is no reading at that moment */
    async strike(zoneId: number, atMs: number, reason: string, nowMs: number): Promise<boolean> {
      if (!(await db<ReadingRow>("zone_reading").where({ zone_id: zoneId, at_ms: atMs }).first("at_ms"))) return false;
      await db("reading_strike")
        .insert({ zone_id: zoneId, at_ms: atMs, reason, struck_at_ms: nowMs })
        .onConflict()
        .ignore();
      return true;
    },
    /** Adds what is not there yet; what is there stays as it is. One statement, whatever their number. */
    async add(readings: readonly ZoneReading[], source: string): Promise<void> {
      if (readings.length === 0) return;
      const rows = readings.map(({ zoneId, kind, atMs, value }) => [zoneId, kind, atMs, source, value]);
      await db.raw(
        `INSERT INTO zone_reading (zone_id, kind, at_ms, source, value)
         SELECT value ->> 0, value ->> 1, value ->> 2, value ->> 3, value ->> 4 FROM json_each(?) WHERE true
         ON CONFLICT DO NOTHING`,
        [JSON.stringify(rows)],
      );
    },
  };
}
