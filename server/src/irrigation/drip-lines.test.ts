import { describe, expect, it } from "vitest";
import { site, testServer, zone } from "../testing/test-server.ts";

const lines = {
  laterals: 10,
  lengthM: 50,
  insideDiameterMm: 14,
  emitterSpacingM: 0.3,
  emitterLh: 1.6,
  emitterKpa: 100,
  exponent: 0.5,
  cv: 0.05,
  inletKpa: 100,
  slopePct: 0,
  main: null,
};
const test = {
  key: "8d6f1c3e-5a4b-4c2d-9e8f-0a1b2c3d4e5f",
  testedOn: "2026-06-19",
  minutes: 5,
  catchesMl: [
    [100, 90],
    [80, 95],
  ],
};

async function withZone() {
  const server = await testServer();
  await server.call("POST", "/api/site", site);
  await server.call("POST", "/api/zones", zone);
  return server;
}

describe("a zone's lines", () => {
  it("are kept at a version, and a stale edit shows the newer ones", async () => {
    const { call } = await withZone();
    expect((await call("PUT", "/api/zones/1/lines", { ...lines, version: null })).body["lines"]).toMatchObject({
      version: 1,
    });
    expect((await call("PUT", "/api/zones/1/lines", { ...lines, lengthM: 60, version: null })).status).toBe(409);
    expect((await call("PUT", "/api/zones/1/lines", { ...lines, lengthM: 0, version: 1 })).body.errors?.[0]?.path).toBe(
      "lengthM",
    );
  });

  it("show what the meter says over the last week", async () => {
    const { call, db } = await withZone();
    expect((await call("GET", "/api/zones/1/lines")).body["meteredLh"]).toBeNull();
    await db("watering").insert({
      zone_id: 1,
      start_ms: Date.parse("2026-06-19T06:00:00Z"),
      minutes: 30,
      litres: 1700,
      source: "controller",
    });
    expect((await call("GET", "/api/zones/1/lines")).body).toMatchObject({ meteredLh: 3400, flowLh: 4000 });
  });

  it("keep a catch-can test once, as it was laid out, and strike it out with a reason", async () => {
    const { call } = await withZone();
    await call("POST", "/api/zones/1/catch-tests", test);
    expect((await call("POST", "/api/zones/1/catch-tests", test)).body["tests"]).toMatchObject([
      { catchesMl: test.catchesMl, struck: null },
    ]);
    expect((await call("POST", "/api/zones/1/catch-tests/1/strikes", { reason: "wind" })).body["tests"]).toMatchObject([
      { struck: "wind" },
    ]);
    const ragged = {
      ...test,
      catchesMl: [
        [1, 2],
        [3, 4, 5],
      ],
    };
    expect((await call("POST", "/api/zones/1/catch-tests", ragged)).status).toBe(422);
    expect(
      (await call("POST", "/api/zones/1/catch-tests", { ...test, testedOn: "2026-07-01" })).body.errors?.[0]?.path,
    ).toBe("testedOn");
  });
});
