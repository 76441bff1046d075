import { CHANGE_KINDS, checkChanges, getChanges, type Change } from "@sprunel/contract/changes";
import { importList } from "@sprunel/contract/exchange";
import { describe, expect, it } from "vitest";
import { PROGRAM } from "../http/caller.ts";
import { changeStore } from "../scope/change-store.ts";
import { createScope } from "../scope/scope.ts";
import { bags, sampleFile, site, testServer, zone, type TestServer } from "../testing/test-server.ts";

const pick = (massKg: number) => ({
  ...{ key: crypto.randomUUID(), pickedOn: "2026-06-19", massKg, count: null, grade: "class 1", brixPct: null },
});

async function nursery(): Promise<TestServer> {
  const server = await testServer();
  await server.call("POST", "/api/site", site);
  await server.call("POST", "/api/zones", bags);
  await server.call("POST", "/api/zones", zone);
  return server;
}
const changes = async ({ answerTo }: TestServer, query: object = {}): Promise<Change[]> =>
  (await answerTo(getChanges, { query })).changes;

describe("the record of changes", () => {
  it("tells of each write who, when, whence, by which request, and what it was and became", async () => {
    const server = await nursery();
    expect((await server.call("POST", "/api/zones/1/picks", pick(40))).status).toBe(201);
    await server.call("PUT", "/api/zones/1", { ...bags, name: "Bags east", version: 1 });
    const [renamed, picked, ...before] = await changes(server);
    expect(renamed).toMatchObject({
      ...{ at: "2026-06-20T08:00:00.000Z", by: "owner", device: "127.0.0.1", endpoint: "PUT /api/zones/:id" },
      ...{ kind: "zone", key: "1", zone: "Bags east", zoneId: 1, fromFile: false },
      records: [{ did: "changed", fields: [{ path: ["name"], was: "Bags", is: "Bags east" }] }],
    });
    expect(picked).toMatchObject({ kind: "pick", zone: "Bags", zoneId: 1, records: [{ did: "added" }] });
    expect(before.map(({ endpoint }) => endpoint)).toEqual(["POST /api/zones", "POST /api/zones", "POST /api/site"]);
  });

  it("says nothing of what is refused, only tried, worked out, or as it was", async () => {
    const server = await nursery();
    const kept = (await changes(server)).length;
    expect((await server.call("POST", "/api/zones/1/picks", pick(-4))).status).toBe(422);
    expect((await server.call("PUT", "/api/zones/1", { ...bags, version: 9 })).status).toBe(409);
    const file = { ...sampleFile("picks.csv"), list: "picks" };
    await server.call("POST", "/api/lists/previews", file);
    await server.call("GET", "/api/board");
    await server.call("GET", "/api/day-plan");
    expect(await changes(server)).toHaveLength(kept);
  });

  it("is chosen by person, kind, record, zone and days at the site, and comes in pages", async () => {
    const server = await nursery();
    for (const massKg of [1, 2, 3]) await server.call("POST", "/api/zones/2/picks", pick(massKg));
    const afterMidnight = () => Date.parse("2026-06-20T22:30:00Z");
    await createScope(
      { ...server.scope, clock: afterMidnight, forget: () => Promise.resolve() },
      { ...PROGRAM, actor: "ana" },
    ).transaction((inner) =>
      inner
        .into({ table: "zone", zones: [1] })
        .where({ id: 1 })
        .update({ archived: 1 }),
    );

    const keys = async (query: object) => (await changes(server, query)).map(({ kind, key }) => `${kind} ${key}`);
    expect(await keys({ by: "ana" })).toEqual(["zone 1"]);
    expect(await keys({ kind: "pick" })).toEqual(["pick 3", "pick 2", "pick 1"]);
    expect(await keys({ kind: "pick", key: "2" })).toEqual(["pick 2"]);
    expect(await keys({ zone: 1 })).toEqual(["zone 1", "zone 1"]);
    // It is half past midnight in Paris.
    expect(await keys({ from: "2026-06-21" })).toEqual(["zone 1"]);
    expect(await keys({ to: "2026-06-20", kind: "zone" })).toEqual(["zone 2", "zone 1"]);
    expect((await server.answerTo(getChanges)).people).toEqual(["ana", "owner"]);

    const first = await server.answerTo(getChanges, { query: { most: "2" } });
    expect([first.changes.length, first.more]).toEqual([2, true]);
    const rest = await server.answerTo(getChanges, { query: { before: String(first.changes[1]?.id) } });
    expect([...first.changes, ...rest.changes].map(({ id }) => id)).toEqual([7, 6, 5, 4, 3, 2, 1]);
    expect((await server.call("GET", "/api/changes?before=99")).status).toBe(404);
    expect(rest.more).toBe(false);
  });

  it("has one row for a file, with the count of what it brought", async () => {
    const server = await testServer({ now: "2026-10-01T08:00:00Z" });
    await server.call("POST", "/api/site", site);
    for (const name of ["Melon bags", "Lettuce tanks", "Courgette tunnel", "Cyclamen benches", "Blueberry pots"])
      await server.call("POST", "/api/zones", { ...zone, name });
    const before = (await changes(server)).length;
    const file = { ...sampleFile("rootzone-notebook.csv"), list: "readings" };
    const { stored } = importList.answer.parse((await server.call("POST", "/api/lists/imports", file)).body);
    const [imported, ...rest] = await changes(server);
    expect(rest).toHaveLength(before);
    expect(imported).toMatchObject({ kind: "file_import", endpoint: "POST /api/lists/imports" });
    expect(stored.added).toBeGreaterThan(60);
    expect(imported?.counts).toEqual([{ kind: "zone_reading", added: expect.any(Number), changed: 0, removed: 0 }]);
    const [{ n } = { n: 0 }] = await server.db("zone_reading").count<{ n: number }[]>({ n: "*" });
    expect(imported?.counts[0]?.added).toBe(n);
  });

  it("is a table with a line for each field", async () => {
    const server = await nursery();
    await server.call("PUT", "/api/zones/1", { ...bags, name: "Bags, east", version: 1 });
    const text = await (await fetch(`${server.url}/api/changes.csv?kind=zone&key=1`)).text();
    const [head, ...lines] = text.replace("\uFEFF", "").trim().split("\r\n");
    expect(head).toBe("at,by,device,request,zone,record,known,did,field,was,is");
    expect(lines[0]).toBe(
      '2026-06-20T08:00:00.000Z,owner,127.0.0.1,PUT /api/zones/:id,"Bags, east",zone,"Bags, east",changed,name,Bags,"Bags, east"',
    );
    expect(lines.slice(1).every((line) => line.includes(",added,"))).toBe(true);
    expect(lines.some((line) => line.includes('definition,,"{'))).toBe(true);
  });

  it("shows where somebody altered it or took something out of it", async () => {
    const server = await nursery();
    for (const massKg of [1, 2]) await server.call("POST", "/api/zones/2/picks", pick(massKg));
    const whole = await server.answerTo(checkChanges);
    expect(whole).toEqual({ changes: 5, brokenAt: null });
    const tried = async (tamper: (server: TestServer) => Promise<unknown>) => {
      const trx = await server.db.transaction();
      await tamper({ ...server, db: trx });
      await trx.commit();
      return (await server.answerTo(checkChanges)).changes;
    };
    expect(await tried(({ db }) => db("change").where({ id: 3 }).update({ actor: "ben" }))).toBe(4);
    expect(await tried(({ db }) => db("change").where({ id: 2 }).delete())).toBe(2);
  });

  it("notes every kind of record that people change", async () => {
    const server = await testServer();
    const rows = await server.db.raw<{ name: string }[]>(
      "SELECT name FROM sqlite_temp_master WHERE type = 'trigger' AND name LIKE 'note_INSERT_%' ORDER BY name",
    );
    expect(rows.map(({ name }) => name.slice("note_INSERT_".length))).toEqual([...CHANGE_KINDS]);
  });

  it("goes with the file of the site, under the zones of the folder that reads it", async () => {
    const from = await nursery();
    await from.call("DELETE", "/api/zones/1");
    await from.call("POST", "/api/zones/2/picks", pick(40));
    const file = await (await fetch(`${from.url}/api/site-file`)).text();
    const to = await testServer({ now: "2026-07-01T08:00:00Z" });
    expect((await to.call("POST", "/api/site-file", file)).status).toBe(201);
    const kept = await changes(from);
    const [read, ...taken] = await changes(to);
    expect(read).toMatchObject({ kind: "site", endpoint: "POST /api/site-file", fromFile: false });
    expect(taken.map(({ id: _id, zoneId: _zone, fromFile: _file, ...change }) => change)).toEqual(
      kept.map(({ id: _id, zoneId: _zone, fromFile: _file, ...change }) => change),
    );
    expect(taken.map(({ zone, zoneId }) => [zone, zoneId])).toEqual([
      ["Tunnel 1", 1],
      ["Bags", null],
      ["Tunnel 1", 1],
      ["Bags", null],
      [null, null],
    ]);
    expect(taken.every(({ fromFile }) => fromFile)).toBe(true);
    expect(await to.answerTo(checkChanges)).toEqual({ changes: kept.length + 1, brokenAt: null });
    // What is written afterwards is noted again.
    await to.call("POST", "/api/zones/1/picks", pick(7));
    expect((await changes(to))[0]).toMatchObject({ kind: "pick", zone: "Tunnel 1", fromFile: false });
    // A file of a site that has been worked in for a while holds far more of them than one statement takes.
    const [first] = kept;
    if (!first) throw new Error("nothing was kept");
    const { id: _id, zoneId: _zone, fromFile: _file, ...change } = first;
    await to.scope.transaction((inner) =>
      changeStore(inner).addFromFile(Array.from({ length: 1001 }, () => ({ change, zoneId: null }))),
    );
    expect(await to.db("change").count({ rows: "*" })).toEqual([{ rows: kept.length + 1003 }]);
    // The zone with this id is another one here.
    expect(await changes(to, { kind: "zone", key: "1" })).toEqual([]);
  });
});
