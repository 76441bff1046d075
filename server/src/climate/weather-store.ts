import { weatherChoicesSchema, weatherKindSchema, type WeatherChoices } from "@sprunel/contract";
import type { WeatherKind, WeatherSample } from "@sprunel/core";
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

/** Rows in one insert: well under SQLite's 32,766 bound values. */
const CHUNK = 2000;

/** All SQL about weather. */
export function weatherStore(db: Knex) {
  return {
    async stations(siteId: number): Promise<{ outsideId: number; byHouse: ReadonlyMap<number, number> }> {
      const rows = await db<StationRow>("station").where({ site_id: siteId });
      const outside = rows.find((row) => row.house_id === null);
      if (!outside) throw new Error("a site has no station outside");
      return { outsideId: outside.id, byHouse: new Map(rows.flatMap((row) => (row.house_id === null ? [] : [[row.house_id, row.id] as const]))) };
    },

    async samples(stationId: number, fromMs: number, toMs: number): Promise<WeatherSample[]> {
      const rows = await db<ReadingRow>("weather_reading")
        .where({ station_id: stationId })
        .where("hour_ms", ">=", fromMs)
        .where("hour_ms", "<", toMs)
        .select("kind", "hour_ms", "value", "source");
      return rows.map((row) => ({ kind: weatherKindSchema.parse(row.kind), startMs: row.hour_ms, value: row.value, origin: row.source }));
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
      const row = await db<ReadingRow>("weather_reading").where({ station_id: stationId, source }).max<{ last: number | null }[]>("hour_ms as last").first();
      return row?.last ?? null;
    },

    /** Adds what is not there yet; what is there stays as it is. */
    async add(stationId: number, source: Source, readings: readonly WeatherReading[], importId: number | null): Promise<void> {
      for (let at = 0; at < readings.length; at += CHUNK) {
        const rows = readings.slice(at, at + CHUNK).map((reading) => ({
          station_id: stationId,
          kind: reading.kind,
          hour_ms: reading.hourMs,
          source,
          value: reading.value,
          doubtful: reading.doubtful ? 1 : 0,
          import_id: importId,
        }));
        await db<ReadingRow>("weather_reading").insert(rows).onConflict(["station_id", "hour_ms", "kind", "source"]).ignore();
      }
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
      for (let at = 0; at < conflicts.length; at += CHUNK)
        await db("weather_conflict").insert(
          conflicts.slice(at, at + CHUNK).map(({ kind, hourMs, value }) => ({ import_id: importId, kind, hour_ms: hourMs, value })),
        );
    },

    /** How a person last had a file with this header read. */
    async rememberedChoices(header: string): Promise<WeatherChoices | null> {
      const row = await db<{ choices: string; header: string }>("weather_import").where({ header }).orderBy("id", "desc").first("choices");
      return row ? weatherChoicesSchema.parse(JSON.parse(row.choices)) : null;
    },
  };
}

export function readingKey(kind: string, hourMs: number): string {
  return `${kind} ${hourMs}`;
}
