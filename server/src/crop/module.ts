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
  removeOwnCrop,
  takeSignBack,
} from "@sprunel/contract/crop";
import { stageDates } from "@sprunel/core/crop";
import { served } from "../http/served.ts";
import type { Module } from "../scope/module.ts";
import type { Scope } from "../scope/scope.ts";
import { cropService } from "./crop-service.ts";
import { libraryService } from "./library-service.ts";
import { ownCropStore } from "./own-crop-store.ts";

/** Crops of one's own, and stages of plantings; these are stored with their zone, and go with it into the site's file. */
export function cropModule(scope: Scope): Module {
  const crops = cropService(scope);
  const library = libraryService(scope);
  return {
    routes: [
      served(computeStageDates, ({ body }) => stageDates(body)),
      served(getCropStation, ({ query: { date } }) => crops.station(date)),
      served(getZoneCrop, ({ params: { id }, query: { date } }) => crops.zoneCrop(id, date)),
      served(addSign, async ({ params: { id }, body }) => {
        await crops.addSign(id, body);
        return crops.zoneCrop(id, undefined);
      }),
      served(takeSignBack, async ({ params: { id, stageId }, query: { version } }) => {
        await crops.takeSignBack(id, stageId, version);
        return crops.zoneCrop(id, undefined);
      }),
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
