import {
  addRound,
  addZoneReport,
  computeRootZone,
  getReadingsTable,
  getZoneReports,
  strikeZoneReport,
} from "@sprunel/contract/rootzone";
import { rootZone } from "@sprunel/core/course";
import { sendCsv } from "../http/csv.ts";
import { served, written } from "../http/served.ts";
import type { Module } from "../scope/module.ts";
import type { Scope } from "../scope/scope.ts";
import { iso } from "../scope/site-file-part.ts";
import { readingService, type ReadingService } from "./reading-service.ts";
import { readingStore } from "./reading-store.ts";
import { zoneReportService, type ZoneReportService } from "./zone-report-service.ts";
import { zoneReportStore } from "./zone-report-store.ts";

/** What was read and found at the roots. How they stand is worked out by the plan, and served there. */
export function rootzoneModule(
  scope: Scope,
): Module & { readonly readings: ReadingService; readonly reports: ZoneReportService } {
  const readings = readingService(scope);
  const reports = zoneReportService(scope);
  const reportsOf = async (zoneId: number) => ({ zoneId, reports: await reports.list(zoneId) });
  return {
    readings,
    reports,
    ofZone: { noted: ["zone_reading", "reading_strike", "zone_report"] },
    routes: [
      served(addRound, async ({ body }) => {
        await readings.addRound(body);
        return {};
      }),
      written(getReadingsTable, async ({ params: { id } }, res) => {
        sendCsv(res, `readings-zone-${id}.csv`, await readings.table(id));
      }),
      served(getZoneReports, ({ params: { id } }) => reportsOf(id)),
      served(addZoneReport, async ({ params: { id }, body }) => {
        await reports.add(id, body);
        return reportsOf(id);
      }),
      served(strikeZoneReport, async ({ params: { id, reportId }, body: { reason } }) => {
        await reports.strike(id, reportId, reason);
        return reportsOf(id);
      }),
      served(computeRootZone, ({ body }) => rootZone(body)),
    ],
    siteFile: {
      ofZone: {
        readings: {
          async *out(inner, { zoneId }) {
            for await (const { kind, atMs, source, value } of readingStore(inner).all(zoneId))
              yield { kind, at: iso(atMs), source, value };
          },
          in: (inner, { zoneId }, rows) =>
            readingStore(inner).add(rows.map(({ at, ...reading }) => ({ ...reading, zoneId, atMs: Date.parse(at) }))),
        },
        strikes: {
          async *out(inner, { zoneId }) {
            for (const { atMs, reason, struckAtMs } of await readingStore(inner).strikes(zoneId))
              yield { at: iso(atMs), reason, struckAt: iso(struckAtMs) };
          },
          in: (inner, { zoneId }, rows) =>
            readingStore(inner).addStrikes(
              zoneId,
              rows.map(({ at, reason, struckAt }) => ({
                atMs: Date.parse(at),
                reason,
                struckAtMs: Date.parse(struckAt ?? at),
              })),
            ),
        },
        reports: {
          async *out(inner, { zoneId }) {
            for (const { id: _id, struck, ...report } of await zoneReportStore(inner).all(zoneId))
              yield { report, struck };
          },
          async in(inner, { zoneId }, rows) {
            for (const { report, struck } of rows) await zoneReportStore(inner).add(zoneId, report, struck);
          },
        },
      },
    },
  };
}
