import { readdirSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { feedStore } from "../../feed/feed-store.ts";
import { dripLinesStore } from "../../irrigation/drip-lines-store.ts";
import { wateringStore } from "../../irrigation/watering-store.ts";
import { readingStore } from "../../rootzone/reading-store.ts";
import { zoneReportStore } from "../../rootzone/zone-report-store.ts";
import { newFolder, sampleFile, site, testServer, zone, type TestServer } from "../../testing/test-server.ts";
import { reportStore } from "../../water/report-store.ts";

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

/** More of everything than any page lists or any statement takes at once. */
async function filledBeyondEveryPage({ scope, call }: TestServer): Promise<void> {
  const from = Date.parse("2025-01-01T00:00:00Z");
  const uuid = (kind: number, at: number): string => `8d6f1c3e-5a4b-4c2d-9e8${kind}-${String(at).padStart(12, "0")}`;
  await scope.transaction(async (inner) => {
    await readingStore(inner).add(
      Array.from({ length: 12_000 }, (_, at) => ({
        zoneId: 1,
        kind: at % 2 ? "drainPct" : "moisturePct",
        atMs: from + at * 60_000,
        source: "probe",
        value: at % 50,
      })),
    );
    await wateringStore(inner).add(
      Array.from({ length: 5003 }, (_, at) => ({
        zoneId: 1,
        startMs: from + at * 3_600_000,
        minutes: 5,
        litres: 100 + at,
        source: "controller",
      })),
    );
    for (let at = 0; at < 101; at++)
      await reportStore(inner).add(1, {
        sourceName: "Basin",
        takenOn: `2026-06-${String(1 + (at % 19)).padStart(2, "0")}`,
        ions: { Ca: at / 100 },
        ph: 7,
        ecMsCm: null,
      });
    for (let at = 0; at < 60; at++)
      await dripLinesStore(inner).addTest(1, {
        key: uuid(1, at),
        testedOn: "2026-06-01",
        minutes: 5,
        catchesMl: [
          [100, 101 + at],
          [99, 98],
        ],
      });
    for (let at = 0; at < 210; at++)
      await zoneReportStore(inner).add(1, {
        kind: "drain",
        takenOn: "2026-06-01",
        ions: { K: at / 10 },
        ph: 6,
        ecMsCm: 2,
      });
    for (let at = 0; at < 12; at++)
      await feedStore(inner).addMix(1, {
        mixedAt: new Date(from + at).toISOString(),
        key: uuid(2, at),
        lines: [{ productId: "own-1", tankId: "D", kg: 1 + at, lot: null }],
        levels: [{ tankId: "D", litres: 90 + at }],
      });
  });
  const weather = await call("POST", "/api/weather/imports", sampleFile("weather-iso.csv"));
  expect(weather.status).toBe(201);
  const pick = { pickedOn: "2026-06-18", massKg: 3, count: null, grade: null, brixPct: null };
  await call("POST", "/api/zones/1/picks", { ...pick, key: uuid(3, 1) });
  expect((await call("POST", "/api/zones/1/picks/2/strikes", { reason: "of another zone" })).status).toBe(201);
}

const heldIn = ({ exportedAt: _at, ...held }: Record<string, unknown>) => held;
const changesIn = (file: Record<string, unknown>) => file["changes"] as unknown[];
/** What reading a file adds to the record of changes that it brings. */
const readFromFile: unknown = expect.objectContaining({
  change: expect.objectContaining({ endpoint: "POST /api/site-file", kind: "site" }) as unknown,
});

describe("a site in one file", () => {
  it("comes out of one folder and into another as it was", async () => {
    const { call } = await described();
    const { body: file } = await call("GET", "/api/site-file");
    const other = await testServer({ folder: newFolder() });
    expect((await other.call("POST", "/api/site-file", file)).status).toBe(201);
    const after = (await other.call("GET", "/api/site-file")).body;
    expect(heldIn(after)).toEqual({ ...heldIn(file), changes: [...changesIn(file), readFromFile] });
    expect(after["recipes"]).toMatchObject([{ name: "Fruit", result: { status: "met" } }]);
    expect((await other.call("GET", "/api/zones/1/harvest")).body["picks"]).toMatchObject([{ massKg: 40 }]);
  });

  it("carries everything, however much more there is than a screen shows", async () => {
    const server = await described();
    const { call } = server;
    await filledBeyondEveryPage(server);
    const { body: file } = await call("GET", "/api/site-file");
    const [zoneFile] = file["zones"] as Record<string, unknown[]>[];
    const lengths = Object.fromEntries(Object.entries(zoneFile ?? {}).map(([name, rows]) => [name, rows?.length]));
    expect(lengths).toMatchObject({
      readings: 12_001,
      catchTests: 60,
      reports: 210,
      mixes: 12,
      waterings: 5003,
      picks: 2,
    });
    expect(file["reports"]).toHaveLength(102);
    expect(file["weatherImports"]).toMatchObject([{ fileName: "weather-iso.csv" }]);

    const other = await testServer({ folder: newFolder() });
    expect((await other.call("POST", "/api/site-file", file)).status).toBe(201);
    const after = (await other.call("GET", "/api/site-file")).body;
    expect(heldIn(after)).toEqual({ ...heldIn(file), changes: [...changesIn(file), readFromFile] });
    // The file's way of reading weather is remembered there too: the same file brings nothing new.
    const again = await other.call("POST", "/api/weather/previews", sampleFile("weather-iso.csv"));
    expect(again.body).toMatchObject({ rememberedFrom: "owner", stored: { newValues: 0 } });
  });

  it("still shows an old well's water after a hundred reports of others", async () => {
    const server = await described();
    await filledBeyondEveryPage(server);
    const { body } = await server.call("GET", "/api/zones/1/feed");
    expect(body["water"]).toMatchObject({ ions: { Ca: 2 } });
    expect(body["waters"]).toMatchObject([{ takenOn: "2026-05-01" }]);
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

  it("is refused with the place of its fault, also far down a list, and leaves nothing behind", async () => {
    const { call } = await described();
    const { body: file } = await call("GET", "/api/site-file");
    const [zone] = file["zones"] as Record<string, unknown>[];
    const readings = Array.from({ length: 2500 }, (_, at) => ({
      kind: "drainPct",
      at: new Date(Date.parse("2026-01-01T00:00:00Z") + at * 60_000).toISOString(),
      source: "probe",
      value: at === 2345 ? "much" : 20,
    }));
    const folder = newFolder();
    const other = await testServer({ folder });
    const answer = await other.call("POST", "/api/site-file", { ...file, zones: [{ ...zone, readings }] });
    expect([answer.status, answer.body.errors?.map(({ path }) => path)]).toEqual([
      422,
      ["zones.0.readings.2345.value"],
    ]);
    expect(await other.db("zone_reading").count({ rows: "*" })).toEqual([{ rows: 0 }]);
    expect(readdirSync(folder).filter((name) => name.startsWith("incoming"))).toEqual([]);
  });

  it.each([
    ["a list left out", (file: Record<string, unknown>) => delete file["shelf"], "shelf"],
    ["no site", (file: Record<string, unknown>) => delete file["site"], "site"],
    [
      "a zone without its picks",
      (file: Record<string, unknown>) => delete (file["zones"] as Record<string, unknown>[])[0]?.["picks"],
      "zones.0.picks",
    ],
    [
      "its lists in another order",
      (file: Record<string, unknown>) => {
        const { sources } = file;
        delete file["sources"];
        file["sources"] = sources;
      },
      "sources",
    ],
    [
      "a zone's name behind its lists",
      (file: Record<string, unknown>) => {
        const [zone] = file["zones"] as Record<string, unknown>[];
        const { name } = zone ?? {};
        delete zone?.["name"];
        Object.assign(zone ?? {}, { name });
      },
      "zones.0.name",
    ],
  ])("is refused with %s", async (_what, damage, path) => {
    const { call } = await described();
    const { body: file } = await call("GET", "/api/site-file");
    damage(file);
    const other = await testServer({ folder: newFolder() });
    const answer = await other.call("POST", "/api/site-file", file);
    expect([answer.status, answer.body.errors?.map((error) => error.path)]).toEqual([422, [path]]);
    expect((await other.call("GET", "/api/set-up")).body).toMatchObject({ site: null, zones: [], sources: [] });
  });

  it("is read once at a time, and packed bodies are refused in words", async () => {
    const server = await described();
    const text = JSON.stringify((await server.call("GET", "/api/site-file")).body);
    const other = await testServer({ folder: newFolder() });
    const post = (init: RequestInit) => fetch(`${other.url}/api/site-file`, { method: "POST", ...init });
    const packed = await post({ body: text, headers: { "Content-Encoding": "gzip" } });
    expect([packed.status, ((await packed.json()) as { title: string }).title]).toEqual([415, "Not in this encoding"]);
    const both = await Promise.all([post({ body: text }), post({ body: text })]);
    expect(both.map(({ status }) => status).toSorted((a, b) => a - b)).toEqual([
      201,
      expect.toSatisfy((s) => s === 409 || s === 422),
    ]);
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
