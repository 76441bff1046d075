import { getRootHistory } from "@sprunel/contract/rootzone";
import { describe, expect, it } from "vitest";
import { bags, sampleFile, site, testServer, zone } from "../testing/test-server.ts";

describe("the books of a root zone", () => {
  it.each([
    ["soil", zone],
    ["bags", bags],
  ])("of %s close for the day, the week and the planting, with what ran, rained and was read", async (_name, like) => {
    const { answerTo, call } = await testServer({ now: "2026-06-25T16:00:00Z" });
    await call("POST", "/api/site", site);
    const plantings = [{ cropId: "courgette", plantedOn: "2026-06-16", clearedOn: null, signs: [], targetPerM2: null }];
    await call("POST", "/api/zones", { ...like, plantings, house: { name: "In the open", transmissionPct: 100 } });
    await call("POST", "/api/weather/imports", sampleFile("weather-iso.csv"));
    await call("POST", "/api/waterings", {
      waterings: [{ zoneId: 1, startUtc: "2026-06-18T08:00:00Z", minutes: 30, litres: 700 }],
    });
    const { balances, mornings } = await answerTo(getRootHistory, {
      params: { id: 1 },
      query: { date: "2026-06-24" },
    });
    // A day without a log was given its plan; soil shows on each morning what it then got.
    if (like === zone) {
      const givenOn = (on: string) => mornings.find(({ date }) => date === on)?.givenMm ?? NaN;
      expect(givenOn("2026-06-18")).toBeCloseTo(700 / zone.definition.areaM2, 9);
      const planned = mornings.filter(({ date }) => date !== "2026-06-18");
      expect(planned.reduce((sum, { givenMm }) => sum + givenMm, 0)).toBeGreaterThan(0.5);
    }
    if (!balances) throw new Error("there are books");
    expect([balances.day?.days, balances.week?.days, balances.planting.days]).toEqual([1, 7, 9]);
    for (const books of Object.values(balances).filter((one) => one !== null)) {
      const { givenMm, rainMm, reachedMm, correctedMm, takenMm, drainMm, lostMm, overflowMm, changeMm } = books;
      const out = takenMm + drainMm + lostMm + overflowMm;
      expect(givenMm + rainMm + reachedMm + correctedMm - out - changeMm).toBeCloseTo(0, 9);
      for (const solved of [books.salt, books.nitrogen]) {
        const { in: came = NaN, reached = NaN, taken = NaN, out: gone = NaN, change = NaN } = solved ?? {};
        expect(came).toBeGreaterThanOrEqual(0);
        expect(came + reached - taken - gone - change).toBeCloseTo(0, 9);
      }
    }
    expect(balances.planting.nitrogen?.in).toBeGreaterThan(0);
    expect(balances.planting.nitrogen?.taken).toBeGreaterThan(0);
    expect(balances.planting.givenMm).toBeGreaterThan(0);
  });

  it("has of pots under a net the rain that the net and their mouths let in, and of pots under glass none", async () => {
    const rainUnder = async (like: typeof zone, cover: object): Promise<number> => {
      const { answerTo, call } = await testServer({ now: "2026-07-09T16:00:00Z" });
      await call("POST", "/api/site", site);
      const plantings = [{ ...zone.plantings[0], plantedOn: "2026-06-02" }];
      await call("POST", "/api/zones", { ...like, plantings, house: { name: "House", ...cover } });
      await call("POST", "/api/weather/imports", sampleFile("weather-iso.csv"));
      const { balances } = await answerTo(getRootHistory, { params: { id: 1 }, query: { date: "2026-06-28" } });
      return balances?.planting.rainMm ?? NaN;
    };
    const inSoil = await rainUnder(zone, { transmissionPct: 100 });
    const inPots = await rainUnder(bags, { transmissionPct: 100 });
    expect(inSoil).toBeGreaterThan(1);
    expect(inPots).toBeGreaterThan(0);
    expect(inPots).toBeLessThan(inSoil);
    expect(await rainUnder(bags, { transmissionPct: 82, rainThroughPct: 50 })).toBeCloseTo(inPots / 2, 9);
    expect(await rainUnder(bags, { transmissionPct: 82 })).toBe(0);
  });

  it.each(["2026-10-25", "2026-03-29"])("close on %s, when clocks change, and the midnights are kept", async (date) => {
    const { answerTo, call, db } = await testServer({ now: `${date}T20:00:00Z` });
    await call("POST", "/api/site", site);
    const days = (by: number): string => new Date(Date.parse(date) + by * 86_400_000).toISOString().slice(0, 10);
    const plantings = [{ cropId: "courgette", plantedOn: days(-3), clearedOn: null, signs: [], targetPerM2: null }];
    await call("POST", "/api/zones", { ...zone, plantings, house: { name: "In the open", transmissionPct: 100 } });
    const rows = Array.from({ length: 24 * 15 }, (_, at) => {
      const hour = new Date(Date.parse(days(-13)) + at * 3_600_000);
      const clock = hour.getUTCHours();
      return `${hour.toISOString().slice(0, 16)}Z,${15 + (clock % 12)},60,2,${clock > 6 && clock < 17 ? 400 : 0},0`;
    });
    const csv = ["time,temp C,rh %,wind m/s,solar W/m2,rain mm", ...rows].join("\n");
    const file = {
      fileName: "odd.csv",
      contentBase64: Buffer.from(csv).toString("base64"),
      choices: { stampMarks: "start" },
    };
    expect((await call("POST", "/api/weather/imports", file)).status).toBe(201);
    const { balances } = await answerTo(getRootHistory, { params: { id: 1 }, query: { date } });
    if (!balances) throw new Error("there are books");
    const { givenMm, rainMm, reachedMm, correctedMm, takenMm, drainMm, lostMm, overflowMm, changeMm } = balances.day;
    expect(takenMm).toBeGreaterThan(0);
    expect(givenMm + rainMm + reachedMm + correctedMm - takenMm - drainMm - lostMm - overflowMm - changeMm).toBeCloseTo(
      0,
      9,
    );
    expect((await db("zone_checkpoint").select()).length).toBeGreaterThan(1);
  });

  it("are not kept for a day that is still to come, nor where nothing stands", async () => {
    const { call } = await testServer();
    await call("POST", "/api/site", site);
    await call("POST", "/api/zones", { ...bags, plantings: [] });
    expect((await call("GET", "/api/zones/1/roots")).body["balances"]).toBeNull();
  });
});
