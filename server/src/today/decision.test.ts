import { getZoneDay } from "@sprunel/contract/plan";
import { getBoard } from "@sprunel/contract/today";
import { describe, expect, it } from "vitest";
import { sameDayDevice as device } from "../testing/same-day-device.ts";
import { bags, site, testServer, type TestServer } from "../testing/test-server.ts";

let keys = 0;
/** A key of its own for each decision. */
const key = (): string => `8d6f1c3e-5a4b-4c2d-9e8f-${String(++keys).padStart(12, "0")}`;

async function withLowDrain() {
  const server = await testServer({ device });
  await server.call("POST", "/api/site", site);
  await server.call("POST", "/api/zones", bags);
  await server.rooms.climate.followStation(Date.parse("2026-06-10T00:00:00Z"));
  const reading = { at: "2026-06-20T07:30:00.000Z", drainPct: 12, drainEcMsCm: 4.3, feedEcMsCm: 2.3, drainPh: 6.9 };
  await server.call("POST", "/api/zones/1/readings", reading);
  const entry = (await board(server)).findings.find(({ station }) => station === "roots");
  if (!entry) throw new Error("the low drain was not found");
  const { before, after } = entry.proposal ?? {};
  if (!before || !after) throw new Error("nothing is proposed");
  return { server, entry, beforeL: before.litres, afterL: after.litres };
}
async function board({ answerTo }: TestServer, date = "2026-06-20") {
  const [first] = (await answerTo(getBoard, { query: { date } })).zones;
  if (!first?.run) throw new Error("no zone with a plan on the board");
  return { ...first, run: first.run };
}

describe("deciding about a low drain", () => {
  it("is asked of today, and of no day that nobody can have read yet", async () => {
    const { server } = await withLowDrain();
    const ahead = await board(server, "2026-07-15");
    expect(ahead.run.litres).toBeGreaterThan(100);
    expect(ahead.findings).toEqual([]);
    expect((await board(server)).findings).toHaveLength(1);
  });

  it("changes nothing until the correction is accepted, and then the plan from the day after the reading on", async () => {
    const { server, entry, beforeL, afterL } = await withLowDrain();
    expect(entry).toMatchObject({ finding: { cause: "drain-low" }, proposal: { fromDate: "2026-06-21" } });
    expect((await board(server, "2026-06-21")).run.litres).toBeCloseTo(beforeL, 6);
    const accepted = { key: key(), verdict: "accepted", cause: "drain-low", about: entry.about, date: "2026-06-20" };
    expect((await server.call("POST", "/api/zones/1/decisions", accepted)).status).toBe(201);
    expect((await board(server, "2026-06-21")).run.litres).toBeCloseTo(afterL, 6);
    expect(afterL / beforeL).toBeCloseTo(0.88 / 0.72, 6);
    const today = await board(server);
    expect(today.rootsMark).toBe("steady");
    expect(today.findings).toMatchObject([{ decision: { verdict: "accepted" } }]);
  });

  it("takes a person's own number, and falls silent when dismissed with a reason until something new is read", async () => {
    const { server, entry, beforeL } = await withLowDrain();
    const about = { cause: "drain-low", about: entry.about, date: "2026-06-20" };
    const own = { key: key(), verdict: "changed", ...about, correction: { demandFactor: 1.1, drainSharePct: null } };
    await server.call("POST", "/api/zones/1/decisions", own);
    expect((await board(server, "2026-06-21")).run.litres / beforeL).toBeCloseTo(1.1, 6);
    await server.call("POST", "/api/zones/1/decisions", {
      key: key(),
      verdict: "dismissed",
      ...about,
      reason: "tray had moved",
    });
    expect((await board(server)).findings).toMatchObject([
      { decision: { verdict: "dismissed", reason: "tray had moved" } },
    ]);
    await server.call("POST", "/api/zones/1/readings", {
      at: "2026-06-20T07:55:00.000Z",
      drainPct: 10,
      drainEcMsCm: 4.4,
      feedEcMsCm: 2.3,
    });
    expect((await board(server)).findings).toMatchObject([{ finding: { drainPct: 10 }, decision: null }]);
  });

  it("is written once, however often it is sent, even when the finding is gone by then", async () => {
    const { server, entry } = await withLowDrain();
    const body = { key: key(), verdict: "accepted", cause: "drain-low", about: entry.about, date: "2026-06-20" };
    await server.call("POST", "/api/zones/1/decisions", body);
    await server.call("POST", "/api/zones/1/strikes", { at: entry.about, reason: "another zone" });
    expect((await server.call("POST", "/api/zones/1/decisions", body)).status).toBe(201);
    expect(await server.db("decision")).toHaveLength(1);
  });

  it("can be taken back: the plan is as if it had not been taken, and it may be decided anew", async () => {
    const { server, entry, beforeL, afterL } = await withLowDrain();
    const accepted = { verdict: "accepted", cause: "drain-low", about: entry.about, date: "2026-06-20" };
    await server.call("POST", "/api/zones/1/decisions", { key: key(), ...accepted });
    const { inForce } = await server.answerTo(getZoneDay, { params: { id: 1 }, query: { date: "2026-06-21" } });
    expect(inForce).toMatchObject({ verdict: "accepted" });
    const back = `/api/zones/1/decisions/${inForce?.id}/retractions`;
    expect((await server.call("POST", back)).status).toBe(201);
    expect((await board(server, "2026-06-21")).run.litres).toBeCloseTo(beforeL, 6);
    expect((await board(server)).findings).toMatchObject([{ decision: null }]);
    expect((await server.call("POST", back)).status).toBe(404);
    await server.call("POST", "/api/zones/1/decisions", { key: key(), ...accepted });
    expect((await board(server, "2026-06-21")).run.litres).toBeCloseTo(afterL, 6);
  });

  it.each([
    ["without a reason", { verdict: "dismissed", reason: " " }, "reason"],
    [
      "of a factor that cannot be",
      { verdict: "changed", correction: { demandFactor: 7, drainSharePct: null } },
      "correction.demandFactor",
    ],
    ["about a reading that is gone", { verdict: "accepted", about: "2026-06-18T07:30:00.000Z" }, "about"],
    ["that nobody knows", { verdict: "maybe" }, "verdict"],
  ])("refuses a decision %s", async (_what, change, path) => {
    const { server, entry } = await withLowDrain();
    const body = { key: key(), cause: "drain-low", about: entry.about, date: "2026-06-20", ...change };
    const answer = await server.call("POST", "/api/zones/1/decisions", body);
    expect([answer.status, answer.body.errors?.[0]?.path]).toEqual([422, path]);
  });
});
