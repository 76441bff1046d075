import type { ZoneFile } from "@sprunel/contract/exchange";
import type { Module } from "../scope/module.ts";
import { iso } from "../scope/site-file-part.ts";
import { decisionStore } from "./decision-store.ts";

/** What was decided; findings and the way to decide stand on the board. */
export function adviceModule(): Module {
  return {
    routes: [],
    ofZone: { noted: ["decision"] },
    siteFile: {
      ofZone: {
        decisions: {
          async *out(scope, { zoneId }) {
            for (const { id: _id, zoneId: _zone, takenBackAtMs, ...decision } of await decisionStore(scope).all(zoneId))
              yield {
                ...decision,
                takenBackAt: takenBackAtMs === null ? null : iso(takenBackAtMs),
              } as ZoneFile["decisions"][number];
          },
          async in(scope, { zoneId }, rows) {
            for (const { decidedAt, takenBackAt, ...decision } of rows)
              await decisionStore(scope).add({
                ...decision,
                zoneId,
                decidedAtMs: Date.parse(decidedAt),
                takenBackAtMs: takenBackAt === null ? null : Date.parse(takenBackAt),
              });
          },
        },
      },
    },
  };
}
