import { getZoneReports } from "@sprunel/contract/rootzone";
import { getZoneFeed } from "@sprunel/contract/feed";
import { importList } from "@sprunel/contract/exchange";
import { freshPlanting, type NewZone } from "@sprunel/contract/site";
import { describe, expect, it } from "vitest";
import { absent, sampleFile, site, testServer, zone, type TestServer } from "../../testing/test-server.ts";

const NAMES = [
  "Melon bags",
  "Lettuce tanks",
  "Courgette tunnel",
  "Cyclamen benches",
  "Blueberry pots",
  "Fennel field",
  "Water spinach basin",
];
const planted: NewZone["plantings"] = [freshPlanting("courgette", "2026-05-10", { targetPerM2: 6 })];

/** The seven zones of the sample files, at a day after all of them. */
async function nursery(): Promise<TestServer> {
  const server = await testServer({ now: "2026-10-01T08:00:00Z" });
  await server.call("POST", "/api/site", site);
  for (const name of NAMES) await server.call("POST", "/api/zones", { ...zone, name, plantings: planted });
  return server;
}
const list = (kind: string, file: string, choices: object = {}) => ({ ...sampleFile(file, choices), list: kind });
const storedOf = ({ body }: { body: unknown }) => importList.answer.parse(body).stored;

describe("a list from a file", () => {
  it.each([
    ["readings", "rootzone-notebook.csv", 128],
    ["soil-tests", "soil-tests.csv", 12],
    ["picks", "picks.csv", 100],
  ])("of %s is stored as its preview said, and a second time adds nothing", async (kind, file, rows) => {
    const { call } = await nursery();
    const preview = await call("POST", "/api/lists/previews", list(kind, file));
    expect(storedOf(preview)).toMatchObject({ added: rows, alreadyThere: 0 });
    const first = await call("POST", "/api/lists/imports", list(kind, file));
    expect([first.status, first.body]).toEqual([201, preview.body]);
    expect(storedOf(await call("POST", "/api/lists/imports", list(kind, file)))).toMatchObject({
      added: 0,
      alreadyThere: rows,
    });
  });

  it("of a hundred and thirty thousand values is stored like any other, while others are answered", async () => {
    const { call } = await nursery();
    const head = "Zone,When,EC feed (mS/cm),EC drain (mS/cm),pH drain,Drain share %";
    const rows = Array.from({ length: 33_000 }, (_, hour) => {
      const at = new Date(Date.UTC(2012, 0, 1, hour)).toISOString();
      return `Melon bags,${at.slice(0, 10)} ${at.slice(11, 16)},2.4,${(3 + (hour % 7) / 10).toFixed(2)},6.1,${20 + (hour % 9)}`;
    });
    const contentBase64 = Buffer.from([head, ...rows].join("\n")).toString("base64");
    const importing = call("POST", "/api/lists/imports", {
      list: "readings",
      fileName: "years.csv",
      contentBase64,
      choices: { timeZone: "UTC" },
    });
    expect((await call("GET", "/api/health")).status).toBe(200);
    const { status, body } = await importing;
    expect([status, storedOf({ body }).added]).toEqual([201, 33_000]);
  });

  it("is not stored by its preview", async () => {
    const { call } = await nursery();
    await call("POST", "/api/lists/previews", list("soil-tests", "soil-tests.csv"));
    expect((await call("GET", "/api/zones/3/reports")).body).toEqual({ zoneId: 3, reports: [] });
  });

  it("takes an offered correction only for the lines that were agreed to", async () => {
    const { answerTo, call } = await nursery();
    await call("POST", "/api/lists/imports", list("soil-tests", "soil-tests.csv", { acceptOffers: [6] }));
    const reportsOf = async (id: number) => (await answerTo(getZoneReports, { params: { id } })).reports;
    expect(
      (await reportsOf(6)).find(
        (report) => "takenOn" in report && report.takenOn === "2026-03-02" && "ph" in report && report.ph === 6.8,
      ),
    ).toBeDefined();
    expect(await reportsOf(7)).toContainEqual(expect.objectContaining({ depthCm: null, ecSaturatedMsCm: 1.53 }));
  });

  it("of soil tests keeps half of a limit for what lies below it, and names limits where there are any and only there", async () => {
    const { answerTo, call } = await nursery();
    const text = [
      "Place,Depth,Taken,pH in water,N min,Ca",
      ",cm,,,kg/ha,mg/kg",
      "Fennel field,0-30,2026-02-17,6.1,<4,1200",
      "Fennel field,30-60,2026-02-17,6.4,12,900",
    ].join("\n");
    const contentBase64 = Buffer.from(text).toString("base64");
    const sent = { list: "soil-tests", fileName: "soil.csv", contentBase64, choices: { timeZone: "UTC" } };
    expect(storedOf(await call("POST", "/api/lists/imports", sent)).added).toBe(2);
    const { reports } = await answerTo(getZoneReports, { params: { id: 6 } });
    const of = (depth: number) =>
      reports.find((report) => report.kind === "soil" && report.depthCm?.[0] === depth) ?? absent("the report");
    expect(of(0)).toMatchObject({ mineralNKgHa: 2, limits: { mineralNKgHa: "<4" }, caMgKg: 1200 });
    expect(of(30)).toMatchObject({ mineralNKgHa: 12, caMgKg: 900 });
    expect(of(30)).not.toHaveProperty("limits");
  });

  it("of bags becomes the shelf: known salts by their label, the rest own bags, and labels that cannot be are refused", async () => {
    const { answerTo, call } = await nursery();
    const stored = storedOf(await call("POST", "/api/lists/imports", list("shelf", "shelf.csv")));
    expect(stored.refused.map(({ line }) => line)).toContain(21);
    const { shelf } = await answerTo(getZoneFeed, { params: { id: 1 } });
    // Two sizes of bag: 34 of 25 kg at 17.90, and one of 1000 kg at 612.
    expect(shelf.find(({ product }) => product.id === "calcium-nitrate")).toMatchObject({
      stockKg: 1850,
      priceKg: expect.closeTo((34 * 17.9 + 612) / 1850, 6),
    });
    expect(shelf.map(({ product }) => product.name)).toContain("Grade 20-20-20");
    expect(storedOf(await call("POST", "/api/lists/imports", list("shelf", "shelf.csv"))).added).toBe(0);
  });

  it("says which rows cannot be at this site", async () => {
    const { call } = await testServer({ now: "2026-04-01T08:00:00Z" });
    await call("POST", "/api/site", site);
    await call("POST", "/api/zones", { ...zone, name: "Melon bags" });
    const { refused } = storedOf(await call("POST", "/api/lists/previews", list("readings", "rootzone-notebook.csv")));
    expect(refused.every(({ message }) => /still to come/.test(message))).toBe(true);
    expect(refused.length).toBeGreaterThan(10);
  });

  it.each([
    ["an unknown list", { ...list("readings", "picks.csv"), list: "poems" }, "list"],
    [
      "a file without any table",
      { list: "picks", fileName: "letter.csv", contentBase64: btoa("Dear grower,\nthe list is lost.\n"), choices: {} },
      "file",
    ],
    [
      "a unit that the column cannot have",
      list("picks", "picks.csv", { columns: [{ column: 4, kind: "amount", unit: "mph" }] }),
      "columns.4",
    ],
    [
      "a crate without weight",
      list("picks", "picks.csv", { crateKg: { "Melon bags": 0 } }),
      "choices.crateKg.Melon bags",
    ],
  ])("refuses %s in words", async (_what, body, path) => {
    const { call } = await nursery();
    const answer = await call("POST", "/api/lists/previews", body);
    expect([answer.status, answer.body.errors?.[0]?.path]).toEqual([422, path]);
  });
});

describe("a report of a zone", () => {
  const soil = {
    kind: "soil",
    takenOn: "2026-06-01",
    depthCm: [0, 30],
    texture: "loam",
    ph: 6.5,
    ecSaturatedMsCm: 1.2,
    organicMatterPct: 3,
    pMgKg: 60,
    kMgKg: 200,
    mgMgKg: 90,
    mineralNKgHa: 40,
  };
  const drain = { kind: "drain", takenOn: "2026-06-02", ions: { NO3: 18, K: 9 }, ph: 6.1, ecMsCm: 3.2 };

  it("is kept newest first, counts no more once struck, and goes with the site's file", async () => {
    const { call } = await testServer();
    await call("POST", "/api/site", site);
    await call("POST", "/api/zones", zone);
    await call("POST", "/api/zones/1/reports", soil);
    await call("POST", "/api/zones/1/reports", drain);
    const { body } = await call("POST", "/api/zones/1/reports/1/strikes", { reason: "wrong bed" });
    expect(body).toMatchObject({
      reports: [
        { ...drain, struck: null },
        { ...soil, struck: "wrong bed" },
      ],
    });
    const file = await call("GET", "/api/site-file");
    const other = await testServer();
    await other.call("POST", "/api/site-file", file.body);
    expect((await other.call("GET", "/api/zones/1/reports")).body["reports"]).toMatchObject([drain, soil]);
  });

  it.each([
    ["of a day to come", { ...drain, takenOn: "2026-06-21" }, "takenOn"],
    ["with an impossible pH", { ...soil, ph: 68 }, "ph"],
    ["upside down", { ...soil, depthCm: [30, 0] }, "depthCm.1"],
    ["without a figure", { ...drain, ions: {}, ph: null, ecMsCm: null }, ""],
    ["of no known kind", { ...drain, kind: "tea" }, "kind"],
  ])("is refused %s", async (_what, body, path) => {
    const { call } = await testServer();
    await call("POST", "/api/site", site);
    await call("POST", "/api/zones", zone);
    const answer = await call("POST", "/api/zones/1/reports", body);
    expect([answer.status, answer.body.errors?.[0]?.path]).toEqual([422, path]);
  });
});
