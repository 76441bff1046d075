import { getZoneDay } from "@sprunel/contract/plan";
import { previewWeather } from "@sprunel/contract/climate";
import { spawn } from "node:child_process";
import { fileURLToPath } from "node:url";
import { describe, expect, it } from "vitest";
import { FolderInUseError, lockFolder } from "./database/lock-folder.ts";
import { bags, newFolder, sampleFile, site, testServer, zone, type TestServer } from "./testing/test-server.ts";

async function withSite(options?: Parameters<typeof testServer>[0]): Promise<TestServer> {
  const server = await testServer(options);
  expect((await server.call("POST", "/api/site", site)).status).toBe(201);
  return server;
}

/** FAO-56, example 18. */
const uccle = {
  method: "penman-monteith-daily",
  latitudeDeg: 50.8,
  elevationM: 100,
  date: "2026-07-06",
  weather: { tMaxC: 21.5, tMinC: 12.3, rhMaxPct: 84, rhMinPct: 63, windMs: 2.78, windHeightM: 10, sunshineH: 9.25 },
};

describe("the compute API", () => {
  it("answers a published example with a working that ends on the value", async () => {
    const { call } = await testServer();
    const { status, body } = await call("POST", "/api/compute/reference-et", uccle);
    expect(status).toBe(200);
    expect(body["value"]).toBeCloseTo(3.88, 1);
    const working = body["working"] as Record<string, unknown>[];
    expect(Object.keys(working.at(-1) ?? {})).toEqual(["label", "formula", "substituted", "value", "unit", "source"]);
    expect(working.at(-1)?.["value"]).toBe(body["value"]);
  });

  it.each([
    ["nothing", undefined, "method"],
    ["null", "null", ""],
    ["a list", "[]", ""],
    ["a bare number", "7", ""],
    ["broken JSON", '{"method": ', ""],
    ["an empty object", {}, "method"],
    ["an unknown method", { ...uccle, method: "magic" }, "method"],
    ["a text for a number", { ...uccle, latitudeDeg: "north" }, "latitudeDeg"],
    ["an unknown field", { ...uccle, weather: { ...uccle.weather, tMax: 20 } }, "weather.tMax"],
    ["humidity of 130 %", { ...uccle, weather: { ...uccle.weather, rhMaxPct: 130 } }, "weather.rhMaxPct"],
    ["a minimum above the maximum", { ...uccle, weather: { ...uccle.weather, tMinC: 30 } }, "weather.tMinC"],
    ["a date that is none", { ...uccle, date: "2026-02-30" }, "date"],
  ])("refuses %s with a problem in its own words", async (_what, sent, path) => {
    const { call } = await testServer();
    const { status, type, body } = await call("POST", "/api/compute/reference-et", sent);
    expect(status).toBe(422);
    expect(type).toMatch("application/problem+json");
    expect(body).toMatchObject({
      type: expect.any(String),
      title: expect.any(String),
      status: 422,
      detail: expect.stringMatching(/\w{3}/),
    });
    expect(body.errors?.map((error) => error.path)).toContain(path);
    expect(JSON.stringify(body)).not.toMatch(/zod|Invalid input|expected \w+, received|undefined|Unexpected token/i);
  });

  it("describes itself as OpenAPI 3.1, with every reference resolved", async () => {
    const { call } = await testServer();
    const { body } = await call("GET", "/api/openapi.json");
    const text = JSON.stringify(body);
    const schemas = (body["components"] as { schemas: object }).schemas;
    const references = [...text.matchAll(/"#\/components\/schemas\/([^"]+)"/g)].map((match) => match[1] ?? "");
    expect(body["openapi"]).toBe("3.1.0");
    expect(Object.keys(body["paths"] as object)).toEqual(
      expect.arrayContaining(["/api/compute/reference-et", "/api/compute/zone-water"]),
    );
    expect(Object.keys(schemas)).toEqual(expect.arrayContaining(references));
  });

  it("tells that an address does not exist", async () => {
    const { call } = await testServer();
    expect(await call("GET", "/api/nothing")).toMatchObject({ status: 404, type: expect.stringMatching("problem") });
    expect((await call("GET", "/api/zones/99/day")).status).toBe(404);
  });
});

describe("set-up", () => {
  it("keeps a zone over a restart, and refuses impossible values by name and range", async () => {
    const folder = newFolder();
    const first = await withSite({ folder });
    expect((await first.call("POST", "/api/zones", zone)).status).toBe(201);
    const bad = await first.call("POST", "/api/zones", {
      ...zone,
      name: "Tunnel 2",
      definition: { ...zone.definition, uniformityPct: 130 },
    });
    expect(bad.body.errors).toEqual([
      { path: "definition.uniformityPct", message: "Uniformity must be 30 to 100 %, not 130." },
    ]);
    await first.stop();
    const second = await testServer({ folder });
    const { body } = await second.call("GET", "/api/set-up");
    expect(body["zones"]).toMatchObject([{ ...zone, id: 1, version: 1 }]);
  });

  it("answers a stale edit with 409 and the newer record, and writes nothing", async () => {
    const { call } = await withSite();
    await call("POST", "/api/zones", zone);
    expect((await call("PUT", "/api/zones/1", { ...zone, name: "Mine", version: 1 })).status).toBe(200);
    const late = await call("PUT", "/api/zones/1", { ...zone, name: "Late", version: 1 });
    expect(late).toMatchObject({ status: 409, body: { current: { name: "Mine", version: 2 } } });
    expect((await call("GET", "/api/set-up")).body["zones"]).toMatchObject([{ name: "Mine" }]);
  });

  it("refuses a second zone of the same name and a crop that is not in the library", async () => {
    const { call } = await withSite();
    await call("POST", "/api/zones", zone);
    expect((await call("POST", "/api/zones", { ...zone, name: "tunnel 1" })).body.errors?.[0]?.path).toBe("name");
    const unknown = {
      ...zone,
      name: "Other",
      plantings: [{ cropId: "triffid", plantedOn: "2026-05-01", clearedOn: null, signs: [] }],
    };
    expect((await call("POST", "/api/zones", unknown)).body.errors?.[0]?.path).toBe("plantings.0.cropId");
  });
});

describe("a weather import", () => {
  it("stores what its preview promised, and a second time nothing", async () => {
    const { call, db } = await withSite();
    const file = sampleFile("weather-iso.csv");
    const preview = await call("POST", "/api/weather/previews", file);
    expect(preview.body).toMatchObject({
      counts: { accepted: 1333, flagged: 44, rejected: 13 },
      stored: { alreadyThere: 0, conflicts: 0 },
    });
    expect(await db("weather_reading").count("* as n").first()).toEqual({ n: 0 });
    expect((await call("POST", "/api/weather/imports", file)).status).toBe(201);
    const { newValues } = previewWeather.answer.parse(preview.body).stored;
    expect(await db("weather_reading").count("* as n").first()).toEqual({ n: newValues });
    const again = await call("POST", "/api/weather/imports", file);
    expect(again.body["stored"]).toEqual({ newValues: 0, alreadyThere: newValues, conflicts: 0 });
    expect(await db("weather_import").count("* as n").first()).toEqual({ n: 1 });
  });

  it("keeps the first of two values for an hour, and the second beside it as a conflict", async () => {
    const { call, db } = await withSite();
    const file = (temperature: number) => ({
      fileName: "log.csv",
      contentBase64: Buffer.from(`time,air_degC\n2026-06-01T10:00Z,${temperature}\n2026-06-01T11:00Z,21\n`).toString(
        "base64",
      ),
      choices: {},
    });
    await call("POST", "/api/weather/imports", file(20));
    const second = await call("POST", "/api/weather/imports", file(25));
    expect(second.body["stored"]).toEqual({ newValues: 0, alreadyThere: 1, conflicts: 1 });
    expect(
      await db("weather_reading")
        .where({ hour_ms: Date.parse("2026-06-01T10:00Z") })
        .first("value"),
    ).toEqual({ value: 20 });
    expect(await db("weather_conflict").first("value")).toEqual({ value: 25 });
  });

  it("brings wind from the height of its sensor down to 2 m: 10 m where nobody says it, and asks", async () => {
    const et = async (windHeightM?: number): Promise<number> => {
      const { call } = await withSite({ now: "2026-07-09T16:00:00Z" });
      await call("POST", "/api/zones", { ...zone, house: { name: "Field", transmissionPct: 100 } });
      const file = sampleFile("weather-iso.csv", windHeightM === undefined ? {} : { windHeightM });
      const { dialect } = (await call("POST", "/api/weather/previews", file)).body;
      expect(dialect).toMatchObject({
        windHeightM: windHeightM ?? 10,
        windHeightAssumed: windHeightM === undefined,
      });
      await call("POST", "/api/weather/imports", file);
      const { body } = await call("GET", "/api/zones/1/day?date=2026-06-20");
      const { inputs } = (body["workings"] as Record<string, { inputs: { name: string; value: number }[] }>)[
        "demand"
      ] ?? {
        inputs: [],
      };
      return inputs.find(({ name }) => name === "Wind, mean")?.value ?? NaN;
    };
    // FAO-56, eq. 47: 4.87 ÷ ln(67.8 · 10 − 5.42) = 0.748
    expect((await et()) / (await et(2))).toBeCloseTo(0.748, 3);
    expect(await et(10)).toBe(await et());
  });

  it("refuses a file that is no weather whole, in words", async () => {
    const { call, db } = await withSite();
    const letter = {
      fileName: "letter.txt",
      contentBase64: Buffer.from("Dear grower,\nthe logger broke.").toString("base64"),
      choices: {},
    };
    const refused = await call("POST", "/api/weather/imports", letter);
    expect(refused.status).toBe(422);
    expect(refused.body["detail"]).toMatch(/no table in the file/);
    expect(await db("weather_reading").first()).toBeUndefined();
  });

  it("warns when the clock's zone puts sunlight into the night", async () => {
    const { call } = await withSite();
    const elsewhere = sampleFile("weather-us.csv", { timeZone: "America/Los_Angeles" });
    expect((await call("POST", "/api/weather/previews", elsewhere)).body["warnings"]).toMatchObject([
      expect.stringMatching(/sun is down/),
      expect.stringMatching(/longitude -124.2/),
    ]);
    expect((await call("POST", "/api/weather/previews", sampleFile("weather-iso.csv"))).body["warnings"]).toEqual([]);
  });

  it("makes the day's plan anew from the file, and tells where each hour came from", async () => {
    const { answerTo, call } = await withSite({ now: "2026-07-09T16:00:00Z" });
    const [courgette] = zone.plantings;
    const seen = { ...courgette, signs: [{ stageId: "picking", on: "2026-06-12" }] };
    await call("POST", "/api/zones", { ...zone, plantings: [seen] });
    expect((await call("GET", "/api/zones/1/day?date=2026-06-20")).body["missing"]).toBe("no-weather");
    await call("POST", "/api/weather/imports", sampleFile("weather-iso.csv"));
    const { plan, workings } = await answerTo(getZoneDay, { params: { id: 1 }, query: { date: "2026-06-20" } });
    const inputs = workings.litres?.inputs ?? [];
    // Kc 0.95 in full picking in the open, 1.05 under cover, times the reference with the air and the light of the house.
    const et0 = workings.demand?.steps.find(({ label }) => label === "Reference evapotranspiration")?.value ?? NaN;
    expect(plan?.demandMm).toBeCloseTo(et0 * 1.05, 9);
    expect(plan?.solarOutsideMjM2).toBeGreaterThan(5);
    expect(inputs.find((input) => input.name === "Solar radiation outside")?.origins).toEqual([
      { kind: "imported", hours: 24 },
    ]);
    expect(inputs.find((input) => input.name === "Wetted share of the ground")?.origins).toEqual([{ kind: "default" }]);
    const board = await call("GET", "/api/board?date=2026-06-20");
    expect(board.body["zones"]).toMatchObject([
      { run: { litres: plan?.litres }, roots: { kind: "stored", system: "soil-drip" } },
    ]);
  });
});

describe("a day far away", () => {
  it.each(["2000-01-01", "2099-12-31"])("is answered at once for %s, with nothing made up", async (date) => {
    const { call } = await withSite();
    await call("POST", "/api/zones", zone);
    expect((await call("GET", `/api/board?date=${date}`)).body["zones"]).toMatchObject([
      { missing: "not-planted", run: null },
    ]);
    // A planting of long ago is over: its root zone is not followed through the years.
    await call("PUT", "/api/zones/1", {
      ...zone,
      version: 1,
      plantings: [{ cropId: "courgette", plantedOn: "2001-05-01", clearedOn: null, signs: [] }],
    });
    expect((await call("GET", "/api/board")).body["zones"]).toMatchObject([{ missing: "not-planted" }]);
  });
});

describe("the data folder", () => {
  it("belongs to one process at a time", async () => {
    const folder = newFolder();
    const server = await testServer({ folder });
    expect(() => lockFolder(folder)).toThrow(FolderInUseError);
    await server.stop();
    lockFolder(folder)();
  });

  it("holds all of an import or nothing after a crash in the middle of it, and starts again at once", async () => {
    for (const patienceMs of [5, 60, 140]) {
      const folder = newFolder();
      const prepared = await withSite({ folder });
      const file = sampleFile("weather-iso.csv");
      const { newValues } = (await prepared.answerTo(previewWeather, { body: file })).stored;
      await prepared.stop();
      await crashWhileImporting(folder, file, patienceMs);
      const after = await testServer({ folder });
      const { n } = (await after.db("weather_reading").count<{ n: number }[]>("* as n").first()) ?? { n: -1 };
      expect([0, newValues]).toContain(n);
      expect(await after.db.raw("PRAGMA integrity_check")).toEqual([{ integrity_check: "ok" }]);
      await after.stop();
    }
  });

  it("keeps every reading that was acknowledged through kills, and of the last one all or nothing", async () => {
    const folder = newFolder();
    const prepared = await withSite({ folder });
    await prepared.call("POST", "/api/zones", bags);
    await prepared.stop();
    const acknowledged: string[] = [];
    // Forty of them, with several who write at once, are tried by `npm run proof kills`.
    for (let kill = 0; kill < KILLS; kill++) {
      const { child, url } = await served(folder);
      const gone = new Promise((resolve) => child.once("exit", resolve));
      for (let at = 0; ; at++) {
        const moment = new Date(Date.UTC(2026, 0, 1 + kill, 0, at)).toISOString();
        const answer = await fetch(`${url}/api/zones/1/readings`, {
          method: "POST",
          body: JSON.stringify({ at: moment, drainPct: 20, drainEcMsCm: 3, feedEcMsCm: 2.4 }),
          headers: { "Content-Type": "application/json" },
        }).catch(() => null);
        if (!answer) break;
        expect(answer.status).toBe(201);
        acknowledged.push(moment);
        // Somewhere in the midst of what follows.
        if (at === 4 + kill) setTimeout(() => child.kill("SIGKILL"), (7 * kill) % 23);
      }
      await gone;
    }
    const after = await testServer({ folder });
    const counts = await after.db.raw<{ at_ms: number; n: number }[]>(
      "SELECT at_ms, COUNT(*) AS n FROM zone_reading GROUP BY at_ms",
    );
    const stored = new Map(counts.map((row) => [new Date(row.at_ms).toISOString(), row.n]));
    expect(acknowledged.length).toBeGreaterThan(5 * KILLS - 1);
    expect(acknowledged.filter((moment) => stored.get(moment) !== 3)).toEqual([]);
    // What was not acknowledged is there whole, or not at all.
    expect([...stored.values()].filter((n) => n !== 3)).toEqual([]);
    expect(stored.size - acknowledged.length).toBeLessThanOrEqual(KILLS);
    expect(await after.db.raw("PRAGMA integrity_check")).toEqual([{ integrity_check: "ok" }]);
  });
});

const KILLS = 3;

/** Runs a server in a process of its own, sends it an import, and kills it. */
async function crashWhileImporting(folder: string, file: object, patienceMs: number): Promise<void> {
  const { child, url } = await served(folder);
  const request = fetch(`${url}/api/weather/imports`, {
    method: "POST",
    body: JSON.stringify(file),
    headers: { "Content-Type": "application/json" },
  }).catch(() => null);
  await new Promise((resolve) => setTimeout(resolve, patienceMs));
  const gone = new Promise((resolve) => child.once("exit", resolve));
  child.kill("SIGKILL");
  await Promise.all([gone, request]);
}

/** A server in a process of its own, of built code. */
async function served(folder: string) {
  const main = fileURLToPath(new URL("../dist/main.js", import.meta.url));
  const child = spawn(process.execPath, [main], {
    env: { ...process.env, SPRUNEL_DATA: folder, PORT: "0", SPRUNEL_LOG: "silent" },
    stdio: ["ignore", "pipe", "inherit"],
  });
  const url = await new Promise<string>((resolve) => {
    child.stdout.on("data", (chunk: Buffer) => {
      const found = /http:\S+/.exec(chunk.toString());
      if (found) resolve(found[0]);
    });
  });
  return { child, url };
}
