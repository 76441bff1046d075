import type { NewZoneReport, ZoneReport } from "@sprunel/contract/rootzone";
import { localDate } from "@sprunel/core/time";
import type { Knex } from "knex";
import { badInput, notFound } from "../http/problems.ts";
import type { SetUpService } from "../site/set-up-service.ts";
import { zoneStore } from "../site/zone-store.ts";
import { zoneReportStore } from "./zone-report-store.ts";

export type ZoneReportService = ReturnType<typeof zoneReportService>;

/** What laboratories found at the roots: soil, extract, drain. */
export function zoneReportService(db: Knex, setUp: SetUpService, clock: () => number) {
  const needZone = async (zoneId: number): Promise<void> => {
    if (!(await zoneStore(db).find(zoneId))) throw notFound(`Zone ${zoneId}`);
  };
  return {
    async list(zoneId: number): Promise<ZoneReport[]> {
      await needZone(zoneId);
      return zoneReportStore(db).list(zoneId);
    },
    async add(zoneId: number, report: NewZoneReport): Promise<void> {
      await needZone(zoneId);
      const today = localDate(clock(), (await setUp.site()).timeZone);
      if (report.takenOn > today)
        throw badInput([
          { path: "takenOn", message: `A report cannot be from ${report.takenOn}, which is still to come.` },
        ]);
      await zoneReportStore(db).add(zoneId, report);
    },
    async strike(zoneId: number, id: number, reason: string): Promise<void> {
      await needZone(zoneId);
      if (!(await zoneReportStore(db).strike(zoneId, id, reason))) throw notFound(`Report ${id}`);
    },
  };
}
