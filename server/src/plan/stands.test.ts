import { getRootHistory } from "@sprunel/contract/rootzone";
import { getZoneDay } from "@sprunel/contract/plan";
import { freshPlanting, type Planting } from "@sprunel/contract/site";
import { describe, expect, it } from "vitest";
import { bags, sampleFile, site, testServer, type zone } from "../testing/test-server.ts";

const DATE = "2026-06-20";

/** A zone's day in a June of which the weather is known. */
async function dayWith(plantings: Planting[], like: typeof zone = bags, date = DATE) {
  const { answerTo, call } = await testServer({ now: "2026-07-09T16:00:00Z" });
  await call("POST", "/api/site", site);
  expect((await call("POST", "/api/zones", { ...like, plantings })).status).toBe(201);
  await call("POST", "/api/weather/imports", sampleFile("weather-iso.csv"));
  const day = await answerTo(getZoneDay, { params: { id: 1 }, query: { date } });
  const balance = (await answerTo(getRootHistory, { params: { id: 1 }, query: { date } })).balances?.planting;
  return { day, balance, call };
}

const half = (from: number) => ({ part: { from, to: from + 4, of: 10 } });
const lettuce = (plantedOn: string, more: Partial<Planting> = {}) =>
  freshPlanting("lettuce-butterhead", plantedOn, more);

describe("a day's litres follow what stands", () => {
  it("half of the rows planted drink half", async () => {
    const whole = (await dayWith([lettuce("2026-06-02")])).day;
    const part = (await dayWith([lettuce("2026-06-02", half(1))])).day;
    expect((part.plan?.demandMm ?? NaN) / (whole.plan?.demandMm ?? NaN)).toBeCloseTo(0.5, 9);
    expect(part.plan?.litresPerPlant).toBeCloseTo((2 * (part.plan?.litres ?? NaN)) / 200, 9);
  });

  it("two plantings beside each other drink what each of them would alone, and the working tells of both", async () => {
    const older = (await dayWith([lettuce("2026-06-02", half(1))])).day;
    const younger = (await dayWith([lettuce("2026-06-12", half(6))])).day;
    const { day, balance } = await dayWith([lettuce("2026-06-02", half(1)), lettuce("2026-06-12", half(6))]);
    expect(day.plan?.demandMm).toBeCloseTo((older.plan?.demandMm ?? NaN) + (younger.plan?.demandMm ?? NaN), 6);
    const labels = day.workings.demand?.steps.map(({ label }) => label) ?? [];
    expect(labels.filter((label) => label.startsWith("Butterhead lettuce, rows 6 to 10")).length).toBeGreaterThan(0);
    // The root zone is one, followed from the first of them on, and its books close.
    const { givenMm = NaN, rainMm = NaN, reachedMm = NaN, correctedMm = NaN, takenMm = NaN } = balance ?? {};
    const { drainMm = NaN, lostMm = NaN, overflowMm = NaN, changeMm = NaN, days } = balance ?? {};
    expect(givenMm + rainMm + reachedMm + correctedMm - takenMm - drainMm - lostMm - overflowMm - changeMm).toBeCloseTo(
      0,
      9,
    );
    expect(days).toBe(19);
  });

  it("one that takes over the lead goes on in the same root zone", async () => {
    const { day, balance } = await dayWith([
      lettuce("2026-06-02", { ...half(1), clearedOn: "2026-06-15" }),
      lettuce("2026-06-10", half(6)),
    ]);
    const alone = (await dayWith([lettuce("2026-06-10", half(6))])).day;
    expect(day.plan?.demandMm).toBeCloseTo(alone.plan?.demandMm ?? NaN, 9);
    expect(balance?.days).toBe(19);
  });

  it("pots that stand close drink less together than when they are moved apart, for the same leaves shade each other", async () => {
    const pots = (plantsPerM2: number | null) =>
      freshPlanting("cyclamen", "2026-06-02", {
        steps: [
          ...(plantsPerM2 === null ? [] : [{ kind: "spaced", on: "2026-06-02", plantsPerM2 } as const]),
          { kind: "spaced", on: "2026-06-25", plantsPerM2: 2 } as const,
        ],
      });
    const close = (await dayWith([pots(8)])).day;
    const apart = (await dayWith([pots(null)])).day;
    expect(close.plan?.demandMm).toBeLessThan(apart.plan?.demandMm ?? NaN);
    expect(close.plan?.leafAreaIndex).toBeCloseTo(4 * (apart.plan?.leafAreaIndex ?? NaN), 9);
  });

  it("potted on, each holds more, and a pulse is as much of it as before", async () => {
    const potted = (heldLPlant: number) =>
      freshPlanting("melon-netted", "2026-06-02", {
        steps: [{ kind: "potted-on", on: "2026-06-10", heldLPlant, plantsPerM2: null }],
      });
    const inMm = async (planting: Planting) => (await dayWith([planting])).balance?.["reachedMm"] ?? NaN;
    // 200 plants on 100 m²: 5 L more each are 10 mm of new substrate, that is wet.
    expect((await inMm(potted(10))) - (await inMm(potted(5)))).toBeCloseTo(10, 6);
  });

  it("fewer plants than the zone was laid out for drink each their own", async () => {
    const { day } = await dayWith([freshPlanting("melon-netted", "2026-06-02", { plants: 100 })]);
    expect(day.plan?.litresPerPlant).toBeCloseTo((day.plan?.litres ?? NaN) / 100, 9);
  });
});
