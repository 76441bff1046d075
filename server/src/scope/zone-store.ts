import { zoneSchema, type NewZone, type Planting, type Zone } from "@sprunel/contract/site";
import type { Grown } from "@sprunel/core/crop";
import type { Table } from "../database/tables.ts";
import type { Writer } from "./scope.ts";

interface ZoneRow {
  id: number;
  version: number;
  site_id: number;
  house_id: number;
  name: string;
  definition: string;
  unconfirmed: string;
  plantings: string;
  waters: string;
  layout: string | null;
  demand: string | null;
  archived: number;
  actor: string;
}
interface HouseRow {
  id: number;
  site_id: number;
  name: string;
  transmission_pct: number;
  rain_through_pct: number | null;
  heated_to_c: number | null;
  actor: string;
}
/** A zone as it is stored. */
export type ZoneRecord = Zone & { readonly houseId: number };

/** The same with its plantings as they grow: each with its crop, and stages that move by what it lives through. */
export interface StoredZone extends ZoneRecord {
  readonly grown: readonly (Planting & Grown)[];
}

/** What is asked of a zone and answered, without what only this program works with. */
export function asZone({ houseId: _house, grown: _grown, ...zone }: ZoneRecord & Partial<StoredZone>): Zone {
  return zone;
}

/** All SQL about zones and the houses they stand in. */
export function zoneStore(writer: Writer) {
  const { db, actor, into } = writer;
  const joined = () =>
    db<ZoneRow>("zone")
      .join("house", "house.id", "zone.house_id")
      .select(
        "zone.*",
        "house.name as house_name",
        "house.transmission_pct",
        "house.rain_through_pct",
        "house.heated_to_c",
      );
  return {
    /** Those that are grown in. */
    async list(): Promise<ZoneRecord[]> {
      const rows = (await joined().where("zone.archived", 0).orderBy("zone.id")) as JoinedRow[];
      return rows.map(fromRow);
    },
    /** Those put aside too. */
    async all(): Promise<ZoneRecord[]> {
      const rows = (await joined().orderBy("zone.id")) as JoinedRow[];
      return rows.map(fromRow);
    },
    async archive(id: number, archived: boolean): Promise<void> {
      await into<ZoneRow>({ table: "zone", zones: [id] })
        .where({ id })
        .update({ archived: archived ? 1 : 0, actor });
    },
    /** How many rows of some tables speak of a zone. */
    async rowsOf(id: number, tables: readonly Table[]): Promise<number> {
      let found = 0;
      for (const table of tables) {
        const [row] = await db(table).where({ zone_id: id }).count<{ of: number }[]>("* as of");
        found += row?.of ?? 0;
      }
      return found;
    },
    /** With its rows of some tables. */
    async remove(id: number, tables: readonly Table[]): Promise<void> {
      for (const table of tables)
        await into({ table, zones: [id] })
          .where({ zone_id: id })
          .delete();
      await into<ZoneRow>({ table: "zone", zones: [id] })
        .where({ id })
        .delete();
    },
    /** The rows of one zone in some tables, for another; each holds one of a zone. */
    async copyRows(fromId: number, toId: number, tables: readonly Table[]): Promise<void> {
      for (const table of tables) {
        const row = await db<Record<string, unknown>>(table).where({ zone_id: fromId }).first();
        if (row) await into({ table, zones: [toId] }).insert({ ...row, zone_id: toId, version: 1, actor });
      }
    },
    async find(id: number): Promise<ZoneRecord | null> {
      const row = (await joined().where("zone.id", id).first()) as JoinedRow | undefined;
      return row ? fromRow(row) : null;
    },
    /** @returns null for a zone that is not there */
    async nameOf(id: number): Promise<string | null> {
      const row = await db<ZoneRow>("zone").where({ id }).first("name");
      return row?.name ?? null;
    },
    async nameTaken(name: string, exceptId: number): Promise<boolean> {
      const row = await db<ZoneRow>("zone")
        .whereRaw("lower(name) = lower(?)", [name])
        .whereNot({ id: exceptId })
        .first("id");
      return row !== undefined;
    },
    async add(siteId: number, zone: NewZone): Promise<number> {
      const houseId = await houseFor(writer, siteId, zone);
      const [id = 0] = await into<ZoneRow>({ table: "zone", zones: [] }).insert({
        site_id: siteId,
        house_id: houseId,
        version: 1,
        actor,
        ...columns(zone),
      });
      return id;
    },
    /** @returns false when the record is no longer at this version */
    async update(id: number, siteId: number, version: number, zone: NewZone): Promise<boolean> {
      const houseId = await houseFor(writer, siteId, zone);
      const changed = await into<ZoneRow>({ table: "zone", zones: [id] })
        .where({ id, version })
        .update({ house_id: houseId, version: version + 1, actor, ...columns(zone) });
      return changed === 1;
    },
  };
}

type JoinedRow = ZoneRow & CoverRow & { house_name: string };

/**
 * The house of this name, made or brought up to date: its light is that of all its zones, so that a figure which nobody has
 * confirmed does not change what is known of it. A house has a sensor station of its own.
 */
async function houseFor({ db, actor, into }: Writer, siteId: number, { house, unconfirmed }: NewZone): Promise<number> {
  const zonesIn = async (houseId: number): Promise<number[]> =>
    (await db<ZoneRow>("zone").where({ house_id: houseId }).select("id")).map(({ id }) => id);
  const found = await db<HouseRow>("house").where({ site_id: siteId, name: house.name }).first();
  if (found) {
    const { transmission_pct, ...others } = coverOf(house);
    const known = unconfirmed.includes("transmissionPct") ? others : { ...others, transmission_pct };
    if (Object.entries(known).some(([key, value]) => found[key as keyof CoverRow] !== value))
      await into<HouseRow>({ table: "house", zones: await zonesIn(found.id) })
        .where({ id: found.id })
        .update({ ...known, actor });
    return found.id;
  }
  const [id = 0] = await into<HouseRow>({ table: "house", zones: [] }).insert({
    site_id: siteId,
    name: house.name,
    ...coverOf(house),
    actor,
  });
  await into({ table: "station", zones: [] }).insert({ site_id: siteId, house_id: id });
  return id;
}

type CoverRow = Pick<HouseRow, "transmission_pct" | "rain_through_pct" | "heated_to_c">;

/** What was said of a house; what was left out stays as it is. */
function coverOf({ transmissionPct, rainThroughPct, heatedToC }: NewZone["house"]) {
  return {
    transmission_pct: transmissionPct,
    ...(rainThroughPct !== undefined && { rain_through_pct: rainThroughPct }),
    ...(heatedToC !== undefined && { heated_to_c: heatedToC }),
  } satisfies Partial<CoverRow>;
}

function columns(
  zone: NewZone,
): Pick<ZoneRow, "name" | "definition" | "unconfirmed" | "plantings" | "waters" | "layout" | "demand"> {
  return {
    name: zone.name,
    definition: JSON.stringify(zone.definition),
    unconfirmed: JSON.stringify(zone.unconfirmed),
    plantings: JSON.stringify(zone.plantings),
    waters: JSON.stringify(zone.waters),
    layout: zone.layout && JSON.stringify(zone.layout),
    demand: zone.demand ? JSON.stringify(zone.demand) : null,
  };
}

/** Zones read most lately, by all that their rows say: a board of many reads the same ones with every request. */
const MOST_KNOWN = 500;
const known = new Map<string, ZoneRecord>();

function fromRow(row: JoinedRow): ZoneRecord {
  const key = JSON.stringify(row);
  const zone = known.get(key) ?? frozen(parsed(row));
  if (!known.has(key) && known.size >= MOST_KNOWN) known.clear();
  known.set(key, zone);
  return zone;
}

/** What many readers share cannot be changed by one of them. */
function frozen<T>(value: T): T {
  if (typeof value === "object" && value !== null) Object.values(Object.freeze(value)).forEach(frozen);
  return value;
}

function parsed(row: JoinedRow): ZoneRecord {
  const zone = zoneSchema.parse({
    id: row.id,
    version: row.version,
    archived: row.archived === 1,
    name: row.name,
    house: {
      name: row.house_name,
      transmissionPct: row.transmission_pct,
      rainThroughPct: row.rain_through_pct,
      heatedToC: row.heated_to_c,
    },
    definition: JSON.parse(row.definition) as unknown,
    unconfirmed: JSON.parse(row.unconfirmed) as unknown,
    plantings: JSON.parse(row.plantings) as unknown,
    waters: JSON.parse(row.waters) as unknown,
    layout: row.layout === null ? null : (JSON.parse(row.layout) as unknown),
    demand: row.demand === null ? null : (JSON.parse(row.demand) as unknown),
  });
  return { ...zone, houseId: row.house_id };
}
