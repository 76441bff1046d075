import type { AskedZone, Main } from "@sprunel/core/schedule";
import { DomainError } from "@sprunel/core/working";
import { afterAll, describe, expect, it } from "vitest";
import { site, testServer } from "../testing/test-server.ts";
import { createPool } from "./pool.ts";

const NOTHING: Main = { limits: [], mixers: [], hands: null, tariff: [], rules: [], runs: [] };
const zones = Array.from({ length: 40 }, (_, at) => ({
  id: `z${at}`,
  litres: 1500 + ((at * 977) % 2500),
  flowLh: 2500 + ((at * 1409) % 3000),
  recipeId: `r${at % 3}`,
  windows: [{ startS: 6 * 3600, endS: 20 * 3600 }],
  pulses: 8,
  minGapMin: 10,
  priority: 1 + (at % 3),
}));
const day = { pump: { maxLh: 13_000 }, mixers: [{ id: "m1", maxLh: 13_000 }], zones };

describe("the pool", () => {
  const pool = createPool();
  afterAll(() => pool.close());

  it("answers as the sum itself does", async () => {
    const answer = await pool.run("day-plan", { ...day, zones: zones.slice(0, 1), timeLimitS: 0 });
    expect(answer).toMatchObject({ status: "optimal", unmet: [] });
  });

  it("gives a fault of the input back as what it is, with its path", async () => {
    const refused = pool.run("day-plan", { ...day, zones: [] });
    await expect(refused).rejects.toBeInstanceOf(DomainError);
    await expect(refused).rejects.toMatchObject({ path: "zones" });
  });

  it("breaks off what takes longer than it may, says so, and goes on with the next", async () => {
    await expect(pool.run("day-plan", { ...day, timeLimitS: 10 }, { mostMs: 300 })).rejects.toMatchObject({
      problem: { status: 422, detail: expect.stringContaining("too much to work out") as string },
    });
    const answer = await pool.run("day-plan", { ...day, zones: zones.slice(0, 2), timeLimitS: 0 });
    expect(answer.unmet).toEqual([]);
  });

  it("ends at once what nobody waits for any more, and goes on with the next", async () => {
    const gone = new AbortController();
    const asked = pool.run("day-plan", { ...day, pump: { maxLh: 9000 }, timeLimitS: 10 }, { signal: gone.signal });
    setTimeout(() => gone.abort(), 200);
    await expect(asked).rejects.toMatchObject({ name: "AbortError" });
    const answer = await pool.run("day-plan", { ...day, zones: zones.slice(0, 2), timeLimitS: 0 });
    expect(answer.unmet).toEqual([]);
  });

  it("tells what it does of a file, and neither opens nor reads the same twice", async () => {
    const bytes = new TextEncoder().encode("time,T (°C)\n2026-06-03 08:00,18\n2026-06-03 09:00,19\n");
    const read = async (timeZone: string) => {
      const steps: string[] = [];
      const table = await pool.run(
        "weather-file",
        { bytes, choices: { siteTimeZone: timeZone } },
        { step: (words) => void steps.push(words) },
      );
      return [table.series.hourMs.length, steps];
    };
    expect(await read("Europe/Paris")).toEqual([2, ["opening a file of 0.00 MB", "looking at 3 rows"]]);
    expect(await read("Europe/Lisbon")).toEqual([2, ["looking at 3 rows"]]);
    expect(await read("Europe/Lisbon")).toEqual([2, []]);
  });

  it("ends a search that is halted with what it has found", async () => {
    const halted = new Int32Array(new SharedArrayBuffer(Int32Array.BYTES_PER_ELEMENT));
    // More than the pump gives in a day: there is always something to look for.
    const zone = (id: number): AskedZone => ({
      ...{ id, name: `Zone ${id}`, flowLh: 1500 + 17 * id, litres: 6000, minGapMin: 10, recipe: null, dose: null },
      ...{ wantedS: [7, 9, 11, 13, 15, 17].map((hour) => hour * 3600), window: { startS: 21_600, endS: 72_000 } },
    });
    const limit = { kind: "pump", name: "Pump", maxLh: 8000, maxOpen: null, kw: null, zoneIds: null } as const;
    const input = {
      ...{ main: { ...NOTHING, limits: [limit] }, zones: Array.from({ length: 40 }, (_, at) => zone(at)) },
      ...{ nowS: -1, kept: [], excluded: [] },
    };
    // Were it not halted, it would be broken off.
    const search = pool.run("site-day", { input, timeLimitS: 600, halted }, { mostMs: 12_000 });

    setTimeout(() => Atomics.store(halted, 0, 1), 500);
    const { pulses, unmet } = await search;
    expect([pulses.length > 0, unmet.length > 0]).toEqual([true, true]);
  });

  it("answers a request while it searches beside it", async () => {
    // Far longer than what stands behind it: more water than a pump gives, so that there is always something to look for.
    const full = { ...day, pump: { maxLh: 9000 }, timeLimitS: 10 };
    const enough = new AbortController();
    let ended = false;
    const searched = pool
      .search("day-plan", full, { mostMs: 600_000, signal: enough.signal })
      .finally(() => (ended = true));
    const answer = await pool.run("day-plan", { ...day, zones: zones.slice(0, 2), timeLimitS: 0 });
    expect([answer.unmet, ended]).toEqual([[], false]);
    enough.abort();
    await expect(searched).rejects.toMatchObject({ name: "AbortError" });
  });
});

describe("while a day of forty zones is planned", () => {
  it("the server answers everybody else at once", async () => {
    const { call } = await testServer();
    await call("POST", "/api/site", site);
    let planned = false;
    const windows = [{ start: "06:00", end: "20:00" }];
    const sent = { ...day, zones: day.zones.map((zone) => ({ ...zone, windows })), timeLimitS: 2 };
    const plan = call("POST", "/api/compute/day-plan", sent).then((answer) => {
      planned = true;
      return answer;
    });
    let meanwhile = 0;
    while (!planned) {
      expect((await call("GET", "/api/health")).status).toBe(200);
      if (!planned) meanwhile++;
    }
    expect((await plan).status).toBe(200);
    // On one thread none would have come through: the plan was asked for first.
    expect(meanwhile).toBeGreaterThan(5);
  });
});
