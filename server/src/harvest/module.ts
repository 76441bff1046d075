import { addPick, addPicks, getDayPicks, getZoneHarvest, strikePick } from "@sprunel/contract/harvest";
import { PICKED } from "../crop/crop-service.ts";
import { served } from "../http/served.ts";
import type { Module } from "../scope/module.ts";
import type { Scope } from "../scope/scope.ts";
import { iso } from "../scope/site-file-part.ts";
import { harvestService } from "./harvest-service.ts";
import { pickStore } from "./pick-store.ts";

export function harvestModule(scope: Scope): Module {
  const harvest = harvestService(scope);
  scope.ports.answer(PICKED, async (zoneId, from, to) => {
    const picks = await pickStore(scope).since(new Map([[zoneId, from]]), to);
    return picks.get(zoneId) ?? [];
  });
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
    ofZone: { noted: ["pick"] },
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
