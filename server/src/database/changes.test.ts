import type { Knex } from "knex";
import { afterEach, beforeEach, expect, it } from "vitest";
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { changesOf, withoutCount } from "./changes.ts";
import { closeDatabase, openDatabase } from "./open-database.ts";

let folder = "";
let db: Knex;
beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), "sprunel-changes-"));
  db = await openDatabase(folder);
  await db.schema.createTable("thing", (table) => table.integer("n"));
});
afterEach(async () => {
  await closeDatabase(db);
  rmSync(folder, { recursive: true, force: true });
});

const write = async (to: Knex): Promise<void> => {
  await to("thing").insert({ n: 1 });
};

it("a change is counted, in a transaction too, unless nothing rests on it", async () => {
  const first = await changesOf(db);
  await write(db);
  await db.transaction(write);
  const second = await changesOf(db);
  expect(second).toBe(first + 2);
  await withoutCount(db, write);
  expect(await changesOf(db)).toBe(second);
  await db.transaction(async (trx) => {
    await withoutCount(trx, write);
    await write(trx);
  });
  expect(await changesOf(db)).toBe(second + 1);
  expect(await db("thing").count({ n: "*" })).toEqual([{ n: 5 }]);
});
