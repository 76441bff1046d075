import { pickSchema, type NewPick, type Pick } from "@sprunel/contract/harvest";
import type { Knex } from "knex";

interface PickRow {
  id: number;
  key: string;
  zone_id: number;
  picked_on: string;
  mass_kg: number;
  count: number | null;
  grade: string | null;
  brix_pct: number | null;
  struck_reason: string | null;
  struck_at_ms: number | null;
}

/** All SQL about picks. A pick is never erased: what does not count is struck out. */
export function pickStore(db: Knex) {
  return {
    /** Newest first. */
    async between(zoneId: number, from: string, to: string): Promise<Pick[]> {
      const rows = await db<PickRow>("pick")
        .where({ zone_id: zoneId })
        .whereBetween("picked_on", [from, to])
        .orderBy([
          { column: "picked_on", order: "desc" },
          { column: "id", order: "desc" },
        ]);
      return rows.map(fromRow);
    },
    /** kg that count, by zone, of every zone from its own date on. */
    async totalsSince(since: ReadonlyMap<number, string>, to: string): Promise<Map<number, number>> {
      const totals = new Map<number, number>();
      const earliest = [...since.values()].sort()[0];
      if (earliest === undefined) return totals;
      const rows = await db<PickRow>("pick")
        .whereNull("struck_reason")
        .whereBetween("picked_on", [earliest, to])
        .select("zone_id", "picked_on", "mass_kg");
      for (const { zone_id: zoneId, picked_on: on, mass_kg: kg } of rows)
        if (on >= (since.get(zoneId) ?? "9999")) totals.set(zoneId, (totals.get(zoneId) ?? 0) + kg);
      return totals;
    },
    /** The same pick sent twice counts once. @returns false for the second one */
    async add(zoneId: number, pick: NewPick): Promise<boolean> {
      if (await db<PickRow>("pick").where({ key: pick.key }).first("id")) return false;
      await db<PickRow>("pick")
        .insert({
          key: pick.key,
          zone_id: zoneId,
          picked_on: pick.pickedOn,
          mass_kg: pick.massKg,
          count: pick.count,
          grade: pick.grade,
          brix_pct: pick.brixPct,
        })
        .onConflict("key")
        .ignore();
      return true;
    },
    /** @returns false when the zone has no such pick */
    async strike(zoneId: number, id: number, reason: string, nowMs: number): Promise<boolean> {
      const found = await db<PickRow>("pick").where({ id, zone_id: zoneId }).first("id");
      if (!found) return false;
      await db<PickRow>("pick")
        .where({ id })
        .whereNull("struck_reason")
        .update({ struck_reason: reason, struck_at_ms: nowMs });
      return true;
    },
  };
}

function fromRow(row: PickRow): Pick {
  return pickSchema.parse({
    id: row.id,
    pickedOn: row.picked_on,
    massKg: row.mass_kg,
    count: row.count,
    grade: row.grade,
    brixPct: row.brix_pct,
    struck: row.struck_reason,
  });
}
