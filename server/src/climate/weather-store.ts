import { setImmediate } from "node:timers/promises";
import { inPages, pages } from "../database/pages.ts";
import { weatherKindSchema } from "@sprunel/contract/climate";
import { WIND_HEIGHT_M, windAt2MMs, type WeatherKind, type WeatherSample } from "@sprunel/core/climate";
import { bound, gatheredColumn, gatheredFrom, listed, listedValues } from "../database/listed.ts";
import type { Writer } from "../scope/scope.ts";

export interface WeatherReading {
  readonly kind: WeatherKind;
  readonly hourMs: number;
  readonly value: number;
  readonly doubtful: boolean;
}
type Source = "imported" | "simulated";
interface StationRow {
  id: number;
  site_id: number;
  house_id: number | null;
}
interface ReadingRow {
  station_id: number;
  kind: string;
  hour_ms: number;
  source: Source;
  value: number;
  doubtful: number;
  import_id: number | null;
}
/** An hour as it is stored, with the import that brought it. */
interface StoredHour extends WeatherReading {
  readonly source: string;
  readonly importId: number | null;
}
interface Stations {
  readonly outsideId: number;
  /** by house id: its station, and the set point of its heating */
  readonly byHouse: ReadonlyMap<number, { readonly stationId: number; readonly heatedToC: number | null }>;
}

/** All SQL about weather itself. */
export function weatherStore({ db, writes }: Pick<Writer, "db" | "writes">) {
  return {
    async stations(siteId: number): Promise<Stations> {
      const rows = await db<StationRow>("station")
        .leftJoin("house", "house.id", "station.house_id")
        .where("station.site_id", siteId)
        .select<(StationRow & { heated_to_c: number | null })[]>("station.*", "house.heated_to_c");
      const outside = rows.find((row) => row.house_id === null);
      if (!outside) throw new Error("a site has no station outside");
      return {
        outsideId: outside.id,
        byHouse: new Map(
          rows.flatMap(({ id, house_id, heated_to_c }) =>
            house_id === null ? [] : [[house_id, { stationId: id, heatedToC: heated_to_c }] as const],
          ),
        ),
      };
    },

    async samples(stationId: number, fromMs: number, toMs: number): Promise<WeatherSample[]> {
      const rows = await db<ReadingRow>("weather_reading")
        .where({ station_id: stationId })
        .where("hour_ms", ">=", fromMs)
        .where("hour_ms", "<", toMs)
        .select("kind", "hour_ms", "value", "source", "import_id");
      const heights = await this.windHeights(stationId);
      return rows.map(({ kind, hour_ms, value, source, import_id }) => ({
        kind: weatherKindSchema.parse(kind),
        startMs: hour_ms,
        // Kept as it was measured; every sum wants the wind at 2 m.
        value:
          kind === "wind" && import_id !== null ? windAt2MMs(value, heights.get(import_id) ?? WIND_HEIGHT_M) : value,
        origin: source,
      }));
    },

    /** Height above ground at which the wind of each import was measured, m. */
    async windHeights(stationId: number): Promise<ReadonlyMap<number, number>> {
      const rows = await db("weather_import")
        .where({ station_id: stationId })
        .select<{ id: number; choices: string }[]>("id", "choices");
      return new Map(
        rows.flatMap(({ id, choices }) => {
          const { windHeightM } = JSON.parse(choices) as { windHeightM?: number | null };
          return windHeightM == null ? [] : [[id, windHeightM] as const];
        }),
      );
    },

    /** By kind and hour, what a station has of a span. */
    async readings(
      stationId: number,
      source: Source,
      fromMs: number,
      toMs: number,
    ): Promise<ReadonlyMap<string, ReadonlyMap<number, number>>> {
      // As two lists of each kind: an object for every row takes ten times as long.
      const lists = await db<ReadingRow>("weather_reading")
        .where({ station_id: stationId, source })
        .whereBetween("hour_ms", [fromMs, toMs])
        .groupBy("kind")
        .select<{ kind: string; hours: string; found: string }[]>(
          "kind",
          db.raw(`${gatheredColumn("hour_ms")} AS hours`),
          db.raw(`${gatheredColumn("value")} AS found`),
        );
      return new Map(
        lists.map(({ kind, hours, found }) => {
          const values = gatheredFrom<number>(found);
          return [kind, new Map(gatheredFrom<number>(hours).map((hourMs, at) => [hourMs, values[at] ?? NaN]))];
        }),
      );
    },

    async lastHour(stationId: number, source: Source): Promise<number | null> {
      const row = await db<ReadingRow>("weather_reading")
        .where({ station_id: stationId, source })
        .max<{ last: number | null }[]>("hour_ms as last")
        .first();
      return row?.last ?? null;
    },

    /** Adds what is not there yet; what is there stays as it is. */
    async add(
      stationId: number,
      source: Source,
      readings: Iterable<WeatherReading>,
      importId: number | null,
    ): Promise<void> {
      for (const { kind, doubtful, fromMs, values } of hourlySeries(readings)) {
        // The driver answers at once: without a breath nobody else would be answered until the last page.
        await setImmediate();
        writes({ table: "weather_reading", from: fromMs });
        // One statement over a list of bare numbers: a statement, or a list of lists, for each of them takes twice as long.
        await db.raw(
          `INSERT INTO weather_reading (station_id, source, import_id, kind, hour_ms, value, doubtful)
           SELECT ?, ?, ?, ?, ? + hour.place * ${HOUR_MS}, hour.value, ? FROM ${listedValues("hour")}
           WHERE hour.value IS NOT NULL ON CONFLICT DO NOTHING`,
          [stationId, source, importId, kind, fromMs, doubtful ? 1 : 0, bound(values)],
        );
      }
    },

    /** Stations of a site by the name of their house; null stands outside. */
    async named(siteId: number): Promise<{ readonly id: number; readonly house: string | null }[]> {
      return db("station")
        .leftJoin("house", "house.id", "station.house_id")
        .where("station.site_id", siteId)
        .orderBy("station.id")
        .select<{ id: number; house: string | null }[]>("station.id", "house.name as house");
    },

    /** Every hour of a station. */
    all(stationId: number): AsyncIterable<StoredHour> {
      return pages<ReadingRow, StoredHour>(
        (after, limit) =>
          db<ReadingRow>("weather_reading")
            .where({ station_id: stationId })
            .modify((query) => {
              if (after)
                void query.whereRaw("(hour_ms, kind, source) > (?, ?, ?)", [after.hour_ms, after.kind, after.source]);
            })
            .orderBy(["hour_ms", "kind", "source"])
            .limit(limit),
        (row) => ({
          kind: weatherKindSchema.parse(row.kind),
          hourMs: row.hour_ms,
          source: row.source,
          value: row.value,
          doubtful: row.doubtful === 1,
          importId: row.import_id,
        }),
      );
    },

    async addHours(stationId: number, hours: readonly StoredHour[]): Promise<void> {
      for (const page of inPages(hours)) {
        writes({ table: "weather_reading", from: Math.min(...page.map(({ hourMs }) => hourMs)) });
        await db.raw(
          `INSERT INTO weather_reading (station_id, ${COLUMNS.join(", ")})
           SELECT ?, ${COLUMNS.join(", ")} FROM ${listed("hours", COLUMNS)}`,
          [
            stationId,
            bound(
              page.map(({ kind, hourMs, source, value, doubtful, importId }) => [
                kind,
                hourMs,
                source,
                value,
                doubtful ? 1 : 0,
                importId,
              ]),
            ),
          ],
        );
      }
    },
  };
}

const HOUR_MS = 3_600_000;
const COLUMNS = ["kind", "hour_ms", "source", "value", "doubtful", "import_id"] as const;
/** Hours that one statement stores, and what may be missing between them. */
const MOST_HOURS = 2000;
const MOST_GAP = 100;

interface Series {
  readonly kind: WeatherReading["kind"];
  readonly doubtful: boolean;
  readonly fromMs: number;
  /** by hour; null where there is none */
  readonly values: (number | null)[];
}

/** Readings as rows of hours, each of one kind. */
function* hourlySeries(readings: Iterable<WeatherReading>): Generator<Series> {
  const open = new Map<string, Series>();
  for (const { kind, hourMs, value, doubtful } of readings) {
    const key = `${kind} ${doubtful}`;
    const before = open.get(key);
    const at = before ? (hourMs - before.fromMs) / HOUR_MS : -1;
    if (before && Number.isInteger(at) && at >= before.values.length && at < before.values.length + MOST_GAP) {
      while (before.values.length < at) before.values.push(null);
      before.values.push(value);
      if (before.values.length < MOST_HOURS) continue;
      yield before;
      open.delete(key);
      continue;
    }
    if (before) yield before;
    open.set(key, { kind, doubtful, fromMs: hourMs, values: [value] });
  }
  yield* open.values();
}
