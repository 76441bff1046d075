import type { NewCatchTest, NewDripLines, ZoneDripLines } from "@sprunel/contract/irrigation";
import { badInput, notFound, staleEdit } from "../http/problems.ts";
import type { Scope } from "../scope/scope.ts";
import { dripLinesStore } from "./drip-lines-store.ts";
import { wateringStore } from "./watering-store.ts";

export type DripLinesService = ReturnType<typeof dripLinesService>;

const METER_DAYS = 7;

/** The lines of a zone, what its meter says of their flow, and the tests made on them. */
export function dripLinesService(scope: Scope) {
  return {
    async zoneLines(zoneId: number): Promise<ZoneDripLines> {
      const zone = await scope.zone(zoneId);
      const store = dripLinesStore(scope);
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
    async saveLines(zoneId: number, version: number | null, lines: NewDripLines): Promise<void> {
      const zone = await scope.zone(zoneId);
      await scope.transaction(async (inner) => {
        const current = await dripLinesStore(inner).find(zoneId);
        if ((current?.version ?? null) !== version) throw staleEdit(`The lines of ${zone.name}`, current);
        await dripLinesStore(inner).save(zoneId, (version ?? 0) + 1, lines);
      });
    },

    async addTest(zoneId: number, test: NewCatchTest): Promise<void> {
      await scope.zone(zoneId);
      const today = await scope.site.dateOr(undefined);
      if (test.testedOn > today)
        throw badInput([{ path: "testedOn", message: `A test cannot be from ${test.testedOn}; today is ${today}.` }]);
      await scope.transaction((inner) => dripLinesStore(inner).addTest(zoneId, test));
    },

    async strikeTest(zoneId: number, id: number, reason: string): Promise<void> {
      if (!(await scope.transaction((inner) => dripLinesStore(inner).strikeTest(zoneId, id, reason))))
        throw notFound(`Test ${id}`);
    },
  };
}
