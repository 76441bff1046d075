import { getZoneFeed } from "@sprunel/contract/feed";
import { getBoard } from "@sprunel/contract/today";
import { getSetUp } from "@sprunel/contract/site";
import { describe, expect, it } from "vitest";
import { tablesOfZone } from "../scope/module.ts";
import { sameDayDevice as device } from "../testing/same-day-device.ts";
import { bags, site, testServer, zone, type TestServer } from "../testing/test-server.ts";

async function planned(...zones: object[]): Promise<TestServer> {
  const server = await testServer({ device });
  await server.call("POST", "/api/site", site);
  for (const one of zones) expect((await server.call("POST", "/api/zones", one)).status).toBe(201);
  await server.rooms.climate.followStation(Date.parse("2026-06-10T00:00:00Z"));
  return server;
}
const setUp = async ({ answerTo }: TestServer) => await answerTo(getSetUp);
const board = async ({ answerTo }: TestServer) => (await answerTo(getBoard)).zones;

describe("the light of a house", () => {
  const clear = { ...bags, house: { name: "Glass", transmissionPct: 90 }, unconfirmed: [] };

  it("is not changed by a zone that is added with a light which nobody has confirmed", async () => {
    const server = await planned(clear);
    const [before] = await board(server);
    const second = { ...bags, name: "Second", house: { name: "Glass", transmissionPct: 65 } };
    await server.call("POST", "/api/zones", { ...second, unconfirmed: ["transmissionPct"] });
    const { zones } = await setUp(server);
    expect(zones.map(({ house }) => house.transmissionPct)).toEqual([90, 90]);
    expect((await board(server))[0]?.run).toEqual(before?.run);
  });

  it("is that of all its zones once somebody says it", async () => {
    const server = await planned(clear, { ...bags, name: "Second", house: { name: "Glass", transmissionPct: 65 } });
    expect((await setUp(server)).zones.map(({ house }) => house.transmissionPct)).toEqual([65, 65]);
  });
});

describe("a zone in a house that is new", () => {
  it("has its plan at once, though the day was looked at before it was there", async () => {
    const server = await planned();
    expect(await board(server)).toEqual([]);
    await server.call("POST", "/api/zones", { ...bags, house: { name: "New house", transmissionPct: 70 } });
    expect((await board(server))[0]?.run?.litres).toBeGreaterThan(0);
    const { version: _version, ...moved } = { ...bags, version: 1, house: { name: "Another", transmissionPct: 70 } };
    expect((await server.call("PUT", "/api/zones/1", { ...moved, version: 1 })).status).toBe(200);
    expect((await board(server))[0]?.run?.litres).toBeGreaterThan(0);
  });
});

describe("zones like another", () => {
  it("are added all at once with what is set for it, or none of them", async () => {
    const server = await planned(bags);
    const feed = (id: number) => server.answerTo(getZoneFeed, { params: { id } });
    const { settings } = await feed(1);
    await server.call("PUT", "/api/zones/1/feed-settings", { ...settings, coarseG: 25 });
    const names = ["Bags 2", "Bags 3", "Bags 4"];
    expect((await server.call("POST", "/api/zones/1/copies", { names })).status).toBe(201);
    expect((await setUp(server)).zones.map(({ name }) => name)).toEqual(["Bags", ...names]);
    expect((await feed(3)).settings).toMatchObject({ coarseG: 25, version: 1 });
    const taken = await server.call("POST", "/api/zones/1/copies", { names: ["New", "bags 3"] });
    expect([taken.status, taken.body.errors?.[0]?.path]).toEqual([422, "names.1"]);
    expect((await setUp(server)).zones).toHaveLength(4);
  });
});

describe("a zone that is no longer grown in", () => {
  it("is put aside with its records, and taken back", async () => {
    const server = await planned(bags, zone);
    await server.call("POST", "/api/zones/1/readings", { at: "2026-06-20T07:00:00Z", drainPct: 25 });
    await server.call("PUT", "/api/zones/1/archived", { archived: true });
    expect((await board(server)).map(({ name }) => name)).toEqual(["Tunnel 1"]);
    expect((await setUp(server)).zones.map(({ archived }) => archived)).toEqual([true, false]);
    const round = { readings: [{ zoneId: 1, at: "2026-06-20T07:10:00Z", drainPct: 25 }] };
    expect((await server.call("POST", "/api/rounds", round)).status).toBe(422);
    await server.call("PUT", "/api/zones/1/archived", { archived: false });
    expect(await board(server)).toHaveLength(2);
    expect(((await server.call("GET", "/api/zones/1/roots")).body["readings"] as object[]).length).toBe(1);
  });

  it("is deleted only while nothing was noted of it", async () => {
    const server = await planned(bags, zone);
    expect((await server.call("DELETE", "/api/zones/2")).status).toBe(200);
    await server.call("POST", "/api/zones/1/readings", { at: "2026-06-20T07:00:00Z", drainPct: 25 });
    const refused = await server.call("DELETE", "/api/zones/1");
    expect([refused.status, refused.body["detail"]]).toEqual([
      409,
      "Bags holds a record. What was noted is never erased: put it aside instead. Nothing was deleted.",
    ]);
    expect((await setUp(server)).zones.map(({ name }) => name)).toEqual(["Bags"]);
  });
});

const CATCHES = [
  [100, 99],
  [98, 101],
];

describe("what rooms hold of a zone", () => {
  it("is told of every table that has rows of zones", async () => {
    const { db, rooms } = await planned(bags);
    const columns = await db.raw<{ name: string; sql: string }[]>(
      "SELECT name, sql FROM sqlite_master WHERE type = 'table' AND sql LIKE '%zone_id%' ORDER BY name",
    );
    const { noted, set, gone } = tablesOfZone(rooms.all);
    // Changes tell of a zone that is gone, too.
    expect([...noted, ...set, ...gone, "change"].sort()).toEqual(columns.map(({ name }) => name));
  });

  it.each([
    ["a step before planting", "soil-steps", { kind: "lime", on: "2026-03-01", waitDays: 30, note: null }],
    ["a catch-can test", "catch-tests", { testedOn: "2026-06-01", minutes: 5, catchesMl: CATCHES }],
  ])("is never erased with it: %s", async (_what, path, record) => {
    const server = await planned(zone);
    const added = await server.call("POST", `/api/zones/1/${path}`, { key: crypto.randomUUID(), ...record });
    expect([added.status, added.body["errors"]]).toEqual([201, undefined]);
    expect((await server.call("DELETE", "/api/zones/1")).status).toBe(409);
    expect((await setUp(server)).zones).toHaveLength(1);
  });
});

describe("what is read of a new zone", () => {
  it("is not missed before anybody has read its drain", async () => {
    const server = await planned(bags);
    expect((await board(server))[0]?.findings).toEqual([]);
    await server.call("POST", "/api/zones/1/readings", { at: "2026-06-16T07:00:00Z", drainPct: 28 });
    expect((await board(server))[0]?.findings).toMatchObject([{ finding: { cause: "no-drain-reading" } }]);
  });

  it("counts for its share though no EC was read", async () => {
    const server = await planned(bags);
    await server.call("POST", "/api/zones/1/readings", { at: "2026-06-20T07:00:00Z", drainPct: 5 });
    expect((await board(server))[0]).toMatchObject({
      roots: { drain: { sharePct: 5, ecMsCm: null, feedEcMsCm: null } },
      findings: [{ finding: { cause: "drain-low", drainEcMsCm: null } }],
    });
  });
});

describe("a level that is read", () => {
  it("shows at once, over what was reckoned in the morning", async () => {
    const tank = {
      ...zone,
      name: "Tank",
      definition: {
        system: "solution-tank",
        ...{ areaM2: 100, plants: 2000, flowLh: 3000, uniformityPct: 95, minGapMin: 0 },
        ...{ startAfterSunriseMin: 30, endBeforeSunsetMin: 60, fullLevelCm: 25, topUpAtCm: 20 },
      },
      unconfirmed: [],
    };
    const server = await planned(tank);
    await server.call("POST", "/api/zones/1/readings", { at: "2026-06-20T07:00:00Z", levelCm: 18.5 });
    const [first] = await board(server);
    // An hour has passed since, in which the crop drank.
    expect(first).toMatchObject({ roots: { levelCm: expect.closeTo(18.45, 1) as number } });
    expect(first?.findings).toMatchObject([{ finding: { cause: "too-dry" } }]);
  });
});

describe("the next crop in a zone", () => {
  const cropped = { cropId: bags.plantings[0]?.cropId ?? "", clearedOn: null, signs: [], targetPerM2: null };
  const next = (version: number) => ({
    ...bags,
    version,
    plantings: [
      { ...cropped, plantedOn: "2026-03-01", clearedOn: "2026-06-18" },
      { ...cropped, plantedOn: "2026-06-19" },
    ],
  });

  it("starts without the target, the reading and the correction of the one before", async () => {
    const server = await planned({ ...bags, plantings: [{ ...cropped, plantedOn: "2026-04-15" }] });
    await server.call("PUT", "/api/zones/1/feed-target", { ions: { K: 6 }, ph: 5.8, name: "My own", version: null });
    const own = async () => (await server.call("GET", "/api/zones/1/feed")).body["own"];
    expect(await own()).toMatchObject({ name: "My own", keptIn: expect.any(String) as string });
    await server.call("POST", "/api/zones/1/readings", { at: "2026-06-18T07:00:00Z", drainPct: 5 });
    expect((await server.call("PUT", "/api/zones/1", next(1))).status).toBe(200);
    expect(await own()).toBeNull();
    expect((await board(server))[0]).toMatchObject({ roots: { drain: null } });
    const anew = { ions: { K: 7 }, ph: 5.8, version: null };
    expect((await server.call("PUT", "/api/zones/1/feed-target", anew)).status).toBe(200);
    expect(await own()).toMatchObject({ ions: { K: 7 } });
  });
});
