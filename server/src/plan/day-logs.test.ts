import { describe, expect, it } from "vitest";
import { bags, site, testServer, type TestServer } from "../testing/test-server.ts";
import { dayLogs } from "./day-logs.ts";

const NOW = "2026-06-20T10:00:00Z";
const BEGAN = "2026-06-18T08:00:00.000Z";

async function logged() {
  const server = await testServer({ now: NOW });
  await server.call("POST", "/api/site", site);
  await server.call("POST", "/api/zones", bags);
  await server.call("POST", "/api/waterings", {
    waterings: [{ zoneId: 1, startUtc: BEGAN, minutes: 10, litres: 60 }],
  });
  await server.call("POST", "/api/zones/1/readings", { at: "2026-06-18T09:00:00Z", drainPct: 20 });
  await server.call("POST", "/api/zones/1/readings", { at: "2026-06-18T15:00:00Z", drainPct: 30 });
  return server;
}
const logs = async ({ scope }: TestServer) => {
  const logsOf = dayLogs(scope);
  const current = await scope.site.current();
  const log = async (date: string) => (await logsOf(current, [1], "2026-06-15", "2026-06-21"))(1, date);
  return { log };
};

describe("the log of a day that is over", () => {
  it("holds what was given and what was last read, and nothing on other days", async () => {
    const { log } = await logs(await logged());
    for (let asked = 0; asked < 2; asked++) {
      const day = await log("2026-06-18");
      expect(day.waterings).toMatchObject([{ litres: 60 }]);
      expect(day.readings).toEqual({ drainPct: { value: 30, atMs: Date.parse("2026-06-18T15:00:00Z") } });
      expect(await log("2026-06-17")).toEqual({ waterings: [], readings: {} });
    }
  });

  it("is remembered, and let go when water of it is struck out or a reading comes in late", async () => {
    const server = await logged();
    const { log } = await logs(server);
    await log("2026-06-18");
    await server.scope.db("watering").update({ litres: 999 });
    expect((await log("2026-06-18")).waterings).toMatchObject([{ litres: 60 }]);
    await server.call("POST", "/api/zones/1/watering-strikes", { startUtc: BEGAN, reason: "the valve was shut" });
    expect((await log("2026-06-18")).waterings).toEqual([]);
    await server.call("POST", "/api/zones/1/readings", { at: "2026-06-17T09:00:00Z", drainPct: 12 });
    expect((await log("2026-06-17")).readings.drainPct?.value).toBe(12);
  });

  it("is not remembered as it was when it changed while it was being read", async () => {
    const server = await logged();
    const { log } = await logs(server);
    const reading = log("2026-06-18");
    await server.call("POST", "/api/zones/1/readings", { at: "2026-06-18T16:00:00Z", drainPct: 44 });
    await reading;
    expect((await log("2026-06-18")).readings.drainPct?.value).toBe(44);
  });
});

describe("the log of the day that runs", () => {
  it("is read anew each time", async () => {
    const server = await logged();
    const { log } = await logs(server);
    await log("2026-06-20");
    await server.scope.db("watering").update({ start_ms: Date.parse("2026-06-20T08:00:00Z") });
    expect((await log("2026-06-20")).waterings).toMatchObject([{ litres: 60 }]);
  });
});
