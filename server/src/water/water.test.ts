import { previewWater } from "@sprunel/contract/exchange";
import { getWater } from "@sprunel/contract/water";
import { getBoard } from "@sprunel/contract/today";
import { addDays } from "@sprunel/core/time";
import { describe, expect, it } from "vitest";
import { sameDayDevice } from "../testing/same-day-device.ts";
import { bags, site, testServer, zone, type TestServer } from "../testing/test-server.ts";
import { wateringStore } from "../irrigation/watering-store.ts";

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
const state = async ({ answerTo }: TestServer, name: string) =>
  (await answerTo(getWater)).sources.find(({ source }) => source.name === name);

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

  it("will be drawn by what the zones' plans give, day by day as far as it is looked ahead", async () => {
    const server = await testServer({ device: sameDayDevice });
    await server.call("POST", "/api/site", site);
    await server.call("POST", "/api/sources", roof);
    await server.call("POST", "/api/zones", zone);
    await server.call("POST", "/api/zones", bags);
    await server.rooms.climate.followStation(Date.parse("2026-06-10T00:00:00Z"));
    const { levels = [], levelM3 } = (await state(server, "Roof")) ?? {};
    let before = levelM3 ?? NaN;
    for (const { date, m3 } of levels.slice(0, 20)) {
      const { zones } = await server.answerTo(getBoard, { query: { date } });
      const planned = zones.reduce((sum, { run }) => sum + (run?.litres ?? NaN), 0);
      expect([date, before - m3]).toEqual([date, expect.closeTo(planned / 1000, 9)]);
      before = m3;
    }
    expect(before).toBeLessThan(60);
    const far = await server.answerTo(getBoard, { query: { date: levels[15]?.date } });
    expect(new Set(far.hours.map(({ origin }) => origin))).toEqual(new Set(["again"]));
  });

  it("will be drawn as much above the plans as the log of the last week was above its plans", async () => {
    const server = await testServer({ device: sameDayDevice });
    await server.call("POST", "/api/site", site);
    await server.call("POST", "/api/sources", well);
    await server.call("POST", "/api/zones", bags);
    await server.rooms.climate.followStation(Date.parse("2026-06-10T00:00:00Z"));
    const plannedOn = async (date: string): Promise<number> => {
      const [first] = (await server.answerTo(getBoard, { query: { date } })).zones;
      return first?.run?.litres ?? NaN;
    };
    const dates = (from: number): string[] => Array.from({ length: 7 }, (_, at) => addDays("2026-06-20", from + at));
    const past = await Promise.all(dates(-7).map(plannedOn));
    const given = dates(-7).map((date, at) => ({
      ...{ zoneId: 1, startMs: Date.parse(`${date}T06:00:00Z`), minutes: 60, source: "controller" },
      litres: 1.5 * (past[at] ?? NaN),
    }));
    await server.scope.transaction((inner) => wateringStore(inner).add(given));
    const ahead = await Promise.all(dates(0).map(plannedOn));
    const sum = (all: number[]): number => all.reduce((total, one) => total + one, 0);
    const factor = (1.5 * sum(past)) / sum(await Promise.all(dates(-7).map(plannedOn)));
    expect(factor).toBeGreaterThan(1.3);
    expect((await state(server, "Well"))?.["aheadUseM3"]).toBeCloseTo((factor * sum(ahead)) / 7 / 1000, 9);
  });

  it("hold no more than they can, and no less than nothing", async () => {
    const server = await withSources();
    const turn = { firstOn: "2026-06-18", everyDays: 1, m3: 30 };
    await server.call("PUT", "/api/sources/1", { ...roof, turn, version: 1 });
    // 60 and two turns of 30 would be 120 of the 100 that fit.
    expect(await state(server, "Roof")).toMatchObject({ levelM3: 100 });
    await server.call("PUT", "/api/sources/1", { ...roof, version: 2 });
    await server.call("POST", "/api/zones", { ...zone, waters: [{ sourceId: 1, sharePct: 100 }] });
    await server.db("watering").insert({
      ...{
        zone_id: 1,
        start_ms: Date.parse("2026-06-18T06:00:00Z"),
        minutes: 600,
        litres: 70_000,
        source: "controller",
      },
    });
    expect(await state(server, "Roof")).toMatchObject({ levelM3: 0 });
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

describe("water that comes in turns", () => {
  it("fills the store on its days, and tells when it comes next", async () => {
    const server = await withSources();
    const turn = { firstOn: "2026-06-17", everyDays: 2, m3: 10 };
    await server.call("PUT", "/api/sources/1", { ...roof, turn, version: 1 });
    // Read with 60 m³ on the 18th; the turn of the 19th has come, the next one is on the 21st.
    expect(await state(server, "Roof")).toMatchObject({
      levelM3: 70,
      nextTurn: { date: "2026-06-21", neededM3: 0 },
      levels: expect.arrayContaining([
        { date: "2026-06-20", m3: 70 },
        { date: "2026-06-21", m3: 80 },
      ]),
    });
  });
});

describe("doses of digestate", () => {
  const analysis = {
    takenOn: "2026-05-01",
    suspendedSolidsMgL: 80,
    nh4NMgL: 1500,
    organicNMgL: 900,
    pMgL: 200,
    kMgL: 2000,
    ecMsCm: 17,
    hygieneDays: 60,
  };
  const dose = { key: "8d6f1c3e-5a4b-4c2d-9e8f-0a1b2c3d4e5f", givenOn: "2026-06-10", litres: 3000, flushL: 2500 };

  it("are booked once, apart from the zone's water, struck out with a reason, and go with the site's file", async () => {
    const server = await withSources();
    await server.call("POST", "/api/zones", zone);
    await server.call("POST", "/api/sources", { ...well, name: "Digestate", kind: "digestate", analysis });
    await server.call("POST", "/api/zones/1/doses", { ...dose, sourceId: 3 });
    const { body } = await server.call("POST", "/api/zones/1/doses", { ...dose, sourceId: 3 });
    expect(body).toMatchObject({ doses: [{ litres: 3000, flushL: 2500, struck: null }] });
    expect(await state(server, "Digestate")).toMatchObject({ yearUseM3: 0 });
    await server.call("POST", "/api/zones/1/doses/1/strikes", { reason: "pump off" });
    const file = await server.call("GET", "/api/site-file");
    const other = await testServer();
    expect((await other.call("POST", "/api/site-file", file.body)).status).toBe(201);
    expect((await other.call("GET", "/api/zones/1/doses")).body).toMatchObject({
      doses: [{ sourceId: 3, litres: 3000, struck: "pump off" }],
    });
  });

  it.each([
    ["of a water without an analysis", { sourceId: 2 }, "sourceId"],
    ["of a day to come", { givenOn: "2026-06-21" }, "givenOn"],
    ["of nothing", { litres: 0 }, "litres"],
  ])("are refused %s", async (_what, change, path) => {
    const server = await withSources();
    await server.call("POST", "/api/zones", zone);
    await server.call("POST", "/api/sources", { ...well, name: "Digestate", kind: "digestate", analysis });
    const answer = await server.call("POST", "/api/zones/1/doses", { ...dose, sourceId: 3, ...change });
    expect([answer.status, answer.body.errors?.[0]?.path]).toEqual([422, path]);
  });
});

describe("a lab file of what drained", () => {
  const text = "Sample,Date,pH,EC (mS/cm),NO3 (mmol/L),K (mmol/L),Ca (mmol/L),Mg (mmol/L),SO4 (mmol/L),Cl (mmol/L)\n";
  const rows = ["Tunel 1,2026-06-10,6.1,2.9,17,8.4,6.3,3,4.6,1\n", "Orchard,2026-06-10,6.1,2.9,17,8.4,6.3,3,4.6,1\n"];
  const file = {
    fileName: "drain.csv",
    of: "drain",
    contentBase64: Buffer.from(text + rows.join("")).toString("base64"),
  };

  it("goes to the zones that its names mean, once", async () => {
    const { call } = await withSources();
    await call("POST", "/api/zones", zone);
    const fates = ({ body }: { body: unknown }) =>
      previewWater.answer.parse(body).samples.map((sample) => [sample.zone, sample.fate]);
    expect(fates(await call("POST", "/api/water/previews", file))).toEqual([
      ["Tunnel 1", "stored"],
      [null, "refused"],
    ]);
    await call("POST", "/api/water/imports", file);
    expect((await call("GET", "/api/zones/1/reports")).body["reports"]).toMatchObject([
      { kind: "drain", takenOn: "2026-06-10", ions: { NO3: 17, Ca: 6.3 } },
    ]);
    expect((await call("GET", "/api/water-reports")).body["reports"]).toEqual([]);
    expect(fates(await call("POST", "/api/water/imports", file))[0]).toEqual(["Tunnel 1", "already-there"]);
  });
});
