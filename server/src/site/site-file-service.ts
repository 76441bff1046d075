import {
  SITE_FILE_FORMAT,
  SITE_FILE_VERSION,
  type NewZone,
  type SiteFile,
  type Source,
  type ZoneFile,
} from "@sprunel/contract";
import type { Knex } from "knex";
import { decisionStore } from "../advice/decision-store.ts";
import { ownProductStore } from "../feed/own-product-store.ts";
import { feedStore } from "../feed/feed-store.ts";
import { badInput } from "../http/problems.ts";
import { zoneReportStore } from "../rootzone/zone-report-store.ts";
import { linesStore } from "../irrigation/lines-store.ts";
import { doseStore } from "../water/dose-store.ts";
import { sourceStore } from "../water/source-store.ts";
import type { SetUpService } from "./set-up-service.ts";
import { siteStore } from "./site-store.ts";
import { zoneStore, type StoredZone } from "./zone-store.ts";

export type SiteFileService = ReturnType<typeof siteFileService>;

const iso = (ms: number): string => new Date(ms).toISOString();
/** Knex writes many rows as a compound SELECT, of which SQLite takes 500 terms. */
const ROWS_AT_A_TIME = 400;

/** A whole site out of the database and into an empty one, all of it or nothing. */
export function siteFileService(db: Knex, setUp: SetUpService, clock: () => number, changed: () => void) {
  return {
    async write(): Promise<SiteFile> {
      const { id, version: _version, ...site } = await setUp.site();
      const sources = await sourceStore(db).list(id);
      const zones = await zoneStore(db).list();
      return {
        format: SITE_FILE_FORMAT,
        version: SITE_FILE_VERSION,
        exportedAt: iso(clock()),
        site,
        sources: sources.map(({ id: _id, version: _v, ...source }) => source),
        reports: (await feedStore(db).reports(id)).map(({ id: _id, ...report }) => report).reverse(),
        ownProducts: await ownProductStore(db).list(id),
        shelf: await feedStore(db).shelf(id),
        zones: await Promise.all(zones.map((zone) => zoneOut(db, zone, sources))),
        weather: await weatherOut(db, id),
      };
    },

    /** @throws 422 when a site stands here already, or the file names what it does not hold */
    async read(file: SiteFile): Promise<void> {
      await db.transaction(async (trx) => {
        if (await siteStore(trx).find())
          throw badInput([
            {
              path: "",
              message:
                "This data folder already holds a site, and a file is only read into an empty one. Name another folder in SPRUNEL_DATA; nothing was changed.",
            },
          ]);
        const siteId = await siteStore(trx).add(file.site);
        for (const source of file.sources) await sourceStore(trx).add(siteId, source);
        for (const report of file.reports) await feedStore(trx).addReport(siteId, report);
        // Own bags get ids of this folder; shelf and mixes follow them.
        const ids = new Map<string, string>();
        for (const { id, ...product } of file.ownProducts) ids.set(id, await ownProductStore(trx).add(siteId, product));
        for (const { productId, ...item } of file.shelf)
          await feedStore(trx).putOnShelf(siteId, ids.get(productId) ?? productId, item);
        const sources = await sourceStore(trx).list(siteId);
        for (const [at, zone] of file.zones.entries()) await zoneIn(trx, siteId, zone, sources, ids, `zones.${at}`);
        await weatherIn(trx, siteId, file.weather);
      });
      changed();
    },
  };
}

async function zoneOut(db: Knex, zone: StoredZone, sources: readonly Source[]): Promise<ZoneFile> {
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

async function zoneIn(
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
  if (file.feedSettings) await feedStore(db).saveSettings(id, 1, file.feedSettings);
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

async function weatherOut(db: Knex, siteId: number): Promise<SiteFile["weather"]> {
  const stations = (await db("station")
    .leftJoin("house", "house.id", "station.house_id")
    .where("station.site_id", siteId)
    .select("station.id", "house.name as house")
    .orderBy("station.id")) as StationRow[];
  return Promise.all(
    stations.map(async ({ id, house }) => {
      const rows = (await db("weather_reading")
        .where({ station_id: id })
        .orderBy(["hour_ms", "kind", "source"])) as HourRow[];
      return {
        house,
        hours: rows.map((row) => ({
          kind: row.kind,
          hour: iso(row.hour_ms),
          source: row.source,
          value: row.value,
          doubtful: row.doubtful === 1,
        })),
      };
    }),
  );
}

async function weatherIn(db: Knex, siteId: number, weather: SiteFile["weather"]): Promise<void> {
  const stations = await db("station")
    .leftJoin("house", "house.id", "station.house_id")
    .where("station.site_id", siteId)
    .select<StationRow[]>("station.id", "house.name as house");
  for (const [at, { house, hours }] of weather.entries()) {
    const station = stations.find((candidate) => candidate.house === house);
    if (!station)
      throw badInput([
        { path: `weather.${at}.house`, message: `No zone of the file stands in ${house ?? "the open"}.` },
      ]);
    await insertAll(
      db,
      "weather_reading",
      hours.map(({ kind, hour, source, value, doubtful }) => ({
        station_id: station.id,
        kind,
        hour_ms: Date.parse(hour),
        source,
        value,
        doubtful: doubtful ? 1 : 0,
      })),
    );
  }
}

async function insertAll(db: Knex, table: string, rows: readonly object[], zoneId?: number): Promise<void> {
  for (let at = 0; at < rows.length; at += ROWS_AT_A_TIME)
    await db(table).insert(
      rows.slice(at, at + ROWS_AT_A_TIME).map((row) => (zoneId === undefined ? row : { zone_id: zoneId, ...row })),
    );
}

function withoutVersion<T extends { version: number }>({ version: _version, ...rest }: T): Omit<T, "version"> {
  return rest;
}

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
interface StationRow {
  id: number;
  house: string | null;
}
interface HourRow {
  kind: SiteFile["weather"][number]["hours"][number]["kind"];
  hour_ms: number;
  source: string;
  value: number;
  doubtful: number;
}
