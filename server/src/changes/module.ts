import { checkChanges, getChanges, getChangesTable } from "@sprunel/contract/changes";
import { sendCsv } from "../http/csv.ts";
import { served, written } from "../http/served.ts";
import { changeStore } from "../scope/change-store.ts";
import type { Module } from "../scope/module.ts";
import type { Scope } from "../scope/scope.ts";
import { zoneStore } from "../scope/zone-store.ts";
import { changeService } from "./change-service.ts";

const PAGE = 500;

/** The record of changes. Whatever is written adds to it by itself, at the end of its transaction. */
export function changeModule(scope: Scope): Module {
  const changes = changeService(scope);
  return {
    routes: [
      served(getChanges, ({ query: { before, most, ...filter } }) => changes.list(filter, before, most)),
      written(getChangesTable, async ({ query }, res) => {
        sendCsv(res, "changes.csv", await changes.table(query));
      }),
      served(checkChanges, () => changes.check()),
    ],
    siteFile: {
      ofSite: {
        changes: {
          async *out(inner) {
            const names = new Map((await zoneStore(inner).all()).map(({ id, name }) => [id, name]));
            for (let after = 0; ;) {
              const page = await changeStore(inner).after(after, PAGE);
              for (const { change, zoneId } of page)
                yield { zone: (zoneId !== null && names.get(zoneId)) || null, change };
              if (page.length < PAGE) return;
              after = page.at(-1)?.id ?? after;
            }
          },
          async in(inner, _place, rows) {
            const ids = new Map((await zoneStore(inner).all()).map(({ id, name }) => [name, id]));
            await changeStore(inner).addFromFile(
              rows.map(({ zone, change }) => ({ change, zoneId: (zone !== null && ids.get(zone)) || null })),
            );
          },
        },
      },
    },
  };
}
