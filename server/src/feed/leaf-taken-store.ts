import { newLeafTakenSchema, type NewLeafTaken } from "@sprunel/contract/feed";
import type { Writer } from "../scope/scope.ts";

interface Row {
  id: number;
  key: string;
  zone_id: number;
  planting: string;
  taken_on: string;
  mass_kg: number;
  dry_pct: number;
  n_pct: number;
  p_pct: number;
  k_pct: number;
  analysed: number;
  struck: number;
  actor: string;
}

export type StoredLeaf = NewLeafTaken & { readonly id: number; readonly planting: string; readonly struck: boolean };

/** All SQL about leaf that was carried away. */
export function leafTakenStore({ db, actor, into }: Writer) {
  return {
    /** Every note of a zone, in order of time. */
    async all(zoneId: number): Promise<StoredLeaf[]> {
      return (await db<Row>("leaf_taken").where({ zone_id: zoneId }).orderBy(["taken_on", "id"])).map(fromRow);
    },
    /** The same note sent twice counts once. */
    async add(zoneId: number, planting: string, leaf: NewLeafTaken, struck = false): Promise<void> {
      const { key, takenOn, massKg, dryPct, nPct, pPct, kPct, analysed } = leaf;
      await into<Row>({ table: "leaf_taken", zones: [zoneId], from: takenOn })
        .insert({
          ...{ key, planting, actor, zone_id: zoneId, taken_on: takenOn, mass_kg: massKg, dry_pct: dryPct },
          ...{ n_pct: nPct, p_pct: pPct, k_pct: kPct, analysed: Number(analysed), struck: Number(struck) },
        })
        .onConflict("key")
        .ignore();
    },
    /** @returns false when the zone has no such note that counts */
    async strike(zoneId: number, id: number): Promise<boolean> {
      const struck = into<Row>({ table: "leaf_taken", zones: [zoneId] }).where({ id, zone_id: zoneId, struck: 0 });
      return (await struck.update({ struck: 1 })) === 1;
    },
  };
}

function fromRow(row: Row): StoredLeaf {
  const leaf = newLeafTakenSchema.parse({
    ...{ key: row.key, takenOn: row.taken_on, massKg: row.mass_kg, dryPct: row.dry_pct },
    ...{ nPct: row.n_pct, pPct: row.p_pct, kPct: row.k_pct, analysed: row.analysed === 1 },
  });
  return { ...leaf, id: row.id, planting: row.planting, struck: row.struck === 1 };
}
