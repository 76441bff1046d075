import { getSiteFile } from "@sprunel/contract/exchange";
import { addSource } from "@sprunel/contract/water";
import { getZoneCrop } from "@sprunel/contract/crop";
import {
  type DosePlan,
  saveProgramme,
  getDosePlan,
  getNutrientBooks,
  getWeekOfDoses,
  getZoneFeed,
} from "@sprunel/contract/feed";
import { freshPlanting, getSetUp } from "@sprunel/contract/site";
import { describe, expect, it } from "vitest";
import type { WeatherDevice } from "../climate/weather-device.ts";
import { sameDayDevice } from "../testing/same-day-device.ts";
import { site, testServer, zone, type TestServer } from "../testing/test-server.ts";

const TODAY = "2026-06-20";
const KEY = "8d6f1c3e-5a4b-4c2d-9e8f-0a1b2c3d4e8";

/** Courgettes of 500 m², 6 kg/m² aimed at: 60 t/ha. */
async function courgettes(
  more: Parameters<typeof freshPlanting>[2] = { targetPerM2: 6 },
  like: object = {},
  device?: WeatherDevice,
) {
  const { answerTo, call, url, rooms } = await testServer({ now: `${TODAY}T08:00:00Z`, ...(device && { device }) });
  const follow = () => rooms.climate.followStation(Date.parse("2026-05-01T00:00:00Z"));
  await call("POST", "/api/site", site);
  await call("POST", "/api/zones", { ...zone, ...like, plantings: [freshPlanting("courgette", "2026-05-01", more)] });
  const plan = async () => await answerTo(getDosePlan, { params: { id: 1 } });
  const save = async (change: object) => {
    const { programme, version } = await plan();
    return call("PUT", "/api/zones/1/dose-programme", { programme: { ...programme, ...change }, version });
  };
  return { answerTo, call, url, plan, save, follow };
}
/** The planting ends on a day. */
async function clearedOn({ answerTo, call }: Pick<TestServer, "answerTo" | "call">, on: string): Promise<void> {
  const { zones } = await answerTo(getSetUp);
  const { id: _id, archived: _archived, plantings, ...rest } = zones[0] ?? {};
  const sent = { ...rest, plantings: (plantings as object[]).map((planting) => ({ ...planting, clearedOn: on })) };
  expect((await call("PUT", "/api/zones/1", sent)).status).toBe(200);
}
const sum = (doses: DosePlan["doses"], nutrient: "N" | "P" | "K"): number =>
  doses.reduce((so, { nutrientsKgHa }) => so + nutrientsKgHa[nutrient], 0);

describe("what a planting needs", () => {
  it("is its aim times what is removed, less what is there, over what is taken up", async () => {
    const { plan } = await courgettes();
    const { need } = await plan();
    // 60 t/ha of 1.8, 0.48 and 2.7 kg/t
    expect(need).toMatchObject({ yieldTHa: 60, aim: "planting" });
    expect(need?.uptakeKgHa.N).toBeCloseTo(108, 9);
    expect(need?.toGiveKgHa.N).toBeCloseTo(108 / 0.8, 9);
  });

  it("counts a soil test at once, and an old one at half, with what a new one would change", async () => {
    const { call, plan } = await courgettes();
    const soil = (takenOn: string) => ({
      ...{ kind: "soil", takenOn, depthCm: [0, 30], texture: null, ph: null, ecSaturatedMsCm: null },
      ...{ organicMatterPct: null, pMgKg: null, kMgKg: null, mgMgKg: null, mineralNKgHa: 40 },
    });
    expect((await call("POST", "/api/zones/1/reports", soil("2019-04-01"))).status).toBeLessThan(300);
    const old = (await plan()).need;
    expect(old?.credits[0]).toMatchObject({ N: 20, from: "soil, 0 to 30 cm" });
    expect(old?.credits[0]?.doubt).toMatch(/2019-04-01.*at half.*40 kg\/ha/);
    await call("POST", "/api/zones/1/reports", soil("2026-04-20"));
    const fresh = (await plan()).need;
    expect(fresh?.credits[0]).toMatchObject({ N: expect.closeTo(40, 9) as number, doubt: null });
    expect(fresh?.toGiveKgHa.N).toBeCloseTo((108 - 40) / 0.8, 6);
    await call("POST", "/api/zones/1/reports", { ...soil("2026-04-20"), depthCm: [30, 60], mineralNKgHa: 15 });
    const deeper = (await plan()).need;
    expect(deeper?.credits.map(({ from, N }) => [from, Math.round(N)])).toEqual([
      ["soil, 0 to 30 cm", 40],
      ["soil, 30 to 60 cm", 15],
    ]);
  });

  it("gives more P and K than is removed to a poor soil, less to a rich one, by its test or as somebody says", async () => {
    const { call, plan, save } = await courgettes();
    const soil = {
      ...{ kind: "soil", takenOn: "2026-04-20", depthCm: [0, 30], texture: null, ph: null, ecSaturatedMsCm: null },
      ...{ organicMatterPct: null, pMgKg: 12, kMgKg: 300, mgMgKg: null, mineralNKgHa: null },
    };
    const before = (await plan()).need;
    await call("POST", "/api/zones/1/reports", soil);
    const tested = (await plan()).need;
    expect(tested?.soil).toMatchObject([
      { nutrient: "P", is: "build", from: "12 mg/kg, test of 2026-04-20" },
      { nutrient: "K", is: "draw-down" },
    ]);
    expect(tested?.toGiveKgHa.P).toBeCloseTo(1.5 * (before?.toGiveKgHa.P ?? NaN), 9);
    expect(tested?.toGiveKgHa.K).toBeCloseTo(0.5 * (before?.toGiveKgHa.K ?? NaN), 9);
    await save({ soilClass: { P: "keep", K: null } });
    expect((await plan()).need?.toGiveKgHa.P).toBeCloseTo(before?.toGiveKgHa.P ?? NaN, 9);
  });

  it("counts a manure by its decay series, as published: 45 % of it in the first year", async () => {
    const { plan, save } = await courgettes();
    const manure = { name: "Hen manure", tHa: 2, nPct: 4, pPct: 1, kPct: 1.5, nDecayPct: [45, 25, 10], yearsAgo: 0 };
    expect((await save({ organic: [manure] })).status).toBe(200);
    const credit = (await plan()).need?.credits[0];
    expect(credit?.from).toBe("Hen manure");
    expect([credit?.N, credit?.P, credit?.K]).toEqual([
      expect.closeTo(80 * 0.45, 9),
      expect.closeTo(20, 9),
      expect.closeTo(30, 9),
    ]);
  });

  it("counts digestate by what a crop can use of it, with what it cannot, and has it in calendar and books", async () => {
    const { call, plan } = await courgettes();
    const analysis = {
      ...{ takenOn: "2026-05-01", suspendedSolidsMgL: 60, nh4NMgL: 900, organicNMgL: 300, pMgL: 100, kMgL: 1500 },
      ...{ ecMsCm: 12, hygieneDays: 10 },
    };
    const free = { maxFlowLh: null, priceM3: null, licenceM3Year: null, storage: null, turn: null };
    const source = { ...free, name: "Digestate", kind: "digestate", analysis };
    const added = await call("POST", "/api/sources", source);
    expect(added.status, JSON.stringify(added.body)).toBeLessThan(300);
    const { sources } = addSource.answer.parse(added.body);
    const sourceId = sources.find(({ source: { name } }) => name === "Digestate")?.source.id;
    const dose = { key: `${KEY}0`, sourceId, givenOn: "2026-06-10", litres: 1000, flushL: 300 };
    expect((await call("POST", "/api/zones/1/doses", dose)).status).toBeLessThan(300);
    const { need, digestates, digestateCaps, ledger } = await plan();
    // 1 m³ on 500 m²: 20 m³/ha, 18 kg of ammonium N and 6 of organic N.
    expect(need?.credits[0]).toMatchObject({
      from: "Digestate",
      N: expect.closeTo(18, 9) as number,
      P: expect.closeTo(2, 9) as number,
    });
    expect(need?.credits[0]?.doubt).toMatch(/organic nitrogen, 6 kg\/ha/);
    expect(digestates).toMatchObject([{ on: "2026-06-10", litres: 1000, flushL: 300 }]);
    // 108 kg/ha of N less 24 that came, on 0.05 ha, at 1.2 kg in a m³: 3.5 m³; 28.8 of P less 2, at 0.1 kg: 13.4.
    expect(digestateCaps).toEqual([{ name: "Digestate", m3: expect.closeTo(3.5, 9) as number, boundBy: "N" }]);
    expect(ledger?.digestate?.N).toBeCloseTo(24, 9);
    // It has a line of its own, and stands in no other.
    expect(ledger?.credited?.N).toBe(0);
    // What is given today is in the books this evening.
    const today = { ...dose, key: `${KEY}1`, givenOn: TODAY };
    expect((await call("POST", "/api/zones/1/doses", today)).status).toBeLessThan(300);
    expect((await plan()).ledger?.digestate?.N).toBeCloseTo(48, 9);
  });

  it("counts what coated grains set free within the season, and all of it in the books of the year", async () => {
    const { answerTo, plan, save } = await courgettes();
    const grains = {
      ...{ name: "Six months", on: "2026-05-01", gPlant: 20, nPct: 15, pPct: 4, kPct: 9 },
      ...{ longevityDays: 180, statedAtC: 21 },
    };
    const before = (await plan()).need;
    expect((await save({ coated: [grains] })).status).toBe(200);
    const { need } = await plan();
    const [credit] = need?.credits ?? [];
    // All that they hold: 20 g of 15 % N at each plant of the zone.
    const held = ((zone.definition.plants * 20 * 0.15) / zone.definition.areaM2) * 10;
    expect(credit).toMatchObject({ from: "Six months", doubt: expect.stringMatching(/usual warmth/) as string });
    expect(credit?.N).toBeGreaterThan(0.2 * held);
    expect(credit?.N).toBeLessThan(held);
    expect(need?.toGiveKgHa.N).toBeLessThan(before?.toGiveKgHa.N ?? NaN);
    const books = await answerTo(getNutrientBooks);
    expect(books.zones[0]?.years[0]?.bySource.dose.N).toBeCloseTo(held, 6);
  });

  it("of heads follows from what one weighs, and what was picked is told in the books by it", async () => {
    const { answerTo, call, plan } = await courgettes({ targetPerM2: 6 });
    const { zones } = await answerTo(getSetUp);
    const { id: _id, archived: _archived, plantings: _plantings, ...rest } = zones[0] ?? {};
    const heads = freshPlanting("lettuce-butterhead", "2026-05-20", { targetPerM2: 16 });
    expect((await call("PUT", "/api/zones/1", { ...rest, plantings: [heads] })).status).toBe(200);
    const before = await plan();
    expect(before).toMatchObject({ missing: "no-aim", planting: { piece: { one: expect.any(String) as string } } });
    const programme = { ...before.programme, pieceG: 300 };
    const saved = await call("PUT", "/api/zones/1/dose-programme", { programme, version: null });
    expect(saved.status, JSON.stringify(saved.body)).toBe(200);
    // 16 heads of 300 g on a m² are 48 t/ha
    expect((await plan()).need?.yieldTHa).toBeCloseTo(48, 9);
    await call("POST", "/api/zones/1/picks", {
      ...{ key: `${KEY}5`, pickedOn: "2026-06-18", massKg: null, count: 1000, grade: null, brixPct: null },
    });
    const { ledger, need } = await plan();
    // 300 kg off 500 m² are 6 t/ha, an eighth of the aim.
    expect(ledger?.removed?.N).toBeCloseTo((need?.uptakeKgHa.N ?? NaN) / 8, 9);
  });

  it("is not known where nobody aims at a yield, nor where nothing stands", async () => {
    const { plan } = await courgettes({ targetPerM2: null });
    expect(await plan()).toMatchObject({ missing: "no-aim", need: null, doses: [] });
    const cleared = await courgettes({ targetPerM2: 6, clearedOn: "2026-06-01" });
    expect(await cleared.plan()).toMatchObject({ missing: "not-planted" });
  });
});

describe("a calendar of doses", () => {
  it("shares out by uptake what is to be given, week after week, and all of it", async () => {
    const { plan } = await courgettes();
    const { doses, need, version } = await plan();
    expect(version).toBeNull();
    for (const nutrient of ["N", "P", "K"] as const)
      expect(sum(doses, nutrient)).toBeCloseTo(need?.toGiveKgHa[nutrient] ?? NaN, 4);
    expect(doses.every(({ state }) => state === "planned")).toBe(true);
    // A young crop takes less than a grown one.
    expect(doses[0]?.nutrientsKgHa.N).toBeLessThan(doses[7]?.nutrientsKgHa.N ?? 0);
  });

  it("in dressings at stages and dates moves with the stages, and asks what is due once it is kept", async () => {
    const { answerTo, save, plan, call } = await courgettes();
    const dressings = [
      { day: { kind: "date", on: "2026-05-20" }, sharePct: 40 },
      { day: { kind: "stage", stageId: "picking", days: 3 }, sharePct: 60 },
    ];
    const kept = await save({ school: "dressings", dressings, basalPct: 0 });
    expect([kept.status, saveProgramme.answer.parse(kept.body).version]).toEqual([200, 1]);
    const [first, second] = (await plan()).doses;
    expect(first).toMatchObject({ on: "2026-05-20", state: "due" });
    const version = (await answerTo(getZoneCrop, { params: { id: 1 } })).version;
    await call("POST", "/api/zones/1/signs", { stageId: "picking", on: "2026-06-12", version });
    expect((await plan()).doses[1]?.on).toBe("2026-06-15");
    expect(second?.on).not.toBe("2026-06-15");
  });

  it("that hangs on a condition is split and noted with it, and skipped it moves into no other", async () => {
    const { save, plan, call } = await courgettes();
    const day = (on: string) => ({ kind: "date", on });
    const dressings = [
      { day: day("2026-05-20"), sharePct: 40 },
      { day: day("2026-06-18"), sharePct: 60, onlyIf: "the leaf is pale" },
    ];
    const most = { largestNKgHa: 60, shortestDays: 5 };
    expect((await save({ school: "dressings", dressings, basalPct: 0, ...most })).status).toBe(200);
    const before = (await plan()).doses;
    expect(before.map(({ on, onlyIf }) => [on, onlyIf])).toEqual([
      ["2026-05-20", null],
      ["2026-06-18", "the leaf is pale"],
      ["2026-06-23", "the leaf is pale"],
    ]);
    const skipped = {
      key: `${KEY}7`,
      plannedOn: "2026-06-18",
      basal: false,
      doneOn: TODAY,
      state: "skipped",
      products: [],
    };
    const noted = await call("POST", "/api/zones/1/dose-records", { ...skipped, reason: "not so: the leaf is pale" });
    expect(noted.status).toBeLessThan(300);
    const after = (await plan()).doses;
    expect(after[1]).toMatchObject({ state: "skipped", onlyIf: "the leaf is pale", nutrientsKgHa: { N: 0 } });
    for (const at of [0, 2]) expect(after[at]?.nutrientsKgHa).toEqual(before[at]?.nutrientsKgHa);
    expect(await save({ dressings: [{ ...dressings[0], sharePct: 100, onlyIf: "x".repeat(101) }] })).toMatchObject({
      status: 422,
      body: { errors: [{ path: "programme.dressings.0.onlyIf" }] },
    });
  });

  it("refuses at their fields shares that do not add up, a stage that is not there, and an unknown bag", async () => {
    const { save } = await courgettes();
    const at = async (change: object) => {
      const { status, body } = await save(change);
      return [status, body.errors?.[0]?.path, body.errors?.[0]?.message];
    };
    const day = { kind: "date", on: "2026-05-20" };
    expect(await at({ school: "dressings", dressings: [{ day, sharePct: 40 }] })).toEqual([
      422,
      "programme.dressings",
      "The shares of the dressings must add up to 100 %; these add up to 40 %.",
    ]);
    const stage = { kind: "stage", stageId: "bulb", days: 0 };
    expect(await at({ school: "dressings", dressings: [{ day: stage, sharePct: 100 }] })).toEqual([
      422,
      "programme.dressings.0.day.stageId",
      "This planting has no stage bulb.",
    ]);
    const late = { kind: "date", on: "2027-05-20" };
    expect((await at({ school: "dressings", dressings: [{ day: late, sharePct: 100 }] }))[2]).toMatch(
      /lies outside the time in which this planting is fed, 2026-05-01 to/,
    );
    expect((await at({ productIds: ["moon-dust"] }))[1]).toBe("programme.productIds.0");
    expect((await at({ yieldTHa: 600 })).slice(1)).toEqual([
      "programme.yieldTHa",
      expect.stringMatching(/600 t\/ha, is more than 3 times the planting's own aim of 60 t\/ha; give up to 180/),
    ]);
  });

  it("is still read where the planting ends before its last dressing: that one is told as not given", async () => {
    const { answerTo, call, save, plan } = await courgettes();
    const day = (on: string) => ({ kind: "date", on });
    const dressings = [
      { day: day("2026-05-20"), sharePct: 50 },
      { day: day("2026-07-10"), sharePct: 50 },
    ];
    await save({ school: "dressings", dressings, basalPct: 0 });
    await clearedOn({ answerTo, call }, "2026-07-01");
    const { doses, unmet } = await plan();
    expect(doses.map(({ on }) => on)).toEqual(["2026-05-20"]);
    expect(unmet.find(({ nutrient }) => nutrient === "N")).toMatchObject({
      kgHa: doses[0]?.nutrientsKgHa.N,
      reason: expect.stringMatching(/no dose may be given after 2026-06-30/) as string,
    });
    expect((await call("GET", "/api/doses")).status).toBe(200);
  });

  it("that cannot be followed says why, and takes down neither its page nor the week of the others", async () => {
    const { answerTo, save, plan } = await courgettes();
    expect((await save({ productIds: ["monopotassium-phosphate"] })).status).toBe(200);
    const said = expect.stringMatching(/none of the products brings any/) as string;
    expect(await plan()).toMatchObject({ fault: said, doses: [], version: 1 });
    const week = await answerTo(getWeekOfDoses);
    expect(week.zones).toMatchObject([{ fault: said, doses: [] }]);
    expect((await save({ productIds: ["urea", "potassium-nitrate"] })).status).toBe(200);
    expect(await plan()).toMatchObject({ fault: null, version: 2 });
  });

  it("is one person's at a time: an old version is refused with the newer one", async () => {
    const { save, plan, call } = await courgettes();
    const { programme } = await plan();
    await save({ everyDays: 14 });
    const stale = await call("PUT", "/api/zones/1/dose-programme", { programme, version: null });
    expect([stale.status, stale.body["current"]]).toEqual([409, expect.objectContaining({ version: 1 })]);
  });

  it("sets the schools side by side: the same aims, in other operations", async () => {
    const { plan } = await courgettes();
    const { schools, need } = await plan();
    expect(schools.map(({ school }) => school)).toEqual([...["ration", "dressings", "constant", "recipe", "organic"]]);
    const of = (name: string) => schools.find(({ school }) => school === name);
    for (const name of ["ration", "dressings", "organic"]) {
      expect(of(name)?.totalKgHa?.N, name).toBeCloseTo(need?.toGiveKgHa.N ?? NaN, 4);
      expect(of(name)?.leftKgHa?.N, name).toBeCloseTo(0, 4);
    }
    expect(of("dressings")?.operations).toBeLessThan(of("ration")?.operations ?? 0);
    expect(of("dressings")?.workMin).toBe(20 * (of("dressings")?.operations ?? NaN));
    // Few large doses lie there before the crop takes them up.
    expect(of("dressings")?.aheadNKgHa).toBeGreaterThan(2 * (of("ration")?.aheadNKgHa ?? NaN));
    expect(of("constant")).toMatchObject({
      totalKgHa: null,
      note: expect.stringMatching(/Nothing was watered/) as string,
    });
    expect(of("organic")?.note).toMatch(/no manure is described/);
    // Nobody measured the water: how salty a dose makes it is not known, and no strength is told as none.
    expect([of("ration")?.ecMsCm, of("constant")?.ecMsCm]).toEqual([null, null]);
  });

  it("by recipe and at constant strength follows the water, what is to come as it was drunk so far", async () => {
    const { call, plan, save } = await courgettes();
    await call("POST", "/api/water-reports", {
      ...{ sourceName: "Well", takenOn: "2026-05-01", ions: { NO3: 1, HCO3: 1, Ca: 1 }, ph: 7, ecMsCm: 0.3 },
    });
    const watering = { zoneId: 1, startUtc: "2026-06-19T08:00:00Z", minutes: 75, litres: 60_000 };
    await call("POST", "/api/waterings", { waterings: [watering] });
    const { schools } = await plan();
    const of = (name: string) => schools.find(({ school }) => school === name);
    // 60 m³ on 500 m² at 100 g N/m³ are 120 kg/ha so far; more is to come.
    expect(of("constant")?.totalKgHa?.N).toBeGreaterThan(120);
    expect(of("recipe")?.totalKgHa?.N).toBeGreaterThan(0);
    expect(of("recipe")?.note).toMatch(/expected/);
    expect(of("ration")?.ecMsCm).toBeGreaterThan(0.3);
    expect((await save({ school: "constant", ppmN: 100 })).status).toBe(200);
    const followed = (await plan()).doses.find(({ mixedIntoL }) => mixedIntoL !== null);
    // g of N on 500 m² over litres of feed
    expect((followed?.nutrientsKgHa.N ?? NaN) * 0.05 * 1e6).toBeCloseTo(100 * (followed?.mixedIntoL ?? NaN), 3);
    expect(followed?.injection).toBeNull();
  });

  it("at constant strength goes by the light of its days, foreseen ones by their own sun", async () => {
    const { call, plan, save, follow } = await courgettes(undefined, {}, sameDayDevice);
    await follow();
    const waterings = ["2026-06-10", "2026-06-19"].map((on) => ({
      ...{ zoneId: 1, startUtc: `${on}T08:00:00Z`, minutes: 75, litres: 30_000 },
    }));
    await call("POST", "/api/waterings", { waterings });
    const { planting } = await plan();
    const light = planting?.lastWeek.lightMolM2 ?? NaN;
    expect(light).toBeGreaterThan(5);
    expect(planting?.lastWeek.waterLM2).toBeCloseTo(30_000 / 7 / 500, 6);
    const rule = { policy: "stronger-in-low-light", usualWaterLM2: 3, least: 0.7, most: 1.4 };
    const season = { ...rule, usualLightMolM2: 2 * light };
    expect((await save({ school: "constant", ppmN: 100, season })).status).toBe(200);
    const { doses, warnings } = await plan();
    const mgL = doses.map(({ on, nutrientsKgHa: { N }, mixedIntoL }) => [on, (N * 0.05 * 1e6) / (mixedIntoL ?? NaN)]);
    // Half of the light that it is meant for: 1 + 0.4 · 0.5; foreseen days differ by their sun.
    expect(mgL.find(([on]) => on === "2026-06-19")?.[1]).toBeCloseTo(120, 0);
    // In August the sun stands lower.
    expect(mgL.at(-1)?.[1]).toBeGreaterThan(121);
    expect(warnings.join()).not.toMatch(/not known yet/);
    const late = await save({ school: "constant", season: { ...season, most: 4 } });
    expect(late.status).toBe(422);
    expect(late.body.errors?.[0]).toMatchObject({ path: "programme.season.most" });
  });

  it("at constant strength stays at its own where nobody knows the light, and says so", async () => {
    const { call, plan, save } = await courgettes();
    const watering = { zoneId: 1, startUtc: "2026-06-19T08:00:00Z", minutes: 75, litres: 60_000 };
    await call("POST", "/api/waterings", { waterings: [watering] });
    const season = { policy: "stronger-in-low-light", usualWaterLM2: 3, usualLightMolM2: 20, least: 0.7, most: 1.4 };
    await save({ school: "constant", ppmN: 100, season });
    const { doses, warnings, planting } = await plan();
    expect(planting?.lastWeek.lightMolM2).toBeNull();
    for (const { nutrientsKgHa, mixedIntoL } of doses)
      expect((nutrientsKgHa.N * 0.05 * 1e6) / (mixedIntoL ?? NaN)).toBeCloseTo(100, 6);
    expect(warnings).toContainEqual(expect.stringMatching(/The light from 2026-05-01 on is not known yet/));
    // A feed that cannot be mixed at all has no strength of its own either.
    await save({ school: "constant", ppmN: 100, season, productIds: ["monopotassium-phosphate"] });
    expect(await plan()).toMatchObject({ fault: expect.any(String) as string, warnings: [] });
  });

  it("says how each dose is injected: fill, inject, flush, concentrate, and how strong it drips", async () => {
    const { call, save, plan } = await courgettes();
    await save({ injectMin: 30, mostEcMsCm: 1 });
    const unknown = (await plan()).doses.find(({ state }) => state === "planned")?.injection;
    // Neither water nor lines are known.
    expect(unknown).toMatchObject({ fillMin: null, flushMin: null, injectMin: 30, ecMsCm: null });
    await call("POST", "/api/water-reports", {
      ...{ sourceName: "Well", takenOn: "2026-05-01", ions: { NO3: 1, HCO3: 1, Ca: 1 }, ph: 7, ecMsCm: 0.3 },
    });
    await save({ travelMin: 8 });
    const { doses } = await plan();
    const dose = doses.find(({ state }) => state === "planned");
    expect(dose?.injection).toMatchObject({ fillMin: 8, flushMin: 8 });
    expect(dose?.injection?.runL).toBeCloseTo((zone.definition.flowLh * 46) / 60, 6);
    const grams = (dose?.products ?? []).reduce((all, { kg }) => all + kg * 1000, 0);
    expect(dose?.injection?.gMin).toBeCloseTo(grams / 30, 6);
    expect(dose?.injection?.ecMsCm).toBeGreaterThan(0.3);
    // A run that takes more than the zone drinks in a day is told.
    const watering = { zoneId: 1, startUtc: "2026-06-19T08:00:00Z", minutes: 5, litres: 70 };
    await call("POST", "/api/waterings", { waterings: [watering] });
    const told = (await plan()).doses.find(({ state }) => state === "planned")?.injection?.warnings.join(" ");
    expect(told).toMatch(/the zone drinks 10 L in a day: inject for less/);
    await save({ injectMin: null });
    expect((await plan()).doses.every(({ injection }) => injection === null)).toBe(true);
  });

  it("laid in strips says how much lies on a metre, and whether it burns what is planted there", async () => {
    const layout = {
      ...{ beds: 4, lengthM: 50, widthM: 1.6, rows: 2, inRowM: 0.5, offset: false, linesPerBed: 2 },
      ...{ dripperSpacingM: 0.2, dripperLh: 1.1, drippersPerPlant: 0, vessel: null },
    };
    const { save, plan } = await courgettes({ targetPerM2: 6 }, { layout });
    await save({ school: "dressings", basalPct: 40, bandWidthCm: 2 });
    const [basal, ...others] = (await plan()).doses;
    const grams = (basal?.products ?? []).reduce((all, { kg }) => all + kg * 1000, 0);
    // 4 beds of 2 rows of 50 m
    expect(basal?.band?.gMetre).toBeCloseTo(grams / 400, 9);
    expect(basal?.band?.verdict).toBe("burns");
    expect(others.every(({ band }) => band === null)).toBe(true);
    await save({ bandWidthCm: null });
    expect((await plan()).doses[0]?.band).toBeNull();
  });

  it("after a pick waits for it, and stands on its day once it is picked", async () => {
    const { call, save, plan } = await courgettes();
    const dressings = [{ day: { kind: "pick", pick: 1, days: 2 }, sharePct: 100 }];
    expect((await save({ school: "dressings", dressings, basalPct: 0 })).status).toBe(200);
    expect((await plan()).doses[0]).toMatchObject({ onlyIf: "pick 1 is over" });
    await call("POST", "/api/zones/1/picks", {
      ...{ key: `${KEY}8`, pickedOn: "2026-06-17", massKg: 200, count: null, grade: null, brixPct: null },
    });
    expect((await plan()).doses[0]).toMatchObject({ on: "2026-06-19", onlyIf: null, state: "due" });
  });
});

describe("a programme under a name", () => {
  const keep = async (at: number, name: string, more: object = {}) => {
    const found = await courgettes();
    const { programme } = await found.plan();
    const sent = { key: `${KEY}${at}`, name, programme: { ...programme, fromOn: "2026-06-01", ...more } };
    return { ...found, sent, kept: await found.call("POST", "/api/zones/1/dose-programmes", sent) };
  };
  interface Kept {
    programmes: {
      name: string;
      version: number;
      madeIn: string;
      usedBy: string[];
      programme: Record<string, unknown>;
    }[];
  }
  const listed = (body: unknown) => (body as Kept).programmes;

  it("is counted up, a second sending not, and is put in force elsewhere as it stands", async () => {
    const { call, kept, sent, save } = await keep(1, "Courgettes, weekly", { everyDays: 9 });
    expect(kept.status).toBe(201);
    expect(listed(kept.body)).toMatchObject([
      { name: "Courgettes, weekly", version: 1, madeIn: "Tunnel 1", usedBy: [] },
    ]);
    expect(listed(kept.body)[0]?.programme).toMatchObject({ everyDays: 9, fromOn: null });
    expect(listed((await call("POST", "/api/zones/1/dose-programmes", sent)).body)).toHaveLength(1);
    const next = { ...sent, key: `${KEY}2`, programme: { ...sent.programme, everyDays: 5 } };
    const second = listed((await call("POST", "/api/zones/1/dose-programmes", next)).body);
    expect(second.map(({ version }) => version)).toEqual([2, 1]);
    await save({ ...second[1]?.programme, fromOn: "2026-06-10" });
    const now = listed((await call("GET", "/api/dose-programmes")).body);
    expect(now.map(({ usedBy }) => usedBy)).toEqual([[], ["Tunnel 1"]]);
  });

  it("needs a name, and a programme that can be", async () => {
    const nameless = await keep(3, "");
    expect([nameless.kept.status, nameless.kept.body.errors?.[0]?.path]).toEqual([422, "name"]);
    const broken = await keep(4, "Broken", { everyDays: 0 });
    expect([broken.kept.status, broken.kept.body.errors?.[0]?.path]).toEqual([422, "programme.everyDays"]);
  });

  it("goes with the site's file", async () => {
    const { url } = await keep(5, "Courgettes, weekly");
    const file = JSON.parse(await (await fetch(`${url}/api/site-file`)).text()) as Record<string, unknown>;
    expect(file["programmes"]).toMatchObject([{ name: "Courgettes, weekly", madeIn: "Tunnel 1" }]);
    const other = await testServer({ now: `${TODAY}T08:00:00Z` });
    const read = await fetch(`${other.url}/api/site-file`, {
      ...{ method: "POST", headers: { "content-type": "application/json" }, body: JSON.stringify(file) },
    });
    expect(read.status).toBeLessThan(300);
    expect(listed((await other.call("GET", "/api/dose-programmes")).body)).toMatchObject([
      { name: "Courgettes, weekly", version: 1 },
    ]);
  });
});

describe("what became of a dose", () => {
  const record = (at: number, more: object) => ({
    ...{ key: `${KEY}${at}`, plannedOn: "2026-05-22", basal: false, doneOn: "2026-05-23", state: "given" },
    ...{ products: [{ productId: "urea", kg: 2 }], reason: null },
    ...more,
  });

  it("of a liquid is told in litres by its density, and of a solid in its mass alone", async () => {
    const { call, plan } = await courgettes();
    const liquid = { name: "Liquid 8 N", form: "liquid", isAcid: false, isChelate: false, label: { ureaN: 8 } };
    const added = await call("POST", "/api/own-products", { ...liquid, densityKgL: 1.2, solubilityGL: null });
    expect(added.status, JSON.stringify(added.body)).toBe(201);
    const products = [
      { productId: "own-1", kg: 2.4 },
      { productId: "urea", kg: 1 },
    ];
    expect((await call("POST", "/api/zones/1/dose-records", record(6, { products }))).status).toBeLessThan(300);
    const given = (await plan()).doses.find(({ state }) => state === "given");
    expect(given?.products).toMatchObject([
      { name: "Liquid 8 N", kg: 2.4, mL: 2000 },
      { name: "Urea", kg: 1, mL: null },
    ]);
  });

  it("is noted as it really was, drawn from the shelf, booked, and taken back as easily", async () => {
    const { answerTo, call, save, plan } = await courgettes();
    await call("PUT", "/api/shelf/urea", { priceKg: 0.6, stockKg: 25, version: null });
    await save({});
    const done = await call("POST", "/api/zones/1/dose-records", record(1, {}));
    expect(done.status).toBe(201);
    expect((await call("POST", "/api/zones/1/dose-records", record(1, {}))).status).toBe(201);
    const { doses, ledger } = await plan();
    const given = doses.filter(({ state }) => state === "given");
    expect(given).toMatchObject([{ on: "2026-05-22", record: { doneOn: "2026-05-23" } }]);
    // 2 kg of urea, 46.6 % N, on 500 m² are 18.6 kg/ha; it counts once.
    expect(ledger?.given?.N).toBeCloseTo((2 * 0.466) / 0.05, 0);
    const stock = async () => (await answerTo(getZoneFeed, { params: { id: 1 } })).shelf[0]?.stockKg;
    expect(await stock()).toBe(23);
    await call("DELETE", `/api/zones/1/dose-records/${given[0]?.record?.id ?? 0}`);
    expect(await stock()).toBe(25);
    expect((await plan()).doses.some(({ state }) => state === "given")).toBe(false);
  });

  it("counts on its own day: what is done today is booked today, and what is planned for today is due", async () => {
    const { answerTo, call, save, plan } = await courgettes();
    const dressings = [
      { day: { kind: "date", on: TODAY }, sharePct: 50 },
      { day: { kind: "date", on: "2026-06-21" }, sharePct: 50 },
    ];
    await save({ school: "dressings", dressings, basalPct: 0, largestNKgHa: null, shortestDays: null });
    expect((await plan()).doses.map(({ on, state }) => [on, state])).toEqual([
      [TODAY, "due"],
      ["2026-06-21", "planned"],
    ]);
    await call("POST", "/api/zones/1/dose-records", record(1, { plannedOn: TODAY, doneOn: TODAY }));
    const leaf = { takenOn: TODAY, massKg: 100, dryPct: 10, nPct: 4, pPct: 0.4, kPct: 3, analysed: true };
    await call("POST", "/api/zones/1/leaf-taken", { key: `${KEY}7`, ...leaf });
    const { ledger } = await plan();
    expect(ledger?.given?.N).toBeCloseTo((2 * 0.466) / 0.05, 0);
    // 10 kg of dry matter, 4 % N, on 500 m²
    expect(ledger?.leaf?.N).toBeCloseTo(8, 9);
    const yesterday = await answerTo(getDosePlan, { params: { id: 1 }, query: { date: "2026-06-19" } });
    expect([yesterday.ledger?.given?.N, yesterday.ledger?.leaf?.N]).toEqual([0, 0]);
  });

  it("of one that was skipped needs its reason, and moves nothing to the next", async () => {
    const { call, save, plan } = await courgettes();
    await save({});
    const before = (await plan()).doses;
    const skipped = { state: "skipped", products: [] };
    const silent = await call("POST", "/api/zones/1/dose-records", record(2, skipped));
    expect([silent.status, silent.body.errors?.[0]?.message]).toEqual([422, "Say why the dose was skipped."]);
    const [first] = before;
    await call("POST", "/api/zones/1/dose-records", record(2, { ...skipped, plannedOn: first?.on, reason: "too wet" }));
    const after = (await plan()).doses;
    expect(after[0]).toMatchObject({ on: first?.on, state: "skipped", record: { reason: "too wet" } });
    expect(after.slice(1).map(({ nutrientsKgHa }) => nutrientsKgHa)).toEqual(
      before.slice(1).map(({ nutrientsKgHa }) => nutrientsKgHa),
    );
    // The season's path falls short by what was skipped.
    expect((await plan()).path.at(-1)?.planned.N).toBeCloseTo(sum(before.slice(1), "N"), 9);
  });

  it("stays in the books of what stood there before", async () => {
    const { answerTo, call, save, plan } = await courgettes();
    await save({});
    await call("POST", "/api/zones/1/dose-records", record(1, {}));
    const { zones } = await answerTo(getSetUp);
    const { id: _id, archived: _archived, plantings, ...rest } = zones[0] ?? {};
    const cleared = (plantings as object[]).map((planting) => ({ ...planting, clearedOn: "2026-06-01" }));
    const next = freshPlanting("courgette", "2026-06-10", { targetPerM2: 6 });
    expect((await call("PUT", "/api/zones/1", { ...rest, plantings: [...cleared, next] })).status).toBe(200);
    const { past, ledger } = await plan();
    expect(past).toMatchObject([{ cropName: "Courgette", from: "2026-05-01", to: "2026-06-01" }]);
    expect(past[0]?.ledger.given.N).toBeCloseTo((2 * 0.466) / 0.05, 0);
    expect(ledger?.given?.N).toBe(0);
  });

  it("cannot be of a day that is still to come", async () => {
    const { call } = await courgettes();
    const { status, body } = await call("POST", "/api/zones/1/dose-records", record(3, { doneOn: "2026-06-25" }));
    expect([status, body.errors?.[0]?.path]).toEqual([422, "doneOn"]);
  });

  it("is booked so that it closes: given, brought and credited, less removed, is what is left", async () => {
    const { call, save, plan } = await courgettes();
    await save({ residuesKgHa: 30 });
    await call("POST", "/api/zones/1/dose-records", record(4, {}));
    // 1 kg of urea in the tank on 500 m²: 9.3 kg/ha; a mix before planting is of another crop.
    for (const [at, mixedAt] of ["2026-05-10T08:00:00Z", "2026-04-10T08:00:00Z"].entries())
      expect(
        (
          await call("POST", "/api/zones/1/mixes", {
            ...{ key: `${KEY}${at + 6}`, mixedAt, levels: [], lines: [{ productId: "urea", tankId: "A", kg: 1 }] },
          })
        ).status,
      ).toBeLessThan(300);
    await call("POST", "/api/zones/1/picks", {
      ...{ key: `${KEY}9`, pickedOn: "2026-06-18", massKg: 200, count: null, grade: null, brixPct: null },
    });
    const unread = (await plan()).ledger;
    expect([unread?.water, unread?.left]).toEqual([null, null]);
    await call("POST", "/api/water-reports", {
      ...{ sourceName: "Well", takenOn: "2026-05-01", ions: { NO3: 1, HCO3: 1, Ca: 1 }, ph: 7, ecMsCm: null },
    });
    const watering = { zoneId: 1, startUtc: "2026-06-19T08:00:00Z", minutes: 75, litres: 5000 };
    expect((await call("POST", "/api/waterings", { waterings: [watering] })).status).toBe(201);
    const { ledger } = await plan();
    // 5 m³ of 14 g N/m³ on 500 m²
    expect(ledger?.water?.N).toBeCloseTo(1.4007, 3);
    for (const nutrient of ["N", "P", "K"] as const) {
      const of = (part: "given" | "fed" | "water" | "credited" | "removed" | "left") =>
        ledger?.[part]?.[nutrient] ?? NaN;
      expect(of("given") + of("fed") + of("water") + of("credited") - of("removed")).toBeCloseTo(of("left"), 9);
    }
    expect(ledger?.fed?.N).toBeCloseTo(0.466 / 0.05, 0);
    // 200 kg off 500 m² are 4 t/ha of 1.8 kg N a tonne.
    expect(ledger?.removed?.N).toBeCloseTo(7.2, 9);
  });

  it("stands in the week of all zones, in a table, and in the site's file", async () => {
    const { answerTo, call, save, url, plan } = await courgettes();
    expect((await call("GET", "/api/doses")).body).toMatchObject({ zones: [] });
    await save({ fromOn: "2026-06-01" });
    const week = await answerTo(getWeekOfDoses);
    expect(week.zones[0]).toMatchObject({ zoneName: "Tunnel 1" });
    expect(week.zones[0]?.doses.length).toBeGreaterThan(1);
    expect((await plan()).doses.every(({ on }) => on >= "2026-06-01")).toBe(true);
    // What lay before it is told, not dropped in silence.
    expect((await plan()).warnings.join(" ")).toMatch(/\d of the season's doses lie before 2026-06-01.*kg\/ha of N/);
    const calendar = await (await fetch(`${url}/api/crop-calendar.csv`)).text();
    expect(calendar).toMatch(/Tunnel 1,Courgette: dose,.*kg/);
    const table = await (await fetch(`${url}/api/zones/1/doses.csv`)).text();
    expect(table.split("\n")[0]).toContain("n_kg_ha");
    await call("POST", "/api/zones/1/dose-records", record(5, {}));
    const file = await answerTo(getSiteFile);
    expect([file.zones[0]?.doseProgrammes?.length, file.zones[0]?.doseRecords?.length]).toEqual([1, 1]);
  });
});
