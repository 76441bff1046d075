import {
  catchTestSchema,
  newDripLinesSchema,
  type NewCatchTest,
  type NewDripLines,
  type StoredCatchTest,
} from "@sprunel/contract/irrigation";
import type { Writer } from "../scope/scope.ts";

interface DripLinesRow {
  zone_id: number;
  version: number;
  lines: string;
  actor: string;
}
interface TestRow {
  id: number;
  key: string;
  zone_id: number;
  tested_on: string;
  minutes: number;
  catches: string;
  struck_reason: string | null;
  actor: string;
}

/** All SQL about lines and the tests made on them. */
export function dripLinesStore({ db, actor, into }: Writer) {
  return {
    async find(zoneId: number): Promise<(NewDripLines & { version: number }) | null> {
      const row = await db<DripLinesRow>("zone_lines").where({ zone_id: zoneId }).first();
      return row ? { ...newDripLinesSchema.parse(JSON.parse(row.lines)), version: row.version } : null;
    },
    async save(zoneId: number, version: number, lines: NewDripLines): Promise<void> {
      const row = { zone_id: zoneId, version, lines: JSON.stringify(lines), actor };
      await into<DripLinesRow>({ table: "zone_lines", zones: [zoneId] })
        .insert(row)
        .onConflict("zone_id")
        .merge();
    },
    /** What a screen lists: the newest. */
    async page(zoneId: number): Promise<StoredCatchTest[]> {
      const rows = await db<TestRow>("catch_test")
        .where({ zone_id: zoneId })
        .orderBy([
          { column: "tested_on", order: "desc" },
          { column: "id", order: "desc" },
        ])
        .limit(SHOWN_TESTS);
      return rows.map(fromRow);
    },
    /** Every one, the oldest first, under the key that makes it count once. */
    async all(zoneId: number): Promise<(StoredCatchTest & { readonly key: string })[]> {
      const rows = await db<TestRow>("catch_test").where({ zone_id: zoneId }).orderBy("id");
      return rows.map((row) => ({ ...fromRow(row), key: row.key }));
    },
    /** The same test sent twice counts once. */
    async addTest(
      zoneId: number,
      { key, testedOn, minutes, catchesMl }: NewCatchTest,
      struck: string | null = null,
    ): Promise<void> {
      await into<TestRow>({ table: "catch_test", zones: [zoneId] })
        .insert({
          key,
          zone_id: zoneId,
          tested_on: testedOn,
          minutes,
          catches: JSON.stringify(catchesMl),
          struck_reason: struck,
          actor,
        })
        .onConflict("key")
        .ignore();
    },
    /** @returns false when the zone has no such test */
    async strikeTest(zoneId: number, id: number, reason: string): Promise<boolean> {
      const test = into<TestRow>({ table: "catch_test", zones: [zoneId] }).where({ id, zone_id: zoneId });
      return (await test.update({ struck_reason: reason })) === 1;
    },
  };
}

const SHOWN_TESTS = 50;

function fromRow(row: TestRow): StoredCatchTest {
  return catchTestSchema.parse({
    id: row.id,
    testedOn: row.tested_on,
    minutes: row.minutes,
    catchesMl: JSON.parse(row.catches) as unknown,
    struck: row.struck_reason,
  });
}
