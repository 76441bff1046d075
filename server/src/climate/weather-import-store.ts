import { weatherChoicesSchema, weatherKindSchema, type WeatherChoices } from "@sprunel/contract/climate";
import { bound, listed } from "../database/listed.ts";
import type { Writer } from "../scope/scope.ts";
import type { WeatherReading } from "./weather-store.ts";

interface NewImport {
  readonly stationId: number;
  readonly fileName: string;
  readonly header: string;
  readonly choices: WeatherChoices;
  readonly importedAtMs: number;
}

interface ImportRow {
  id: number;
  station_id: number;
  file_name: string;
  header: string;
  choices: string;
  imported_at_ms: number;
}
interface ConflictRow {
  import_id: number;
  kind: string;
  hour_ms: number;
  value: number;
}
interface StoredImport extends NewImport {
  readonly id: number;
  readonly conflicts: readonly WeatherReading[];
}

/** Files of weather that were imported, and what in them spoke against what stood there. */
export function weatherImportStore({ db, actor, into, writes }: Writer) {
  return {
    /** Every import of a site with what in it spoke against what stood there, the oldest first. */
    async ofSite(siteId: number): Promise<StoredImport[]> {
      const rows = await db<ImportRow>("weather_import")
        .join("station", "station.id", "weather_import.station_id")
        .where("station.site_id", siteId)
        .orderBy("weather_import.id")
        .select<ImportRow[]>("weather_import.*");
      const conflicts = await db<ConflictRow>("weather_conflict").orderBy("id");
      return rows.map((row) => ({
        id: row.id,
        stationId: row.station_id,
        fileName: row.file_name,
        header: row.header,
        choices: weatherChoicesSchema.parse(JSON.parse(row.choices)),
        importedAtMs: row.imported_at_ms,
        conflicts: conflicts
          .filter((conflict) => conflict.import_id === row.id)
          .map(({ kind, hour_ms, value }) => ({
            kind: weatherKindSchema.parse(kind),
            hourMs: hour_ms,
            value,
            doubtful: false,
          })),
      }));
    },

    async add(entry: NewImport): Promise<number> {
      const [id = 0] = await into({ table: "weather_import" }).insert({
        station_id: entry.stationId,
        file_name: entry.fileName,
        header: entry.header,
        choices: JSON.stringify(entry.choices),
        imported_at_ms: entry.importedAtMs,
        actor,
      });
      return id;
    },

    async addConflicts(importId: number, conflicts: readonly WeatherReading[]): Promise<void> {
      writes({ table: "weather_conflict" });
      await db.raw(
        `INSERT INTO weather_conflict (import_id, kind, hour_ms, value)
         SELECT ?, kind, hour_ms, value FROM ${listed("found", ["kind", "hour_ms", "value"])}`,
        [importId, bound(conflicts.map(({ kind, hourMs, value }) => [kind, hourMs, value]))],
      );
    },

    /** Takes out what an import brought; what it was refused for stays with what stood there before. @returns how many values went */
    async remove(importId: number): Promise<number> {
      const [found] = await db("weather_reading")
        .where({ import_id: importId })
        .select<{ n: number; first: number | null }[]>(db.raw("count(*) AS n"), db.raw("min(hour_ms) AS first"));
      if (found?.first != null)
        await into({ table: "weather_reading", from: found.first }).where({ import_id: importId }).delete();
      await into({ table: "weather_conflict" }).where({ import_id: importId }).delete();
      return found?.n ?? 0;
    },
  };
}
