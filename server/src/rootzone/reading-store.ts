import type { Knex } from "knex";

export const READING_KINDS = ["drainPct", "drainEcMsCm", "feedEcMsCm", "drainPh"] as const;
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
    /** In order of time. */
    async between(fromMs: number, toMs: number): Promise<ZoneReading[]> {
      const rows = await db<ReadingRow>("zone_reading")
        .whereIn("zone_id", db("zone").select("id"))
        .whereIn("kind", [...READING_KINDS])
        .where("at_ms", ">=", fromMs)
        .where("at_ms", "<", toMs)
        .orderBy("at_ms");
      return rows.map((row) => ({ zoneId: row.zone_id, kind: row.kind, atMs: row.at_ms, value: row.value }));
    },
    /** Adds what is not there yet; what is there stays as it is. */
    async add(readings: readonly ZoneReading[], source: string): Promise<void> {
      const rows = readings.map(({ zoneId, kind, atMs, value }) => ({
        zone_id: zoneId,
        kind,
        at_ms: atMs,
        source,
        value,
      }));
      if (rows.length > 0) await db<ReadingRow>("zone_reading").insert(rows).onConflict().ignore();
    },
  };
}
