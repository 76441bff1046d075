import { previewWater } from "@sprunel/contract/exchange";
import { getProducts, getZoneFeed, getFeedStation } from "@sprunel/contract/feed";
import { describe, expect, it } from "vitest";
import { bags, sampleFile, site, testServer, zone, type TestServer } from "../testing/test-server.ts";

async function fed(): Promise<TestServer> {
  const server = await testServer();
  await server.call("POST", "/api/site", site);
  await server.call("POST", "/api/zones", zone);
  await server.call("PUT", "/api/shelf/potassium-nitrate", { priceKg: 1.3, stockKg: 100, version: null });
  return server;
}
const mix = (key: string, kg: number) => ({
  key,
  mixedAt: "2026-06-19T08:30:00Z",
  lines: [{ productId: "potassium-nitrate", tankId: "A", kg }],
});
const stock = (body: unknown): number | null | undefined => getZoneFeed.answer.parse(body).shelf[0]?.stockKg;

describe("the compute API of feeds", () => {
  it("makes a recipe of library products named by their id, and lists the library", async () => {
    const { answerTo, call } = await testServer();
    const { products } = await answerTo(getProducts);
    expect(products.length).toBeGreaterThanOrEqual(25);
    expect(products.every((product) => product.compositionSource !== "")).toBe(true);
    const question = {
      water: { ions: {}, ph: 7 },
      target: { ions: { K: 4, NO3: 4 } },
      products: [{ id: "potassium-nitrate" }],
    };
    const { status, body } = await call("POST", "/api/compute/recipe", question);
    expect([status, body["status"]]).toEqual([200, "met"]);
    expect(body["lines"]).toMatchObject([
      { productId: "potassium-nitrate", tankId: "A", gM3: expect.closeTo((4 * 101.1) / 0.98, 0) },
    ]);
  });

  it("answers a recipe that has no exact solution with 200 and the reason", async () => {
    const { call } = await testServer();
    const question = {
      water: { ions: { Na: 8, Cl: 8 }, ph: 7 },
      target: { ions: { K: 4, NO3: 4 } },
      limits: { Na: 3 },
      products: [{ id: "potassium-nitrate" }],
    };
    const { status, body } = await call("POST", "/api/compute/recipe", question);
    expect([status, body["status"]]).toEqual([200, "infeasible"]);
  });

  it.each([
    ["/api/compute/recipe", { products: [{ id: "potassium-nitrate", name: "x" }] }, "products.0.form"],
    ["/api/compute/recipe", { products: "all" }, "products"],
    ["/api/compute/recipe", { target: { ions: { Unobtainium: 3 } } }, "target.ions.Unobtainium"],
    ["/api/compute/recipe", { target: { ions: { K: -3 } } }, "target.ions.K"],
    ["/api/compute/acid", { alkalinityMmolL: 4, ph: 7.4, acid: "HCl", targetPh: 5.8 }, "acid"],
    ["/api/compute/acid", { alkalinityMmolL: 4, ph: 7.4, acid: "HNO3" }, "targetPh"],
  ])("refuses bad input at %s by its path", async (path, change, at) => {
    const { call } = await testServer();
    const whole = path.endsWith("recipe")
      ? { water: { ions: {} }, target: { ions: { K: 1 } }, products: [{ id: "potassium-nitrate" }], ...change }
      : change;
    const { status, body } = await call("POST", path, whole);
    expect(status).toBe(422);
    expect(body.errors?.map((error) => error.path)).toContain(at);
  });
});

describe("the tanks of all zones", () => {
  const tankA = async ({ answerTo }: TestServer, date?: string) => {
    const { zones } = await answerTo(getFeedStation, { query: { date } });
    return zones[0]?.tanks[0];
  };
  const given = (at: string, litres: number) => ({
    zone_id: 1,
    start_ms: Date.parse(at),
    minutes: 30,
    litres,
    source: "controller",
  });

  it("stand at what was mixed less what the feed given since has drawn, and at nothing known before the first mix", async () => {
    const server = await fed();
    await server.call("PUT", "/api/zones/1/feed-target", { ions: { K: 4, NO3: 4 }, ph: 5.8, version: null });
    expect(await tankA(server)).toMatchObject({ id: "A", mixed: null, levelL: null, daysLeft: null });
    await server.db("watering").insert(given("2026-06-20T05:00:00Z", 9000));
    const levels = [{ tankId: "A", litres: 150 }];
    await server.call("POST", "/api/zones/1/mixes", { ...mix("8d6f1c3e-5a4b-4c2d-9e8f-0a1b2c3d4e5f", 12), levels });
    await server.db("mix").update({ mixed_at_ms: Date.parse("2026-06-20T06:00:00Z") });
    await server.db("watering").insert(given("2026-06-20T07:00:00Z", 3000));
    expect(await tankA(server)).toMatchObject({
      levelL: expect.closeTo(150 - 3000 / 100, 9),
      mixed: { levelL: 150, assumedFull: false, givenL: 3000 },
    });
    expect(await tankA(server, "2026-06-19")).toMatchObject({ mixed: null });
  });

  it("count as full after a mix that says nothing of their level, and tell so", async () => {
    const server = await fed();
    await server.call("PUT", "/api/zones/1/feed-target", { ions: { K: 4, NO3: 4 }, ph: 5.8, version: null });
    await server.call("POST", "/api/zones/1/mixes", mix("8d6f1c3e-5a4b-4c2d-9e8f-0a1b2c3d4e5f", 12));
    await server.db("mix").update({ mixed_at_ms: Date.parse("2026-06-20T06:00:00Z"), levels: null });
    expect(await tankA(server)).toMatchObject({ levelL: 200, mixed: { levelL: 200, assumedFull: true } });
  });

  it("are not listed of a zone that has nothing to be fed", async () => {
    const server = await testServer();
    await server.call("POST", "/api/site", site);
    await server.call("POST", "/api/zones", { ...zone, plantings: [] });
    expect((await server.call("GET", "/api/feed")).body).toMatchObject({ zones: [], shelf: [] });
  });
});

describe("mixing", () => {
  it("draws the shelf down once for one mix, however often it is sent", async () => {
    const { call } = await fed();
    const one = mix("8d6f1c3e-5a4b-4c2d-9e8f-0a1b2c3d4e5f", 12.5);
    expect(stock((await call("POST", "/api/zones/1/mixes", one)).body)).toBeCloseTo(87.5, 9);
    const again = await call("POST", "/api/zones/1/mixes", one);
    expect(stock(again.body)).toBeCloseTo(87.5, 9);
    expect(again.body["mixes"]).toMatchObject([{ lines: one.lines }]);
  });

  it("is refused of a product that nobody knows, or of a time to come, and draws nothing down", async () => {
    const { call } = await fed();
    const one = mix("8d6f1c3e-5a4b-4c2d-9e8f-0a1b2c3d4e61", 12.5);
    const unknown = { ...one, lines: [...one.lines, { productId: "moon-dust", tankId: "A", kg: 1 }] };
    const answer = await call("POST", "/api/zones/1/mixes", unknown);
    expect([answer.status, answer.body.errors?.[0]?.path]).toEqual([422, "lines.1.productId"]);
    const early = await call("POST", "/api/zones/1/mixes", { ...one, mixedAt: "2026-07-01T08:00:00Z" });
    expect([early.status, early.body.errors?.[0]?.path]).toEqual([422, "mixedAt"]);
    expect(stock((await call("GET", "/api/zones/1/feed")).body)).toBe(100);
  });

  it("is not undone by a price that was typed meanwhile: the older edit is refused with the newer stock", async () => {
    const { call } = await fed();
    await call("POST", "/api/zones/1/mixes", mix("8d6f1c3e-5a4b-4c2d-9e8f-0a1b2c3d4e62", 5));
    const price = (version: number) =>
      call("PUT", "/api/shelf/potassium-nitrate", { priceKg: 9, stockKg: 100, version });
    const refused = await price(1);
    expect([refused.status, refused.body["current"]]).toMatchObject([409, { stockKg: 95, version: 2 }]);
    expect((await price(2)).status).toBe(200);
  });

  it("draws nothing down that nobody counts", async () => {
    const { call } = await fed();
    await call("PUT", "/api/shelf/potassium-nitrate", { priceKg: 1.3, stockKg: null, version: 1 });
    const answer = await call("POST", "/api/zones/1/mixes", mix("8d6f1c3e-5a4b-4c2d-9e8f-0a1b2c3d4e63", 5));
    expect([answer.status, stock(answer.body)]).toEqual([201, null]);
  });

  it("never shows less than nothing on the shelf", async () => {
    const { call } = await fed();
    expect(
      stock((await call("POST", "/api/zones/1/mixes", mix("8d6f1c3e-5a4b-4c2d-9e8f-0a1b2c3d4e60", 130))).body),
    ).toBe(0);
  });
});

describe("a bag of one's own", () => {
  const bag = {
    name: "Grade 20-20-20",
    form: "solid",
    isAcid: false,
    isChelate: false,
    densityKgL: null,
    solubilityGL: 400,
    label: { nitrateN: 13.7, K2O: 46.3 },
  };

  it("goes onto the shelf by its label and into recipes like any other", async () => {
    const { answerTo, call } = await fed();
    expect((await call("POST", "/api/own-products", bag)).status).toBe(201);
    const { shelf } = await answerTo(getZoneFeed, { params: { id: 1 } });
    const own = shelf.find(({ product }) => product.id === "own-1");
    expect(own?.product.composition["K"]).toBeCloseTo(9.83, 2);
    expect((await call("PUT", "/api/shelf/own-1", { priceKg: 1.1, stockKg: 25, version: 1 })).status).toBe(200);
  });

  it.each([
    [{ nitrateN: 60, K2O: 50 }, "label"],
    [{ ammoniumN: 8, P2O5: 12, K2O: 30 }, "label"],
    [{ K2O: 40, K: 33 }, "label.K"],
    [{ K2O: 140 }, "label.K2O"],
  ])("is refused when its label %j cannot be true", async (label, path) => {
    const { call } = await fed();
    const answer = await call("POST", "/api/own-products", { ...bag, label });
    expect([answer.status, answer.body.errors?.[0]?.path]).toEqual([422, path]);
    expect((await call("GET", "/api/zones/1/feed")).body["shelf"]).toHaveLength(1);
  });
});

describe("a target of one's own", () => {
  it("stands over the library's until dropped, and refuses a stale edit", async () => {
    const { call } = await fed();
    const own = { ions: { K: 4, NO3: 4 }, ph: 5.8 };
    expect((await call("GET", "/api/zones/1/feed")).body).toMatchObject({ own: null, library: { assumed: true } });
    expect((await call("PUT", "/api/zones/1/feed-target", { ...own, version: null })).body["own"]).toMatchObject({
      ...own,
      version: 1,
    });
    expect((await call("PUT", "/api/zones/1/feed-target", { ...own, version: null })).status).toBe(409);
    expect((await call("DELETE", "/api/zones/1/feed-target")).body["own"]).toBeNull();
  });

  it("is made of the newest water report that is not from later", async () => {
    const { call } = await fed();
    const report = (takenOn: string, Ca: number) => ({
      sourceName: "Well",
      takenOn,
      ions: { Ca, HCO3: 2 * Ca },
      ph: 7.4,
      ecMsCm: null,
    });
    for (const [on, calcium] of [
      ["2026-05-01", 1],
      ["2026-06-01", 2],
      ["2026-09-01", 3],
    ] as const)
      await call("POST", "/api/water-reports", report(on, calcium));
    expect((await call("GET", "/api/zones/1/feed?date=2026-06-20")).body["water"]).toMatchObject({
      ions: { Ca: 2 },
    });
    expect((await call("GET", "/api/zones/1/feed?date=2026-06-20")).body["waters"]).toMatchObject([
      { name: "Well", sharePct: 100, takenOn: "2026-06-01" },
    ]);
  });
});

describe("readings at the drain", () => {
  it("count from the moment they are logged, and no more once struck out; they are never erased", async () => {
    const { call } = await testServer();
    await call("POST", "/api/site", site);
    await call("POST", "/api/zones", bags);
    const at = "2026-06-20T07:30:00.000Z";
    const logged = await call("POST", "/api/zones/1/readings", {
      at,
      drainPct: 12,
      drainEcMsCm: 4.3,
      feedEcMsCm: 2.3,
      drainPh: 6.9,
    });
    expect(logged.body["readings"]).toMatchObject([{ at, drainPct: 12, struck: null }]);
    await call("POST", "/api/zones/1/strikes", { at, reason: "tray had moved" });
    expect((await call("GET", "/api/zones/1/roots")).body["readings"]).toMatchObject([
      { at, drainPct: 12, struck: "tray had moved" },
    ]);
    expect((await call("POST", "/api/zones/1/strikes", { at: "2026-06-19T07:30:00Z", reason: "x" })).status).toBe(404);
  });

  it.each([
    ["nothing read", {}, ""],
    ["an impossible pH", { drainPh: 14 }, "drainPh"],
    ["a reading of tomorrow", { drainPct: 20, at: "2026-06-21T07:30:00Z" }, "at"],
  ])("are refused with %s", async (_what, values, path) => {
    const { call } = await testServer();
    await call("POST", "/api/site", site);
    await call("POST", "/api/zones", bags);
    const { status, body } = await call("POST", "/api/zones/1/readings", { at: "2026-06-20T07:30:00Z", ...values });
    expect([status, body.errors?.[0]?.path]).toEqual([422, path]);
  });
});

describe("a lab file", () => {
  const file = (name: string, more: object = {}) => {
    const { fileName, contentBase64 } = sampleFile(name);
    return { fileName, contentBase64, ...more };
  };

  it("is stored as its preview said, once; an impossible report only when a person insists", async () => {
    const { call } = await fed();
    const fates = (body: unknown): string[] => previewWater.answer.parse(body).samples.map(({ fate }) => fate);
    expect(fates((await call("POST", "/api/water/imports", file("water-mgl.csv"))).body)).toEqual([
      "stored",
      "stored",
      "stored",
      "stored",
      "stored",
    ]);
    expect(fates((await call("POST", "/api/water/imports", file("water-mgl.csv"))).body)).toEqual(
      Array(5).fill("already-there"),
    );
    expect(fates((await call("POST", "/api/water/previews", file("water-unbalanced.csv"))).body)).toEqual(["refused"]);
    expect(
      fates((await call("POST", "/api/water/previews", file("water-unbalanced.csv", { insist: [5] }))).body),
    ).toEqual(["stored"]);
    expect(((await call("GET", "/api/water-reports")).body["reports"] as object[]).length).toBe(5);
  });

  it("offers the correction of a slip of ten and takes it only when agreed to", async () => {
    const { call } = await fed();
    const third = async (more: object) =>
      (
        (await call("POST", "/api/water/previews", file("water-slip.csv", more))).body["samples"] as Record<
          string,
          unknown
        >[]
      )[2];
    expect(await third({})).toMatchObject({ fate: "refused", check: { slip: { ion: "Ca", factor: 0.1 } } });
    expect(await third({ acceptOffers: [5] })).toMatchObject({
      fate: "stored",
      ions: { Ca: expect.closeTo(2.889, 2) },
      check: { verdict: "good" },
    });
  });
});
