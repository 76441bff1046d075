import { READING_KINDS, type ReadingKind } from "@sprunel/core/rootzone";
import { setImmediate } from "node:timers/promises";
import { inPages, pages } from "../database/pages.ts";
import { bound, gathered, gatheredFrom, listed, listedValues } from "../database/listed.ts";
import { byZone, type Writer } from "../scope/scope.ts";
import { zonesAmong } from "../scope/zones-among.ts";

export interface ZoneReading {
  readonly zoneId: number;
  readonly kind: ReadingKind;
  readonly atMs: number;
  readonly value: number;
}
/** A value as it is stored: its kind may be one that only a device knows. */
export interface StoredReading {
  readonly zoneId: number;
  readonly kind: string;
  readonly atMs: number;
  readonly source: string;
  readonly value: number;
}
interface ReadingStrike {
  readonly atMs: number;
  readonly reason: string;
  readonly struckAtMs: number;
}

interface StrikeRow {
  zone_id: number;
  at_ms: number;
  reason: string;
  struck_at_ms: number;
  actor: string;
}

interface ReadingRow {
  zone_id: number;
  kind: ReadingKind;
  at_ms: number;
  source: string;
  value: number;
}

const COLUMNS = ["zone_id", "kind", "at_ms", "source", "value", "actor"] as const;

/** All SQL about readings at the root zone. */
export function readingStore({ db, actor, into, writes }: Writer) {
  return {
    /** What counts, in order of time, of some zones or of all: struck readings are left out. */
    async between(fromMs: number, toMs: number, zoneIds?: readonly number[]): Promise<ZoneReading[]> {
      const rows = await db<ReadingRow>("zone_reading")
        .whereIn("zone_id", zonesAmong(db, zoneIds))
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
    /** Zones of which a kind was read at some time. */
    async everRead(kind: ReadingKind): Promise<ReadonlySet<number>> {
      const rows = await db<{ id: number }>("zone")
        .whereExists(db("zone_reading").whereRaw("zone_reading.zone_id = zone.id").where("zone_reading.kind", kind))
        .select("id");
      return new Set(rows.map(({ id }) => id));
    },
    /** The newest values that count, of each zone and kind, the newest first. */
    async newest(zoneIds: readonly number[], each: number): Promise<ZoneReading[]> {
      const rows = await db.raw<{ zone_id: number; kind: ReadingKind; found: string }[]>(
        `SELECT zones.value AS zone_id, kinds.value AS kind, ${gathered(
          ["at_ms", "value"],
          `SELECT at_ms, value FROM zone_reading
             WHERE zone_id = zones.value AND kind = kinds.value AND NOT EXISTS (
               SELECT 1 FROM reading_strike
               WHERE reading_strike.zone_id = zone_reading.zone_id AND reading_strike.at_ms = zone_reading.at_ms)
             ORDER BY at_ms DESC LIMIT ?`,
        )} AS found FROM ${listedValues("zones")}, ${listedValues("kinds")}`,
        [each, bound(zoneIds), bound(READING_KINDS)],
      );
      return rows.flatMap(({ zone_id: zoneId, kind, found }) =>
        gatheredFrom<[number, number]>(found).map(([atMs, value]) => ({ zoneId, kind, atMs, value })),
      );
    },
    /** Of some values those at whose zone, kind and moment another one stands, or that were struck out there. */
    async inTheWay(readings: readonly StoredReading[]): Promise<
      {
        readonly zoneId: number;
        readonly kind: string;
        readonly atMs: number;
        readonly value: number;
        readonly struck: boolean;
      }[]
    > {
      const rows: { zone_id: number; kind: string; at_ms: number; value: number; struck: number }[] = [];
      for (const page of inPages(readings))
        rows.push(
          ...(await db.raw<typeof rows>(
            `SELECT zone_reading.zone_id, zone_reading.kind, zone_reading.at_ms, zone_reading.value,
                    reading_strike.at_ms IS NOT NULL AS struck
             FROM ${listed("asked", ["zone_id", "kind", "at_ms", "value"])}
             JOIN zone_reading ON zone_reading.zone_id = asked.zone_id AND zone_reading.kind = asked.kind
              AND zone_reading.at_ms = asked.at_ms
             LEFT JOIN reading_strike ON reading_strike.zone_id = zone_reading.zone_id
              AND reading_strike.at_ms = zone_reading.at_ms
             WHERE reading_strike.at_ms IS NOT NULL OR zone_reading.value <> asked.value`,
            [bound(page.map(({ zoneId, kind, atMs, value }) => [zoneId, kind, atMs, value]))],
          )),
        );
      return rows.map((row) => ({
        zoneId: row.zone_id,
        kind: row.kind,
        atMs: row.at_ms,
        value: row.value,
        struck: row.struck === 1,
      }));
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
      await into<StrikeRow>({ table: "reading_strike", zones: [zoneId], from: atMs })
        .insert({ zone_id: zoneId, at_ms: atMs, reason, struck_at_ms: nowMs, actor })
        .onConflict()
        .ignore();
      return true;
    },
    /** Every value of a zone with where it is from; what a kind of reading is called is not asked. */
    all(zoneId: number, fromMs = -Infinity): AsyncIterable<StoredReading> {
      return pages<ReadingRow, StoredReading>(
        (after, limit) =>
          db<ReadingRow>("zone_reading")
            .where({ zone_id: zoneId })
            .modify((query) => {
              if (Number.isFinite(fromMs)) void query.where("at_ms", ">=", fromMs);
              if (after)
                void query.whereRaw("(kind, at_ms, source) > (?, ?, ?)", [after.kind, after.at_ms, after.source]);
            })
            .orderBy(["kind", "at_ms", "source"])
            .limit(limit),
        (row) => ({ zoneId, kind: row.kind, atMs: row.at_ms, source: row.source, value: row.value }),
      );
    },
    async strikes(zoneId: number): Promise<ReadingStrike[]> {
      const rows = await db<StrikeRow>("reading_strike").where({ zone_id: zoneId }).orderBy("at_ms");
      return rows.map((row) => ({ atMs: row.at_ms, reason: row.reason, struckAtMs: row.struck_at_ms }));
    },
    async addStrikes(zoneId: number, strikes: readonly ReadingStrike[]): Promise<void> {
      for (const { atMs, reason, struckAtMs } of strikes)
        await into<StrikeRow>({ table: "reading_strike", zones: [zoneId], from: atMs }).insert({
          zone_id: zoneId,
          at_ms: atMs,
          reason,
          struck_at_ms: struckAtMs,
          actor,
        });
    },
    /** Adds what is not there yet; what is there stays as it is. */
    async add(readings: readonly StoredReading[]): Promise<void> {
      for (const rows of byZone(readings, ({ atMs }) => atMs)) writes({ table: "zone_reading", ...rows });
      for (const page of inPages(readings)) {
        await setImmediate();
        await db.raw(
          `INSERT INTO zone_reading (${COLUMNS.join(", ")})
           SELECT ${COLUMNS.join(", ")} FROM ${listed("said", COLUMNS)} WHERE true ON CONFLICT DO NOTHING`,
          [bound(page.map(({ zoneId, kind, atMs, source, value }) => [zoneId, kind, atMs, source, value, actor]))],
        );
      }
    },
  };
}
