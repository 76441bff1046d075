import { getZoneDay } from "@sprunel/contract/plan";
import { describe, expect, it } from "vitest";
import { bags, sampleFile, site, testServer } from "../testing/test-server.ts";

const lettuce = {
  ...bags,
  plantings: [{ cropId: "lettuce-butterhead", plantedOn: "2026-06-05", clearedOn: null, signs: [], targetPerM2: null }],
};

async function withLettuce() {
  const { answerTo, call } = await testServer({ now: "2026-07-09T16:00:00Z" });
  await call("POST", "/api/site", site);
  expect((await call("POST", "/api/zones", lettuce)).status).toBe(201);
  await call("POST", "/api/weather/imports", sampleFile("weather-iso.csv"));
  const litres = async (date: string): Promise<number> =>
    (await answerTo(getZoneDay, { params: { id: 1 }, query: { date } })).plan?.demandMm ?? NaN;
  const pick = (pickedOn: string, count: number) =>
    call("POST", "/api/zones/1/picks", {
      key: crypto.randomUUID(),
      pickedOn,
      clock: null,
      massKg: null,
      count,
      grade: null,
      brixPct: null,
    });
  return { call, litres, pick };
}

describe("heads that are taken", () => {
  it("no longer drink from the day after on, and drink again once the pick is struck out", async () => {
    const { call, litres, pick } = await withLettuce();
    const [before, after] = [await litres("2026-06-20"), await litres("2026-06-21")];
    // 50 of 200 heads
    expect((await pick("2026-06-20", 50)).status).toBe(201);
    expect(await litres("2026-06-20")).toBeCloseTo(before, 9);
    expect(await litres("2026-06-21")).toBeCloseTo(0.75 * after, 9);
    await pick("2026-06-19", 50);
    expect(await litres("2026-06-20")).toBeCloseTo(0.75 * before, 9);
    expect(await litres("2026-06-21")).toBeCloseTo(0.5 * after, 9);
    await call("POST", "/api/zones/1/picks/1/strikes", { reason: "another zone" });
    expect(await litres("2026-06-21")).toBeCloseTo(0.75 * after, 9);
  });

  it("leave nothing that drinks when all are taken", async () => {
    const { litres, pick } = await withLettuce();
    await pick("2026-06-18", 300);
    expect(await litres("2026-06-21")).toBe(0);
  });
});
