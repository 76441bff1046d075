import { inPages, pages } from "../database/pages.ts";
import type { Writer } from "../scope/scope.ts";

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
  actor: string;
}

/** All SQL about water that was given. */
export function wateringStore({ db, actor }: Writer) {
  return {
    /** In order of time. */
    async between(fromMs: number, toMs: number): Promise<Watering[]> {
      const rows = await db<WateringRow>("watering")
        .whereIn("zone_id", db("zone").select("id"))
        .where("start_ms", ">=", fromMs)
        .where("start_ms", "<", toMs)
        .orderBy("start_ms");
      return rows.map(fromRow);
    },
    /** L given by zone and local date, from one moment to before another. */
    async litresByDay(
      fromMs: number,
      toMs: number,
      dateOf: (atMs: number) => string,
    ): Promise<ReadonlyMap<number, ReadonlyMap<string, number>>> {
      const byZone = new Map<number, Map<string, number>>();
      for (const { zoneId, startMs, litres } of await this.between(fromMs, toMs)) {
        const days = byZone.get(zoneId) ?? new Map<string, number>();
        byZone.set(zoneId, days);
        const date = dateOf(startMs);
        days.set(date, (days.get(date) ?? 0) + litres);
      }
      return byZone;
    },
    /** L given from one moment to before another, by zone. */
    async totals(fromMs: number, toMs: number): Promise<ReadonlyMap<number, number>> {
      const rows = await db<WateringRow>("watering")
        .where("start_ms", ">=", fromMs)
        .where("start_ms", "<", toMs)
        .groupBy("zone_id")
        .select<{ zone_id: number; litres: number }[]>("zone_id", db.raw("SUM(litres) AS litres"));
      return new Map(rows.map((row) => [row.zone_id, row.litres]));
    },
    /** L that a zone was given from a moment on; null when nothing was metered. */
    async totalSince(zoneId: number, fromMs: number): Promise<number | null> {
      const row = await db<WateringRow>("watering")
        .where({ zone_id: zoneId })
        .where("start_ms", ">=", fromMs)
        .sum<{ litres: number | null }[]>({ litres: "litres" })
        .first();
      return row?.litres ?? null;
    },
    /** Every one of a zone with where it is from, in order of time. */
    all(zoneId: number): AsyncIterable<Watering & { readonly source: string }> {
      return pages<WateringRow, Watering & { readonly source: string }>(
        (after, limit) =>
          db<WateringRow>("watering")
            .where({ zone_id: zoneId })
            .modify((query) => {
              if (after) void query.where("start_ms", ">", after.start_ms);
            })
            .orderBy("start_ms")
            .limit(limit),
        (row) => ({ ...fromRow(row), source: row.source }),
      );
    },
    /** Adds what is not there yet; what is there stays as it is. */
    async add(waterings: readonly (Watering & { readonly source: string })[]): Promise<void> {
      for (const page of inPages(waterings))
        await db.raw(
          `INSERT INTO watering (zone_id, start_ms, minutes, litres, source, actor)
           SELECT value ->> 0, value ->> 1, value ->> 2, value ->> 3, value ->> 4, value ->> 5 FROM json_each(?) WHERE true
           ON CONFLICT DO NOTHING`,
          [
            JSON.stringify(
              page.map(({ zoneId, startMs, minutes, litres, source }) => [
                zoneId,
                startMs,
                minutes,
                litres,
                source,
                actor,
              ]),
            ),
          ],
        );
    },
  };
}

function fromRow(row: WateringRow): Watering {
  return { zoneId: row.zone_id, startMs: row.start_ms, minutes: row.minutes, litres: row.litres };
}
