import {
  addOwnCrop,
  addSign,
  changeOwnCrop,
  computeStageDates,
  getCrop,
  getCropFile,
  getCropLibrary,
  getCropStation,
  getZoneCrop,
  importCrop,
  missNight,
  removeOwnCrop,
  setNights,
  takeMissedNightBack,
  takeSignBack,
} from "@sprunel/contract/crop";
import { stageDates } from "@sprunel/core/crop";
import type { WeatherService } from "../climate/weather-service.ts";
import { served } from "../http/served.ts";
import type { Module } from "../scope/module.ts";
import type { Scope } from "../scope/scope.ts";
import { cropService } from "./crop-service.ts";
import { libraryService } from "./library-service.ts";
import { ownCropStore } from "./own-crop-store.ts";

/** Crops of one's own, and stages of plantings; these are stored with their zone, and go with it into the site's file. */
export function cropModule(scope: Scope, weather: WeatherService): Module {
  const crops = cropService(scope, weather);
  const library = libraryService(scope);
  return {
    routes: [
      served(computeStageDates, ({ body }) => stageDates(body)),
      served(getCropStation, ({ query: { date } }) => crops.station(date)),
      served(getZoneCrop, ({ params: { id }, query: { date } }) => crops.zoneCrop(id, date)),
      served(addSign, ({ params: { id }, body }) => crops.shifting(id, () => crops.addSign(id, body))),
      served(takeSignBack, ({ params: { id, stageId }, query: { version } }) =>
        crops.shifting(id, () => crops.takeSignBack(id, stageId, version)),
      ),
      served(setNights, ({ params: { id }, body: { version, nights } }) =>
        crops.shifting(id, () => crops.setNights(id, version, nights)),
      ),
      served(missNight, ({ params: { id }, body: { version, on } }) =>
        crops.shifting(id, () => crops.missNight(id, version, on)),
      ),
      served(takeMissedNightBack, ({ params: { id, on }, query: { version } }) =>
        crops.shifting(id, () => crops.takeMissedNightBack(id, version, on)),
      ),
      served(getCropLibrary, () => library.library()),
      served(getCrop, ({ params: { id } }) => library.crop(id)),
      served(addOwnCrop, ({ body: { basedOn, name } }) => library.addFrom(basedOn, name)),
      served(changeOwnCrop, ({ params: { id }, body: { version, crop } }) => library.change(id, version, crop)),
      served(removeOwnCrop, ({ params: { id } }) => library.remove(id)),
      served(getCropFile, ({ params: { id } }) => library.file(id)),
      served(importCrop, ({ body }) => library.import(body)),
    ],
    siteFile: {
      ofSite: {
        ownCrops: {
          async *out(inner) {
            for (const { id, basedOn, crop } of await ownCropStore(inner).all()) yield { id, basedOn, crop };
          },
          async in(inner, _place, rows) {
            for (const { id, basedOn, crop } of rows) await ownCropStore(inner).add(id, basedOn, crop);
          },
        },
      },
    },
  };
}
