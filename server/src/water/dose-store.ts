import { doseSchema, type Dose, type NewDose } from "@sprunel/contract/water";
import type { Writer } from "../scope/scope.ts";

interface DoseRow {
  id: number;
  key: string;
  zone_id: number;
  source_id: number;
  given_on: string;
  litres: number;
  flush_l: number;
  struck_reason: string | null;
  actor: string;
}

/** All SQL about doses of digestate and reclaimed water. What was wrong is struck out, never erased. */
export function doseStore({ db, actor, into }: Writer) {
  return {
    /** Newest first. */
    async list(zoneId: number): Promise<(Dose & { readonly key: string })[]> {
      const rows = await db<DoseRow>("source_dose")
        .where({ zone_id: zoneId })
        .orderBy([
          { column: "given_on", order: "desc" },
          { column: "id", order: "desc" },
        ]);
      return rows.map((row) => ({ ...fromRow(row), key: row.key }));
    },
    /** Every one of a zone, the oldest first. */
    async all(zoneId: number): Promise<(Dose & { readonly key: string })[]> {
      const rows = await db<DoseRow>("source_dose").where({ zone_id: zoneId }).orderBy("id");
      return rows.map((row) => ({ ...fromRow(row), key: row.key }));
    },
    /** Of all zones, as far as they count. */
    async ofAll(): Promise<{ zoneId: number; on: string; sourceId: number; litres: number }[]> {
      const rows = await db<DoseRow>("source_dose").whereNull("struck_reason").orderBy(["given_on", "id"]);
      return rows.map((row) => ({
        ...{ zoneId: row.zone_id, on: row.given_on, sourceId: row.source_id, litres: row.litres },
      }));
    },
    /** The same dose sent twice counts once. */
    async add(zoneId: number, dose: NewDose, struck: string | null = null): Promise<void> {
      await into<DoseRow>({ table: "source_dose", zones: [zoneId], from: dose.givenOn })
        .insert({
          key: dose.key,
          zone_id: zoneId,
          source_id: dose.sourceId,
          given_on: dose.givenOn,
          litres: dose.litres,
          flush_l: dose.flushL,
          struck_reason: struck,
          actor,
        })
        .onConflict("key")
        .ignore();
    },
    /** @returns false when the zone has no such dose */
    async strike(zoneId: number, id: number, reason: string): Promise<boolean> {
      const found = await db<DoseRow>("source_dose").where({ id, zone_id: zoneId }).first("given_on");
      if (!found) return false;
      await into<DoseRow>({ table: "source_dose", zones: [zoneId], from: found.given_on })
        .where({ id })
        .whereNull("struck_reason")
        .update({ struck_reason: reason });
      return true;
    },
  };
}

function fromRow(row: DoseRow): Dose {
  return doseSchema.parse({
    id: row.id,
    sourceId: row.source_id,
    givenOn: row.given_on,
    litres: row.litres,
    flushL: row.flush_l,
    struck: row.struck_reason,
  });
}
