import { describe, expect, it } from "vitest";
import { newFolder, site, testServer, zone } from "../testing/test-server.ts";

async function described() {
  const server = await testServer();
  const { call } = server;
  await call("POST", "/api/site", site);
  await call("POST", "/api/sources", {
    name: 'Well, the "old" one',
    kind: "well",
    maxFlowLh: 4000,
    priceM3: 0.3,
    licenceM3Year: null,
    storage: null,
  });
  await call("POST", "/api/water-reports", {
    sourceName: 'Well, the "old" one',
    takenOn: "2026-05-01",
    ions: { Ca: 2, HCO3: 4, Fe: 3 },
    ph: 7.4,
    ecMsCm: 0.4,
  });
  await call("POST", "/api/zones", { ...zone, waters: [{ sourceId: 1, sharePct: 100 }] });
  await call("POST", "/api/zones/1/readings", { at: "2026-06-19T07:00:00.000Z", drainPct: 20 });
  await call("POST", "/api/zones/1/strikes", { at: "2026-06-19T07:00:00.000Z", reason: "wrong tray" });
  await call("POST", "/api/own-products", {
    name: "Own bag",
    form: "solid",
    isAcid: false,
    isChelate: false,
    densityKgL: null,
    solubilityGL: null,
    label: { nitrateN: 13.7, K2O: 46.3 },
  });
  await call("PUT", "/api/zones/1/feed-settings", {
    tanks: [{ id: "D", volumeL: 500, dilution: 1 }],
    coarseG: 50,
    fineG: 1,
    version: null,
  });
  const kept = await call("POST", "/api/zones/1/recipes", {
    key: "8d6f1c3e-5a4b-4c2d-9e8f-0a1b2c3d4e61",
    name: "Fruit",
    target: { ions: { K: 3, NO3: 3 }, ph: 6 },
    wishes: { nh4ShareMostPct: null, limits: {}, locks: {} },
  });
  expect(kept.status).toBe(201);
  await call("POST", "/api/zones/1/picks", {
    key: "8d6f1c3e-5a4b-4c2d-9e8f-0a1b2c3d4e5f",
    pickedOn: "2026-06-19",
    massKg: 40,
    count: 160,
    grade: "class 1",
    brixPct: null,
  });
  return server;
}

describe("a site in one file", () => {
  it("comes out of one folder and into another as it was", async () => {
    const { call } = await described();
    const { body: file } = await call("GET", "/api/site-file");
    const other = await testServer({ folder: newFolder() });
    expect((await other.call("POST", "/api/site-file", file)).status).toBe(201);
    const { exportedAt: _first, ...before } = file;
    const { exportedAt: _second, ...after } = (await other.call("GET", "/api/site-file")).body;
    expect(after).toEqual(before);
    expect(after["recipes"]).toMatchObject([{ name: "Fruit", result: { status: "met" } }]);
    expect((await other.call("GET", "/api/zones/1/harvest")).body["picks"]).toMatchObject([{ massKg: 40 }]);
  });

  it.each([
    ["of another program", { format: "other" }, "format"],
    ["with a zone that cannot be", { zones: [{ name: "" }] }, "zones.0.name"],
    ["that names a water it does not hold", { sources: [], reports: [] }, "zones.0.waters.0.source"],
    ["with an hour of no kind", { weather: [{ house: null, hours: [{ kind: "fog" }] }] }, "weather.0.hours.0.kind"],
  ])("is refused whole when damaged: a file %s", async (_what, damage, path) => {
    const { call } = await described();
    const { body: file } = await call("GET", "/api/site-file");
    const other = await testServer({ folder: newFolder() });
    const answer = await other.call("POST", "/api/site-file", { ...file, ...damage });
    expect([answer.status, answer.body.errors?.some((error) => error.path === path)]).toEqual([422, true]);
    expect((await other.call("GET", "/api/set-up")).body).toMatchObject({ site: null, zones: [], sources: [] });
  });

  it("is never read over a site that stands", async () => {
    const { call } = await described();
    const { body: file } = await call("GET", "/api/site-file");
    const answer = await call("POST", "/api/site-file", file);
    expect([answer.status, answer.body["detail"]]).toEqual([422, expect.stringContaining("already holds a site")]);
  });

  it("gives readings and reports as tables, quoted as spreadsheets read them", async () => {
    const { url } = await described();
    const readings = await (await fetch(`${url}/api/zones/1/readings.csv`)).text();
    expect(readings).toContain("2026-06-19T07:00:00.000Z,drainPct,20,wrong tray");
    const reports = await (await fetch(`${url}/api/water-reports.csv`)).text();
    expect(reports).toContain('"Well, the ""old"" one",2026-05-01,7.4,0.4');
  });
});
