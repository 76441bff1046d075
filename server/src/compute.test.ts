import { describe, expect, it } from "vitest";
import { testServer } from "./testing/test-server.ts";

const lateral = {
  lengthM: 100,
  insideDiameterMm: 16,
  emitterSpacingM: 0.5,
  emitter: { flowLh: 2, atKpa: 100, exponent: 0.5, cv: 0.05 },
  inletKpa: 100,
};
const dayPlan = {
  pump: { maxLh: 10_000 },
  mixers: [{ id: "m", maxLh: 10_000 }],
  zones: [
    {
      id: "a",
      litres: 1000,
      flowLh: 4000,
      recipeId: "r",
      windows: [{ start: "08:00", end: "12:00:30" }],
      pulses: 2,
      minGapMin: 10,
      priority: 1,
    },
  ],
};
const zoneWater = {
  ...{ system: "substrate", date: "2026-06-15", areaM2: 1000, plants: 2000, zoneFlowLh: 4000, uniformityPct: 92 },
  ...{ demandMm: 4.2, substrate: { waterHeldLPlant: 6, pulseSharePct: 4, drainTargetPct: 30 }, minGapMin: 10 },
  window: { start: "07:00", end: "18:00" },
};
const GOOD: Record<string, object> = {
  lateral,
  "zone-water": zoneWater,
  uniformity: { catchesMl: [10, 11, 9, 10], minutes: 2 },
  "day-plan": dayPlan,
  "root-zone": {
    zone: {
      system: "substrate",
      areaM2: 200,
      plants: 500,
      uniformityPct: 90,
      waterHeldLPlant: 4,
      easilyAvailablePct: 50,
    },
    crop: { depletionFraction: 0.5 },
    hours: Array.from({ length: 10_000 }, (_, at) => ({
      demandMm: 0.123456789,
      rainMm: 0,
      waterMm: at % 3,
      ecMsCm: 2.123456,
    })),
  },
  demand: {
    method: "baille",
    date: "2026-06-15",
    latitudeDeg: 43.4,
    longitudeDeg: -1.5,
    elevationM: 60,
    timeZone: "Europe/Paris",
    transmissionPct: 65,
    leafAreaIndex: 3,
    hours: Array.from({ length: 24 }, (_, hour) => ({
      hour,
      solarMjM2: hour > 6 && hour < 20 ? 1.5 : 0,
      airC: 22,
      rhPct: 60,
    })),
  },
  "dose-need": {
    yieldTHa: 80,
    removalKgT: { N: 2.6, P: 0.45, K: 4 },
    efficiencyPct: { N: 80, P: 100, K: 90 },
    credits: { water: { mm: 400, no3NMgL: 5 } },
  },
  "dose-calendar": {
    toGiveKgHa: { N: 120, P: 0, K: 150 },
    areaM2: 500,
    plants: 1000,
    schedule: { kind: "equal", dates: ["2026-05-01", "2026-05-15"] },
    products: [{ id: "potassium-nitrate" }, { id: "calcium-nitrate" }, { id: "potassium-sulphate" }],
    largestNKgHa: 40,
    shortestDays: 5,
  },
  "stage-dates": {
    startOn: "2026-04-01",
    stages: [
      { id: "grow", driver: { kind: "thermal", degreeDays: 20, baseC: 10 } },
      { id: "bloom", driver: { kind: "days", days: 3 } },
    ],
    days: ["01", "02", "03", "04"].map((day) => ({ date: `2026-04-${day}`, tMinC: 12, tMaxC: 24 })),
  },
  acid: { alkalinityMmolL: 4, ph: 7.4, acid: "HNO3", targetPh: 5.8 },
};

describe("the compute API of lines and days", () => {
  it.each(Object.entries(GOOD))("answers %s with its working", async (name, body) => {
    const { call } = await testServer();
    const answer = await call("POST", `/api/compute/${name}`, body);
    expect(answer.status).toBe(200);
    expect((answer.body["working"] as object[]).length).toBeGreaterThan(1);
    expect(answer.body["warnings"]).toBeInstanceOf(Array);
  });

  it.each(
    Object.keys(GOOD).flatMap((name) => ["", "null", "[]", "{", '"text"', "{}"].map((body) => [name, body] as const)),
  )("refuses %s with a body of %j in its own words", async (name, body) => {
    const { call } = await testServer();
    const answer = await call("POST", `/api/compute/${name}`, body);
    expect([answer.status, answer.type]).toEqual([422, expect.stringContaining("application/problem+json")]);
    expect(answer.body.errors?.length).toBeGreaterThan(0);
    expect(JSON.stringify(answer.body)).not.toMatch(/zod|invalid_type|expected/i);
  });

  it("takes times of the day as people write them, and gives them back so", async () => {
    const { call } = await testServer();
    const zones = dayPlan.zones.map((zone) => ({ ...zone, windows: [{ start: "08:00", end: "12:00:00" }] }));
    const day = await call("POST", "/api/compute/day-plan", { ...dayPlan, zones });
    // 500 L at 4000 L/h run 7 min 30 s, their middles at a quarter and three quarters of four hours.
    expect(day.body["events"]).toMatchObject([
      { start: "08:56:15", end: "09:03:45" },
      { start: "10:56:15", end: "11:03:45" },
    ]);
    const water = await call("POST", "/api/compute/zone-water", zoneWater);
    // 6 L/m² on 1000 m² in 13 pulses, the first with the window.
    expect(water.body["events"]).toHaveLength(13);
    expect((water.body["events"] as object[])[0]).toEqual({
      start: "07:00:00",
      minutes: expect.closeTo(90 / 13, 9) as number,
      litres: expect.closeTo(6000 / 13, 6) as number,
    });
  });

  it("tells how long a day is, and refuses a place that is not on earth", async () => {
    const { call } = await testServer();
    const day = { latitudeDeg: 0, longitudeDeg: 0, date: "2026-03-20", twilight: "none" };
    const { status, body } = await call("POST", "/api/compute/day-length", day);
    expect([status, body["polar"]]).toEqual([200, null]);
    expect(body["dayLengthH"]).toBeCloseTo(12 + 6.5 / 60, 1);
    const wrong = await call("POST", "/api/compute/day-length", { ...day, latitudeDeg: 95, twilight: "nautical" });
    expect([wrong.status, wrong.body.errors?.map(({ path }) => path)]).toEqual([422, ["twilight"]]);
    const off = await call("POST", "/api/compute/day-length", { ...day, latitudeDeg: 95 });
    expect([off.status, off.body.errors?.map(({ path }) => path)]).toEqual([422, ["latitudeDeg"]]);
  });

  it.each([
    ["lateral", { ...lateral, lengthM: -5 }, "lengthM"],
    ["lateral", { ...lateral, emitter: { ...lateral.emitter, exponent: 3 } }, "emitter.exponent"],
    ["lateral", { ...lateral, colour: "blue" }, "colour"],
    ["uniformity", { catchesMl: [1, 2, 3, "4"], minutes: 2 }, "catchesMl.3"],
    [
      "day-plan",
      { ...dayPlan, zones: [{ ...dayPlan.zones[0], windows: [{ start: "8", end: "9" }] }] },
      "zones.0.windows.0.start",
    ],
    ["day-plan", { ...dayPlan, mixers: [] }, "mixers"],
    ["day-plan", { ...dayPlan, tariff: [{ start: "08:00", end: "24:01", pricePerKwh: 1 }] }, "tariff.0.end"],
    ["zone-water", { ...zoneWater, window: { start: "7 am", end: "18:00" } }, "window.start"],
    ["zone-water", { ...zoneWater, window: { start: "18:00", end: "07:00" } }, "window.end"],
  ])("names what is wrong in %s by its path", async (name, body, path) => {
    const { call } = await testServer();
    const answer = await call("POST", `/api/compute/${name}`, body);
    expect([answer.status, answer.body.errors?.map((error) => error.path)]).toEqual([
      422,
      expect.arrayContaining([path]),
    ]);
  });
});
