import { getCalendarAddress } from "@sprunel/contract/crop";
import { freshPlanting } from "@sprunel/contract/site";
import { describe, expect, it } from "vitest";
import { bags, site, testServer } from "../testing/test-server.ts";

async function withCrops() {
  const server = await testServer({ now: "2026-06-20T08:00:00Z" });
  await server.call("POST", "/api/site", site);
  await server.call("POST", "/api/zones", {
    ...bags,
    name: "=Bags",
    plantings: [
      freshPlanting("kalanchoe", "2026-05-10", {
        nights: [
          { kind: "cloth", fromOn: "2026-06-18", untilOn: "2026-06-22", start: "17:30", end: "08:00", wattsM2: null },
        ],
      }),
    ],
  });
  const { path } = await server.answerTo(getCalendarAddress);
  const text = async (address: string) => {
    const answer = await fetch(server.url + address);
    return { status: answer.status, type: answer.headers.get("content-type"), text: await answer.text() };
  };
  return { server, path, text };
}

describe("the calendar of the crops", () => {
  it("has stages as whole days that end with the day after, and nights as UTC instants", async () => {
    const { path, text } = await withCrops();
    const { type, text: calendar } = await text(path);
    expect(type).toContain("text/calendar");
    const events = calendar.split("BEGIN:VEVENT").slice(1);
    // 18 + 24 days from 10 May: long days begin on 28 May, short ones on 21 June.
    const short = events.find((event) => event.includes("short days"));
    expect(short).toMatch(/DTSTART;VALUE=DATE:20260621\r\nDTEND;VALUE=DATE:20260622/);
    const nights = events.filter((event) => event.includes("cloth drawn"));
    expect(nights).toHaveLength(3);
    // 17:30 to 08:00 of the site's summer time
    expect(nights[0]).toMatch(/DTSTART:20260620T153000Z\r\nDTEND:20260621T060000Z/);
    expect(new Set(events.map((event) => /UID:(.*)/.exec(event)?.[1])).size).toBe(events.length);
  });

  it("stays at its address, and is read at no other", async () => {
    const { server, path, text } = await withCrops();
    expect((await server.call("GET", "/api/calendar-address")).body["path"]).toBe(path);
    expect((await text("/api/calendar/AAAAAAAAAAAAAAAAAAAAAAAA.ics")).status).toBe(404);
    expect((await text("/api/calendar/x")).status).toBe(404);
  });

  it("is a table too, in which no name is taken for a formula", async () => {
    const { text } = await withCrops();
    const { text: table } = await text("/api/crop-calendar.csv");
    const [head, first] = table.replace("\uFEFF", "").split("\r\n");
    expect(head).toBe("date,zone,what,from_utc,to_utc,note");
    expect(first).toContain("'=Bags");
  });
});
