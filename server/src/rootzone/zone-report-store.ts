import { zoneReportSchema, type NewZoneReport, type SoilReport, type ZoneReport } from "@sprunel/contract/rootzone";
import type { Writer } from "../scope/scope.ts";

interface ReportRow {
  id: number;
  zone_id: number;
  taken_on: string;
  report: string;
  struck_reason: string | null;
  actor: string;
}

const SHOWN = 200;

/** All SQL about soil tests, extracts and drain reports of a zone. What was wrong is struck out, never erased. */
export function zoneReportStore({ db, actor, into }: Writer) {
  return {
    /** What a screen lists: the newest. */
    async page(zoneId: number): Promise<ZoneReport[]> {
      const rows = await db<ReportRow>("zone_report")
        .where({ zone_id: zoneId })
        .orderBy([
          { column: "taken_on", order: "desc" },
          { column: "id", order: "desc" },
        ])
        .limit(SHOWN);
      return rows.map(fromRow);
    },
    /** Every one, the oldest first. */
    async all(zoneId: number): Promise<ZoneReport[]> {
      return (await db<ReportRow>("zone_report").where({ zone_id: zoneId }).orderBy("id")).map(fromRow);
    },
    /** Soil tests of all zones that count, the oldest first. */
    async soilOfAll(): Promise<{ zoneId: number; report: SoilReport }[]> {
      const rows = await db<ReportRow>("zone_report").whereNull("struck_reason").orderBy(["taken_on", "id"]);
      return rows.flatMap((row) => {
        const report = fromRow(row);
        return report.kind === "soil" ? [{ zoneId: row.zone_id, report }] : [];
      });
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
      // One from before planting holds from the first day on, whenever that was.
      await into<ReportRow>({ table: "zone_report", zones: [zoneId] }).insert({
        zone_id: zoneId,
        taken_on: report.takenOn,
        report: JSON.stringify(report),
        struck_reason: struck,
        actor,
      });
      return true;
    },
    /** @returns false when the zone has no such report */
    async strike(zoneId: number, id: number, reason: string): Promise<boolean> {
      if (!(await db<ReportRow>("zone_report").where({ id, zone_id: zoneId }).first("id"))) return false;
      await into<ReportRow>({ table: "zone_report", zones: [zoneId] })
        .where({ id })
        .whereNull("struck_reason")
        .update({ struck_reason: reason });
      return true;
    },
  };
}

function fromRow(row: ReportRow): ZoneReport {
  return zoneReportSchema.parse({ ...(JSON.parse(row.report) as object), id: row.id, struck: row.struck_reason });
}
