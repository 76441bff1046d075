import { getZoneCrop } from "@sprunel/contract/crop";
import { freshPlanting, type NewZone } from "@sprunel/contract/site";
import { describe, expect, it } from "vitest";
import { site, testServer, zone } from "../testing/test-server.ts";

const { areaM2, plants, flowLh, uniformityPct, startAfterSunriseMin, endBeforeSunsetMin, minGapMin } = zone.definition;
const paddy: NewZone = {
  ...zone,
  name: "Paddy",
  house: { name: "In the open", transmissionPct: 100 },
  unconfirmed: [],
  definition: {
    system: "basin",
    ...{ areaM2, plants, flowLh, uniformityPct, startAfterSunriseMin, endBeforeSunsetMin, minGapMin },
    ...{ floodDepthMm: 40, bundCm: 20, refloodAtCm: 15, percolationMmDay: 4, drainablePct: 10 },
  },
};

async function planted(cropId: string, like: object = paddy) {
  const { answerTo, call, url } = await testServer({ now: "2026-06-20T08:00:00Z" });
  await call("POST", "/api/site", site);
  const made = await call("POST", "/api/zones", { ...like, plantings: [freshPlanting(cropId, "2026-06-01")] });
  expect(made.status).toBe(201);
  const { practices } = await answerTo(getZoneCrop, { params: { id: 1 }, query: { date: "2026-06-20" } });
  return { url, practices };
}

describe("what is done to a field and when", () => {
  it("of a paddy has the depths and marks of its basin, in order of time", async () => {
    const { practices } = await planted("rice");
    const of = (id: string) => practices.find((practice) => practice.id === id);
    expect(of("shallow")).toMatchObject({ on: "2026-06-01", until: "2026-06-15", water: { kind: "pond", cm: 3 } });
    expect(of("tube-1")).toMatchObject({ on: "2026-06-16", water: { kind: "tube", cm: 15 } });
    // It is flooded 4 cm deep at most: the 5 cm of the book are not to be had.
    expect(of("wet")?.water).toEqual({ kind: "pond", cm: 4 });
    const dates = practices.map(({ on }) => on);
    expect(dates).toEqual([...dates].sort());
  });

  it("of rows on drippers says nothing of a pond", async () => {
    const { practices } = await planted("maize", zone);
    expect(practices.map(({ id }) => id)).toContain("last-water");
    for (const { water } of practices) expect(water).toBeNull();
  });

  it("stands in the calendar that others follow, and in its table", async () => {
    const { url } = await planted("rice");
    const table = await fetch(`${url}/api/crop-calendar.csv`);
    expect(await table.text()).toMatch(/2026-06-16,Paddy,.*flood and dry in turn/);
  });

  it("stands there up to the day on which the crop is cleared, and no longer", async () => {
    const on = async (clearedOn: string) => {
      const server = await testServer({ now: "2026-06-20T08:00:00Z" });
      await server.call("POST", "/api/site", site);
      const plantings = [freshPlanting("rice", "2026-06-01", { clearedOn })];
      expect((await server.call("POST", "/api/zones", { ...paddy, plantings })).status).toBe(201);
      return (await fetch(`${server.url}/api/crop-calendar.csv`)).text();
    };
    expect(await on("2026-06-16")).toMatch(/2026-06-16,Paddy,.*flood and dry in turn/);
    expect(await on("2026-06-15")).not.toMatch(/flood and dry in turn/);
  });

  it("stands there from thirty days back on, that day too", async () => {
    const tableOn = async (today: string) => {
      const server = await testServer({ now: `${today}T08:00:00Z` });
      await server.call("POST", "/api/site", site);
      await server.call("POST", "/api/zones", { ...paddy, plantings: [freshPlanting("rice", "2026-06-01")] });
      return (await fetch(`${server.url}/api/crop-calendar.csv`)).text();
    };
    expect(await tableOn("2026-07-01")).toMatch(/2026-06-01,Paddy,Rice: plant or sow/);
    expect(await tableOn("2026-07-02")).not.toMatch(/2026-06-01,Paddy,Rice: plant or sow/);
  });

  it("is nothing for crops without such times", async () => {
    expect((await planted("courgette", zone)).practices).toEqual([]);
  });
});
