import { addPick, addPicks, getDayPicks, getZoneHarvest, strikePick } from "@sprunel/contract/harvest";
import { served } from "../http/served.ts";
import type { Module } from "../scope/module.ts";
import type { Scope } from "../scope/scope.ts";
import { iso } from "../scope/site-file-part.ts";
import { harvestService, type WarmthOf } from "./harvest-service.ts";
import { pickStore } from "./pick-store.ts";

export function harvestModule(scope: Scope, warmthOf: WarmthOf): Module {
  const harvest = harvestService(scope, warmthOf);
  return {
    routes: [
      served(getZoneHarvest, ({ params: { id }, query: { date } }) => harvest.zoneHarvest(id, date)),
      served(getDayPicks, ({ query: { date } }) => harvest.dayPicks(date)),
      served(addPicks, async ({ body }) => {
        await harvest.addPicks(body);
        return {};
      }),
      served(addPick, async ({ params: { id }, body }) => {
        await harvest.addPick(id, body);
        return harvest.zoneHarvest(id, undefined);
      }),
      served(strikePick, async ({ params: { id, pickId }, body: { reason } }) => {
        await harvest.strikePick(id, pickId, reason);
        return harvest.zoneHarvest(id, undefined);
      }),
    ],
    siteFile: {
      ofZone: {
        picks: {
          async *out(inner, { zoneId }) {
            for (const { struckAtMs, ...pick } of await pickStore(inner).all(zoneId))
              yield { ...pick, struckAt: struckAtMs === null ? null : iso(struckAtMs) };
          },
          in: (inner, { zoneId }, rows) =>
            pickStore(inner).addAll(
              zoneId,
              rows.map(({ struckAt, ...pick }) => ({
                ...pick,
                struckAtMs: struckAt === null ? null : Date.parse(struckAt),
              })),
            ),
        },
      },
    },
  };
}
