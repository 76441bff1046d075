import { newDoseRecordSchema, programmeSchema, type DoseProgramme, type NewDoseRecord } from "@sprunel/contract/feed";
import type { Writer } from "../scope/scope.ts";

interface ProgrammeRow {
  zone_id: number;
  planting: string;
  version: number;
  programme: string;
  actor: string;
}
interface RecordRow {
  id: number;
  key: string;
  zone_id: number;
  planting: string;
  planned_on: string;
  basal: number;
  done_on: string;
  state: NewDoseRecord["state"];
  products: string;
  reason: string | null;
  struck: number;
  actor: string;
}

/** A programme as it is kept. */
export interface KeptProgramme {
  readonly version: number;
  readonly programme: DoseProgramme;
}
/** What was noted of a dose. */
export type DoseRecord = NewDoseRecord & { readonly id: number; readonly planting: string };

/** All SQL about programmes of doses and what became of them. */
export function dosePlanStore({ db, actor, into }: Writer) {
  return {
    async programme(zoneId: number, planting: string): Promise<KeptProgramme | null> {
      const row = await db<ProgrammeRow>("dose_programme").where({ zone_id: zoneId, planting }).first();
      return row ? { version: row.version, programme: programmeSchema.parse(JSON.parse(row.programme)) } : null;
    },
    async programmes(zoneId: number): Promise<{ planting: string; programme: DoseProgramme }[]> {
      const rows = await db<ProgrammeRow>("dose_programme").where({ zone_id: zoneId }).orderBy("planting");
      return rows.map(({ planting, programme }) => ({
        planting,
        programme: programmeSchema.parse(JSON.parse(programme)),
      }));
    },
    /** Of all zones, by zone and planting. */
    async programmesOfAll(): Promise<ReadonlyMap<string, DoseProgramme>> {
      const rows = await db<ProgrammeRow>("dose_programme");
      return new Map(
        rows.map((row) => [`${row.zone_id} ${row.planting}`, programmeSchema.parse(JSON.parse(row.programme))]),
      );
    },
    /** What was given in all zones, on the day on which it was done. */
    async givenOfAll(): Promise<{ zoneId: number; on: string; products: NewDoseRecord["products"] }[]> {
      const rows = await db<RecordRow>("dose_record").where({ state: "given", struck: 0 }).orderBy(["done_on", "id"]);
      return rows.map((row) => ({ zoneId: row.zone_id, on: row.done_on, products: fromRow(row).products }));
    },
    async save(zoneId: number, planting: string, version: number, programme: DoseProgramme): Promise<void> {
      const row = { zone_id: zoneId, planting, version, programme: JSON.stringify(programme), actor };
      await into<ProgrammeRow>({ table: "dose_programme", zones: [zoneId] })
        .insert(row)
        .onConflict(["zone_id", "planting"])
        .merge();
    },
    /** Those that count, in order of their days. */
    async records(zoneId: number, planting: string): Promise<DoseRecord[]> {
      const rows = await db<RecordRow>("dose_record")
        .where({ zone_id: zoneId, planting, struck: 0 })
        .orderBy(["planned_on", "id"]);
      return rows.map(fromRow);
    },
    /** Every one of a zone with whether it was struck, the oldest first. */
    async all(zoneId: number): Promise<(DoseRecord & { readonly struck: boolean })[]> {
      const rows = await db<RecordRow>("dose_record").where({ zone_id: zoneId }).orderBy("id");
      return rows.map((row) => ({ ...fromRow(row), struck: row.struck === 1 }));
    },
    /** @returns false when this very note was taken already */
    async add(zoneId: number, planting: string, record: NewDoseRecord, struck = false): Promise<boolean> {
      if (await db<RecordRow>("dose_record").where({ key: record.key }).first("id")) return false;
      await into<RecordRow>({ table: "dose_record", zones: [zoneId], from: record.doneOn }).insert({
        key: record.key,
        zone_id: zoneId,
        planting,
        planned_on: record.plannedOn,
        basal: Number(record.basal),
        done_on: record.doneOn,
        state: record.state,
        products: JSON.stringify(record.products),
        reason: record.reason,
        struck: Number(struck),
        actor,
      });
      return true;
    },
    /** @returns what it was, or null when the zone has no such note that counts */
    async strike(zoneId: number, id: number): Promise<DoseRecord | null> {
      const row = await db<RecordRow>("dose_record").where({ id, zone_id: zoneId, struck: 0 }).first();
      if (!row) return null;
      await into<RecordRow>({ table: "dose_record", zones: [zoneId], from: row.done_on })
        .where({ id })
        .update({ struck: 1 });
      return fromRow(row);
    },
  };
}

function fromRow(row: RecordRow): DoseRecord {
  const { id, planting } = row;
  const record = newDoseRecordSchema.parse({
    key: row.key,
    plannedOn: row.planned_on,
    basal: row.basal === 1,
    doneOn: row.done_on,
    state: row.state,
    products: JSON.parse(row.products) as unknown,
    reason: row.reason,
  });
  return { ...record, id, planting };
}
