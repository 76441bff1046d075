import type { NewCatchTest, NewLines, ZoneLines } from "@sprunel/contract/irrigation";
import { badInput, notFound, staleEdit } from "../http/problems.ts";
import type { Scope } from "../scope/scope.ts";
import { linesStore } from "./lines-store.ts";
import { wateringStore } from "./watering-store.ts";

export type LinesService = ReturnType<typeof linesService>;

const METER_DAYS = 7;

/** The lines of a zone, what its meter says of their flow, and the tests made on them. */
export function linesService(scope: Scope) {
  return {
    async zoneLines(zoneId: number): Promise<ZoneLines> {
      const zone = await scope.zone(zoneId);
      const store = linesStore(scope);
      const since = scope.clock() - METER_DAYS * 86_400_000;
      const given = (await wateringStore(scope).between(since, scope.clock())).filter(
        (entry) => entry.zoneId === zoneId,
      );
      const minutes = given.reduce((sum, entry) => sum + entry.minutes, 0);
      const litres = given.reduce((sum, entry) => sum + entry.litres, 0);
      return {
        zoneId,
        lines: await store.find(zoneId),
        flowLh: zone.definition.flowLh,
        meteredLh: minutes > 0 ? (litres / minutes) * 60 : null,
        tests: await store.page(zoneId),
      };
    },

    /** `version` null: nothing is described yet. */
    async saveLines(zoneId: number, version: number | null, lines: NewLines): Promise<void> {
      const zone = await scope.zone(zoneId);
      await scope.transaction(async (inner) => {
        const current = await linesStore(inner).find(zoneId);
        if ((current?.version ?? null) !== version) throw staleEdit(`The lines of ${zone.name}`, current);
        await linesStore(inner).save(zoneId, (version ?? 0) + 1, lines);
      });
    },

    async addTest(zoneId: number, test: NewCatchTest): Promise<void> {
      await scope.zone(zoneId);
      const today = await scope.site.dateOr(undefined);
      if (test.testedOn > today)
        throw badInput([{ path: "testedOn", message: `A test cannot be from ${test.testedOn}; today is ${today}.` }]);
      await linesStore(scope).addTest(zoneId, test);
    },

    async strikeTest(zoneId: number, id: number, reason: string): Promise<void> {
      if (!(await linesStore(scope).strikeTest(zoneId, id, reason))) throw notFound(`Test ${id}`);
    },
  };
}
