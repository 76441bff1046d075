import { newReadingSchema, type NewReading } from "@sprunel/contract/rootzone";
import type { NotedReading } from "@sprunel/core/rootzone";
import { systemOf } from "@sprunel/core/systems";
import { StoredRows, type ListedRow, type ListPlace } from "./list-place.ts";
import { breathing } from "../../pool/breathe.ts";
import { MOST_AHEAD_MS, valuesOf } from "../../rootzone/reading-service.ts";
import { readingStore, type StoredReading } from "../../rootzone/reading-store.ts";

/** Notebook rows as readings: a value already there stays, and what drips into a tank is its solution. */
export async function storeReadings(
  rows: readonly ListedRow<NotedReading>[],
  { scope, zones, nowMs }: ListPlace,
): Promise<StoredRows> {
  const stored = new StoredRows();
  const store = readingStore(scope);
  const earliest = rows.reduce((least, { values }) => Math.min(least, values.atMs), Infinity);
  const known = new Set<string>();
  const keyOf = ({ zoneId, kind, atMs }: Pick<StoredReading, "zoneId" | "kind" | "atMs">): string =>
    `${zoneId} ${kind} ${atMs}`;
  for (const name of new Set(rows.map(({ values }) => values.zone)))
    for await (const reading of store.all(zones.get(name)?.id ?? 0, earliest)) known.add(keyOf(reading));
  const fresh: StoredReading[] = [];
  for await (const { line, values } of breathing(rows)) {
    const zone = zones.get(values.zone);
    if (!zone) continue;
    const inTank = systemOf(zone.definition).inSolution === true;
    const read = newReadingSchema.safeParse(asReading(values, inTank));
    if (values.atMs > nowMs + MOST_AHEAD_MS)
      stored.refuse(line, `It is from ${new Date(values.atMs).toISOString()}, which is still to come.`);
    else if (!read.success) stored.refuse(line, read.error.issues.map((issue) => issue.message).join(" "));
    else {
      const of = valuesOf(zone.id, read.data).filter((reading) => !known.has(keyOf(reading)));
      stored.count(of.length > 0);
      for (const reading of of) fresh.push(reading);
    }
  }
  await store.add(fresh);
  return stored;
}

function asReading(values: NotedReading, inTank: boolean): NewReading {
  const { feedEcMsCm, dripEcMsCm, drainEcMsCm, dripPh, drainPh, drainPct } = values;
  const { levelCm, tensionKpa, rootC, co2Ppm } = values;
  const drip = inTank ? { tankEcMsCm: dripEcMsCm, tankPh: dripPh } : { dripEcMsCm, dripPh };
  const read = Object.entries({
    ...{ feedEcMsCm, drainEcMsCm, drainPh, drainPct, ...drip },
    ...{ levelCm, tensionKpa, rootC, co2Ppm },
  }).filter(([, value]) => value !== null);
  return { at: new Date(values.atMs).toISOString(), ...Object.fromEntries(read) };
}
