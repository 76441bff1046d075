import { pickSchema, type NewPick, type Pick } from "@sprunel/contract/harvest";
import { bound, listed } from "../database/listed.ts";
import type { Writer } from "../scope/scope.ts";

interface PickRow {
  id: number;
  key: string;
  zone_id: number;
  picked_on: string;
  clock: string | null;
  mass_kg: number | null;
  count: number | null;
  grade: string | null;
  brix_pct: number | null;
  struck_reason: string | null;
  struck_at_ms: number | null;
  actor: string;
}

/** What counts, as it was weighed and as it was counted. */
export interface PickTotals {
  readonly massKg: number;
  readonly count: number;
}

/** What picks add up to. */
export function totalsOf(picks: readonly Pick[]): PickTotals {
  return picks.reduce(
    (sum, { massKg, count }) => ({ massKg: sum.massKg + (massKg ?? 0), count: sum.count + (count ?? 0) }),
    { massKg: 0, count: 0 },
  );
}

/** A pick as a file of the whole site carries it. */
type FiledPick = NewPick & { readonly struck: string | null; readonly struckAtMs: number | null };

/** All SQL about picks. A pick is never erased: what does not count is struck out. */
export function pickStore({ db, actor, into }: Writer) {
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
          await into<PickRow>({ table: "pick", zones: [zoneId], from: pick.pickedOn })
            .where({ key: pick.key })
            .update({ struck_reason: struck, struck_at_ms: struckAtMs });
      }
    },
    /** Every pick that counts, from each zone's own date on up to another, in order of time. */
    async since(since: ReadonlyMap<number, string>, to: string): Promise<ReadonlyMap<number, readonly Pick[]>> {
      const found = new Map<number, Pick[]>();
      const earliest = [...since.values()].sort()[0];
      if (earliest === undefined) return found;
      const rows = await db<PickRow>("pick")
        .whereNull("struck_reason")
        .whereBetween("picked_on", [earliest, to])
        .orderBy(["picked_on", "id"]);
      for (const row of rows) {
        if (row.picked_on < (since.get(row.zone_id) ?? "9999")) continue;
        const ofZone = found.get(row.zone_id) ?? [];
        found.set(row.zone_id, ofZone);
        ofZone.push(plain(row));
      }
      return found;
    },
    /** What counts of each zone from its own date on, in kg and in pieces. */
    async totalsSince(since: ReadonlyMap<number, string>, to: string): Promise<ReadonlyMap<number, PickTotals>> {
      const rows = await db.raw<{ zone_id: number; kg: number | null; pieces: number | null }[]>(
        `SELECT asked.zone_id, SUM(mass_kg) AS kg, SUM(count) AS pieces
         FROM ${listed("asked", ["zone_id", "from_date"])}
         JOIN pick ON pick.zone_id = asked.zone_id AND pick.picked_on BETWEEN asked.from_date AND ?
         WHERE pick.struck_reason IS NULL GROUP BY 1`,
        [bound([...since]), to],
      );
      return new Map(rows.map(({ zone_id: zoneId, kg, pieces }) => [zoneId, { massKg: kg ?? 0, count: pieces ?? 0 }]));
    },
    /** The same pick sent twice counts once. @returns false for the second one */
    async add(zoneId: number, pick: NewPick): Promise<boolean> {
      if (await db<PickRow>("pick").where({ key: pick.key }).first("id")) return false;
      await into<PickRow>({ table: "pick", zones: [zoneId], from: pick.pickedOn })
        .insert({
          key: pick.key,
          zone_id: zoneId,
          picked_on: pick.pickedOn,
          clock: pick.clock,
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
      const found = await db<PickRow>("pick").where({ id, zone_id: zoneId }).first("picked_on");
      if (!found) return false;
      await into<PickRow>({ table: "pick", zones: [zoneId], from: found.picked_on })
        .where({ id })
        .whereNull("struck_reason")
        .update({ struck_reason: reason, struck_at_ms: nowMs });
      return true;
    },
  };
}

function fromRow(row: PickRow): Pick {
  return pickSchema.parse(plain(row));
}

/** As this program wrote it: many at a time are not checked one by one. */
function plain(row: PickRow): Pick {
  return {
    id: row.id,
    pickedOn: row.picked_on,
    clock: row.clock,
    massKg: row.mass_kg,
    count: row.count,
    grade: row.grade,
    brixPct: row.brix_pct,
    struck: row.struck_reason,
  };
}
