import { weatherChoicesSchema, weatherKindSchema, type WeatherChoices } from "@sprunel/contract/climate";
import type { WeatherKind, WeatherSample } from "@sprunel/core/climate";
import type { Knex } from "knex";

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
export interface NewImport {
  readonly stationId: number;
  readonly fileName: string;
  readonly header: string;
  readonly choices: WeatherChoices;
  readonly importedAtMs: number;
}

/** All SQL about weather. */
export function weatherStore(db: Knex) {
  return {
    async stations(siteId: number): Promise<{ outsideId: number; byHouse: ReadonlyMap<number, number> }> {
      const rows = await db<StationRow>("station").where({ site_id: siteId });
      const outside = rows.find((row) => row.house_id === null);
      if (!outside) throw new Error("a site has no station outside");
      return {
        outsideId: outside.id,
        byHouse: new Map(rows.flatMap((row) => (row.house_id === null ? [] : [[row.house_id, row.id] as const]))),
      };
    },

    async samples(stationId: number, fromMs: number, toMs: number): Promise<WeatherSample[]> {
      const rows = await db<ReadingRow>("weather_reading")
        .where({ station_id: stationId })
        .where("hour_ms", ">=", fromMs)
        .where("hour_ms", "<", toMs)
        .select("kind", "hour_ms", "value", "source");
      return rows.map((row) => ({
        kind: weatherKindSchema.parse(row.kind),
        startMs: row.hour_ms,
        value: row.value,
        origin: row.source,
      }));
    },

    async readings(stationId: number, source: Source, fromMs: number, toMs: number): Promise<Map<string, number>> {
      const rows = await db<ReadingRow>("weather_reading")
        .where({ station_id: stationId, source })
        .where("hour_ms", ">=", fromMs)
        .where("hour_ms", "<=", toMs)
        .select("kind", "hour_ms", "value");
      return new Map(rows.map((row) => [readingKey(row.kind, row.hour_ms), row.value]));
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
      readings: readonly WeatherReading[],
      importId: number | null,
    ): Promise<void> {
      // One statement over a JSON list: Knex would write a SELECT for every row, of which SQLite takes 500.
      await db.raw(
        `INSERT INTO weather_reading (station_id, source, import_id, kind, hour_ms, value, doubtful)
         SELECT ?, ?, ?, row.value ->> 0, row.value ->> 1, row.value ->> 2, row.value ->> 3 FROM json_each(?) AS row
         WHERE true ON CONFLICT DO NOTHING`,
        [
          stationId,
          source,
          importId,
          JSON.stringify(readings.map(({ kind, hourMs, value, doubtful }) => [kind, hourMs, value, doubtful ? 1 : 0])),
        ],
      );
    },

    async addImport(entry: NewImport): Promise<number> {
      const [id = 0] = await db("weather_import").insert({
        station_id: entry.stationId,
        file_name: entry.fileName,
        header: entry.header,
        choices: JSON.stringify(entry.choices),
        imported_at_ms: entry.importedAtMs,
      });
      return id;
    },

    async addConflicts(importId: number, conflicts: readonly WeatherReading[]): Promise<void> {
      await db.raw(
        "INSERT INTO weather_conflict (import_id, kind, hour_ms, value) SELECT ?, row.value ->> 0, row.value ->> 1, row.value ->> 2 FROM json_each(?) AS row",
        [importId, JSON.stringify(conflicts.map(({ kind, hourMs, value }) => [kind, hourMs, value]))],
      );
    },

    /** How a person last had a file with this header read. */
    async rememberedChoices(header: string): Promise<WeatherChoices | null> {
      const row = await db<{ choices: string; header: string }>("weather_import")
        .where({ header })
        .orderBy("id", "desc")
        .first("choices");
      return row ? weatherChoicesSchema.parse(JSON.parse(row.choices)) : null;
    },
  };
}

export function readingKey(kind: string, hourMs: number): string {
  return `${kind} ${hourMs}`;
}
