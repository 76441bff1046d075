import { describe, expect, it } from "vitest";
import { addDays } from "../time/local-time.ts";
import type { Planting } from "../crop/planting.ts";
import { evaporationAheadMm, kcAhead, zoneUseAheadL, type ZoneUse } from "./use-ahead.ts";

const place = { latitudeDeg: 43.4 };
const date = "2026-06-20";
const week = (mm: number): Map<string, number> =>
  new Map(Array.from({ length: 11 }, (_, day) => [addDays(date, day - 7), mm]));
const courgette = (plantedOn: string, clearedOn: string | null = null) => ({
  cropId: "courgette",
  plantedOn,
  clearedOn,
  signs: [],
});
const zone = {
  areaM2: 100,
  plantings: [courgette("2026-05-01")],
  givenL: Array.from({ length: 7 }, () => 500),
  plannedL: [],
};
/** The zone's water from a date on, by its plantings. */
const ahead = (
  {
    plantings,
    rainOn,
    ...use
  }: Omit<ZoneUse, "kc" | "rainMm"> & {
    readonly plantings: readonly Planting[];
    readonly rainOn?: (date: string) => number;
  },
  days: number,
  evaporation: ReadonlyMap<string, number>,
  where = place,
  from = date,
): number[] => {
  const first = addDays(from, -use.givenL.length);
  const all = use.givenL.length + days;
  const kc = kcAhead(plantings, first, all);
  const rainMm = rainOn && Array.from({ length: all }, (_, day) => rainOn(addDays(first, day)));
  return zoneUseAheadL({ ...use, kc, ...(rainMm && { rainMm }) }, evaporationAheadMm(where, first, all, evaporation));
};

describe("the water that a zone will take", () => {
  it("doubles with twice the evaporation foreseen", () => {
    const hot = week(4);
    hot.set(date, 8);
    const [first = 0, second = 0] = ahead(zone, 2, hot);
    expect(first / second).toBeCloseTo(2, 2);
    expect(second).toBeGreaterThan(450);
  });

  it("ends on the day of clearing, and begins at what Kc and sun ask for where a crop is still to come", () => {
    const changing = { ...zone, plantings: [courgette("2026-04-01", "2026-06-22"), courgette("2026-06-25")] };
    const use = ahead(changing, 7, week(4));
    expect(use.slice(2, 5)).toEqual([0, 0, 0]);
    expect(use[5]).toBeGreaterThan(0);
    expect(use[5]).toBeLessThan(use[0] ?? 0);
  });

  it("follows the sun above the air beyond the days that are known", () => {
    // FAO-56, example 8: Ra is 32.2 MJ/m² at 20° S on 3 September. On 3 June (table 2.6) about 25 MJ/m².
    const south = { latitudeDeg: -20 };
    const fresh = { areaM2: 100, plantings: [courgette("2026-08-10")], givenL: [], plannedL: [] };
    const [winter, known] = ["2026-06-03", "2026-09-03"].map((on) =>
      ahead(fresh, 1, new Map([[on, 2.5]]), south, "2026-09-03"),
    );
    expect((winter?.[0] ?? 0) / (known?.[0] ?? NaN)).toBeCloseTo(32.2 / 25, 1);
  });

  it("is what the plans give as far as they reach, and goes on at their litres for each of demand", () => {
    const planned = { ...zone, givenL: [], plannedL: [900, 0, 900] };
    const plain = ahead({ ...zone, givenL: [], plannedL: [] }, 6, week(4));
    const use = ahead(planned, 6, week(4));
    expect(use.slice(0, 3)).toEqual([900, 0, 900]);
    const perDemand = 1800 / plain.slice(0, 3).reduce((sum, litres) => sum + litres, 0);
    for (const day of [3, 4, 5]) expect((use[day] ?? NaN) / (plain[day] ?? NaN)).toBeCloseTo(perDemand, 9);
  });

  it("is demand alone where nothing was given yet", () => {
    const fresh = { ...zone, givenL: [0, 0] };
    const [first = 0] = ahead(fresh, 1, week(4));
    const [twice = 0] = ahead({ ...fresh, areaM2: 200 }, 1, week(4));
    expect(first).toBeGreaterThan(0);
    expect(twice / first).toBeCloseTo(2, 12);
  });

  it("is nothing on the days that a rain still feeds: 20 mm against about 4 mm a day", () => {
    const open = { ...zone, givenL: [], rainOn: (on: string) => (on === date ? 20 : 0) };
    const [dry, wet] = [zone, open].map((of) => ahead({ ...of, givenL: [] }, 8, week(4)));
    const perDayL = dry?.[0] ?? NaN;
    const fedDays = Math.floor(2000 / perDayL);
    expect(wet?.slice(0, fedDays)).toEqual(Array.from({ length: fedDays }, () => 0));
    expect(
      (dry ?? []).reduce((sum, litres) => sum + litres, 0) - (wet ?? []).reduce((sum, litres) => sum + litres, 0),
    ).toBeCloseTo(2000, 6);
  });
});
