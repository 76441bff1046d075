import { engineOf, stateOf } from "@sprunel/core/course";
import { cropById } from "@sprunel/core/crop";
import { describe, expect, it } from "vitest";
import { readingStore } from "../rootzone/reading-store.ts";
import { zoneStore } from "../scope/zone-store.ts";
import { bags, newFolder, sampleFile, site, testServer, zone, type TestServer } from "../testing/test-server.ts";
import { checkpointStore } from "./checkpoint-store.ts";
import { COURSE_TABLES } from "./rests-on.ts";

const NOW = "2026-06-25T16:00:00Z";
const COURGETTE = engineOf([cropById("courgette")]);

/** A site whose days are known from the sample weather, with a soil and a substrate zone. */
async function grown(folder = newFolder()): Promise<TestServer> {
  const server = await testServer({ folder, now: NOW });
  await server.call("POST", "/api/site", site);
  const plantings = [{ cropId: "courgette", plantedOn: "2026-06-16", clearedOn: null, signs: [], targetPerM2: null }];
  await server.call("POST", "/api/zones", { ...zone, plantings });
  await server.call("POST", "/api/zones", { ...bags, plantings });
  expect((await server.call("POST", "/api/weather/imports", sampleFile("weather-iso.csv"))).status).toBe(201);
  return server;
}

const keptDates = async ({ db }: TestServer, zoneId: number): Promise<string[]> =>
  (
    await db<{ date: string; zone_id: number }>("zone_checkpoint")
      .where({ zone_id: zoneId })
      .orderBy("date")
      .select("date")
  ).map(({ date }) => date);
const board = async (server: TestServer) => (await server.call("GET", "/api/board?date=2026-06-20")).body["zones"];

describe("checkpoints of root zones", () => {
  it("are kept for every midnight that a page was worked out of, and give the same page to a program that starts anew", async () => {
    const folder = newFolder();
    const server = await grown(folder);
    const before = await board(server);
    expect(await keptDates(server, 1)).toEqual(expect.arrayContaining(["2026-06-17", "2026-06-20"]));
    expect(await keptDates(server, 2)).toEqual(expect.arrayContaining(["2026-06-17", "2026-06-20"]));
    await server.stop();
    const again = await testServer({ folder, now: NOW });
    expect(await board(again)).toEqual(before);
    // A state that is looked up is not worked out: a kept one rules what is shown.
    await again.db("zone_checkpoint").update({ engine: "of another program" });
    await again.stop();
    const anew = await testServer({ folder, now: NOW });
    expect(await board(anew)).toEqual(before);
    expect((await anew.db("zone_checkpoint").where({ engine: COURGETTE })).length).toBeGreaterThan(3);
  });

  it.each([
    [
      "a reading of a past day",
      // Written as it is: the page that answers a reading would keep its midnights anew at once.
      (server: TestServer) =>
        server.scope.transaction((inner) =>
          readingStore(inner).add([
            {
              ...{ zoneId: 1, kind: "tensionKpa", source: "pen", value: 22 },
              atMs: Date.parse("2026-06-18T10:00:00Z"),
            },
          ]),
        ),
    ],
    [
      "water that was logged late",
      (server: TestServer) =>
        server.call("POST", "/api/waterings", {
          waterings: [{ zoneId: 1, startUtc: "2026-06-18T10:00:00Z", minutes: 20, litres: 400 }],
        }),
    ],
  ])("are dropped by %s, from its day on and of its zone only", async (_what, store) => {
    const server = await grown();
    await board(server);
    const other = await keptDates(server, 2);
    await store(server);
    expect((await keptDates(server, 1)).at(-1)).toBe("2026-06-18");
    expect(await keptDates(server, 2)).toEqual(other);
    await board(server);
    expect(await keptDates(server, 1)).toContain("2026-06-20");
  });

  it("are dropped whole by an edit of the zone, and by weather from its hour on", async () => {
    const server = await grown();
    await board(server);
    const hourMs = Date.parse("2026-06-19T10:00:00Z");
    await server.scope.transaction(async (inner) => {
      await inner.into({ table: "weather_reading", from: hourMs }).where("hour_ms", hourMs).update({ value: 0 });
    });
    expect((await keptDates(server, 1)).at(-1)).toBe("2026-06-19");
    expect((await keptDates(server, 2)).at(-1)).toBe("2026-06-19");
    await server.call("PUT", "/api/zones/1", { ...zone, version: 1, definition: { ...zone.definition, areaM2: 333 } });
    expect(await keptDates(server, 1)).toEqual([]);
    expect(await keptDates(server, 2)).not.toEqual([]);
  });

  it("go with a zone that is deleted", async () => {
    const server = await grown();
    await board(server);
    expect(await keptDates(server, 2)).not.toEqual([]);
    expect((await server.call("DELETE", "/api/zones/2")).status).toBe(200);
    expect(await keptDates(server, 2)).toEqual([]);
    expect(await keptDates(server, 1)).not.toEqual([]);
  });

  it("tell a late reading on the board as if the day had never been worked out before", async () => {
    const late = async (server: TestServer) =>
      server.call("POST", "/api/waterings", {
        waterings: [{ zoneId: 1, startUtc: "2026-06-17T08:00:00Z", minutes: 60, litres: 900 }],
      });
    const [seen, unseen] = [await grown(), await grown()];
    await board(seen);
    await late(seen);
    await late(unseen);
    expect(await board(seen)).toEqual(await board(unseen));
  });

  it("are few bytes: 60 zones over three years fit into 40 MB", async () => {
    const server = await grown();
    await board(server);
    const [row] = await server.db("zone_checkpoint").select(server.db.raw("avg(length(state)) AS bytes"));
    // With its keys and its place in two trees a row takes no more than 150 bytes beside the state.
    expect(((row as { bytes: number }).bytes + 150) * 60 * 3 * 366).toBeLessThan(40e6);
  });
});

describe("a midnight that was worked out while somebody wrote", () => {
  it("is not kept: it may rest on what is no longer so", async () => {
    const server = await grown();
    await server.db("zone_checkpoint").delete();
    const store = checkpointStore(server.scope);
    const mornings = () =>
      new Map([[1, { engine: COURGETTE, mornings: new Map([["2026-06-18", stateOf({ fullMm: 50 }, 7, 2)]]) }]]);
    const about = { upTo: "2026-06-20", timeZone: site.timeZone };
    const version = () => server.scope.cache.versionOf(COURSE_TABLES);
    const before = version();
    await server.scope.transaction((inner) => zoneStore(inner).archive(1, false));
    await store.keep(mornings(), { ...about, version: before });
    expect(await keptDates(server, 1)).toEqual([]);
    await store.keep(mornings(), { ...about, version: version() });
    expect(await keptDates(server, 1)).toEqual(["2026-06-18"]);
  });

  it("nor is a plan: one worked out of what was read before is not taken for one of what is there now", async () => {
    const server = await grown();
    const { plans } = server.rooms.plan;
    const date = "2026-06-20";
    const begun = async () => plans.planners(await server.scope.site.current(), await server.scope.zones(), date);
    const missingMm = async ({ plannerOf }: Awaited<ReturnType<typeof begun>>) => {
      const plan = plannerOf(await server.scope.zone(1)).plan(date);
      return typeof plan === "string" ? NaN : plan.day.store.missingMm;
    };
    const read = await begun();
    await server.call("POST", "/api/waterings", {
      waterings: [{ zoneId: 1, startUtc: "2026-06-19T08:00:00Z", minutes: 60, litres: 4000 }],
    });
    const before = await missingMm(read);
    const after = await missingMm(await begun());
    expect(after).toBeLessThan(before - 1);
  });
});

describe("days across two plantings", () => {
  const next = { cropId: "courgette", clearedOn: null, signs: [], targetPerM2: null };

  it("are followed from the first of them on, whoever asks first", async () => {
    const server = await grown();
    const plantings = [
      { ...next, plantedOn: "2026-06-16", clearedOn: "2026-06-27" },
      { ...next, plantedOn: "2026-06-28" },
    ];
    await server.call("PUT", "/api/zones/2", { ...bags, version: 1, plantings });
    const { plans } = server.rooms.plan;
    const heldOn = async (date: string, until: string) => {
      await server.db("zone_checkpoint").delete();
      server.scope.cache.written({ table: "site", from: "" });
      const found = await plans.planners(await server.scope.site.current(), [await server.scope.zone(2)], until, {
        earliest: date,
      });
      return [...found.plannerOf(await server.scope.zone(2)).roots.morning(date)];
    };
    expect(await heldOn("2026-06-24", "2026-06-29")).toEqual(await heldOn("2026-06-24", "2026-06-24"));
  });
});
