import {
  computeDayLength,
  computeDemand,
  computeReferenceEt,
  importWeather,
  previewWeather,
} from "@sprunel/contract/climate";
import { dayLength, referenceEt } from "@sprunel/core/climate";
import { demand } from "@sprunel/core/demand";
import { badInput } from "../http/problems.ts";
import { followed, served } from "../http/served.ts";
import type { Module } from "../scope/module.ts";
import type { Scope } from "../scope/scope.ts";
import { iso, type SiteFilePart } from "../scope/site-file-part.ts";
import { catchUp } from "./station-feed.ts";
import type { WeatherDevice } from "./weather-device.ts";
import { weatherImportService } from "./weather-import-service.ts";
import { weatherService, type WeatherService } from "./weather-service.ts";
import { importLog } from "../imports/import-log.ts";
import { weatherImportStore } from "./weather-import-store.ts";
import { weatherStore } from "./weather-store.ts";

/** One entry of the file's weather holds so many hours; a station has as many entries as it takes. */
const HOURS_OF_AN_ENTRY = 5000;

export interface ClimateModule extends Module {
  readonly weather: WeatherService;
  /** Stores what the connected station measured up to now; nothing without a station or a site. */
  followStation(sinceMs: number): Promise<void>;
}

export function climateModule(scope: Scope, device: WeatherDevice | null): ClimateModule {
  const imports = weatherImportService(scope);
  return {
    weather: weatherService(scope, device),
    async followStation(sinceMs) {
      const site = await scope.site.find();
      if (!device || !site) return;
      const houses = new Map(
        (await scope.zones()).map((zone) => [zone.houseId, { id: zone.houseId, name: zone.house.name }]),
      );
      await catchUp(scope, device, site, [...houses.values()], sinceMs, scope.clock());
    },
    routes: [
      followed(previewWeather, ({ body }, follower) => imports.preview(body, follower)),
      served(importWeather, ({ body }) => imports.commit(body)),
      served(computeReferenceEt, ({ body }) => referenceEt(body)),
      served(computeDayLength, ({ body }) => dayLength(body)),
      served(computeDemand, ({ body }) => demand(body)),
    ],
    siteFile: { ofSite: weatherOfSite() },
  };
}

function weatherOfSite(): NonNullable<SiteFilePart["ofSite"]> {
  return {
    weatherImports: {
      async *out(scope, { siteId }) {
        for (const { fileName, header, choices, importedAtMs, conflicts } of await weatherImportStore(scope).ofSite(
          siteId,
        ))
          yield {
            fileName,
            header,
            choices,
            importedAt: iso(importedAtMs),
            conflicts: conflicts.map(({ kind, hourMs, value }) => ({ kind, hour: iso(hourMs), value })),
          };
      },
      async in(scope, { siteId }, rows) {
        const { outsideId } = await weatherStore(scope).stations(siteId);
        const store = weatherImportStore(scope);
        for (const { importedAt, conflicts, ...entry } of rows) {
          const importedAtMs = Date.parse(importedAt);
          const id = await store.add({ ...entry, stationId: outsideId, importedAtMs });
          await importLog(scope).add({
            ...{ kind: "weather", fileName: entry.fileName, heads: entry.header, choices: entry.choices, importedAtMs },
            // The file does not tell how many rows each brought.
            ...{ rows: 0, weatherImportId: id },
          });
          await store.addConflicts(
            id,
            conflicts.map(({ kind, hour, value }) => ({ kind, value, hourMs: Date.parse(hour), doubtful: false })),
          );
        }
      },
    },
    weather: {
      async *out(scope, { siteId }) {
        const store = weatherStore(scope);
        const placeOf = new Map((await weatherImportStore(scope).ofSite(siteId)).map(({ id }, at) => [id, at]));
        for (const { id, house } of await store.named(siteId)) {
          let hours = [];
          for await (const { kind, hourMs, source, value, doubtful, importId } of store.all(id)) {
            const place = importId === null ? null : (placeOf.get(importId) ?? null);
            hours.push({ kind, hour: iso(hourMs), source, value, doubtful, import: place });
            if (hours.length < HOURS_OF_AN_ENTRY) continue;
            yield { house, hours };
            hours = [];
          }
          if (hours.length > 0) yield { house, hours };
        }
      },
      async in(scope, { siteId }, rows, first) {
        const store = weatherStore(scope);
        const stations = await store.named(siteId);
        const imports = await weatherImportStore(scope).ofSite(siteId);
        for (const [at, { house, hours }] of rows.entries()) {
          const station = stations.find((candidate) => candidate.house === house);
          if (!station)
            throw badInput([
              { path: `weather.${first + at}.house`, message: `No zone of the file stands in ${house ?? "the open"}.` },
            ]);
          await store.addHours(
            station.id,
            hours.map(({ hour, import: place, ...rest }) => ({
              ...rest,
              hourMs: Date.parse(hour),
              importId: place === null ? null : (imports[place]?.id ?? null),
            })),
          );
        }
      },
    },
  };
}
