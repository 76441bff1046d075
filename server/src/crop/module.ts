import { addSign, computeStageDates, getCropStation, getZoneCrop, takeSignBack } from "@sprunel/contract/crop";
import { stageDates } from "@sprunel/core/crop";
import { served } from "../http/served.ts";
import type { Module } from "../scope/module.ts";
import type { Scope } from "../scope/scope.ts";
import { cropService } from "./crop-service.ts";

/** Stages of plantings. They are stored with their zone, and go with it into the site's file. */
export function cropModule(scope: Scope): Module {
  const crops = cropService(scope);
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
    ],
  };
}
