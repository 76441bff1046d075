import {
  addOwnCrop,
  addSign,
  addSoilStep,
  addStandStep,
  changeOwnCrop,
  computeStageDates,
  dropNext,
  getCalendarAddress,
  getCalendarFeed,
  getCalendarTable,
  getCrop,
  getCropFile,
  getCropLibrary,
  getCropStation,
  getSoilSteps,
  getZoneCrop,
  importCrop,
  missNight,
  planNext,
  removeOwnCrop,
  removeStandStep,
  setNights,
  setStand,
  strikeSoilStep,
  takeMissedNightBack,
  takeSignBack,
  takeStageFit,
} from "@sprunel/contract/crop";
import { stageDates } from "@sprunel/core/crop";
import type { WeatherService } from "../climate/weather-service.ts";
import { sendCsv } from "../http/csv.ts";
import { notFound } from "../http/problems.ts";
import { served, written } from "../http/served.ts";
import type { Module } from "../scope/module.ts";
import type { Scope } from "../scope/scope.ts";
import { iso } from "../scope/site-file-part.ts";
import { asCalendar, calendarToken, datesOf, isToken, DATED } from "./calendar.ts";
import { cropService } from "./crop-service.ts";
import { libraryService } from "./library-service.ts";
import { ownCropStore } from "./own-crop-store.ts";
import { soilStepStore } from "./soil-step-store.ts";
import { soilStepService } from "./soil-step-service.ts";
import { plantingService } from "./planting-service.ts";

/** Crops of one's own, and stages of plantings; these are stored with their zone, and go with it into the site's file. */
export function cropModule(scope: Scope, weather: WeatherService, dataFolder: string): Module {
  const library = libraryService(scope);
  const crops = cropService(scope, weather);
  const plantings = plantingService(scope, library);
  const soil = soilStepService(scope);
  scope.ports.answer(DATED, () => soil.dated());
  const dated = async () => {
    const site = await scope.site.current();
    const own = datesOf(site, await scope.zones(), await scope.site.dateOr(undefined));
    const others = await Promise.all(scope.ports.all(DATED).map((dated) => dated()));
    return { site, dates: [...own, ...others.flat()].sort((a, b) => a.on.localeCompare(b.on)) };
  };
  return {
    ofZone: { noted: ["soil_step"] },
    routes: [
      served(computeStageDates, ({ body }) => stageDates(body)),
      served(getCropStation, ({ query: { date } }) => crops.station(date)),
      served(getZoneCrop, ({ params: { id }, query: { date, planting } }) => crops.zoneCrop(id, date, planting)),
      served(addSign, ({ params: { id }, body }) =>
        crops.shifting(id, () => plantings.addSign(id, body), body.planting),
      ),
      served(takeSignBack, ({ params: { id, stageId }, query }) =>
        crops.shifting(id, () => plantings.takeSignBack(id, { stageId, ...query }), query.planting),
      ),
      served(takeStageFit, ({ params: { id }, body }) =>
        crops.shifting(id, () => plantings.takeFit(id, body), body.planting),
      ),
      served(setStand, ({ params: { id }, body }) => crops.shifting(id, () => plantings.setStand(id, body))),
      served(addStandStep, ({ params: { id }, body }) =>
        crops.shifting(id, () => plantings.addStandStep(id, body), body.planting),
      ),
      served(removeStandStep, ({ params: { id, kind, on }, query }) =>
        crops.shifting(id, () => plantings.removeStandStep(id, { kind, on, ...query }), query.planting),
      ),
      served(planNext, ({ params: { id }, body }) => crops.shifting(id, () => plantings.planNext(id, body))),
      served(dropNext, ({ params: { id }, query: { version } }) =>
        crops.shifting(id, () => plantings.dropNext(id, version)),
      ),
      served(setNights, ({ params: { id }, body }) =>
        crops.shifting(id, () => plantings.setNights(id, body), body.planting),
      ),
      served(missNight, ({ params: { id }, body }) =>
        crops.shifting(id, () => plantings.missNight(id, body), body.planting),
      ),
      served(takeMissedNightBack, ({ params: { id, on }, query }) =>
        crops.shifting(id, () => plantings.takeMissedNightBack(id, { on, ...query }), query.planting),
      ),
      served(getSoilSteps, ({ params: { id } }) => soil.list(id)),
      served(addSoilStep, ({ params: { id }, body }) => soil.add(id, body)),
      served(strikeSoilStep, ({ params: { id, step } }) => soil.strike(id, step)),
      served(getCalendarAddress, () => ({ path: `/api/calendar/${calendarToken(dataFolder)}.ics` })),
      written(getCalendarFeed, async ({ params: { token } }, res) => {
        if (!isToken(token, calendarToken(dataFolder))) throw notFound("A calendar of this address");
        const { site, dates } = await dated();
        res.setHeader("Content-Type", "text/calendar; charset=utf-8");
        res.send(asCalendar(site.name, dates));
      }),
      written(getCalendarTable, async (_asked, res) => {
        const { dates } = await dated();
        sendCsv(
          res,
          "crop-calendar.csv",
          dates.map(({ zone, what, on, span, note }) => ({
            date: on,
            zone,
            what,
            from_utc: span ? iso(span.fromMs) : null,
            to_utc: span ? iso(span.toMs) : null,
            note,
          })),
        );
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
      ofZone: {
        soilSteps: {
          async *out(inner, { zoneId }) {
            for (const { key, kind, on, waitDays, note, struck } of await soilStepStore(inner).all(zoneId))
              yield { key, kind, on, waitDays, note, struck };
          },
          async in(inner, { zoneId }, rows) {
            for (const { struck, ...step } of rows) await soilStepStore(inner).add(zoneId, step, struck);
          },
        },
      },
    },
  };
}
