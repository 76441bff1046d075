import type { Imports, TakenBack } from "@sprunel/contract/exchange";
import { weatherImportStore } from "../climate/weather-import-store.ts";
import { conflict, notFound } from "../http/problems.ts";
import { importLog } from "../imports/import-log.ts";
import type { Scope } from "../scope/scope.ts";

const SHOWN = 60;

/** Files that were imported, and the way back. */
export function pastImports(scope: Scope) {
  return {
    async list(): Promise<Imports> {
      const kept = await importLog(scope).list(SHOWN);
      return {
        imports: kept.map(({ id, kind, fileName, rows, importedAtMs, takenBackAtMs, actor }) => ({
          ...{ id, kind, fileName, rows, by: actor },
          importedAt: new Date(importedAtMs).toISOString(),
          takenBackAt: takenBackAtMs === null ? null : new Date(takenBackAtMs).toISOString(),
        })),
      };
    },

    /** @throws 404 for one that is not there, 409 for one that was taken back before */
    async takeBack(id: number): Promise<TakenBack> {
      const kept = await importLog(scope).find(id);
      if (!kept) throw notFound(`Import ${id}`);
      if (kept.takenBackAtMs !== null)
        throw conflict(`${kept.fileName} was taken back already; nothing is left of it.`);
      return scope.transaction(async (inner) => {
        const back = await importLog(inner).takeBack(id, scope.clock());
        if (kept.weatherImportId === null) return back;
        return { undone: await weatherImportStore(inner).remove(kept.weatherImportId), stays: 0 };
      });
    },
  };
}
