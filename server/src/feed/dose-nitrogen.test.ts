import { getRootHistory, type RootHistory } from "@sprunel/contract/rootzone";
import { getDosePlan, getZoneFeed } from "@sprunel/contract/feed";
import { freshPlanting } from "@sprunel/contract/site";
import { describe, expect, it } from "vitest";
import { sampleFile, site, testServer, zone } from "../testing/test-server.ts";

type Book = NonNullable<NonNullable<RootHistory["balances"]>["planting"]["nitrogen"]>;
const KEY = "8d6f1c3e-5a4b-4c2d-9e8f-0a1b2c3d5e0";
const G_M2 = 10;

/** Courgettes in open soil, planted on 16 June, over the weather of the sample file. */
async function courgettes({ tanksSet = true } = {}) {
  const { answerTo, call } = await testServer({ now: "2026-06-28T16:00:00Z" });
  const sent = async (method: "POST" | "PUT" | "DELETE", path: string, body?: object) => {
    const { status, body: answer } = await call(method, path, body);
    expect(status, `${path} ${JSON.stringify(answer)}`).toBeLessThan(300);
    return answer;
  };
  await sent("POST", "/api/site", site);
  const planting = freshPlanting("courgette", "2026-06-16", { targetPerM2: 6 });
  const house = { name: "In the open", transmissionPct: 100 };
  await sent("POST", "/api/zones", { ...zone, plantings: [planting], house });
  await sent("POST", "/api/weather/imports", sampleFile("weather-iso.csv"));
  if (tanksSet)
    await sent("PUT", "/api/zones/1/feed-settings", {
      ...{ tanks: [{ id: "A", volumeL: 200, dilution: 100 }], coarseG: 10, fineG: 0.1, mixed: false, version: null },
      wishes: { nh4ShareMostPct: null, limits: {}, locks: {} },
    });
  const books = async () =>
    (await answerTo(getRootHistory, { params: { id: 1 }, query: { date: "2026-06-27" } })).balances?.planting
      .nitrogen ?? null;
  const plan = async () => await answerTo(getDosePlan, { params: { id: 1 }, query: { date: "2026-06-27" } });
  const dose = (at: number, doneOn: string, kg: number) =>
    sent("POST", "/api/zones/1/dose-records", {
      ...{ key: `${KEY}${at}`, plannedOn: doneOn, basal: false, doneOn, state: "given", reason: null },
      products: [{ productId: "urea", kg }],
    });
  const soil = (takenOn: string, mineralNKgHa: number, depthCm: [number, number] | null = null) =>
    sent("POST", "/api/zones/1/reports", {
      ...{ kind: "soil", takenOn, depthCm, texture: null, ph: null, ecSaturatedMsCm: null, mineralNKgHa },
      ...{ organicMatterPct: null, pMgKg: null, kMgKg: null, mgMgKg: null },
    });
  const closes = (book: Book | null): void => {
    if (!book) throw new Error("there are books");
    const { in: came, reached, freed, corrected, taken, out, change } = book;
    expect(came + reached + freed + corrected - taken - out - change).toBeCloseTo(0, 9);
  };
  return { answerTo, call, sent, books, plan, dose, soil, closes };
}

describe("nitrogen in the root zone", () => {
  it("is not told of a zone of which nobody keeps books", async () => {
    const { books, plan } = await courgettes();
    expect([await books(), (await plan()).nitrogen]).toEqual([null, null]);
  });

  it("of a feed that nobody noted is told as assumed, and the books have drained nothing of it", async () => {
    const { plan } = await courgettes({ tanksSet: false });
    const { nitrogen, ledger } = await plan();
    expect([nitrogen?.assumed, ledger?.drained.N]).toEqual([true, null]);
  });

  it("is that of its doses alone where a zone is fed in doses and nobody set its tanks", async () => {
    const { answerTo, sent, plan, dose, closes } = await courgettes({ tanksSet: false });
    const { programme } = await plan();
    await sent("PUT", "/api/zones/1/dose-programme", { programme, version: null });
    await dose(1, "2026-06-18", 2);
    const { settings } = await answerTo(getZoneFeed, { params: { id: 1 } });
    expect(settings.mixed).toBe(false);
    const book = (await answerTo(getRootHistory, { params: { id: 1 }, query: { date: "2026-06-27" } })).balances
      ?.planting.nitrogen;
    closes(book ?? null);
    expect(book?.in).toBe(0);
    expect((book?.freed ?? NaN) * G_M2).toBeCloseTo((2 * 0.466) / 0.05, 0);
    expect((await plan()).nitrogen?.assumed).toBe(false);
  });

  it("has each dose on its day, taken up as the aim asks, and closes", async () => {
    const { books, plan, dose, closes } = await courgettes();
    await dose(1, "2026-06-18", 2);
    const book = await books();
    closes(book);
    // 2 kg of urea, 46.6 % N, on 500 m²
    expect((book?.freed ?? NaN) * G_M2).toBeCloseTo((2 * 0.466) / 0.05, 0);
    expect(book?.taken).toBeGreaterThan(0);
    const { nitrogen } = await plan();
    expect(nitrogen?.takenKgHa).toBeCloseTo((book?.taken ?? NaN) * G_M2, 6);
    expect(nitrogen?.standingKgHa).toBeGreaterThan(0);
  });

  it("follows a dose that is noted late, and one that is taken back, although its midnights were kept", async () => {
    const { call, books, dose, plan } = await courgettes();
    await dose(1, "2026-06-18", 2);
    const once = await books();
    await dose(2, "2026-06-17", 2);
    const twice = await books();
    expect(twice?.freed).toBeCloseTo(2 * (once?.freed ?? NaN), 9);
    const { doses } = await plan();
    const late = doses.find(({ on }) => on === "2026-06-17")?.record?.id ?? 0;
    await call("DELETE", `/api/zones/1/dose-records/${late}`);
    expect((await books())?.freed).toBeCloseTo(once?.freed ?? NaN, 9);
  });

  it("stands the day after a soil test at what was found as deep as roots reach", async () => {
    const { books, soil, closes, dose } = await courgettes();
    await dose(1, "2026-06-18", 1);
    const before = await books();
    await soil("2026-06-22", 90);
    const after = await books();
    closes(after);
    expect(after?.corrected).not.toBe(0);
    expect(after?.change).toBeGreaterThan(before?.change ?? NaN);
  });

  it("counts a test from before planting on the first day, by its depth", async () => {
    const { books, soil, closes } = await courgettes();
    await soil("2026-06-01", 60, [0, 100]);
    // A test alone, of before planting, is no book yet; a programme makes it one.
    expect(await books()).toBeNull();
    const { answerTo, sent, plan } = await courgettes();
    await sent("POST", "/api/zones/1/reports", {
      ...{ kind: "soil", takenOn: "2026-06-01", depthCm: [0, 100], texture: null, ph: null, ecSaturatedMsCm: null },
      ...{ organicMatterPct: null, pMgKg: null, kMgKg: null, mgMgKg: null, mineralNKgHa: 60 },
    });
    const { programme } = await plan();
    await sent("PUT", "/api/zones/1/dose-programme", { programme, version: null });
    const book = (await answerTo(getRootHistory, { params: { id: 1 }, query: { date: "2026-06-27" } })).balances
      ?.planting.nitrogen;
    closes(book ?? null);
    expect((book?.corrected ?? NaN) * G_M2).toBeGreaterThan(0);
    expect((book?.corrected ?? NaN) * G_M2).toBeLessThan(60);
  });

  it("grows by what manure sets free, more on warm days", async () => {
    const { books, plan, sent, closes } = await courgettes();
    const manure = { name: "Hen manure", tHa: 2, nPct: 4, pPct: 1, kPct: 1.5, nDecayPct: [45, 25], yearsAgo: 0 };
    const { programme } = await plan();
    await sent("PUT", "/api/zones/1/dose-programme", { programme: { ...programme, organic: [manure] }, version: null });
    const book = await books();
    closes(book);
    // 36 kg/ha in a year, twelve days of it, at June's warmth
    const atSeries = (36 / 365) * 12;
    expect((book?.freed ?? NaN) * G_M2).toBeGreaterThan(atSeries);
    expect((book?.freed ?? NaN) * G_M2).toBeLessThan(4 * atSeries);
  });
});
