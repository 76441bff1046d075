import { pickSchema, type NewPick, type Pick } from "@sprunel/contract/harvest";
import type { Writer } from "../scope/scope.ts";

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
  actor: string;
}

/** A pick as a file of the whole site carries it. */
type FiledPick = NewPick & { readonly struck: string | null; readonly struckAtMs: number | null };

/** All SQL about picks. A pick is never erased: what does not count is struck out. */
export function pickStore({ db, actor }: Writer) {
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
    /** Every one of a zone, the oldest first, under the key that makes it count once. */
    async all(zoneId: number): Promise<FiledPick[]> {
      const rows = await db<PickRow>("pick").where({ zone_id: zoneId }).orderBy("id");
      return rows.map((row) => {
        const { id: _id, ...pick } = fromRow(row);
        return { ...pick, key: row.key, struckAtMs: row.struck_at_ms };
      });
    },
    async addAll(zoneId: number, picks: readonly FiledPick[]): Promise<void> {
      for (const { struck, struckAtMs, ...pick } of picks) {
        await this.add(zoneId, pick);
        if (struck !== null)
          await db<PickRow>("pick")
            .where({ key: pick.key })
            .update({ struck_reason: struck, struck_at_ms: struckAtMs });
      }
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
          actor,
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
