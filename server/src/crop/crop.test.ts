import { getZoneCrop, getCropStation } from "@sprunel/contract/crop";
import { freshPlanting } from "@sprunel/contract/site";
import { describe, expect, it } from "vitest";
import { bags, site, testServer, type TestServer } from "../testing/test-server.ts";

async function melons(): Promise<TestServer> {
  const server = await testServer({ now: "2026-06-20T08:00:00Z" });
  await server.call("POST", "/api/site", site);
  const first = {
    cropId: "melon-netted",
    plantedOn: "2026-01-25",
    clearedOn: "2026-04-20",
    signs: [],
    targetPerM2: null,
  };
  const second = { ...first, plantedOn: "2026-05-25", clearedOn: null };
  await server.call("POST", "/api/zones", { ...bags, plantings: [first, second] });
  return server;
}
const cropOf = ({ answerTo }: TestServer, date?: string) =>
  answerTo(getZoneCrop, { params: { id: 1 }, query: { date } });

describe("the crop of a zone", () => {
  it("is in the stage that its days have come to, and says what that asks for", async () => {
    const server = await melons();
    const { planting, now } = await cropOf(server);
    expect(planting?.stages[0]).toMatchObject({ from: "2026-05-25", seen: false });
    for (const [at, stage] of (planting?.stages ?? []).entries())
      if (at > 0) expect(stage.from).toBe(planting?.stages[at - 1]?.to);
    const standing = planting?.stages.find(({ from, to }) => from <= "2026-06-20" && "2026-06-20" < to);
    expect(now?.stageId).toBe(standing?.id);
    expect(now?.feed?.ecMsCm).toBeGreaterThan(1);
  });

  it("is none between two plantings", async () => {
    expect(await cropOf(await melons(), "2026-05-01")).toMatchObject({ planting: null, now: null });
  });

  it("stands with every planting of the last year on the calendar, cut where it was cleared", async () => {
    const server = await melons();
    const { plantings } = await server.answerTo(getCropStation);
    expect(plantings).toHaveLength(2);
    expect(plantings[0]?.stages.at(-1)?.to).toBe("2026-04-20");
    const later = await server.answerTo(getCropStation, { query: { date: "2027-05-01" } });
    expect(later.plantings).toHaveLength(1);
  });
});

describe("a perennial in its third year", () => {
  it("is picked along this year's path, and has its stages seen anew beside those of the years before", async () => {
    const server = await testServer({ now: "2026-06-20T08:00:00Z" });
    await server.call("POST", "/api/site", site);
    const signs = [
      { stageId: "flowering", on: "2025-03-20" },
      { stageId: "picking", on: "2025-06-15" },
    ];
    const bush = freshPlanting("blueberry", "2024-02-10", { signs, targetPerM2: 1.2 });
    await server.call("POST", "/api/zones", { ...bags, plantings: [bush] });
    for (const [key, pickedOn, massKg] of [
      ["8d6f1c3e-5a4b-4c2d-9e8f-0a1b2c3d4e60", "2025-07-01", 40],
      ["8d6f1c3e-5a4b-4c2d-9e8f-0a1b2c3d4e61", "2026-06-19", 5],
    ])
      await server.call("POST", "/api/zones/1/picks", {
        key,
        pickedOn,
        massKg,
        count: null,
        grade: null,
        brixPct: null,
      });
    const before = await cropOf(server);
    const sign = { stageId: "flowering", on: "2026-04-02", version: before.version };
    expect((await server.call("POST", "/api/zones/1/signs", sign)).status).toBe(201);
    const last = (await cropOf(server, "2025-04-01")).planting?.stages.find(({ id }) => id === "flowering");
    const now = (await cropOf(server)).planting?.stages.find(({ id }) => id === "flowering");
    expect([last?.from, now?.from]).toEqual(["2025-03-20", "2026-04-02"]);
    // 5 kg on 100 m²; those of last year are of last year.
    const { body } = await server.call("GET", "/api/zones/1/harvest");
    expect(body).toMatchObject({ pickedPerM2: 0.05 });
    expect(body["pathPerM2"] as number).toBeLessThan(0.6);
  });
});

describe("a stage that was seen", () => {
  it("begins on its day, shifts what follows, and can be taken back", async () => {
    const server = await melons();
    const before = await cropOf(server);
    const sign = { stageId: "flowering", on: "2026-06-18", version: before.version };
    const { status } = await server.call("POST", "/api/zones/1/signs", sign);
    expect(status).toBe(201);
    const after = await cropOf(server);
    expect(after.now).toMatchObject({ stageId: "flowering", day: 3 });
    const shifted = after.planting?.stages.find(({ id }) => id === "flowering");
    expect(shifted).toMatchObject({ from: "2026-06-18", seen: true });
    expect(((await server.call("GET", "/api/board")).body["zones"] as object[])[0]).toMatchObject({
      crop: { stage: "Flowering", day: 3 },
    });
    const back = await server.call("DELETE", `/api/zones/1/signs/flowering?version=${after.version}`);
    expect(back.status).toBe(200);
    expect((await cropOf(server)).planting).toEqual(before.planting);
  });

  it.each([
    ["tomorrow", { on: "2026-06-21" }, "on"],
    ["on a day between two crops", { on: "2026-05-01" }, "on"],
    ["of another crop", { stageId: "bulb" }, "stageId"],
  ])("is refused %s", async (_what, change, path) => {
    const server = await melons();
    const { version } = await cropOf(server);
    const sign = { stageId: "flowering", on: "2026-06-18", version, ...change };
    const answer = await server.call("POST", "/api/zones/1/signs", sign);
    expect([answer.status, answer.body.errors?.[0]?.path]).toEqual([422, path]);
  });

  it("is refused over a newer record, which comes along", async () => {
    const server = await melons();
    const { version } = await cropOf(server);
    const sign = { stageId: "flowering", on: "2026-06-18", version };
    await server.call("POST", "/api/zones/1/signs", sign);
    const answer = await server.call("POST", "/api/zones/1/signs", { ...sign, on: "2026-06-19" });
    expect([answer.status, answer.body["current"]]).toEqual([409, expect.objectContaining({ version: version + 1 })]);
    expect((await server.call("DELETE", "/api/zones/1/signs/picking?version=2")).status).toBe(404);
  });
});
