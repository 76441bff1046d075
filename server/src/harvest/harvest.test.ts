import { getZoneHarvest } from "@sprunel/contract/harvest";
import { describe, expect, it } from "vitest";
import { site, testServer, zone, type TestServer } from "../testing/test-server.ts";

const pick = {
  key: "8d6f1c3e-5a4b-4c2d-9e8f-0a1b2c3d4e5f",
  pickedOn: "2026-06-19",
  massKg: 50,
  count: null,
  grade: null,
  brixPct: null,
};
/** Courgettes planted so that picking began ten days before the standing clock of 20 June. */
async function picking(): Promise<TestServer> {
  const server = await testServer();
  await server.call("POST", "/api/site", site);
  const plantings = [
    { cropId: "courgette", plantedOn: "2026-01-01", clearedOn: "2026-04-20", signs: [], targetPerM2: 4 },
    { cropId: "courgette", plantedOn: "2026-04-22", clearedOn: null, signs: [], targetPerM2: 6 },
  ];
  await server.call("POST", "/api/zones", { ...zone, plantings });
  return server;
}

/** Of the yield aimed at, when so much of the picking time is over: a logistic curve of steepness 4 from none to all. */
function pathShare(gone: number): number {
  const at = (t: number): number => 1 / (1 + Math.exp(-4 * (t - 0.5)));
  return (at(gone) - at(0)) / (at(1) - at(0));
}

describe("picks", () => {
  it("add up over the ground of their own planting, against the target's path of the day", async () => {
    const { call } = await picking();
    await call("POST", "/api/zones/1/picks", {
      ...pick,
      key: "8d6f1c3e-5a4b-4c2d-9e8f-0a1b2c3d4e60",
      pickedOn: "2026-04-10",
    });
    await call("POST", "/api/zones/1/picks", pick);
    const { body } = await call("POST", "/api/zones/1/picks", pick);
    // 50 kg on 500 m², sent twice; picking began on 11 June, 10 of 60 days are over with the 20th.
    expect(body).toMatchObject({
      pickedPerM2: 0.1,
      pathPerM2: expect.closeTo(6 * pathShare(10 / 60), 9),
      picks: [{ massKg: 50 }],
    });
    expect(((await call("GET", "/api/board")).body["zones"] as object[])[0]).toMatchObject({
      harvest: { pickedPerM2: 0.1, pathPerM2: expect.closeTo(6 * pathShare(10 / 60), 9), picking: true },
    });
    expect((await call("GET", "/api/zones/1/harvest?date=2026-04-15")).body).toMatchObject({
      pickedPerM2: 0.1,
      targetPerM2: 4,
    });
  });

  it("count no more once struck out, and stay to be seen with the reason", async () => {
    const { call } = await picking();
    await call("POST", "/api/zones/1/picks", pick);
    expect((await call("POST", "/api/zones/1/picks/1/strikes", { reason: "weighed with crates" })).body).toMatchObject({
      pickedPerM2: 0,
      picks: [{ struck: "weighed with crates" }],
    });
    expect((await call("POST", "/api/zones/1/picks/7/strikes", { reason: "x" })).status).toBe(404);
  });

  it.each([
    ["nothing", { massKg: 0 }, "massKg"],
    ["tomorrow", { pickedOn: "2026-06-21" }, "pickedOn"],
    ["a day between two crops", { pickedOn: "2026-04-21" }, "pickedOn"],
    ["half a fruit", { count: 1.5 }, "count"],
  ])("are refused of %s", async (_what, change, path) => {
    const { call } = await picking();
    const answer = await call("POST", "/api/zones/1/picks", { ...pick, ...change });
    expect([answer.status, answer.body.errors?.[0]?.path]).toEqual([422, path]);
  });
});

describe("what is sold by the piece", () => {
  async function lettuce(): Promise<TestServer> {
    const server = await testServer();
    await server.call("POST", "/api/site", site);
    const planting = { cropId: "lettuce-butterhead", plantedOn: "2026-05-20", clearedOn: null, signs: [] };
    await server.call("POST", "/api/zones", { ...zone, plantings: [{ ...planting, targetPerM2: 16 }] });
    return server;
  }

  it("counts by the head, weighed or not", async () => {
    const { call } = await lettuce();
    const { status, body } = await call("POST", "/api/zones/1/picks", { ...pick, massKg: null, count: 1000 });
    expect(status).toBe(201);
    expect(body).toMatchObject({ soldAs: { kind: "piece", many: "heads" }, pickedPerM2: 2, targetPerM2: 16 });
    expect(((await call("GET", "/api/board")).body["zones"] as object[])[0]).toMatchObject({
      harvest: { soldAs: { many: "heads" }, pickedPerM2: 2 },
    });
  });

  it("is refused as a mass alone, and what is weighed as a count alone", async () => {
    const heads = await (await lettuce()).call("POST", "/api/zones/1/picks", pick);
    expect([heads.status, heads.body.errors?.[0]?.path]).toEqual([422, "count"]);
    const fruit = await (await picking()).call("POST", "/api/zones/1/picks", { ...pick, massKg: null, count: 40 });
    expect([fruit.status, fruit.body.errors?.[0]?.path]).toEqual([422, "massKg"]);
  });
});

describe("a day's picks of all zones", () => {
  const second = { ...pick, key: "8d6f1c3e-5a4b-4c2d-9e8f-0a1b2c3d4e62", zoneId: 2, massKg: 30 };
  async function two(): Promise<TestServer> {
    const server = await picking();
    const planting = { cropId: "courgette", plantedOn: "2026-04-22", clearedOn: null, signs: [], targetPerM2: null };
    await server.call("POST", "/api/zones", { ...zone, name: "Tunnel 2", plantings: [planting] });
    return server;
  }

  it("are written at once, stand on their date, and beside the next day's as the pick before", async () => {
    const { call } = await two();
    expect((await call("POST", "/api/picks", { picks: [{ ...pick, zoneId: 1 }, second] })).status).toBe(201);
    expect((await call("GET", "/api/picks?date=2026-06-19")).body["zones"]).toMatchObject([
      {
        zoneId: 1,
        pickedPerM2: 0.1,
        pathPerM2: expect.closeTo(6 * pathShare(9 / 60), 9),
        picks: [{ massKg: 50 }],
        past: [],
      },
      { zoneId: 2, pathPerM2: null, picks: [{ massKg: 30 }] },
    ]);
    expect((await call("GET", "/api/picks")).body["zones"]).toMatchObject([
      { picks: [], past: [{ massKg: 50 }] },
      { picks: [], past: [{ massKg: 30 }] },
    ]);
  });

  it("are written all or none", async () => {
    const { call } = await two();
    const answer = await call("POST", "/api/picks", {
      picks: [
        { ...pick, zoneId: 1 },
        { ...second, pickedOn: "2026-06-21" },
      ],
    });
    expect([answer.status, answer.body.errors?.[0]?.path]).toEqual([422, "picks.1.pickedOn"]);
    expect((await call("GET", "/api/picks?date=2026-06-19")).body["zones"]).toMatchObject([
      { picks: [] },
      { picks: [] },
    ]);
  });
});

describe("plantings of a zone", () => {
  it.each([
    ["that overlap", { plantedOn: "2026-04-10" }, "plantings.1.plantedOn"],
    ["cleared before they are planted", { clearedOn: "2026-04-01" }, "plantings.1.clearedOn"],
  ])("are refused %s", async (_what, change, path) => {
    const { call } = await testServer();
    await call("POST", "/api/site", site);
    const first = {
      cropId: "courgette",
      plantedOn: "2026-01-01",
      clearedOn: "2026-04-20",
      signs: [],
      targetPerM2: null,
    };
    const second = { ...first, plantedOn: "2026-04-22", clearedOn: null, ...change };
    const answer = await call("POST", "/api/zones", { ...zone, plantings: [first, second] });
    expect([answer.status, answer.body.errors?.map((error) => error.path)]).toEqual([
      422,
      expect.arrayContaining([path]),
    ]);
  });

  it("have a path that begins with nothing on the first day of picking and ends with the yield aimed at", async () => {
    const { answerTo } = await picking();
    const { path } = await answerTo(getZoneHarvest, { params: { id: 1 } });
    // Planted on 22 April, picked from day 50 to day 110.
    expect(path[0]).toEqual({ date: "2026-06-11", perM2: 0 });
    expect(path.at(-1)).toEqual({ date: "2026-08-10", perM2: 6 });
    expect(path.map(({ perM2 }) => perM2)).toEqual(path.map(({ perM2 }) => perM2).sort((a, b) => a - b));
    expect(new Set(path.map(({ date }) => date)).size).toBe(path.length);
  });
});
