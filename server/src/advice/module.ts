import type { ZoneFile } from "@sprunel/contract/exchange";
import type { Module } from "../scope/module.ts";
import { decisionStore } from "./decision-store.ts";

/** What was decided; findings and the way to decide stand on the board. */
export function adviceModule(): Module {
  return {
    routes: [],
    siteFile: {
      ofZone: {
        decisions: {
          async *out(scope, { zoneId }) {
            for (const { zoneId: _zone, ...decision } of await decisionStore(scope).all(zoneId))
              yield decision as ZoneFile["decisions"][number];
          },
          async in(scope, { zoneId }, rows) {
            for (const { decidedAt, ...decision } of rows)
              await decisionStore(scope).add({ ...decision, zoneId, decidedAtMs: Date.parse(decidedAt) });
          },
        },
      },
    },
  };
}
