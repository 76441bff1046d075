import {
  addCatchTest,
  addWaterings,
  computeLateral,
  computeUniformity,
  computeZoneWater,
  getDripLines,
  saveDripLines,
  strikeCatchTest,
  strikeWatering,
} from "@sprunel/contract/irrigation";
import { lateral, uniformity, zoneWater } from "@sprunel/core/irrigation";
import { spanOf } from "@sprunel/core/time";
import { served } from "../http/served.ts";
import type { Module } from "../scope/module.ts";
import type { Scope } from "../scope/scope.ts";
import { iso } from "../scope/site-file-part.ts";
import { dripLinesService, type DripLinesService } from "./drip-lines-service.ts";
import { dripLinesStore } from "./drip-lines-store.ts";
import { pulseByClock } from "./pulse-by-clock.ts";
import { wateringService } from "./watering-service.ts";
import { wateringStore } from "./watering-store.ts";

export function irrigationModule(scope: Scope): Module & { readonly lines: DripLinesService } {
  const lines = dripLinesService(scope);
  const waterings = wateringService(scope);
  return {
    lines,
    routes: [
      served(getDripLines, ({ params: { id } }) => lines.zoneLines(id)),
      served(saveDripLines, async ({ params: { id }, body: { version, ...record } }) => {
        await lines.saveLines(id, version, record);
        return lines.zoneLines(id);
      }),
      served(addCatchTest, async ({ params: { id }, body }) => {
        await lines.addTest(id, body);
        return lines.zoneLines(id);
      }),
      served(strikeCatchTest, async ({ params: { id, testId }, body: { reason } }) => {
        await lines.strikeTest(id, testId, reason);
        return lines.zoneLines(id);
      }),
      served(addWaterings, async ({ body }) => {
        await waterings.add(body.waterings);
        return {};
      }),
      served(strikeWatering, async ({ params: { id }, body: { startUtc, reason } }) => {
        await waterings.strike(id, startUtc, reason);
        return {};
      }),
      served(computeLateral, ({ body }) => lateral(body)),
      served(computeUniformity, ({ body }) => uniformity(body)),
      served(computeZoneWater, ({ body }) => {
        const water = zoneWater({ ...body, window: spanOf(body.window, "window") });
        return { ...water, events: water.events.map(pulseByClock) };
      }),
    ],
    ofZone: { noted: ["watering", "catch_test"], set: ["zone_lines"] },
    siteFile: {
      valuesOfZone: {
        lines: {
          async out(inner, { zoneId }) {
            const found = await dripLinesStore(inner).find(zoneId);
            if (!found) return null;
            const { version: _version, ...record } = found;
            return record;
          },
          in: (inner, { zoneId }, record) => dripLinesStore(inner).save(zoneId, 1, record),
        },
      },
      ofZone: {
        catchTests: {
          async *out(inner, { zoneId }) {
            for (const { id: _id, ...test } of await dripLinesStore(inner).all(zoneId)) yield test;
          },
          async in(inner, { zoneId }, tests) {
            for (const { struck, ...test } of tests) await dripLinesStore(inner).addTest(zoneId, test, struck);
          },
        },
        waterings: {
          async *out(inner, { zoneId }) {
            for await (const { startMs, struckAtMs, zoneId: _zone, ...watering } of wateringStore(inner).all(zoneId))
              yield { ...watering, start: iso(startMs), struckAt: struckAtMs === null ? null : iso(struckAtMs) };
          },
          in: (inner, { zoneId }, waterings) =>
            wateringStore(inner).add(
              waterings.map(({ start, struckAt, ...watering }) => ({
                ...watering,
                zoneId,
                startMs: Date.parse(start),
                struckAtMs: struckAt === null ? null : Date.parse(struckAt),
              })),
            ),
        },
      },
    },
  };
}
