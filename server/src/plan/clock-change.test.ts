import { getZoneDay } from "@sprunel/contract/plan";
import { describe, expect, it } from "vitest";
import { sameDayDevice } from "../testing/same-day-device.ts";
import { absent, bags, site, testServer } from "../testing/test-server.ts";

/** A day's plan in words of the clock, and the instants that the board draws. */
async function dayAt(timeZone: string, place: { latitudeDeg: number; longitudeDeg: number }, date: string) {
  const server = await testServer({ device: sameDayDevice, now: `${date}T12:00:00Z` });
  await server.call("POST", "/api/site", { ...site, ...place, timeZone });
  const plantedOn = new Date(Date.parse(date) - 60 * 86_400_000).toISOString().slice(0, 10);
  const planting = { cropId: "melon-netted", plantedOn, clearedOn: null, signs: [], targetPerM2: null };
  await server.call("POST", "/api/zones", { ...bags, plantings: [planting] });
  await server.rooms.climate.followStation(Date.parse(date) - 10 * 86_400_000);
  const { plan, pulses, hours } = await server.answerTo(getZoneDay, { params: { id: 1 }, query: { date } });
  return { plan: plan ?? absent("the plan"), pulses, hours };
}

describe("on a day on which the clock changes", () => {
  it.each([
    ["Europe/Madrid", "2026-10-25", 25],
    ["Europe/Paris", "2027-03-28", 23],
    ["Europe/Madrid", "2026-10-24", 24],
  ])("pulses in %s on %s stand where the clock says so", async (timeZone, date, hours) => {
    const day = await dayAt(timeZone, { latitudeDeg: 43, longitudeDeg: -1 }, date);
    expect(day.hours).toHaveLength(hours);
    const clock = new Intl.DateTimeFormat("en-GB", { timeZone, timeStyle: "medium" });
    const shown = day.pulses.map(({ startUtc }) => clock.format(new Date(startUtc)));
    expect(shown.length).toBeGreaterThan(3);
    expect(shown).toEqual(day.plan.events.map(({ start }) => start));
  });

  it("a date that the place has left out has a board, without hours", async () => {
    const { call } = await testServer({ now: "2012-01-02T00:00:00Z" });
    await call("POST", "/api/site", { ...site, latitudeDeg: -13.8, longitudeDeg: -171.8, timeZone: "Pacific/Apia" });
    await call("POST", "/api/zones", { ...bags, plantings: [] });
    const board = await call("GET", "/api/board?date=2011-12-30");
    expect([board.status, board.body["hours"]]).toEqual([200, []]);
  });

  it("in the far north water ends with the date when the sun sets on the next one", async () => {
    const day = await dayAt("Europe/Helsinki", { latitudeDeg: 64.9, longitudeDeg: 25.5 }, "2026-06-20");
    const starts = day.plan.events.map(({ start }) => start);
    expect(starts).toEqual([...starts].sort());
    // An hour before the sun sets, which it does some minutes into the next date.
    expect(day.plan.window.end > "23:00" && day.plan.window.end < "23:30").toBe(true);
  });

  it.each(["2026-06-21", "2026-12-21"])("beyond the polar circle %s has a plan and a board too", async (date) => {
    const day = await dayAt("Europe/Oslo", { latitudeDeg: 69.6, longitudeDeg: 18.9 }, date);
    expect(day.plan.window).toEqual({ start: "08:00", end: "16:00" });
    for (const { start } of day.plan.events) expect(start >= "08:00" && start < "16:00").toBe(true);
  });
});
