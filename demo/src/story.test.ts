import { getWater } from "@sprunel/contract/water";
import { getDayPicks } from "@sprunel/contract/harvest";
import { getFeedCosts, getFeedStation } from "@sprunel/contract/feed";
import { getBoard } from "@sprunel/contract/today";
import { addDays, localDate } from "@sprunel/core/time";
import { readingStore, wateringStore, type RunningServer } from "@sprunel/server";
import { cpSync, existsSync, mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import type { z } from "zod";
import { startDemo } from "./demo-server.ts";
import { ago, FIRST_DATE, FIRST_MS, HISTORY_DAYS } from "./story.ts";

/** The past that the demonstration makes is told once; each test looks at another side of it. */
const folder = mkdtempSync(join(tmpdir(), "sprunel-story-"));
const TIME_ZONE = "Europe/Paris";
const DAY_MS = 86_400_000;
let server: RunningServer;
/** Real time passes when a test lets it. */
let realMs = 0;

beforeAll(async () => {
  // The whole run makes this morning once for all of its tests.
  const made = process.env["SPRUNEL_TEMPLATE"];
  if (made && existsSync(made)) cpSync(made, folder, { recursive: true });
  server = await startDemo({
    dataFolder: folder,
    port: 0,
    logLevel: "silent",
    clock: () => FIRST_MS,
    real: () => realMs,
  });
});
afterAll(async () => {
  await server.stop();
  rmSync(folder, { recursive: true, force: true });
});

/** What an endpoint of the contract answers, as it describes it. */
async function answerTo<A extends z.ZodType>(
  endpoint: { readonly path: string; readonly answer: A },
  query = "",
): Promise<z.output<A>> {
  return endpoint.answer.parse(await (await fetch(server.url + endpoint.path + query)).json());
}
async function idOf(name: string): Promise<number> {
  const zone = (await server.scope.zones()).find((candidate) => candidate.name === name);
  if (!zone) throw new Error(`no zone ${name}`);
  return zone.id;
}
interface Read {
  readonly date: string;
  readonly value: number;
}
/** Every value of a kind in a zone, in order of time. */
async function read(name: string, kind: string): Promise<Read[]> {
  const zoneId = await idOf(name);
  const all = await readingStore(server.scope).between(0, FIRST_MS + DAY_MS);
  return all
    .filter((reading) => reading.zoneId === zoneId && reading.kind === kind)
    .map(({ atMs, value }) => ({ date: localDate(atMs, TIME_ZONE), value }));
}
/** L given in a zone by date. */
async function given(name: string): Promise<ReadonlyMap<string, number>> {
  const days = new Map<string, number>();
  for (const { startMs, litres } of await wateringStore(server.scope).between(0, FIRST_MS, [await idOf(name)])) {
    const date = localDate(startMs, TIME_ZONE);
    days.set(date, (days.get(date) ?? 0) + litres);
  }
  return days;
}
const mean = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0) / values.length;

describe("Quillbrook on its first morning", () => {
  it("is in season: something stands in every zone, in a stage with water and feed", async () => {
    const { zones, today, now } = await answerTo(getBoard);
    expect([today, now]).toEqual([FIRST_DATE, "2026-06-16T04:10:00.000Z"]);
    expect(zones).toHaveLength(8);
    for (const zone of zones) expect([zone.name, zone.missing, zone.crop !== null]).toEqual([zone.name, null, true]);
  });

  it("has ninety days behind it and nothing from the time to come", async () => {
    const latest = await server.scope.db("zone_reading").max("at_ms as last").first<{ last: number }>();
    const ended = Math.max(
      ...(await wateringStore(server.scope).between(0, Number.MAX_SAFE_INTEGER)).map(
        ({ startMs, minutes }) => startMs + minutes * 60_000,
      ),
    );
    const first = await server.scope.db("watering").min("start_ms as first").first<{ first: number }>();
    expect(latest?.last).toBeLessThanOrEqual(FIRST_MS);
    expect(ended).toBeLessThanOrEqual(FIRST_MS);
    expect(localDate(first?.first ?? 0, TIME_ZONE)).toBe(ago(HISTORY_DAYS));
  });

  it("has a shelf that makes the recipe of every zone that is fed, and tanks with a level", async () => {
    const text = await (await fetch(`${server.url}/api/feed-costs`)).text();
    const line = getFeedCosts.answer.parse(JSON.parse(text.trim().split("\n").at(-1) ?? ""));
    const zones = "zones" in line ? line.zones : [];
    expect(zones).not.toEqual([]);
    const fed = zones.filter(({ status }) => status !== null);
    expect(fed.map(({ name, status }) => [name, status])).toEqual(fed.map(({ name }) => [name, "met"]));
    const station = await answerTo(getFeedStation);
    expect(station.zones.map(({ name }) => name).sort()).toEqual(fed.map(({ name }) => name).sort());
    for (const { tanks } of station.zones)
      for (const { levelL, volumeL } of tanks) {
        expect(levelL).toBeGreaterThan(0);
        expect(levelL).toBeLessThanOrEqual(volumeL);
      }
  });

  it("picks what its crops are sold by: lettuce by the head, courgettes by the kilo", async () => {
    const { zones } = await answerTo(getDayPicks);
    const of = (name: string) => zones.find((zone) => zone.name === name);
    expect(of("Lettuce tanks")?.past[0]).toMatchObject({ massKg: null, count: expect.any(Number) as number });
    expect(of("Courgette tunnel")?.past[0]?.massKg).toBeGreaterThan(0);
    for (const { soldAs, pickedPerM2, targetPerM2 } of zones) {
      expect(pickedPerM2).toBeLessThanOrEqual((targetPerM2 ?? NaN) * 1.1);
      if (soldAs.kind === "mass") expect(targetPerM2 ?? NaN).toBeLessThan(20);
    }
  });
});

describe("what goes wrong at Quillbrook", () => {
  it("shows in drain shares that a grower would believe: from 2 to 60 % on every day", async () => {
    for (const name of ["Melon bags", "Blueberry pots"]) {
      const shares = (await read(name, "drainPct")).map(({ value }) => value);
      expect(shares.length).toBeGreaterThan(40);
      expect(Math.min(...shares)).toBeGreaterThanOrEqual(2);
      expect(Math.max(...shares)).toBeLessThanOrEqual(60);
    }
  });

  it("a filter fills up: less water comes than was planned, after its day and not before", async () => {
    const drain = await read("Melon bags", "drainPct");
    const [before, after] = [drain.slice(-12, -3), drain.slice(-1)].map((part) => mean(part.map(({ value }) => value)));
    expect(after).toBeLessThan((before ?? 0) * 0.6);
    const causes = async (date: string): Promise<string[]> => {
      const { zones } = await answerTo(getBoard, `?date=${date}`);
      return (zones.find(({ name }) => name === "Melon bags")?.findings ?? []).map(({ finding }) => finding.cause);
    };
    expect(await causes(FIRST_DATE)).toContain("delivery");
    expect(await causes(ago(6))).not.toContain("delivery");
  });

  it("a doser drifts: what drips is the feed that was mixed until then, and weaker every day since", async () => {
    const [feed, drip] = [await read("Melon bags", "feedEcMsCm"), await read("Melon bags", "dripEcMsCm")];
    const ratio = drip.map(({ value, date }, at) => ({ date, ratio: value / (feed[at]?.value ?? NaN) }));
    for (const day of ratio.filter(({ date }) => date < ago(6))) expect(day.ratio).toBeCloseTo(1, 1);
    expect(ratio.at(-1)?.ratio).toBeLessThan(0.92);
  });

  it("a root zone turns sour, and was not a month ago", async () => {
    const ph = await read("Blueberry pots", "drainPh");
    const before = mean(ph.filter(({ date }) => date < ago(30)).map(({ value }) => value));
    expect(mean(ph.slice(-3).map(({ value }) => value))).toBeLessThan(before - 0.5);
  });

  it("a tunnel got too dry at fruit set: no water for a fortnight while it flowered", async () => {
    const days = await given("Courgette tunnel");
    for (let daysAgo = 30; daysAgo <= 42; daysAgo++) expect(days.get(ago(daysAgo))).toBeUndefined();
    expect([...days.keys()].filter((date) => date < ago(42) && date > ago(56)).length).toBeGreaterThan(2);
    expect([...days.keys()].filter((date) => date > ago(30)).length).toBeGreaterThan(10);
  });

  it("salt builds up in water that goes round, until it is renewed", async () => {
    const ec = await read("Lettuce tanks", "tankEcMsCm");
    const steps = ec.slice(1).map(({ value }, at) => value - (ec[at]?.value ?? NaN));
    expect(steps.filter((step) => step > 0).length).toBeGreaterThan(steps.length / 2);
    expect(Math.min(...steps)).toBeLessThan(-0.1);
  });
});

describe("how Quillbrook is watered", () => {
  it("floods its basin and lets it dry, in turn", async () => {
    const levels = (await read("Water spinach basin", "levelCm")).map(({ value }) => value);
    expect(Math.max(...levels)).toBeGreaterThan(2);
    expect(Math.min(...levels)).toBeLessThan(-5);
    const crossings = levels.slice(1).filter((level, at) => level > 0 !== (levels[at] ?? 0) > 0);
    expect(crossings.length).toBeGreaterThan(2);
  });

  it("runs its buried lines on four days of a week at most", async () => {
    const days = [...(await given("Fennel field")).keys()].sort();
    for (const date of days)
      expect(days.filter((other) => other >= date && other < addDays(date, 7)).length).toBeLessThanOrEqual(4);
  });

  it("draws its storage down", async () => {
    const { sources } = await answerTo(getWater);
    const basin = sources.find(({ source }) => source.name === "Roof basin");
    expect(basin?.levelM3).toBeGreaterThan(0);
    expect(basin?.levelM3).toBeLessThan(basin?.source.storage?.levelM3 ?? 0);
    expect(basin?.daysLeft).not.toBeNull();
  });
});

describe("some hours later", () => {
  it("the nursery has gone on: what was planned was given and read up to then, and nothing beyond", async () => {
    await fetch(`${server.url}/api/clock`, {
      method: "PUT",
      headers: { "Content-Type": "application/json" },
      body: JSON.stringify({ pace: "minute-a-second" }),
    });
    realMs += 6 * 60 * 1000;
    const board = () => answerTo(getBoard);
    const logged = async () =>
      (await board()).zones.flatMap(({ pulses }) => pulses).filter(({ state }) => state === "logged");
    await expect.poll(async () => (await logged()).length, { timeout: 200_000, interval: 300 }).toBeGreaterThan(3);
    const { now } = await board();
    expect(Date.parse(now)).toBe(FIRST_MS + 6 * 3_600_000);
    for (const { endUtc } of await logged()) expect(endUtc <= now).toBe(true);
  });
});
