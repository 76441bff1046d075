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
    /** The last reading of every kind in a span, by zone. */
    async latest(
      fromMs: number,
      toMs: number,
    ): Promise<Map<number, Partial<Record<ReadingKind, { value: number; atMs: number }>>>> {
      const rows = await db<ReadingRow>("zone_reading")
        .whereIn("zone_id", db("zone").select("id"))
        .whereIn("kind", [...READING_KINDS])
        .where("at_ms", ">=", fromMs)
        .where("at_ms", "<", toMs)
        .orderBy("at_ms");
      const byZone = new Map<number, Partial<Record<ReadingKind, { value: number; atMs: number }>>>();
      for (const row of rows)
        byZone.set(row.zone_id, { ...byZone.get(row.zone_id), [row.kind]: { value: row.value, atMs: row.at_ms } });
      return byZone;
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
