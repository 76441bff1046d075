import { getRecipes } from "@sprunel/contract/feed";
import { describe, expect, it } from "vitest";
import { site, testServer, zone, type TestServer } from "../testing/test-server.ts";

const target = { ions: { K: 4, NO3: 8.4, NH4: 0.4, Ca: 2 }, ph: 6 };
const wishes = { nh4ShareMostPct: null, limits: {}, locks: {} };
const keyOf = (n: number): string => `8d6f1c3e-5a4b-4c2d-9e8f-0a1b2c3d4e${n.toString(16).padStart(2, "0")}`;

async function fed(): Promise<TestServer> {
  const server = await testServer();
  const { call } = server;
  await call("POST", "/api/site", site);
  await call("POST", "/api/zones", zone);
  await call("POST", "/api/zones", { ...zone, name: "Tunnel 2" });
  await call("POST", "/api/water-reports", {
    sourceName: "Well",
    takenOn: "2026-06-01",
    ions: {},
    ph: 7,
    ecMsCm: null,
  });
  await call("PUT", "/api/shelf/potassium-nitrate", { priceKg: 1.5, stockKg: 10, version: null });
  await call("PUT", "/api/shelf/calcium-nitrate", { priceKg: 0.5, stockKg: 10, version: null });
  return server;
}
const recipes = (body: unknown) => getRecipes.answer.parse(body).recipes;
const linesOf = async (server: TestServer): Promise<Record<string, unknown>[]> =>
  (await (await fetch(`${server.url}/api/feed-costs`)).text())
    .trim()
    .split("\n")
    .map((line) => JSON.parse(line) as Record<string, unknown>);

describe("kept recipes", () => {
  it("count their versions under one name, hold what was solved, and a second sending is no second version", async () => {
    const { call } = await fed();
    const keep = (n: number, K: number) =>
      call("POST", "/api/zones/1/recipes", {
        key: keyOf(n),
        name: "Fruit",
        target: { ...target, ions: { ...target.ions, K } },
        wishes,
      });
    await keep(1, 4);
    await keep(1, 4);
    const { status, body } = await keep(2, 5);
    expect(status).toBe(201);
    expect(recipes(body).map(({ version }) => version)).toEqual([2, 1]);
    expect(recipes(body)[1]?.result).toMatchObject({ status: "met", delivered: { ions: { K: expect.closeTo(4, 1) } } });
  });

  it("say which zones ask for the same now, and are taken over whole or, by an old version, not at all", async () => {
    const { call } = await fed();
    await call("POST", "/api/zones/1/recipes", {
      key: keyOf(1),
      name: "Fruit",
      target,
      wishes: { ...wishes, limits: { Na: 3 } },
    });
    const taken = await call("PUT", "/api/zones/2/recipe", { recipeId: 1, targetVersion: null, settingsVersion: null });
    expect(recipes(taken.body)[0]?.usedBy.map(({ name }) => name)).toEqual(["Tunnel 2"]);
    const stale = await call("PUT", "/api/zones/2/recipe", { recipeId: 1, targetVersion: 1, settingsVersion: null });
    expect(stale.status).toBe(409);
    expect((await call("GET", "/api/zones/2/feed")).body).toMatchObject({
      own: { ions: target.ions },
      settings: { wishes: { limits: { Na: 3 } } },
    });
    await call("PUT", "/api/zones/2/feed-target", { ...target, ph: 5.5, version: 1 });
    expect(recipes((await call("GET", "/api/recipes")).body)[0]?.usedBy).toEqual([]);
  });

  it("cannot be kept of nothing", async () => {
    const { call } = await testServer();
    await call("POST", "/api/site", site);
    await call("POST", "/api/zones", zone);
    const { status, body } = await call("POST", "/api/zones/1/recipes", {
      key: keyOf(1),
      name: "Fruit",
      target,
      wishes,
    });
    expect([status, body.errors?.[0]?.message]).toEqual([422, expect.stringContaining("nothing on the shelf")]);
  });
});

describe("the cost of all feeds", () => {
  it("follows a price, and tells what stands on the shelf", async () => {
    const server = await fed();
    await server.call("PUT", "/api/zones/1/feed-target", { ...target, version: null });
    const cost = async (): Promise<number> => {
      const last = (await linesOf(server)).at(-1) as { zones: { costPerM3: number }[]; stockKg: object };
      expect(last.stockKg).toEqual({ "potassium-nitrate": 10, "calcium-nitrate": 10 });
      return last.zones[0]?.costPerM3 ?? NaN;
    };
    const before = await cost();
    await server.call("PUT", "/api/shelf/potassium-nitrate", { priceKg: 2.5, stockKg: 10, version: 1 });
    // 4 mmol of potassium nitrate in a litre are 413 g/m³ as sold (98 %).
    expect((await cost()) - before).toBeCloseTo(0.413, 2);
  });

  it("refuses a date that is a typing error", async () => {
    const { call } = await fed();
    const { status, body } = await call("GET", "/api/feed-costs?date=9026-06-20");
    expect([status, body.errors?.[0]?.path]).toEqual([422, "date"]);
  });
});
