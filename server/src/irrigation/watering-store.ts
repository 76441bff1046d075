import type { Watering } from "@sprunel/core/irrigation";
import { inPages, pages } from "../database/pages.ts";
import { bound, listed } from "../database/listed.ts";
import { byZone, type Writer } from "../scope/scope.ts";
import { zonesAmong } from "../scope/zones-among.ts";

interface WateringRow {
  zone_id: number;
  start_ms: number;
  minutes: number;
  litres: number;
  source: string;
  struck_reason: string | null;
  struck_at_ms: number | null;
  actor: string;
}

const COLUMNS = [
  ...["zone_id", "start_ms", "minutes", "litres", "source"],
  ...["struck_reason", "struck_at_ms", "actor"],
] as const;

/** As a person says it, where a controller or a file did not. */
export const SAID_BY_HAND = "hand";

interface FiledWatering extends Watering {
  readonly source: string;
  /** why it does not count; null while it does */
  readonly struck: string | null;
  readonly struckAtMs: number | null;
}

/** All SQL about water that was given. */
export function wateringStore({ db, actor, into, writes }: Writer) {
  return {
    /** What counts, in order of time, of some zones or of all. */
    async between(fromMs: number, toMs: number, zoneIds?: readonly number[]): Promise<Watering[]> {
      const rows = await db<WateringRow>("watering")
        .whereIn("zone_id", zonesAmong(db, zoneIds))
        .whereNull("struck_reason")
        .where("start_ms", ">=", fromMs)
        .where("start_ms", "<", toMs)
        .orderBy("start_ms");
      return rows.map(fromRow);
    },
    /** When water first ran anywhere, ms; null while none did. */
    async first(): Promise<number | null> {
      const row = await db<WateringRow>("watering").whereNull("struck_reason").min("start_ms as ms").first();
      return (row as { ms: number | null } | undefined)?.ms ?? null;
    },
    /** L given from one moment to before another, by zone. */
    async totals(fromMs: number, toMs: number): Promise<ReadonlyMap<number, number>> {
      const rows = await db<WateringRow>("watering")
        .whereNull("struck_reason")
        .where("start_ms", ">=", fromMs)
        .where("start_ms", "<", toMs)
        .groupBy("zone_id")
        .select<{ zone_id: number; litres: number }[]>("zone_id", db.raw("SUM(litres) AS litres"));
      return new Map(rows.map((row) => [row.zone_id, row.litres]));
    },
    /** L that zones were given, each from a moment of its own to before another, in the order asked; null when nothing was metered. */
    async totalsSince(
      asked: readonly { readonly zoneId: number; readonly fromMs: number }[],
      toMs: number,
    ): Promise<(number | null)[]> {
      const rows = await db.raw<{ litres: number | null }[]>(
        `SELECT (SELECT SUM(litres) FROM watering
                 WHERE zone_id = asked.zone_id AND start_ms >= asked.from_ms AND start_ms < ?
                   AND struck_reason IS NULL) AS litres
         FROM ${listed("asked", ["zone_id", "from_ms"])} ORDER BY asked.place`,
        [toMs, bound(asked.map(({ zoneId, fromMs }) => [zoneId, fromMs]))],
      );
      return rows.map(({ litres }) => litres);
    },
    /** L that a zone was given from a moment on; null when nothing was metered. */
    async totalSince(zoneId: number, fromMs: number): Promise<number | null> {
      const [litres = null] = await this.totalsSince([{ zoneId, fromMs }], Number.MAX_SAFE_INTEGER);
      return litres;
    },
    /** Every one of a zone with where it is from and why it does not count, in order of time. */
    all(zoneId: number): AsyncIterable<FiledWatering> {
      return pages<WateringRow, FiledWatering>(
        (after, limit) =>
          db<WateringRow>("watering")
            .where({ zone_id: zoneId })
            .modify((query) => {
              if (after) void query.where("start_ms", ">", after.start_ms);
            })
            .orderBy("start_ms")
            .limit(limit),
        (row) => ({ ...fromRow(row), source: row.source, struck: row.struck_reason, struckAtMs: row.struck_at_ms }),
      );
    },
    /** Of some waterings those at whose zone and start another amount stands and counts. */
    async inTheWay(waterings: readonly Watering[]): Promise<Watering[]> {
      const rows = await db.raw<WateringRow[]>(
        `SELECT watering.* FROM ${listed("asked", ["zone_id", "start_ms", "litres"])}
         JOIN watering ON watering.zone_id = asked.zone_id AND watering.start_ms = asked.start_ms
         WHERE watering.struck_reason IS NULL AND watering.litres <> asked.litres`,
        [bound(waterings.map(({ zoneId, startMs, litres }) => [zoneId, startMs, litres]))],
      );
      return rows.map(fromRow);
    },
    /** Adds what is not there yet; what is there stays as it is, but for what was struck out and a person says anew. */
    async add(
      waterings: readonly (Watering & Pick<FiledWatering, "source"> & Partial<FiledWatering>)[],
    ): Promise<void> {
      for (const rows of byZone(waterings, ({ startMs }) => startMs)) writes({ table: "watering", ...rows });
      for (const page of inPages(waterings))
        await db.raw(
          `INSERT INTO watering (${COLUMNS.join(", ")})
           SELECT ${COLUMNS.join(", ")} FROM ${listed("given", COLUMNS)} WHERE true
           ON CONFLICT (zone_id, start_ms) DO UPDATE
           SET minutes = excluded.minutes, litres = excluded.litres, source = excluded.source,
               struck_reason = NULL, struck_at_ms = NULL, actor = excluded.actor
           WHERE struck_reason IS NOT NULL AND excluded.source = '${SAID_BY_HAND}'`,
          [
            bound(
              page.map(({ zoneId, startMs, minutes, litres, source, struck = null, struckAtMs = null }) => [
                zoneId,
                startMs,
                minutes,
                litres,
                source,
                struck,
                struckAtMs,
                actor,
              ]),
            ),
          ],
        );
    },
    /** @returns false when nothing that counts began then */
    async strike(zoneId: number, startMs: number, reason: string, atMs: number): Promise<boolean> {
      const struck = await into<WateringRow>({ table: "watering", zones: [zoneId], from: startMs })
        .where({ zone_id: zoneId, start_ms: startMs })
        .whereNull("struck_reason")
        .update({ struck_reason: reason, struck_at_ms: atMs, actor });
      return struck === 1;
    },
  };
}

function fromRow(row: WateringRow): Watering {
  return { zoneId: row.zone_id, startMs: row.start_ms, minutes: row.minutes, litres: row.litres };
}
