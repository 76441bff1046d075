import type { NewCatchTest, NewLines, ZoneLines } from "@sprunel/contract/irrigation";
import { localDate } from "@sprunel/core/time";
import type { Knex } from "knex";
import { badInput, notFound, staleEdit } from "../http/problems.ts";
import type { SetUpService } from "../site/set-up-service.ts";
import { zoneStore } from "../site/zone-store.ts";
import { linesStore } from "./lines-store.ts";
import { wateringStore } from "./watering-store.ts";

export type LinesService = ReturnType<typeof linesService>;

const METER_DAYS = 7;

/** The lines of a zone, what its meter says of their flow, and the tests made on them. */
export function linesService(db: Knex, setUp: SetUpService, clock: () => number) {
  const zoneOf = async (zoneId: number) => {
    const zone = await zoneStore(db).find(zoneId);
    if (!zone) throw notFound(`Zone ${zoneId}`);
    return zone;
  };
  return {
    async zoneLines(zoneId: number): Promise<ZoneLines> {
      const zone = await zoneOf(zoneId);
      const store = linesStore(db);
      const since = clock() - METER_DAYS * 86_400_000;
      const given = (await wateringStore(db).between(since, clock())).filter((entry) => entry.zoneId === zoneId);
      const minutes = given.reduce((sum, entry) => sum + entry.minutes, 0);
      const litres = given.reduce((sum, entry) => sum + entry.litres, 0);
      return {
        zoneId,
        lines: await store.find(zoneId),
        flowLh: zone.definition.flowLh,
        meteredLh: minutes > 0 ? (litres / minutes) * 60 : null,
        tests: await store.tests(zoneId),
      };
    },

    /** `version` null: nothing is described yet. */
    async saveLines(zoneId: number, version: number | null, lines: NewLines): Promise<void> {
      const zone = await zoneOf(zoneId);
      await db.transaction(async (trx) => {
        const current = await linesStore(trx).find(zoneId);
        if ((current?.version ?? null) !== version) throw staleEdit(`The lines of ${zone.name}`, current);
        await linesStore(trx).save(zoneId, (version ?? 0) + 1, lines);
      });
    },

    async addTest(zoneId: number, test: NewCatchTest): Promise<void> {
      await zoneOf(zoneId);
      const today = localDate(clock(), (await setUp.site()).timeZone);
      if (test.testedOn > today)
        throw badInput([{ path: "testedOn", message: `A test cannot be from ${test.testedOn}; today is ${today}.` }]);
      await linesStore(db).addTest(zoneId, test);
    },

    async strikeTest(zoneId: number, id: number, reason: string): Promise<void> {
      if (!(await linesStore(db).strikeTest(zoneId, id, reason))) throw notFound(`Test ${id}`);
    },
  };
}
