import { getRootStation } from "@sprunel/contract/rootzone";
import { describe, expect, it } from "vitest";
import { bags, site, testServer, zone, type TestServer } from "../testing/test-server.ts";

async function twoZones(): Promise<TestServer> {
  const server = await testServer({ now: "2026-06-20T08:00:00Z" });
  await server.call("POST", "/api/site", site);
  await server.call("POST", "/api/zones", bags);
  await server.call("POST", "/api/zones", zone);
  return server;
}
const last = async ({ answerTo }: TestServer) => (await answerTo(getRootStation)).zones;

describe("a round of readings", () => {
  it("is written for all zones at once, and stands as what was last read of each", async () => {
    const server = await twoZones();
    const at = "2026-06-20T07:30:00.000Z";
    const readings = [
      { zoneId: 1, at, drainPct: 24, drainEcMsCm: 3.1 },
      { zoneId: 2, at, tensionKpa: 18 },
    ];
    const answer = await server.call("POST", "/api/rounds", { readings });
    expect(answer.status).toBe(201);
    expect((await last(server)).map(({ zoneId, past }) => ({ zoneId, past }))).toEqual([
      { zoneId: 1, past: { drainPct: [{ at, value: 24 }], drainEcMsCm: [{ at, value: 3.1 }] } },
      { zoneId: 2, past: { tensionKpa: [{ at, value: 18 }] } },
    ]);
  });

  it.each([
    ["of a zone that is not there", { zoneId: 99 }, "readings.1.zoneId"],
    ["of tomorrow", { at: "2026-06-21T07:30:00.000Z" }, "readings.1.at"],
    ["of a quarter of an hour from now", { at: "2026-06-20T08:15:00.000Z" }, "readings.1.at"],
    ["with a pH of 58", { dripPh: 58 }, "readings.1.dripPh"],
    ["in which nothing was read", { tensionKpa: undefined }, "readings.1"],
  ])("is refused whole %s, by its place", async (_what, change, path) => {
    const server = await twoZones();
    const at = "2026-06-20T07:30:00.000Z";
    const readings = [
      { zoneId: 1, at, drainPct: 24 },
      { zoneId: 2, at, tensionKpa: 18, ...change },
    ];
    const answer = await server.call("POST", "/api/rounds", { readings });
    expect([answer.status, answer.body.errors?.[0]?.path]).toEqual([422, path]);
    expect((await last(server)).every(({ past }) => Object.keys(past).length === 0)).toBe(true);
  });

  it("shows the newest values first, without what was struck out, no more than tell what is usual", async () => {
    const server = await twoZones();
    for (let hour = 0; hour < 14; hour++)
      await server.call("POST", "/api/zones/1/readings", {
        at: new Date(Date.parse("2026-06-19T06:00:00Z") + hour * 3_600_000).toISOString(),
        drainEcMsCm: 2 + hour / 10,
      });
    await server.call("POST", "/api/zones/1/strikes", { at: "2026-06-19T19:00:00.000Z", reason: "pen was dry" });
    const values = (await last(server))[0]?.past["drainEcMsCm"]?.map(({ value }) => Number(value.toFixed(1)));
    expect(values).toEqual([3.2, 3.1, 3, 2.9, 2.8, 2.7, 2.6, 2.5, 2.4, 2.3, 2.2, 2.1]);
  });

  it("stands beside the bands that the zone's feed sets: what drips about the feed, the drain above it", async () => {
    const server = await twoZones();
    const { zones } = await server.answerTo(getRootStation);
    const { dripEcMsCm, drainEcMsCm, tensionKpa } = zones[0]?.bands ?? {};
    expect(dripEcMsCm?.from).toBeGreaterThan(1);
    expect(drainEcMsCm?.to).toBeGreaterThan(dripEcMsCm?.to ?? NaN);
    expect(tensionKpa?.to).toBeGreaterThan(0);
  });

  it("is refused where another value stands at the same moment, also one that was struck out, and sent twice it is one", async () => {
    const server = await testServer();
    await server.call("POST", "/api/site", site);
    await server.call("POST", "/api/zones", bags);
    const reading = (drainPct: number) => ({ at: "2026-06-20T07:00:00Z", drainPct });
    const add = (drainPct: number) => server.call("POST", "/api/zones/1/readings", reading(drainPct));
    expect([(await add(25)).status, (await add(25)).status]).toEqual([201, 201]);
    const other = await add(31);
    expect([other.status, other.body["detail"]]).toEqual([
      409,
      expect.stringMatching(/another value was noted at 2026-06-20T07:00:00.000Z already: 25/),
    ]);
    await server.call("POST", "/api/zones/1/strikes", { at: reading(0).at, reason: "another zone" });
    const struck = await add(31);
    expect([struck.status, struck.body["detail"]]).toEqual([409, expect.stringMatching(/was struck out/)]);
    expect(await server.db("zone_reading")).toHaveLength(1);
  });
});
