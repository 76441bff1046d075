import { getSiteFile } from "@sprunel/contract/exchange";
import { getBoard } from "@sprunel/contract/today";
import { describe, expect, it } from "vitest";
import { sameDayDevice } from "../testing/same-day-device.ts";
import { bags, site, testServer, zone, type TestServer } from "../testing/test-server.ts";

async function planned(): Promise<TestServer> {
  const server = await testServer({ device: sameDayDevice, now: "2026-06-20T10:00:00Z" });
  await server.call("POST", "/api/site", site);
  await server.call("POST", "/api/zones", bags);
  await server.call("POST", "/api/zones", zone);
  await server.rooms.climate.followStation(Date.parse("2026-06-10T00:00:00Z"));
  return server;
}
const pulsesOf = async ({ answerTo }: TestServer, at = 0) => (await answerTo(getBoard)).zones[at]?.pulses ?? [];
const said = (startUtc: string, more: object = {}) => ({ zoneId: 1, startUtc, minutes: 10, litres: 60, ...more });

describe("water that a person says was given", () => {
  it("takes the place of what was planned up to it, and is told as given with its litres", async () => {
    const server = await planned();
    const [first] = await pulsesOf(server);
    expect(first?.state).toBe("planned");
    const body = { waterings: [said(first?.startUtc ?? "")] };
    expect((await server.call("POST", "/api/waterings", body)).status).toBe(201);
    const after = await pulsesOf(server);
    expect(after[0]).toMatchObject({ startUtc: first?.startUtc, litres: 60, state: "logged" });
    expect(after.slice(1).every(({ state }) => state === "planned")).toBe(true);
  });

  it("counts once, however often it is sent", async () => {
    const server = await planned();
    const body = { waterings: [said("2026-06-20T08:00:00.000Z")] };
    await server.call("POST", "/api/waterings", body);
    expect((await server.call("POST", "/api/waterings", body)).status).toBe(201);
    const other = { waterings: [said("2026-06-20T08:00:00.000Z", { litres: 900 })] };
    const refused = await server.call("POST", "/api/waterings", other);
    expect([refused.status, refused.body["detail"]]).toEqual([
      409,
      expect.stringMatching(/^In .* 60 L were noted from 2026-06-20T08:00:00.000Z on already/),
    ]);
    expect((await pulsesOf(server)).filter(({ state }) => state === "logged")).toMatchObject([{ litres: 60 }]);
  });

  it("is struck out with a reason, kept, and can be said anew", async () => {
    const server = await planned();
    const start = "2026-06-20T08:00:00.000Z";
    await server.call("POST", "/api/waterings", { waterings: [said(start)] });
    const strike = { startUtc: start, reason: "the valve was shut" };
    expect((await server.call("POST", "/api/zones/1/watering-strikes", strike)).status).toBe(201);
    expect((await pulsesOf(server)).filter(({ state }) => state === "logged")).toEqual([]);
    expect((await server.call("POST", "/api/zones/1/watering-strikes", strike)).status).toBe(404);
    const { zones } = await server.answerTo(getSiteFile);
    expect(zones[0]?.waterings).toMatchObject([{ struck: "the valve was shut" }]);
    await server.call("POST", "/api/waterings", { waterings: [said(start, { litres: 70 })] });
    expect((await pulsesOf(server)).filter(({ state }) => state === "logged")).toMatchObject([{ litres: 70 }]);
  });

  it("is written for all zones or for none", async () => {
    const server = await planned();
    const waterings = [said("2026-06-20T08:00:00.000Z"), said("2026-06-20T08:00:00.000Z", { zoneId: 99 })];
    const answer = await server.call("POST", "/api/waterings", { waterings });
    expect([answer.status, answer.body.errors?.[0]?.path]).toEqual([422, "waterings.1.zoneId"]);
    expect((await pulsesOf(server)).filter(({ state }) => state === "logged")).toEqual([]);
  });

  it.each([
    ["still to come", { startUtc: "2026-06-20T10:00:01.000Z" }, "waterings.0.startUtc"],
    ["of no litres", { litres: 0 }, "waterings.0.litres"],
    ["of a day and a half", { minutes: 2160 }, "waterings.0.minutes"],
  ])("is refused %s", async (_what, change, path) => {
    const server = await planned();
    const answer = await server.call("POST", "/api/waterings", {
      waterings: [said("2026-06-20T08:00:00.000Z", change)],
    });
    expect([answer.status, answer.body.errors?.[0]?.path]).toEqual([422, path]);
  });
});
