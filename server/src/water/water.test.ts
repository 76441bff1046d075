import { describe, expect, it } from "vitest";
import { site, testServer, zone, type TestServer } from "../testing/test-server.ts";

const roof = {
  name: "Roof",
  kind: "roof",
  maxFlowLh: null,
  priceM3: null,
  licenceM3Year: null,
  storage: { capacityM3: 100, levelM3: 60, readOn: "2026-06-18", roofM2: 0, runoffPct: 80 },
};
const well = { ...roof, name: "Well", kind: "well", licenceM3Year: 1000, storage: null };

async function withSources(): Promise<TestServer> {
  const server = await testServer();
  await server.call("POST", "/api/site", site);
  await server.call("POST", "/api/sources", roof);
  await server.call("POST", "/api/sources", well);
  return server;
}
const state = async ({ call }: TestServer, name: string) =>
  ((await call("GET", "/api/water")).body["sources"] as Record<string, unknown>[]).find(
    (entry) => (entry["source"] as { name: string }).name === name,
  );

describe("sources of water", () => {
  it("are drawn by the zones that drink of them, in their shares, from the day the level was read", async () => {
    const server = await withSources();
    const waters = [
      { sourceId: 1, sharePct: 25 },
      { sourceId: 2, sharePct: 75 },
    ];
    await server.call("POST", "/api/zones", { ...zone, waters });
    await server.db("watering").insert(
      ["2026-06-17", "2026-06-18", "2026-06-19"].map((date) => ({
        zone_id: 1,
        start_ms: Date.parse(`${date}T06:00:00Z`),
        minutes: 60,
        litres: 8000,
        source: "controller",
      })),
    );
    // A quarter of 8 m³ on each of the two days since the level was read; over the week 24 · 0.25 / 7 a day.
    expect(await state(server, "Roof")).toMatchObject({ levelM3: 56, dailyUseM3: expect.closeTo(6 / 7, 9) });
    expect(await state(server, "Well")).toMatchObject({ levelM3: null, yearUseM3: 18 });
  });

  it("make the feed's water in their shares, and none while one of them has no report", async () => {
    const server = await withSources();
    await server.call("POST", "/api/zones", {
      ...zone,
      waters: [
        { sourceId: 1, sharePct: 60 },
        { sourceId: 2, sharePct: 40 },
      ],
    });
    const report = { takenOn: "2026-06-01", ph: 7, ecMsCm: null };
    await server.call("POST", "/api/water-reports", { ...report, sourceName: "Well", ions: { Ca: 2, HCO3: 4 } });
    expect((await server.call("GET", "/api/zones/1/feed")).body["water"]).toBeNull();
    await server.call("POST", "/api/water-reports", { ...report, sourceName: "Roof", ions: { Ca: 0.5, HCO3: 1 } });
    expect((await server.call("GET", "/api/zones/1/feed")).body["water"]).toMatchObject({
      ions: { Ca: expect.closeTo(1.1, 9), HCO3: expect.closeTo(2.2, 9) },
    });
  });

  it.each([
    ["shares that do not add up", { waters: [{ sourceId: 1, sharePct: 60 }] }, "waters"],
    ["a source that is not there", { waters: [{ sourceId: 9, sharePct: 100 }] }, "waters.0.sourceId"],
  ])("refuse a zone with %s", async (_what, change, path) => {
    const server = await withSources();
    const answer = await server.call("POST", "/api/zones", { ...zone, ...change });
    expect([answer.status, answer.body.errors?.[0]?.path]).toEqual([422, path]);
  });

  it("refuse a second of the same name, more in store than fits, and an edit that is stale", async () => {
    const { call } = await withSources();
    expect((await call("POST", "/api/sources", { ...well, name: "ROOF" })).body.errors?.[0]?.path).toBe("name");
    const over = { ...roof, name: "Pond", storage: { ...roof.storage, levelM3: 101 } };
    expect((await call("POST", "/api/sources", over)).body.errors?.[0]?.path).toBe("storage.levelM3");
    expect((await call("PUT", "/api/sources/1", { ...roof, priceM3: 1, version: 1 })).status).toBe(200);
    expect(await call("PUT", "/api/sources/1", { ...roof, priceM3: 2, version: 1 })).toMatchObject({
      status: 409,
      body: { current: { priceM3: 1, version: 2 } },
    });
  });
});
