import type { SiteFile } from "@sprunel/contract/exchange";
import type { Knex } from "knex";
import { badInput } from "../http/problems.ts";
import { insertAll, iso } from "./site-file-rows.ts";

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

/** All hours of a site, by station. */
export async function weatherOut(db: Knex, siteId: number): Promise<SiteFile["weather"]> {
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

export async function weatherIn(db: Knex, siteId: number, weather: SiteFile["weather"]): Promise<void> {
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
