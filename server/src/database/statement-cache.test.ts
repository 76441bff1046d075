import { describe, expect, it } from "vitest";
import { testServer } from "../testing/test-server.ts";
import { keepStatements } from "./statement-cache.ts";

function counted() {
  const prepared: string[] = [];
  const connection = {
    prepare(sql: string) {
      prepared.push(sql);
      return { sql };
    },
  };
  keepStatements(connection);
  return { connection, prepared };
}

describe("a connection that keeps its statements", () => {
  it("prepares the same text once, and another one for itself", () => {
    const { connection, prepared } = counted();
    const first = connection.prepare("select 1");
    expect(connection.prepare("select 1")).toBe(first);
    expect(connection.prepare("select 2")).not.toBe(first);
    expect(prepared).toEqual(["select 1", "select 2"]);
  });

  it("forgets them all when the shape of the database may change", () => {
    const { connection, prepared } = counted();
    const first = connection.prepare("select * from zone");
    connection.prepare("ALTER TABLE zone ADD COLUMN note");
    expect(connection.prepare("select * from zone")).not.toBe(first);
    expect(prepared).toHaveLength(3);
  });

  it("keeps them over the bounds of a transaction", () => {
    const { connection, prepared } = counted();
    for (let time = 0; time < 2; time++)
      for (const sql of ["BEGIN;", "update zone set name = 'x'", "COMMIT;"]) connection.prepare(sql);
    expect(prepared).toHaveLength(3);
  });

  it("lets go of the one that was not used for longest, and only of that one", () => {
    const { connection, prepared } = counted();
    const [first, second] = ["select 0", "select 1"];
    for (let at = 0; at < 300; at++) connection.prepare(`select ${at}`);
    connection.prepare(first);
    connection.prepare("select 300");
    prepared.length = 0;
    connection.prepare(first);
    expect(prepared).toEqual([]);
    connection.prepare(second);
    expect(prepared).toEqual([second]);
  });

  it("sees in a database the columns that were added since, and goes on after an insert that was refused", async () => {
    const { db } = await testServer();
    await db.raw("CREATE TABLE drop_of_water (id INTEGER PRIMARY KEY)");
    const add = () => db("drop_of_water").insert({ id: 1 });
    await add();
    await expect(add()).rejects.toThrow(/UNIQUE/);
    expect(await db("drop_of_water")).toEqual([{ id: 1 }]);
    await db.raw("ALTER TABLE drop_of_water ADD COLUMN litres REAL");
    expect(await db("drop_of_water")).toEqual([{ id: 1, litres: null }]);
    await db("drop_of_water").delete();
    await add();
    expect(await db("drop_of_water")).toHaveLength(1);
  });
});
