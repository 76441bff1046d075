import { getZoneCrop, removeStandStep, addStandStep, getCropStation, addSign } from "@sprunel/contract/crop";
import { freshPlanting, type Planting } from "@sprunel/contract/site";
import { describe, expect, it } from "vitest";
import { bags, site, testServer } from "../testing/test-server.ts";

const TODAY = "2026-06-20";
const FROM_BENCH = { part: { from: 1, to: 5, of: 10 } };
const TO_BENCH = { part: { from: 6, to: 10, of: 10 } };

/** Weather of a bright day in every hour, so that every zone has a plan. */
async function place(plantings: Planting[], more: Partial<typeof bags> = {}) {
  const server = await testServer({ now: `${TODAY}T08:00:00Z` });
  const { answerTo, call } = server;
  await call("POST", "/api/site", site);
  expect((await call("POST", "/api/zones", { ...bags, ...more, plantings })).status).toBe(201);
  const crop = (query: { date?: string; planting?: string } = { date: TODAY }) =>
    answerTo(getZoneCrop, { params: { id: 1 }, query });
  const fault = async (method: string, path: string, body: object) => {
    const { status, body: problem } = await call(method, path, { ...body, version: (await crop()).version });
    return { status, ...problem.errors?.[0] };
  };
  return { ...server, crop, fault };
}

describe("plantings beside each other", () => {
  const lettuces = [
    freshPlanting("lettuce-butterhead", "2026-05-20", FROM_BENCH),
    freshPlanting("basil", "2026-06-05", TO_BENCH),
  ];

  it("stand each in its rows with its own stages, and the first planted leads", async () => {
    const { answerTo, crop } = await place(lettuces);
    const { beside, planting, stand } = await crop();
    expect(beside.map(({ cropName, leads, plants }) => [cropName, leads, plants])).toEqual([
      ["Butterhead lettuce", true, 100],
      ["Basil", false, 100],
    ]);
    expect([planting?.cropName, stand?.groundPct, stand?.planted]).toEqual(["Butterhead lettuce", 50, 100]);
    const basil = await crop({ planting: beside[1]?.key ?? "" });
    expect(basil.planting?.cropName).toBe("Basil");
    const calendar = await answerTo(getCropStation);
    expect(calendar.plantings).toHaveLength(2);
  });

  it("are still found at an old address once their rows were changed, but nothing is noted of one that is not there", async () => {
    const { crop, call } = await place(lettuces);
    const key = encodeURIComponent((await crop()).beside[1]?.key ?? "");
    const part = { from: 7, to: 10, of: 10 };
    const { version } = await crop();
    await call("PUT", "/api/zones/1/stand", { part, planting: decodeURIComponent(key), version });
    expect((await crop({ planting: key })).planting?.cropName).toBe("Butterhead lettuce");
    const sign = { stageId: "leaf", on: "2026-06-18", planting: decodeURIComponent(key), version: version + 1 };
    expect((await call("POST", "/api/zones/1/signs", sign)).status).toBe(422);
  });

  it("have their stages seen apart", async () => {
    const { answerTo, crop } = await place(lettuces);
    const key = (await crop()).beside[1]?.key ?? "";
    const { version } = await crop();
    const sign = { stageId: "leaf", on: "2026-06-18", planting: key, version };
    const seen = await answerTo(addSign, { params: { id: 1 }, body: sign });
    expect(seen.planting?.stages.some((stage) => stage.seen)).toBe(true);
    const other = await crop();
    expect(other.planting?.stages.some((stage) => stage.seen)).toBe(false);
  });

  it("share out the picks: they come off the oldest that is ready, until it is cleared", async () => {
    const heads = [
      freshPlanting("lettuce-butterhead", "2026-05-01", { ...FROM_BENCH, clearedOn: "2026-06-12" }),
      freshPlanting("lettuce-butterhead", "2026-05-08", TO_BENCH),
    ];
    const { call, crop } = await place(heads);
    for (const [key, pickedOn, count] of [
      ["8d6f1c3e-5a4b-4c2d-9e8f-0a1b2c3d4e71", "2026-06-10", 60],
      ["8d6f1c3e-5a4b-4c2d-9e8f-0a1b2c3d4e72", "2026-06-15", 25],
    ])
      await call("POST", "/api/zones/1/picks", { key, pickedOn, massKg: null, count, grade: null, brixPct: null });
    const { stand, past } = await crop();
    expect([stand?.planted, stand?.left]).toEqual([100, 75]);
    // 60 heads off 50 m²
    expect(past).toMatchObject([{ cropName: "Butterhead lettuce", from: "2026-05-01", pickedPerM2: 1.2 }]);
    expect((await call("GET", "/api/zones/1/harvest")).body).toMatchObject({ areaM2: 50, pickedPerM2: 0.5 });
  });

  it("are refused in rows in which another stands, at the field, with the rows named", async () => {
    const { fault, crop } = await place(lettuces);
    const next = { cropId: "rocket", raising: null, plants: null };
    const clash = await fault("PUT", "/api/zones/1/next-planting", {
      ...next,
      plantedOn: "2026-06-10",
      part: { from: 5, to: 6, of: 10 },
    });
    expect(clash).toMatchObject({ status: 422, path: "plantedOn" });
    expect(clash.message).toMatch(/planned ahead/);
    const wider = await fault("PUT", "/api/zones/1/stand", { part: { from: 1, to: 7, of: 10 } });
    expect(wider).toMatchObject({ status: 422 });
    expect(wider.message).toMatch(/Rows 1 to 7 of 10 are not free on 2026-06-05/);
    expect((await crop()).beside).toHaveLength(2);
  });

  it("may begin at once in rows that are free", async () => {
    const { call, crop } = await place([freshPlanting("lettuce-butterhead", "2026-05-20", FROM_BENCH)]);
    const { version } = await crop();
    const beside = { cropId: "basil", plantedOn: "2026-06-10", raising: null, plants: 80, ...TO_BENCH, version };
    expect((await call("PUT", "/api/zones/1/next-planting", beside)).status).toBe(200);
    expect((await crop()).beside.map(({ plants }) => plants)).toEqual([100, 80]);
  });
});

describe("what is done to a stand", () => {
  it("is noted for a date, holds from then on, and is taken back", async () => {
    const { call, crop } = await place([freshPlanting("cyclamen", "2026-05-01")]);
    const step = { kind: "spaced", on: "2026-06-01", plantsPerM2: 4 };
    const added = await call("POST", "/api/zones/1/stand-steps", { step, version: (await crop()).version });
    expect(added.status).toBe(201);
    expect((await crop()).stand).toMatchObject({ perM2: 4, groundPct: 50, can: ["spaced", "potted-on", "drippers"] });
    expect((await crop({ date: "2026-05-31" })).stand).toMatchObject({ perM2: 2, groundPct: 100 });
    const gone = await call("DELETE", `/api/zones/1/stand-steps/spaced/2026-06-01?version=${(await crop()).version}`);
    expect(removeStandStep.answer.parse(gone.body).stand).toMatchObject({ perM2: 2, steps: [] });
  });

  it("is refused at its field where the bench has no room for it", async () => {
    const { fault, crop } = await place([freshPlanting("cyclamen", "2026-05-01")]);
    const tight = await fault("POST", "/api/zones/1/stand-steps", {
      step: { kind: "spaced", on: TODAY, plantsPerM2: 1 },
    });
    expect(tight).toMatchObject({ status: 422, path: "step.plantsPerM2" });
    expect(tight.message).toMatch(/200 plants at 1 a m² need 200 m², and there are 100 m²; give at least 2 a m²/);
    const annual = await fault("POST", "/api/zones/1/stand-steps", {
      step: { kind: "cut-back", on: TODAY, leafAreaLeft: 0.2, regrowthDays: 20 },
    });
    expect(annual).toMatchObject({ status: 422, path: "step.kind" });
    expect((await crop()).stand?.steps).toEqual([]);
  });

  it("begins a perennial's season anew when it is cut back, and its earlier years stand below", async () => {
    const bush = freshPlanting("blueberry", "2024-02-10", { ageYears: 2 });
    const { call, crop } = await place([bush]);
    expect((await crop()).past.map(({ year, from }) => [year, from])).toEqual([
      [4, "2025-02-10"],
      [3, "2024-02-10"],
    ]);
    expect((await crop()).stand?.aim).toBe("yield");
    const step = { kind: "cut-back", on: "2026-06-10", leafAreaLeft: 0.2, regrowthDays: 30 };
    const { body } = await call("POST", "/api/zones/1/stand-steps", { step, version: (await crop()).version });
    expect(addStandStep.answer.parse(body).planting?.stages[0]).toMatchObject({
      id: "regrowth",
      from: "2026-06-10",
    });
    const set = { ageYears: 2, establishYears: 2, waterAim: "keep-alive", version: (await crop()).version };
    expect((await call("PUT", "/api/zones/1/stand", set)).body).toMatchObject({ stand: { aim: "keep-alive" } });
  });
});
