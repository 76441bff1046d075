import { getZoneDay } from "@sprunel/contract/plan";
import { getSetUp } from "@sprunel/contract/site";
import { decide, getBoard } from "@sprunel/contract/today";
import { addDays } from "@sprunel/core/time";
import { describe, expect, it } from "vitest";
import { sameDayDevice as device } from "../testing/same-day-device.ts";
import { absent, bags, site, testServer, type TestServer } from "../testing/test-server.ts";

describe("what a drain reading is held against", () => {
  /** Bags that were given and read on so many mornings up to the 19th; it is the morning after. */
  async function metered(days: number, plantedOn = "2026-05-01"): Promise<TestServer> {
    const server = await testServer({ device });
    await server.call("POST", "/api/site", site);
    const [planting] = bags.plantings;
    await server.call("POST", "/api/zones", { ...bags, plantings: [{ ...planting, plantedOn }] });
    await server.rooms.climate.followStation(Date.parse("2026-06-10T00:00:00Z"));
    for (let age = 0; age < days; age++) {
      const date = addDays("2026-06-19", -age);
      const watering = { zoneId: 1, startUtc: `${date}T06:00:00Z`, minutes: 60, litres: 500 };
      expect((await server.call("POST", "/api/waterings", { waterings: [watering] })).status).toBe(201);
      const drain = { at: `${date}T16:00:00.000Z`, drainPct: 10, drainEcMsCm: 4.3, feedEcMsCm: 2.3 };
      expect((await server.call("POST", "/api/zones/1/readings", drain)).status).toBe(201);
    }
    return server;
  }
  /** The days that the sum over the meter is made of, as its working tells them. */
  async function daysOfSum(server: TestServer): Promise<number> {
    const { workings } = await server.answerTo(getZoneDay, { params: { id: 1 }, query: { date: "2026-06-19" } });
    const step = workings.correction?.steps.find(({ label }) => label === "Uptake against the model");
    return step?.substituted.split("÷")[0]?.split("+").length ?? 0;
  }

  it("is the day itself and the two before it, as far as they were metered", async () => {
    expect(await daysOfSum(await metered(1))).toBe(1);
    expect(await daysOfSum(await metered(2))).toBe(2);
    expect(await daysOfSum(await metered(5))).toBe(3);
  });

  it("is no correction that was decided on for what stood here before", async () => {
    const server = await metered(1);
    const boardOn = async (date: string) =>
      (await server.answerTo(getBoard, { query: { date } })).zones[0] ?? absent("the zone");
    const entry =
      (await boardOn("2026-06-19")).findings.find(({ station }) => station === "roots") ?? absent("the finding");
    const plain = (await boardOn("2026-06-25")).run?.litres ?? NaN;
    await server.answerTo(decide, {
      params: { id: 1 },
      body: {
        ...{ key: "8d6f1c3e-5a4b-4c2d-9e8f-000000000001", verdict: "accepted", cause: "drain-low" },
        ...{ about: entry.about, date: "2026-06-19" },
      },
    });
    expect((await boardOn("2026-06-25")).run?.litres).toBeGreaterThan(1.1 * plain);
    const { zones } = await server.answerTo(getSetUp);
    const [{ id: _id, archived: _archived, ...stored } = absent("the zone")] = zones;
    const [planting = absent("its planting")] = stored.plantings;
    const moved = { ...stored, plantings: [{ ...planting, plantedOn: "2026-06-21" }] };
    expect((await server.call("PUT", "/api/zones/1", moved)).status).toBe(200);
    const later = { params: { id: 1 }, query: { date: "2026-06-25" } };
    expect((await server.answerTo(getZoneDay, later)).inForce).toBeNull();
  });
});
