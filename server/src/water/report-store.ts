import { waterReportSchema, type NewWaterReport, type WaterReport } from "@sprunel/contract/water";
import type { Writer } from "../scope/scope.ts";
import { sourceStore } from "./source-store.ts";

interface ReportRow {
  id: number;
  site_id: number;
  source_id: number;
  taken_on: string;
  ions: string;
  ph: number;
  ec_ms_cm: number | null;
  suspended_solids_mg_l: number | null;
  /** JSON: limits and methods, where the report tells them */
  notes: string | null;
  actor: string;
}
/** All SQL about laboratories' reports of waters. */
export function reportStore(writer: Writer) {
  const { db, actor, into } = writer;
  const joined = () =>
    db<ReportRow>("water_report")
      .join("source", "source.id", "water_report.source_id")
      .select<JoinedRow[]>("water_report.*", "source.name as source_name")
      .orderBy([
        { column: "taken_on", order: "desc" },
        { column: "water_report.id", order: "desc" },
      ]);
  return {
    /** Every one, newest first. */
    async all(siteId: number): Promise<WaterReport[]> {
      return (await joined().where("water_report.site_id", siteId)).map(fromRow);
    },
    /** What a screen lists: the newest. */
    async page(siteId: number): Promise<WaterReport[]> {
      return (await joined().where("water_report.site_id", siteId).limit(SHOWN)).map(fromRow);
    },
    /** The newest report of each source up to a date, by source id. */
    async inForce(siteId: number, date: string): Promise<ReadonlyMap<number, WaterReport>> {
      const rows = await joined()
        .where("water_report.site_id", siteId)
        .where("taken_on", "<=", date)
        .whereRaw(
          `water_report.id = (SELECT newest.id FROM water_report AS newest
             WHERE newest.source_id = water_report.source_id AND newest.taken_on <= ?
             ORDER BY newest.taken_on DESC, newest.id DESC LIMIT 1)`,
          [date],
        );
      return new Map(rows.map((row) => [row.source_id, fromRow(row)]));
    },
    /** Whether this very report is there already. */
    async has(siteId: number, { sourceName, takenOn, ions }: NewWaterReport): Promise<boolean> {
      const rows = await joined()
        .where("water_report.site_id", siteId)
        .where({ taken_on: takenOn, "source.name": sourceName });
      return rows.some((row) => JSON.stringify(fromRow(row).ions) === JSON.stringify(ions));
    },
    async add(siteId: number, report: NewWaterReport): Promise<void> {
      const { limits, methods } = report;
      await into<ReportRow>({ table: "water_report" }).insert({
        site_id: siteId,
        source_id: await sourceStore(writer).named(siteId, report.sourceName),
        taken_on: report.takenOn,
        ions: JSON.stringify(report.ions),
        ph: report.ph,
        ec_ms_cm: report.ecMsCm,
        suspended_solids_mg_l: report.suspendedSolidsMgL ?? null,
        notes: limits || methods ? JSON.stringify({ limits, methods }) : null,
        actor,
      });
    },
  };
}

const SHOWN = 100;
type JoinedRow = ReportRow & { source_name: string };

function fromRow(row: JoinedRow): WaterReport {
  return waterReportSchema.parse({
    ...(row.notes === null ? {} : (JSON.parse(row.notes) as object)),
    id: row.id,
    sourceName: row.source_name,
    takenOn: row.taken_on,
    ions: JSON.parse(row.ions) as unknown,
    ph: row.ph,
    ecMsCm: row.ec_ms_cm,
    suspendedSolidsMgL: row.suspended_solids_mg_l,
  });
}
