import type { ZoneFile } from "@sprunel/contract/exchange";
import type { FeedWishes } from "@sprunel/contract/feed";
import type { NewZone } from "@sprunel/contract/site";
import type { Source } from "@sprunel/contract/water";
import type { Knex } from "knex";
import { decisionStore } from "../advice/decision-store.ts";
import { feedStore } from "../feed/feed-store.ts";
import { badInput } from "../http/problems.ts";
import { linesStore } from "../irrigation/lines-store.ts";
import { zoneReportStore } from "../rootzone/zone-report-store.ts";
import { doseStore } from "../water/dose-store.ts";
import { insertAll, iso, withoutVersion } from "./site-file-rows.ts";
import { zoneStore, type StoredZone } from "./zone-store.ts";

interface TestRow {
  key: string;
  tested_on: string;
  minutes: number;
  catches: string;
  struck_reason: string | null;
}
interface ReadingRow {
  kind: string;
  at_ms: number;
  source: string;
  value: number;
}
interface StrikeRow {
  at_ms: number;
  reason: string;
}
interface WateringRow {
  start_ms: number;
  minutes: number;
  litres: number;
  source: string;
}
interface PickRow {
  key: string;
  picked_on: string;
  mass_kg: number;
  count: number | null;
  grade: string | null;
  brix_pct: number | null;
  struck_reason: string | null;
}
interface MixRow {
  key: string;
  mixed_at_ms: number;
  lines: string;
}

/** A zone with everything that was typed, read and decided in it. */
export async function zoneOut(db: Knex, zone: StoredZone, sources: readonly Source[]): Promise<ZoneFile> {
  const { id, version: _version, houseId: _house, waters, ...definition } = zone;
  const lines = await linesStore(db).find(id);
  const target = await feedStore(db).target(id);
  const settings = await feedStore(db).settings(id);
  const nameOf = (sourceId: number): string => sources.find((source) => source.id === sourceId)?.name ?? "";
  const rows = <T>(table: string, order: string): Promise<T[]> => db(table).where({ zone_id: id }).orderBy(order);
  return {
    ...definition,
    waters: waters.flatMap(({ sourceId, sharePct }) => {
      const source = sources.find((candidate) => candidate.id === sourceId);
      return source ? [{ source: source.name, sharePct }] : [];
    }),
    lines: lines && withoutVersion(lines),
    catchTests: (await rows<TestRow>("catch_test", "id")).map((row) => ({
      key: row.key,
      testedOn: row.tested_on,
      minutes: row.minutes,
      catchesMl: JSON.parse(row.catches) as number[][],
      struck: row.struck_reason,
    })),
    target: target && withoutVersion(target),
    feedSettings: settings && withoutVersion(settings),
    readings: (await rows<ReadingRow>("zone_reading", "at_ms")).map((row) => ({
      kind: row.kind,
      at: iso(row.at_ms),
      source: row.source,
      value: row.value,
    })),
    strikes: (await rows<StrikeRow>("reading_strike", "at_ms")).map((row) => ({
      at: iso(row.at_ms),
      reason: row.reason,
    })),
    waterings: (await rows<WateringRow>("watering", "start_ms")).map((row) => ({
      start: iso(row.start_ms),
      minutes: row.minutes,
      litres: row.litres,
      source: row.source,
    })),
    picks: (await rows<PickRow>("pick", "id")).map((row) => ({
      key: row.key,
      pickedOn: row.picked_on,
      massKg: row.mass_kg,
      count: row.count,
      grade: row.grade,
      brixPct: row.brix_pct,
      struck: row.struck_reason,
    })),
    reports: (await zoneReportStore(db).list(id))
      .map(({ id: _id, struck, ...report }) => ({ report, struck }))
      .reverse(),
    doses: (await doseStore(db).list(id))
      .map(({ id: _id, sourceId, ...dose }) => ({ ...dose, source: nameOf(sourceId) }))
      .reverse(),
    mixes: (await rows<MixRow>("mix", "id")).map((row) => ({
      key: row.key,
      mixedAt: iso(row.mixed_at_ms),
      lines: JSON.parse(row.lines) as ZoneFile["mixes"][number]["lines"],
    })),
    decisions: (await decisionStore(db).upTo("9999-12-31"))
      .filter((decision) => decision.zoneId === id)
      .map(({ zoneId: _zone, ...decision }) => decision as ZoneFile["decisions"][number]),
  };
}

/** The same into a site; `productIds` tells the new ids of own products. */
export async function zoneIn(
  db: Knex,
  siteId: number,
  file: ZoneFile,
  sources: readonly Source[],
  productIds: ReadonlyMap<string, string>,
  path: string,
): Promise<void> {
  const sourceOf = (name: string, where: string): number => {
    const found = sources.find((candidate) => candidate.name === name);
    if (!found)
      throw badInput([{ path: `${path}.${where}.source`, message: `The file holds no source of water ${name}.` }]);
    return found.id;
  };
  const waters = file.waters.map(({ source, sharePct }, at): NewZone["waters"][number] => ({
    sourceId: sourceOf(source, `waters.${at}`),
    sharePct,
  }));
  const { name, house, definition, layout, unconfirmed, plantings } = file;
  const id = await zoneStore(db).add(siteId, { name, house, definition, layout, unconfirmed, plantings, waters });
  if (file.lines) await linesStore(db).save(id, 1, file.lines);
  if (file.target) await feedStore(db).saveTarget(id, 1, file.target);
  if (file.feedSettings)
    await feedStore(db).saveSettings(id, 1, {
      ...file.feedSettings,
      wishes: withNewIds(file.feedSettings.wishes, productIds),
    });
  const into = (table: string, rows: readonly object[]): Promise<void> => insertAll(db, table, rows, id);
  await into(
    "catch_test",
    file.catchTests.map((row) => ({
      key: row.key,
      tested_on: row.testedOn,
      minutes: row.minutes,
      catches: JSON.stringify(row.catchesMl),
      struck_reason: row.struck,
    })),
  );
  await into(
    "zone_reading",
    file.readings.map(({ kind, at, source, value }) => ({ kind, at_ms: Date.parse(at), source, value })),
  );
  await into(
    "reading_strike",
    file.strikes.map(({ at, reason }) => ({ at_ms: Date.parse(at), reason, struck_at_ms: Date.parse(at) })),
  );
  await into(
    "watering",
    file.waterings.map(({ start, minutes, litres, source }) => ({
      start_ms: Date.parse(start),
      minutes,
      litres,
      source,
    })),
  );
  await into(
    "pick",
    file.picks.map((row) => ({
      key: row.key,
      picked_on: row.pickedOn,
      mass_kg: row.massKg,
      count: row.count,
      grade: row.grade,
      brix_pct: row.brixPct,
      struck_reason: row.struck,
    })),
  );
  await into(
    "mix",
    file.mixes.map((row) => ({
      key: row.key,
      mixed_at_ms: Date.parse(row.mixedAt),
      lines: JSON.stringify(
        row.lines.map((line) => ({ ...line, productId: productIds.get(line.productId) ?? line.productId })),
      ),
    })),
  );
  for (const [at, { source, struck, ...dose }] of file.doses.entries())
    await doseStore(db).add(id, { ...dose, sourceId: sourceOf(source, `doses.${at}`) }, struck);
  for (const { report, struck } of file.reports) await zoneReportStore(db).add(id, report, struck);
  for (const { decidedAt, ...decision } of file.decisions)
    await decisionStore(db).add({ zoneId: id, ...decision, decidedAtMs: Date.parse(decidedAt) });
}

/** Amounts settled for own products, under the ids that they have here. */
export function withNewIds(wishes: FeedWishes, productIds: ReadonlyMap<string, string>): FeedWishes {
  const locks = Object.entries(wishes.locks).map(([id, gM3]) => [productIds.get(id) ?? id, gM3] as const);
  return { ...wishes, locks: Object.fromEntries(locks) };
}
