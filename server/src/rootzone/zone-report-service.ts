import type { NewZoneReport, ZoneReport } from "@sprunel/contract/rootzone";
import { badInput, notFound } from "../http/problems.ts";
import type { Scope } from "../scope/scope.ts";
import { zoneReportStore } from "./zone-report-store.ts";

export type ZoneReportService = ReturnType<typeof zoneReportService>;

/** What laboratories found at the roots: soil, extract, drain. */
export function zoneReportService(scope: Scope) {
  return {
    async list(zoneId: number): Promise<ZoneReport[]> {
      await scope.zone(zoneId);
      return zoneReportStore(scope).page(zoneId);
    },
    async add(zoneId: number, report: NewZoneReport): Promise<void> {
      await scope.zone(zoneId);
      const today = await scope.site.dateOr(undefined);
      if (report.takenOn > today)
        throw badInput([
          { path: "takenOn", message: `A report cannot be from ${report.takenOn}, which is still to come.` },
        ]);
      await scope.transaction((inner) => zoneReportStore(inner).add(zoneId, report));
    },
    async strike(zoneId: number, id: number, reason: string): Promise<void> {
      await scope.zone(zoneId);
      if (!(await scope.transaction((inner) => zoneReportStore(inner).strike(zoneId, id, reason))))
        throw notFound(`Report ${id}`);
    },
  };
}
