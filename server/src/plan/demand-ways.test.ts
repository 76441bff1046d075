import { getDemandWays, getZoneDay } from "@sprunel/contract/plan";
import { describe, expect, it } from "vitest";
import { bags, sampleFile, site, testServer } from "../testing/test-server.ts";

/** Melons in bags, 3.5 L/m² a day given and a fifth of it drained, over eighteen days. */
async function metered() {
  const { answerTo, call } = await testServer({ now: "2026-07-09T16:00:00Z" });
  await call("POST", "/api/site", site);
  await call("POST", "/api/zones", { ...bags, plantings: [{ ...bags.plantings[0], plantedOn: "2026-06-02" }] });
  await call("POST", "/api/weather/imports", sampleFile("weather-iso.csv"));
  for (let day = 10; day < 28; day++) {
    await call("POST", "/api/waterings", {
      waterings: [{ zoneId: 1, startUtc: `2026-06-${day}T08:00:00Z`, minutes: 30, litres: 350 }],
    });
    const read = await call("POST", "/api/zones/1/readings", { at: `2026-06-${day}T15:00:00Z`, drainPct: 20 });
    expect(read.status).toBeLessThan(300);
  }
  const ways = async () => await answerTo(getDemandWays, { params: { id: 1 }, query: { date: "2026-06-28" } });
  const demandMm = async (): Promise<number> =>
    (await answerTo(getZoneDay, { params: { id: 1 }, query: { date: "2026-06-28" } })).plan?.demandMm ?? NaN;
  return { call, ways, demandMm };
}

describe("the ways to a zone's demand", () => {
  it("are compared with what its plants took up, and one is put in force, fitted or not", async () => {
    const { call, ways, demandMm } = await metered();
    const first = await ways();
    expect(first).toMatchObject({ usual: "baille", choice: null, meteredDays: 18 });
    const of = (name: string) => first.ways.find(({ method }) => method === name);
    expect(of("baille")?.demandMm).toBeCloseTo(await demandMm(), 9);
    // 2.8 L/m² a day were taken up: bias and factor are two faces of one sum
    const { biasPct, factor } = of("big-leaf") ?? {};
    expect((1 + (biasPct ?? NaN) / 100) * (factor ?? NaN)).toBeCloseTo(1, 9);
    const choice = { method: "big-leaf", fittedFactor: factor };
    const chosen = await call("PUT", "/api/zones/1/demand-way", { version: first.version, choice });
    expect([chosen.status, chosen.body["choice"]]).toEqual([200, choice]);
    expect(await demandMm()).toBeCloseTo((of("big-leaf")?.demandMm ?? NaN) * (factor ?? NaN), 9);
    await call("PUT", "/api/zones/1/demand-way", { version: first.version + 1, choice: null });
    expect(await demandMm()).toBeCloseTo(of("baille")?.demandMm ?? NaN, 9);
  });

  it("refuse one that lacks its figure, and a zone that somebody else has changed", async () => {
    const { call, ways } = await metered();
    const { version } = await ways();
    const lacking = await call("PUT", "/api/zones/1/demand-way", { version, choice: { method: "own" } });
    expect([lacking.status, lacking.body.errors?.[0]?.message]).toEqual([
      422,
      "Your own figure is needed here; give 0 to 30 L/m² in a day.",
    ]);
    const own = { method: "own", ownMm: 3.1 };
    expect((await call("PUT", "/api/zones/1/demand-way", { version: version + 7, choice: own })).status).toBe(409);
    expect((await ways()).choice).toBeNull();
  });
});
