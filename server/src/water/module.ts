import {
  addDose,
  addSource,
  addWaterReport,
  computeAcid,
  getDoses,
  getWater,
  getWaterReports,
  getWaterReportsTable,
  strikeDose,
  updateSource,
} from "@sprunel/contract/water";
import { IONS, isTrace } from "@sprunel/core/chemistry";
import { acidForWater } from "@sprunel/core/water";
import type { WeatherService } from "../climate/weather-service.ts";
import { sendCsv } from "../http/csv.ts";
import { badInput } from "../http/problems.ts";
import { served, written } from "../http/served.ts";
import type { PlanService } from "../plan/plan-service.ts";
import type { Module } from "../scope/module.ts";
import type { Scope } from "../scope/scope.ts";
import type { SiteFilePart } from "../scope/site-file-part.ts";
import { doseService, type DoseService } from "./dose-service.ts";
import { doseStore } from "./dose-store.ts";
import { reportStore } from "./report-store.ts";
import { sourceStore } from "./source-store.ts";
import { waterService, type WaterService } from "./water-service.ts";

export function waterModule(
  scope: Scope,
  { weather, plans }: { readonly weather: WeatherService; readonly plans: PlanService },
): Module & { readonly water: WaterService; readonly doses: DoseService } {
  const water = waterService(scope, weather, plans);
  const doses = doseService(scope);
  const dosesOf = async (zoneId: number) => ({ zoneId, doses: await doses.list(zoneId) });
  const reports = async () => ({ reports: await reportStore(scope).page((await scope.site.current()).id) });
  return {
    water,
    doses,
    ofZone: { noted: ["source_dose"] },
    routes: [
      served(getWater, ({ query: { date } }) => water.station(date)),
      served(addSource, async ({ body }) => {
        await water.addSource(body);
        return water.station(undefined);
      }),
      served(updateSource, async ({ params: { id }, body: { version, ...source } }) => {
        await water.updateSource(id, version, source);
        return water.station(undefined);
      }),
      served(getWaterReports, reports),
      written(getWaterReportsTable, async (_asked, res) => {
        const all = await reportStore(scope).all((await scope.site.current()).id);
        const rows = all.map(({ sourceName, takenOn, ph, ecMsCm, ions }) => ({
          source: sourceName,
          taken_on: takenOn,
          ph,
          ec_mS_cm: ecMsCm,
          ...Object.fromEntries(
            IONS.map((ion) => [`${ion}_${isTrace(ion) ? "umol_L" : "mmol_L"}`, ions[ion] ?? null] as const),
          ),
        }));
        sendCsv(res, "water-reports.csv", rows);
      }),
      served(addWaterReport, async ({ body }) => {
        await water.addReport(body);
        return reports();
      }),
      served(getDoses, ({ params: { id } }) => dosesOf(id)),
      served(addDose, async ({ params: { id }, body }) => {
        await doses.add(id, body);
        return dosesOf(id);
      }),
      served(strikeDose, async ({ params: { id, doseId }, body: { reason } }) => {
        await doses.strike(id, doseId, reason);
        return dosesOf(id);
      }),
      served(computeAcid, ({ body }) => acidForWater(body)),
    ],
    siteFile: waterInFile(),
  };
}

function waterInFile(): SiteFilePart {
  return {
    ofSite: {
      sources: {
        async *out(scope, { siteId }) {
          for (const { id: _id, version: _version, ...source } of await sourceStore(scope).list(siteId)) yield source;
        },
        async in(scope, { siteId }, rows) {
          for (const source of rows) await sourceStore(scope).add(siteId, source);
        },
      },
      reports: {
        async *out(scope, { siteId }) {
          for (const { id: _id, ...report } of (await reportStore(scope).all(siteId)).reverse()) yield report;
        },
        async in(scope, { siteId }, rows) {
          for (const report of rows) await reportStore(scope).add(siteId, report);
        },
      },
    },
    ofZone: {
      doses: {
        async *out(scope, { siteId, zoneId }) {
          const names = new Map((await sourceStore(scope).list(siteId)).map(({ id, name }) => [id, name]));
          for (const { id: _id, sourceId, ...dose } of await doseStore(scope).all(zoneId))
            yield { ...dose, source: names.get(sourceId) ?? "" };
        },
        async in(scope, { siteId, zoneId, path }, rows, first) {
          const ids = new Map((await sourceStore(scope).list(siteId)).map(({ id, name }) => [name, id]));
          for (const [at, { source, struck, ...dose }] of rows.entries()) {
            const sourceId = ids.get(source);
            if (sourceId === undefined)
              throw badInput([
                { path: `${path}.doses.${first + at}.source`, message: `The file holds no source of water ${source}.` },
              ]);
            await doseStore(scope).add(zoneId, { ...dose, sourceId }, struck);
          }
        },
      },
    },
  };
}
