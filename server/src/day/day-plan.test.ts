import { getDosePlan } from "@sprunel/contract/feed";
import { getSiteFile } from "@sprunel/contract/exchange";
import { getBoard } from "@sprunel/contract/today";
import {
  getSiteDay,
  getMain,
  editSiteDay,
  type DayEdit,
  type Main,
  type SiteDay,
  getWaterCalendarAddress,
} from "@sprunel/contract/plan";
import { addSite, addZone, freshPlanting, getSetUp, type NewZone } from "@sprunel/contract/site";
import ICAL from "ical.js";
import { cpSync, mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterAll, describe, expect, it } from "vitest";
import { sameDayDevice } from "../testing/same-day-device.ts";
import { absent, bags, newFolder, site, testServer, type TestServer } from "../testing/test-server.ts";

const NO_MAIN: Main = { limits: [], mixers: [], hands: null, tariff: [], rules: [], runs: [] };
const pump = (maxLh: number): Main["limits"][number] => ({
  ...{ kind: "pump", name: "Pump", maxLh, maxOpen: null, kw: null, zoneIds: null },
});

interface Nursery {
  readonly now?: string;
  readonly pumpLh?: number | null;
  readonly zones?: number;
}
const bagsOf = (name: string, more: Partial<NewZone> = {}): NewZone => ({
  ...bags,
  name,
  definition: { ...bags.definition, flowLh: 500 },
  plantings: [freshPlanting("melon-netted", "2026-05-10")],
  ...more,
});

/** A server at a clock that a test sets. */
async function served(folder: string, now: string) {
  const clock = { ms: Date.parse(now) };
  const server = await testServer({
    folder,
    device: sameDayDevice,
    steered: { now: () => clock.ms, pace: "paused", setPace: () => undefined, startAgain: () => undefined },
  });
  return { server, clock };
}

/** Until nothing better is looked for any more. */
async function settle({ answerTo }: Pick<TestServer, "answerTo">): Promise<SiteDay> {
  for (let tries = 0; tries < 600; tries++) {
    const found = await answerTo(getSiteDay);
    if (!found.improving) return found;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  throw new Error("the search for a better day never ends");
}

async function describeNursery({ answerTo, rooms }: TestServer, { pumpLh = 1100, zones = 3 }: Nursery): Promise<void> {
  await answerTo(addSite, { body: { ...site, pumpLh } });
  await rooms.climate.followStation(Date.parse("2026-06-01T00:00:00Z"));
  for (let at = 1; at <= zones; at++) await answerTo(addZone, { body: bagsOf(`Bags ${at}`) });
}

const MORNING = "2026-06-20T04:00:00Z";
/** The usual nursery with its day settled: looked for once, and copied by every test that begins from it. */
const settledFolder = mkdtempSync(join(tmpdir(), "sprunel-settled-"));
let settling: Promise<unknown> | undefined;
afterAll(() => rmSync(settledFolder, { recursive: true, force: true }));

async function settleOnce(): Promise<void> {
  const { server } = await served(settledFolder, MORNING);
  await describeNursery(server, {});
  await settle(server);
  await server.stop();
}

/** Three zones of melons in bags at 500 L/h each, or as many as are asked for. */
async function nursery(asked: Nursery = {}) {
  const folder = newFolder();
  const isUsual = Object.keys(asked).length === 0;
  if (isUsual) {
    await (settling ??= settleOnce());
    cpSync(settledFolder, folder, { recursive: true });
  }
  const { server, clock } = await served(folder, asked.now ?? MORNING);
  if (!isUsual) await describeNursery(server, asked);
  const { answerTo, call } = server;
  const sent = async (method: "POST" | "PUT" | "GET", path: string, body?: object) => {
    const answer = await call(method, path, body);
    expect(answer.status, `${path} ${JSON.stringify(answer.body)}`).toBeLessThan(300);
    return answer.body;
  };
  const day = (date?: string) => answerTo(getSiteDay, { query: { date } });
  const edit = async (change: DayEdit["edit"], version?: number, date = "2026-06-20") => {
    const answer = await call("POST", `/api/day-plans/${date}/edits`, {
      version: version ?? (await day(date)).version,
      edit: change,
    });
    return {
      ...answer,
      /** only where it was not refused */
      get day(): SiteDay {
        return editSiteDay.answer.parse(answer.body);
      },
    };
  };
  const main = () => answerTo(getMain);
  const describeMain = async (more: Partial<Main>) =>
    call("PUT", "/api/main", { ...NO_MAIN, ...more, version: (await main()).version });
  const settled = () => settle(server);
  return { ...server, sent, clock, zone: bagsOf, day, edit, main, describeMain, settled };
}

const of = ({ pulses }: SiteDay, zoneId: number) => pulses.filter((pulse) => pulse.zoneId === zoneId);
const ms = Date.parse;
function mostAtOnce({ pulses }: SiteDay): number {
  return Math.max(
    0,
    ...pulses.map(({ startUtc }) =>
      pulses
        .filter((other) => ms(other.startUtc) <= ms(startUtc) && ms(startUtc) < ms(other.endUtc) - 1000)
        .reduce((sum, { lh }) => sum + lh, 0),
    ),
  );
}

describe("the day of all zones", () => {
  it("gives every zone its litres within what the site's pump gives, and is the same when asked again", async () => {
    const { answerTo, day, settled } = await nursery();
    const first = await settled();
    expect(first.unmet).toEqual([]);
    expect(mostAtOnce(first)).toBeLessThanOrEqual(1100);
    for (const { zoneId, litres } of first.zones)
      expect(of(first, zoneId).reduce((sum, pulse) => sum + pulse.litres, 0)).toBeCloseTo(litres ?? NaN, 6);
    const again = await day();
    expect([again.id, again.version, again.pulses]).toEqual([first.id, first.version, first.pulses]);
    // The board has the same times.
    const { zones } = await answerTo(getBoard);
    expect(zones[0]?.pulses.map(({ startUtc }) => startUtc)).toEqual(of(first, 1).map(({ startUtc }) => startUtc));
  });

  it("is planned anew when a zone asks for more, says so, and leaves what has begun as it was", async () => {
    const { answerTo, day, settled, clock, sent } = await nursery();
    const first = await settled();
    clock.ms = ms("2026-06-20T10:00:00Z");
    const [{ id: _id, archived: _archived, ...rest } = absent("the zone")] = (await answerTo(getSetUp)).zones;
    const definition = { ...rest.definition, plants: 400, areaM2: 200 };
    await sent("PUT", "/api/zones/1", { ...rest, definition });
    const later = await day();
    expect(later.version).toBeGreaterThan(first.version ?? 0);
    expect(later.change?.of).toContainEqual(expect.objectContaining({ kind: "litres", name: "Bags 1" }));
    for (const pulse of first.pulses.filter(({ startUtc }) => ms(startUtc) < clock.ms))
      expect(later.pulses.find(({ id }) => id === pulse.id)).toMatchObject({
        ...{ startUtc: pulse.startUtc, endUtc: pulse.endUtc, litres: pulse.litres },
      });
    expect(mostAtOnce(later)).toBeLessThanOrEqual(1100);
  });

  it("lets the others give way to a pulse that is locked, keeps it through other changes, and frees it again", async () => {
    const { settled, edit, day } = await nursery({ pumpLh: 600 });
    const first = await settled();
    const [mine, other] = [of(first, 3)[0], of(first, 1)[0]];
    if (!mine || !other) throw new Error("both have pulses");
    // One at a time: it takes the place of another zone's.
    const locked = await edit({ kind: "lock", pulseId: mine.id, startUtc: other.startUtc });
    expect(locked.status).toBe(200);
    const [moved] = of(locked.day, 3).filter(({ id }) => id === mine.id);
    expect(moved).toMatchObject({ startUtc: other.startUtc, locked: true });
    expect(mostAtOnce(locked.day)).toBeLessThanOrEqual(600);
    expect(locked.day.change?.of).toContainEqual({ kind: "locked", name: "Bags 3" });
    const shut = await edit({ kind: "exclude", zoneId: 2 });
    expect(of(shut.day, 2)).toEqual([]);
    expect(shut.day.pulses.find(({ id }) => id === mine.id)).toMatchObject({ startUtc: other.startUtc, locked: true });
    expect((await edit({ kind: "include", zoneId: 2 })).day.zones.find(({ zoneId }) => zoneId === 2)?.excluded).toBe(
      false,
    );
    expect((await edit({ kind: "unlock", pulseId: mine.id })).day.pulses.every(({ locked: is }) => !is)).toBe(true);
    expect((await day()).pulses.every(({ locked: is }) => !is)).toBe(true);
  });

  it("refuses a lock that cannot be, a pulse that is not there and an old version, and keeps the last good plan", async () => {
    const { settled, edit, day, clock } = await nursery();
    const first = await settled();
    const [pulse] = of(first, 1).slice(-1);
    const night = await edit({ kind: "lock", pulseId: pulse?.id ?? "", startUtc: "2026-06-20T21:30:00Z" });
    expect([night.status, night.body.errors?.[0]?.path]).toEqual([422, "edit.startUtc"]);
    expect(night.body.errors?.[0]?.message).toMatch(/outside the times in which Bags 1 may be watered/);
    const otherDay = await edit({ kind: "lock", pulseId: pulse?.id ?? "", startUtc: "2026-06-22T10:00:00Z" });
    expect(otherDay.body.errors?.[0]?.message).toMatch(/does not lie on 2026-06-20/);
    expect((await edit({ kind: "unlock", pulseId: "7-7" })).status).toBe(422);
    expect((await edit({ kind: "exclude", zoneId: 99 })).status).toBe(422);
    clock.ms = ms("2026-06-20T10:00:00Z");
    const over = await edit({ kind: "lock", pulseId: pulse?.id ?? "", startUtc: "2026-06-20T08:00:00Z" });
    expect(over.body.errors?.[0]?.message).toMatch(/10:00 is over: it is 12:00 now/);
    expect((await edit({ kind: "exclude", zoneId: 1 })).status).toBe(200);
    expect((await edit({ kind: "include", zoneId: 1 }, first.version ?? 0)).status).toBe(409);
    expect((await day()).zones[0]?.excluded).toBe(true);
  });

  it("says what was given of each pulse, what was given beside the plan, and what is due", async () => {
    const { settled, day, clock, sent, edit } = await nursery();
    const first = await settled();
    const [one, two] = of(first, 1);
    if (!one || !two) throw new Error("it has two pulses");
    clock.ms = ms("2026-06-20T16:00:00Z");
    const water = (startUtc: string, litres: number) => ({ ...{ zoneId: 1, minutes: 6, litres }, startUtc });
    const late = new Date(ms(one.startUtc) + 4 * 60_000).toISOString();
    await sent("POST", "/api/waterings", { waterings: [water(late, 41), water("2026-06-20T02:00:00Z", 12)] });
    const ran = await day();
    expect(ran.pulses.find(({ id }) => id === one.id)).toMatchObject({ state: "given", given: { litres: 41 } });
    expect(ran.pulses.find(({ id }) => id === two.id)).toMatchObject({ state: "due", given: null });
    expect(ran.beside).toMatchObject([{ name: "Bags 1", litres: 12 }]);
    const missed = await edit({ kind: "missed", pulseId: two.id });
    expect(missed.day.pulses.find(({ id }) => id === two.id)?.state).toBe("missed");
  });

  it("offers tomorrow what was missed, adds it only when somebody says so, and lets it go as easily", async () => {
    const { settled, day, clock, edit } = await nursery();
    const first = await settled();
    const [one, two] = of(first, 2);
    clock.ms = ms("2026-06-20T20:00:00Z");
    await edit({ kind: "missed", pulseId: one?.id ?? "" });
    await edit({ kind: "missed", pulseId: two?.id ?? "" });
    clock.ms = ms("2026-06-21T04:00:00Z");
    const next = await day();
    const litres = (shown: SiteDay) => of(shown, 2).reduce((sum, pulse) => sum + pulse.litres, 0);
    expect(next.offered.map(({ pulseId }) => pulseId)).toEqual([one?.id, two?.id]);
    expect(litres(next)).toBeCloseTo(next.zones[1]?.litres ?? NaN, 6);
    const added = await edit({ kind: "again", pulseId: one?.id ?? "" }, undefined, "2026-06-21");
    expect(litres(added.day)).toBeCloseTo((next.zones[1]?.litres ?? NaN) + (one?.litres ?? NaN), 6);
    expect(added.day.change?.of).toContainEqual({ kind: "added", name: "Bags 2" });
    const gone = await edit({ kind: "let-go", pulseId: two?.id ?? "" }, undefined, "2026-06-21");
    expect(gone.day.offered).toEqual([]);
    expect(litres(gone.day)).toBeCloseTo(litres(added.day), 6);
    expect((await edit({ kind: "again", pulseId: two?.id ?? "" }, undefined, "2026-06-21")).status).toBe(422);
  });

  it("of a day that is over is told as it was, and not planned any more", async () => {
    const { settled, day, clock, edit } = await nursery();
    const first = await settled();
    clock.ms = ms("2026-06-22T10:00:00Z");
    const past = await day("2026-06-20");
    expect(past.pulses.map(({ id, startUtc }) => [id, startUtc])).toEqual(
      first.pulses.map(({ id, startUtc }) => [id, startUtc]),
    );
    expect((await edit({ kind: "exclude", zoneId: 1 })).status).toBe(422);
    expect((await day("2026-06-10")).version).toBeNull();
  });

  it("has nothing to plan on an empty site, and says nothing of a zone without a plan", async () => {
    const { day } = await nursery({ zones: 0 });
    expect(await day()).toMatchObject({ version: null, pulses: [], zones: [] });
  });

  it("is a table, and a calendar at an address that a second library reads back to the second", async () => {
    const { answerTo, settled, url } = await nursery();
    const shown = await settled();
    const table = (await (await fetch(`${url}/api/day-plan.csv`)).text()).replace("\uFEFF", "").trim().split("\r\n");
    expect(table[0]).toContain("pulse,valve,from_utc,to_utc,minutes,litres");
    expect(table).toHaveLength(shown.pulses.length + 1);
    const { path } = await answerTo(getWaterCalendarAddress);
    const feed = await fetch(url + path);
    expect(feed.headers.get("content-type")).toContain("text/calendar");
    const events = new ICAL.Component(ICAL.parse(await feed.text()) as unknown[])
      .getAllSubcomponents("vevent")
      .map((component) => new ICAL.Event(component));
    const today = events.filter(({ startDate }) => startDate.toJSDate().toISOString().startsWith("2026-06-20"));
    expect(
      today.map(({ startDate, endDate, summary }) => [summary, startDate.toUnixTime(), endDate.toUnixTime()]),
    ).toEqual(
      shown.pulses.map(({ name, startUtc, endUtc }) => [
        `${name}: water`,
        Math.floor(ms(startUtc) / 1000),
        Math.floor(ms(endUtc) / 1000),
      ]),
    );
    expect(new Set(events.map(({ uid }) => uid)).size).toBe(events.length);
    expect(events.length).toBeGreaterThan(today.length);
    expect((await fetch(`${url}/api/water-calendar/AAAAAAAAAAAAAAAAAAAAAAAA.ics`)).status).toBe(404);
  });
});

describe("what all zones share", () => {
  it("is the site's pump until somebody describes more, and a day is planned anew over it", async () => {
    const { main, describeMain, settled, day } = await nursery();
    expect(await main()).toMatchObject({ version: null, main: { limits: [{ name: "Pump", maxLh: 1100 }] } });
    await settled();
    const group = { ...pump(5000), kind: "group" as const, name: "North", maxLh: null, maxOpen: 1, zoneIds: [1, 2, 3] };
    expect((await describeMain({ limits: [pump(5000), group] })).status).toBe(200);
    const shown = await day();
    expect(shown.change?.of).toContainEqual({ kind: "main" });
    expect(mostAtOnce(shown)).toBe(500);
  });

  it("keeps hand valves to the hours of people, within their reach", async () => {
    const { describeMain, settled } = await nursery({ pumpLh: null });
    const hours = [{ start: "08:00", end: "16:00" }];
    await describeMain({ hands: { zoneIds: [1, 2], hours, reach: 1, walkMin: 2 }, limits: [pump(3000)] });
    const shown = await settled();
    const byHand = shown.pulses.filter((pulse) => pulse.byHand);
    expect(new Set(byHand.map(({ zoneId }) => zoneId))).toEqual(new Set([1, 2]));
    for (const { startUtc, endUtc } of byHand) {
      expect(startUtc >= "2026-06-20T06:00:00.000Z").toBe(true);
      expect(endUtc <= "2026-06-20T14:00:01.000Z").toBe(true);
    }
    expect(mostAtOnce({ ...shown, pulses: byHand })).toBe(500);
  });

  it("refuses at its field what cannot be, and an old version", async () => {
    const { describeMain, main, call } = await nursery();
    const refused = async (more: Partial<Main>) => {
      const { status, body } = await describeMain(more);
      return [status, body.errors?.[0]?.path];
    };
    expect(await refused({ limits: [pump(300)] })).toEqual([422, "limits.0.maxLh"]);
    expect(await refused({ limits: [{ ...pump(3000), maxLh: -4 }] })).toEqual([422, "limits.0.maxLh"]);
    expect(await refused({ tariff: [{ start: "08:00", end: "12:00", pricePerKwh: 1 }] })).toEqual([422, "tariff"]);
    const mist = { name: "Mist", lh: 300, minutes: 1, times: 3 };
    expect(await refused({ runs: [{ ...mist, start: "08:00", end: "12 h" }] })).toEqual([422, "runs.0.end"]);
    const dry = { zoneId: 1, priority: 5, dry: [{ start: "25:00", end: "26:00" }], wet: [] };
    expect(await refused({ rules: [dry] })).toEqual([422, "rules.0.dry.0.start"]);
    expect(
      await refused({ hands: { zoneIds: [77], hours: [{ start: "08:00", end: "12:00" }], reach: 1, walkMin: 0 } }),
    ).toEqual([422, "hands.zoneIds.0"]);
    expect((await main()).version).toBeNull();
    await describeMain({});
    expect((await main()).version).toBe(1);
    await describeMain({});
    expect((await main()).version).toBe(2);
    expect((await call("PUT", "/api/main", { ...NO_MAIN, version: null })).status).toBe(409);
  });

  it("goes with the site's file, zones by their names", async () => {
    const { call, describeMain } = await nursery();
    const hands = { zoneIds: [2], hours: [{ start: "08:00", end: "12:00" }], reach: 1, walkMin: 1 };
    await describeMain({ limits: [{ ...pump(3000), zoneIds: [1, 3] }], hands });
    const { body: file } = await call("GET", "/api/site-file");
    expect(getSiteFile.answer.parse(file).main).toMatchObject([
      { limits: [{ zoneIds: ["Bags 1", "Bags 3"] }], hands: { zoneIds: ["Bags 2"] } },
    ]);
    const other = await testServer({});
    const read = await other.call("POST", "/api/site-file", file);
    expect(read.status, JSON.stringify(read.body)).toBeLessThan(300);
    expect((await other.call("GET", "/api/main")).body).toMatchObject({
      main: { limits: [{ zoneIds: [1, 3] }], hands: { zoneIds: [2] } },
    });
  });

  it("puts a dose that goes into the water into a pulse that holds it", async () => {
    const { answerTo, call, settled } = await nursery({ zones: 1, pumpLh: 3000 });
    const plan = await answerTo(getDosePlan, { params: { id: 1 } });
    await call("PUT", "/api/zones/1/dose-programme", {
      programme: { ...plan.programme, yieldTHa: 40, everyDays: 1, injectMin: 12, travelMin: 4 },
      version: null,
    });
    const shown = await settled();
    const dosed = shown.pulses.filter(({ dose }) => dose !== null);
    expect(dosed).toHaveLength(1);
    const [pulse] = dosed;
    // Filled for 4 min, injected for 12, flushed for 4.
    expect((ms(pulse?.endUtc ?? "") - ms(pulse?.startUtc ?? "")) / 60_000).toBeGreaterThanOrEqual(20 - 0.01);
  });
});
