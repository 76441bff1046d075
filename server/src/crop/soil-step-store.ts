import { newSoilStepSchema, type NewSoilStep } from "@sprunel/contract/crop";
import type { Writer } from "../scope/scope.ts";

interface Row {
  id: number;
  key: string;
  zone_id: number;
  kind: string;
  done_on: string;
  wait_days: number;
  note: string | null;
  struck: number;
  actor: string;
}

export type StoredSoilStep = NewSoilStep & { readonly id: number; readonly zoneId: number; readonly struck: boolean };

/** All SQL about what is done to a soil before planting. */
export function soilStepStore({ db, actor, into }: Writer) {
  return {
    /** Those that count, of one zone or of all, in order of time. */
    async list(zoneId?: number): Promise<StoredSoilStep[]> {
      const rows = await db<Row>("soil_step")
        .where({ struck: 0, ...(zoneId !== undefined && { zone_id: zoneId }) })
        .orderBy(["done_on", "id"]);
      return rows.map(fromRow);
    },
    /** Every one of a zone, the oldest first. */
    async all(zoneId: number): Promise<StoredSoilStep[]> {
      return (await db<Row>("soil_step").where({ zone_id: zoneId }).orderBy("id")).map(fromRow);
    },
    /** The same step sent twice counts once. */
    async add(zoneId: number, { key, kind, on, waitDays, note }: NewSoilStep, struck = false): Promise<void> {
      await into<Row>({ table: "soil_step", zones: [zoneId] })
        .insert({
          ...{ key, zone_id: zoneId, kind, done_on: on, wait_days: waitDays, note, struck: Number(struck), actor },
        })
        .onConflict("key")
        .ignore();
    },
    /** @returns false when the zone has no such step that counts */
    async strike(zoneId: number, id: number): Promise<boolean> {
      const struck = into<Row>({ table: "soil_step", zones: [zoneId] }).where({ id, zone_id: zoneId, struck: 0 });
      return (await struck.update({ struck: 1 })) === 1;
    },
  };
}

function fromRow({
  id,
  key,
  zone_id: zoneId,
  kind,
  done_on: on,
  wait_days: waitDays,
  note,
  struck,
}: Row): StoredSoilStep {
  return { ...newSoilStepSchema.parse({ key, kind, on, waitDays, note }), id, zoneId, struck: struck === 1 };
}
