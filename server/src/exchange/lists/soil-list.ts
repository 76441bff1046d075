import { newZoneReportSchema } from "@sprunel/contract/rootzone";
import type { SoilTest } from "@sprunel/core/rootzone";
import { StoredRows, type ListedRow, type ListPlace } from "./list-place.ts";
import { zoneReportStore } from "../../rootzone/zone-report-store.ts";

/** Soil tests as reports of their zones. */
export async function storeSoilTests(
  rows: readonly ListedRow<SoilTest>[],
  { scope, zones, today }: ListPlace,
): Promise<StoredRows> {
  const stored = new StoredRows();
  for (const { line, values } of rows) {
    const { zone, texture, belowDetection, methods, phIn, caMgKg, naMgKg, nitrateNMgKg, cecCmolKg, ...figures } =
      values;
    const more = { phIn, caMgKg, naMgKg, nitrateNMgKg, cecCmolKg };
    const below = Object.entries(belowDetection);
    const report = newZoneReportSchema.safeParse({
      ...{ kind: "soil", ...figures, texture: texture || null },
      ...Object.fromEntries(Object.entries(more).filter(([, value]) => value !== null)),
      ...Object.fromEntries(below.map(([field, { limit }]) => [field, limit / 2])),
      ...(below.length > 0 && {
        limits: Object.fromEntries(below.map(([field, { limit }]) => [field, `<${Number(limit.toPrecision(3))}`])),
      }),
      ...(Object.keys(methods).length > 0 && { methods }),
    });
    const zoneId = zones.get(zone)?.id;
    if (!report.success) stored.refuse(line, report.error.issues.map((issue) => issue.message).join(" "));
    else if (values.takenOn > today) stored.refuse(line, `It is from ${values.takenOn}, which is still to come.`);
    else if (zoneId !== undefined) stored.count(await zoneReportStore(scope).add(zoneId, report.data));
  }
  return stored;
}
