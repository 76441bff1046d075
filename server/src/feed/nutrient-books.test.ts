import { getSiteFile } from "@sprunel/contract/exchange";
import { getDosePlan, getNutrientBooks } from "@sprunel/contract/feed";
import { freshPlanting } from "@sprunel/contract/site";
import { describe, expect, it } from "vitest";
import { site, testServer, zone } from "../testing/test-server.ts";

const KEY = "8d6f1c3e-5a4b-4c2d-9e8f-0a1b2c3d4f0";
const NO_RULES = { totalNKgHa: null, organicNKgHa: null, totalPKgHa: null, closed: null };

const LEAF = { dryPct: 12, nPct: 3.5, pPct: 0.4, kPct: 4, analysed: false };

/** 500 m² of courgettes that got a dose, a tank, water, manure and digestate, and were picked. */
async function booked(like: object = {}) {
  const { answerTo, call, url } = await testServer({ now: "2026-06-20T08:00:00Z" });
  const sent = async (method: "POST" | "PUT", path: string, body: object) => {
    const { status, body: answer } = await call(method, path, body);
    expect(status, `${path} ${JSON.stringify(answer)}`).toBeLessThan(300);
    return answer;
  };
  await sent("POST", "/api/site", site);
  await sent("POST", "/api/zones", {
    ...zone,
    plantings: [freshPlanting("courgette", "2026-05-01", { targetPerM2: 6 })],
    ...like,
  });
  const plan = await answerTo(getDosePlan, { params: { id: 1 } });
  const manure = { name: "Hen manure", tHa: 2, nPct: 4, pPct: 1, kPct: 1.5, nDecayPct: [45, 25], yearsAgo: 0 };
  const before = { ...manure, name: "Of last year", yearsAgo: 1 };
  await sent("PUT", "/api/zones/1/dose-programme", {
    programme: { ...plan.programme, organic: [manure, before] },
    version: null,
  });
  await sent("POST", "/api/zones/1/dose-records", {
    ...{ key: `${KEY}1`, plannedOn: "2026-05-22", basal: false, doneOn: "2026-05-22", state: "given", reason: null },
    products: [{ productId: "urea", kg: 2 }],
  });
  await sent("POST", "/api/zones/1/mixes", {
    ...{ key: `${KEY}2`, mixedAt: "2026-05-10T08:00:00Z", levels: [] },
    lines: [{ productId: "urea", tankId: "A", kg: 1 }],
  });
  await sent("POST", "/api/zones/1/picks", {
    ...{ key: `${KEY}3`, pickedOn: "2026-06-18", massKg: 200, count: null, grade: null, brixPct: null },
  });
  const books = async () => await answerTo(getNutrientBooks);
  return { answerTo, call, url, sent, books };
}

describe("the books of nutrients", () => {
  it("have each amount under its source, all nitrogen of a manure in the year in which it was spread", async () => {
    const { books } = await booked();
    const [year] = (await books()).zones[0]?.years ?? [];
    expect(year?.year).toBe(2026);
    // 2 kg of urea on 500 m² are 18.6 kg/ha; half of it in the tank; 2 t/ha of 4 % are 80 kg, that of last year is no part of this one.
    expect(year?.bySource.dose.N).toBeCloseTo((2 * 0.466) / 0.05, 0);
    expect(year?.bySource.feed.N).toBeCloseTo(0.466 / 0.05, 0);
    expect(year?.bySource.manure).toEqual({ N: 80, P: 20, K: 30 });
    expect(year?.removed.N).toBeCloseTo(7.2, 9);
    expect(year?.surplus.N).toBeCloseTo((year?.total.N ?? NaN) - 7.2, 9);
  });

  it("count the water only where somebody measured it, and say of which year it is not known", async () => {
    const { sent, books } = await booked();
    const watering = { zoneId: 1, startUtc: "2026-06-19T08:00:00Z", minutes: 75, litres: 5000 };
    await sent("POST", "/api/waterings", { waterings: [watering] });
    expect((await books()).zones[0]).toMatchObject({ waterUnknown: [2026] });
    await sent("POST", "/api/water-reports", {
      ...{ sourceName: "Well", takenOn: "2026-05-01", ions: { NO3: 1, HCO3: 1, Ca: 1 }, ph: 7, ecMsCm: null },
    });
    const after = (await books()).zones[0];
    expect(after?.waterUnknown).toEqual([]);
    expect(after?.years[0]?.bySource.water.N).toBeCloseTo(1.4007, 3);
  });

  it("are held against the rules that were typed, one person's at a time", async () => {
    const { call, sent, books } = await booked();
    const rules = { ...NO_RULES, organicNKgHa: 70, closed: { from: "05-20", to: "05-31", of: "all" } };
    await sent("PUT", "/api/nutrient-rules", { ...rules, version: null });
    const { version, zones } = await books();
    expect(version).toBe(1);
    expect(zones[0]?.years[0]).toMatchObject({
      breaches: [{ rule: "organic-n", kgHa: 80 }],
      inClosedTime: [{ on: "2026-05-22", what: "Urea" }],
    });
    const stale = await call("PUT", "/api/nutrient-rules", { ...rules, version: null });
    expect(stale.status).toBe(409);
    const broken = await call("PUT", "/api/nutrient-rules", { ...rules, totalNKgHa: -3, version: 1 });
    expect([broken.status, broken.body.errors?.[0]?.path]).toEqual([422, "totalNKgHa"]);
    const noDay = { ...rules, closed: { ...rules.closed, from: "02-31" } };
    const never = await call("PUT", "/api/nutrient-rules", { ...noDay, version: 1 });
    expect([never.status, never.body.errors?.[0]?.path]).toEqual([422, "closed.from"]);
  });

  it("have leaf that was carried away as taken off, once for one note, in the planting's books and in the year's", async () => {
    const { answerTo, call, sent, books } = await booked();
    const note = { ...LEAF, key: `${KEY}7`, takenOn: "2026-06-10", massKg: 500 };
    const plan = async () => await answerTo(getDosePlan, { params: { id: 1 } });
    await sent("POST", "/api/zones/1/leaf-taken", note);
    await sent("POST", "/api/zones/1/leaf-taken", note);
    // 500 kg of 12 % on 500 m² are 1,200 kg/ha, 3.5 % of it nitrogen; beside 200 kg of courgettes.
    const { leaf, ledger } = await plan();
    expect(leaf).toMatchObject([{ kgHa: { N: 42 } }]);
    expect(ledger?.leaf.N).toBeCloseTo(42, 9);
    expect(ledger?.drained).toMatchObject({ P: null, K: null });
    expect((await books()).zones[0]?.years[0]?.removed.N).toBeCloseTo(7.2 + 42, 9);
    const file = await answerTo(getSiteFile);
    expect(file.zones[0]?.leafTaken).toMatchObject([{ planting: "2026-05-01", leaf: { massKg: 500 }, struck: false }]);
    expect((await call("DELETE", `/api/zones/1/leaf-taken/${leaf[0]?.id ?? 0}`)).status).toBe(200);
    expect((await call("DELETE", `/api/zones/1/leaf-taken/${leaf[0]?.id ?? 0}`)).status).toBe(404);
    expect((await plan()).leaf).toEqual([]);
    expect((await books()).zones[0]?.years[0]?.removed.N).toBeCloseTo(7.2, 9);
  });

  it("refuse leaf of a day to come, of a day on which nothing stood, and of no mass", async () => {
    const { call } = await booked();
    const refused = async (more: object) => {
      const note = { ...LEAF, key: `${KEY}8`, takenOn: "2026-06-10", massKg: 500, ...more };
      const { status, body } = await call("POST", "/api/zones/1/leaf-taken", note);
      return [status, body.errors?.[0]?.path, body.errors?.[0]?.message];
    };
    expect(await refused({ takenOn: "2026-06-21" })).toEqual([422, "takenOn", expect.stringContaining("today is")]);
    expect(await refused({ takenOn: "2026-04-01" })).toEqual([
      422,
      "takenOn",
      expect.stringContaining("Nothing stood"),
    ]);
    expect(await refused({ massKg: 0 })).toEqual([422, "massKg", expect.stringContaining("0.1")]);
  });

  it("of a zone that plantings share are told for each bed: what is of some rows lies on them alone", async () => {
    const half = (from: number, to: number) => ({ part: { from, to, of: 4 } });
    const { books } = await booked({
      plantings: [
        { ...freshPlanting("courgette", "2026-05-01", { targetPerM2: 6 }), ...half(1, 2) },
        { ...freshPlanting("sweet-pepper", "2026-05-10"), ...half(3, 4) },
      ],
    });
    const [zone] = (await books()).zones;
    const [year] = zone?.years ?? [];
    expect(year?.crops).toEqual(["Courgette", expect.stringMatching(/pepper/i)]);
    const [first, second] = zone?.beds ?? [];
    expect(zone?.beds.map(({ part, areaM2 }) => [part.from, part.to, areaM2])).toEqual([
      [1, 2, 250],
      [3, 4, 250],
    ]);
    // The dose of the whole zone's planting lies on its rows; the tank was for all.
    expect(first?.years[0]?.bySource.dose.N).toBeCloseTo(2 * (year?.bySource.dose.N ?? NaN), 9);
    expect(second?.years[0]?.bySource.dose.N).toBe(0);
    expect(second?.years[0]?.bySource.feed.N).toBeCloseTo(year?.bySource.feed.N ?? NaN, 9);
    // 2 t/ha of manure on the rows of the courgettes are 1 t/ha of the zone.
    expect([first?.years[0]?.bySource.manure.N, year?.bySource.manure.N]).toEqual([80, 40]);
    expect(second?.years[0]?.crops).toEqual([expect.stringMatching(/pepper/i)]);
  });

  it("are a table too, as elements and as oxides, and go with the site's file", async () => {
    const { sent, url, call } = await booked();
    await sent("PUT", "/api/nutrient-rules", { ...NO_RULES, totalNKgHa: 200, version: null });
    const [head = "", ...rows] = (await (await fetch(`${url}/api/nutrient-books.csv`)).text()).trim().split(/\r?\n/);
    expect(head).toContain("p_kg_ha,k_kg_ha,p2o5_kg_ha,k2o_kg_ha");
    expect(rows.find((row) => row.includes("Hen manure"))).toMatch(/2026-05-01,manure,Hen manure,80,20,30,45\.8/);
    const file = (await call("GET", "/api/site-file")).body as Record<string, unknown>;
    expect(file["nutrientRules"]).toMatchObject([{ totalNKgHa: 200 }]);
  });
});
