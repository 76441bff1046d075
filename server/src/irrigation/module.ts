import {
  addCatchTest,
  computeLateral,
  computeUniformity,
  computeZoneWater,
  getZoneLines,
  saveZoneLines,
  strikeCatchTest,
} from "@sprunel/contract/irrigation";
import { lateral, uniformity, zoneWater } from "@sprunel/core/irrigation";
import { served } from "../http/served.ts";
import type { Module } from "../scope/module.ts";
import type { Scope } from "../scope/scope.ts";
import { iso } from "../scope/site-file-part.ts";
import { linesService, type LinesService } from "./lines-service.ts";
import { linesStore } from "./lines-store.ts";
import { wateringStore } from "./watering-store.ts";

export function irrigationModule(scope: Scope): Module & { readonly lines: LinesService } {
  const lines = linesService(scope);
  return {
    lines,
    routes: [
      served(getZoneLines, ({ params: { id } }) => lines.zoneLines(id)),
      served(saveZoneLines, async ({ params: { id }, body: { version, ...record } }) => {
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
      served(computeLateral, ({ body }) => lateral(body)),
      served(computeUniformity, ({ body }) => uniformity(body)),
      served(computeZoneWater, ({ body }) => zoneWater(body)),
    ],
    siteFile: {
      valuesOfZone: {
        lines: {
          async out(inner, { zoneId }) {
            const found = await linesStore(inner).find(zoneId);
            if (!found) return null;
            const { version: _version, ...record } = found;
            return record;
          },
          in: (inner, { zoneId }, record) => linesStore(inner).save(zoneId, 1, record),
        },
      },
      ofZone: {
        catchTests: {
          async *out(inner, { zoneId }) {
            for (const { id: _id, ...test } of await linesStore(inner).all(zoneId)) yield test;
          },
          async in(inner, { zoneId }, tests) {
            for (const { struck, ...test } of tests) await linesStore(inner).addTest(zoneId, test, struck);
          },
        },
        waterings: {
          async *out(inner, { zoneId }) {
            for await (const { startMs, minutes, litres, source } of wateringStore(inner).all(zoneId))
              yield { start: iso(startMs), minutes, litres, source };
          },
          in: (inner, { zoneId }, waterings) =>
            wateringStore(inner).add(
              waterings.map(({ start, ...watering }) => ({ ...watering, zoneId, startMs: Date.parse(start) })),
            ),
        },
      },
    },
  };
}
