import { describe, expect, it } from "vitest";
import { bags, site, testServer } from "../testing/test-server.ts";
import { PROGRAM } from "../http/caller.ts";
import { createScope } from "./scope.ts";
import { zoneStore } from "./zone-store.ts";

async function withZone() {
  const server = await testServer();
  await server.call("POST", "/api/site", site);
  await server.call("POST", "/api/zones", bags);
  return server;
}

describe("the scope", () => {
  it("keeps nothing of a transaction that fails", async () => {
    const { scope } = await withZone();
    const failing = scope.transaction(async (inner) => {
      await zoneStore(inner).add(1, { ...bags, name: "Never" });
      expect(await inner.zones()).toHaveLength(2);
      throw new Error("in the middle");
    });
    await expect(failing).rejects.toThrow("in the middle");
    expect((await scope.zones()).map(({ name }) => name)).toEqual(["Bags"]);
  });

  it("takes a rehearsal back, and answers what came of it", async () => {
    const { scope } = await withZone();
    const names = await scope.rehearsal(async (inner) => {
      await zoneStore(inner).add(1, { ...bags, name: "For show" });
      return (await inner.zones()).map(({ name }) => name);
    });
    expect(names).toEqual(["Bags", "For show"]);
    expect(await scope.zones()).toHaveLength(1);
  });

  it("says what is not there by a 404 in words", async () => {
    const empty = await testServer();
    await expect(empty.scope.site.current()).rejects.toMatchObject({ problem: { status: 404 } });
    await expect(empty.scope.zone(7)).rejects.toMatchObject({ problem: { detail: "Zone 7 does not exist here." } });
  });

  it("counts the site's own date", async () => {
    const { scope } = await testServer({ now: "2026-06-20T22:30:00Z" });
    await expect(scope.site.dateOr("2026-01-01")).resolves.toBe("2026-01-01");
    await expect(scope.site.dateOr(undefined)).rejects.toMatchObject({ problem: { status: 404 } });
    const placed = await testServer({ now: "2026-06-20T22:30:00Z" });
    await placed.call("POST", "/api/site", site);
    await expect(placed.scope.site.dateOr(undefined)).resolves.toBe("2026-06-21");
  });
});

describe("who made a record", () => {
  it("stands in every table that people write into, in the name of whom the scope acts for", async () => {
    const { scope, db, call } = await withZone();
    await call("POST", "/api/zones/1/readings", { at: "2026-06-19T07:00:00.000Z", drainPct: 20 });
    await call("POST", "/api/zones/1/strikes", { at: "2026-06-19T07:00:00.000Z", reason: "wrong tray" });
    for (const table of ["site", "zone", "house", "zone_reading", "reading_strike"])
      expect(await db(table).distinct("actor")).toEqual([{ actor: "owner" }]);
    const ana = createScope({ ...scope, forget: () => Promise.resolve() }, { ...PROGRAM, actor: "ana" });
    await ana.transaction((inner) => zoneStore(inner).add(1, { ...bags, name: "Ana's" }));
    expect(await db("zone").where({ name: "Ana's" }).first("actor")).toEqual({ actor: "ana" });

    const tables = await db.raw<{ name: string; sql: string }[]>(
      "SELECT name, sql FROM sqlite_master WHERE type = 'table'",
    );
    /** What no person writes: the schema's own books, what is worked out, and parts of records that say who. */
    const derived = /^(sqlite_|knex_|station$|weather_reading$|weather_conflict$|file_import_row$|zone_checkpoint$)/;
    const without = tables.filter(({ name, sql }) => !derived.test(name) && !/\bactor\b/.test(sql));
    expect(without.map(({ name }) => name)).toEqual([]);
  });
});
