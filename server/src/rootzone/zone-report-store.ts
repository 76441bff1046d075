import { zoneReportSchema, type NewZoneReport, type ZoneReport } from "@sprunel/contract/rootzone";
import type { Knex } from "knex";

interface ReportRow {
  id: number;
  zone_id: number;
  taken_on: string;
  report: string;
  struck_reason: string | null;
}

const MOST_SHOWN = 200;

/** All SQL about soil tests, extracts and drain reports of a zone. What was wrong is struck out, never erased. */
export function zoneReportStore(db: Knex) {
  return {
    /** Newest first. */
    async list(zoneId: number): Promise<ZoneReport[]> {
      const rows = await db<ReportRow>("zone_report")
        .where({ zone_id: zoneId })
        .orderBy([
          { column: "taken_on", order: "desc" },
          { column: "id", order: "desc" },
        ])
        .limit(MOST_SHOWN);
      return rows.map((row) =>
        zoneReportSchema.parse({ ...(JSON.parse(row.report) as object), id: row.id, struck: row.struck_reason }),
      );
    },
    async has(zoneId: number, report: NewZoneReport): Promise<boolean> {
      const row = await db<ReportRow>("zone_report")
        .where({ zone_id: zoneId, report: JSON.stringify(report) })
        .first("id");
      return row !== undefined;
    },
    /** @returns false when this very report is there already */
    async add(zoneId: number, report: NewZoneReport, struck: string | null = null): Promise<boolean> {
      if (await this.has(zoneId, report)) return false;
      await db<ReportRow>("zone_report").insert({
        zone_id: zoneId,
        taken_on: report.takenOn,
        report: JSON.stringify(report),
        struck_reason: struck,
      });
      return true;
    },
    /** @returns false when the zone has no such report */
    async strike(zoneId: number, id: number, reason: string): Promise<boolean> {
      if (!(await db<ReportRow>("zone_report").where({ id, zone_id: zoneId }).first("id"))) return false;
      await db<ReportRow>("zone_report").where({ id }).whereNull("struck_reason").update({ struck_reason: reason });
      return true;
    },
  };
}
