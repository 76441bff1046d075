import { getWaterReports } from "@sprunel/contract/water";
import { getImports, importList } from "@sprunel/contract/exchange";
import { freshPlanting } from "@sprunel/contract/site";
import { describe, expect, it } from "vitest";
import { sampleFile, site, testServer, zone, type TestServer } from "../testing/test-server.ts";

const NAMES = ["Melon bags", "Lettuce tanks", "Courgette tunnel", "Cyclamen benches", "Blueberry pots", "Fennel field"];

async function nursery(): Promise<TestServer> {
  const server = await testServer({ now: "2026-10-01T08:00:00Z" });
  await server.call("POST", "/api/site", site);
  const plantings = [freshPlanting("courgette", "2026-05-10", { targetPerM2: 6 })];
  for (const name of [...NAMES, "Water spinach basin"])
    await server.call("POST", "/api/zones", { ...zone, name, plantings });
  return server;
}
const file = (list: string, name: string, choices: object = {}) => ({ ...sampleFile(name, choices), list });
const past = async ({ answerTo }: TestServer) => (await answerTo(getImports)).imports;
const added = ({ body }: { body: unknown }) => importList.answer.parse(body).stored.added;

describe("an import", () => {
  it.each([
    ["readings", "rootzone-notebook.csv", "zone_reading"],
    ["soil-tests", "soil-tests.csv", "zone_report"],
    ["picks", "picks.csv", "pick"],
    ["shelf", "shelf.csv", "shelf_item"],
  ])("of %s can be taken back as a whole, and then brings the same again", async (kind, name, table) => {
    const server = await nursery();
    const rows = async () => Number((await server.db(table).count<{ n: number }[]>({ n: "*" }))[0]?.n);
    const before = await rows();
    const first = added(await server.call("POST", "/api/lists/imports", file(kind, name)));
    expect(await rows()).toBeGreaterThan(before);
    const [kept] = await past(server);
    expect(kept).toMatchObject({ kind, fileName: name, rows: first, by: "owner", takenBackAt: null });
    const back = await server.call("POST", `/api/imports/${kept?.id ?? 0}/take-back`);
    expect(back.body).toMatchObject({ stays: 0 });
    expect(await rows()).toBe(before);
    expect((await past(server))[0]?.takenBackAt).toBe("2026-10-01T08:00:00.000Z");
    expect(added(await server.call("POST", "/api/lists/imports", file(kind, name)))).toBe(first);
  });

  it("of weather and of a laboratory is taken back too, and only once", async () => {
    const server = await nursery();
    await server.call("POST", "/api/weather/imports", sampleFile("weather-iso.csv"));
    const { choices: _none, ...report } = sampleFile("water-mgl.csv");
    await server.call("POST", "/api/water/imports", report);
    expect((await past(server)).map(({ kind }) => kind)).toEqual(["water", "weather"]);
    for (const { id } of await past(server))
      expect((await server.call("POST", `/api/imports/${id}/take-back`)).status).toBe(200);
    expect(await server.db("weather_reading").where({ source: "imported" })).toEqual([]);
    expect(await server.db("water_report")).toEqual([]);
    const again = await server.call("POST", "/api/imports/1/take-back");
    expect([again.status, again.body.detail]).toEqual([409, expect.stringMatching(/taken back already/)]);
    expect((await server.call("POST", "/api/imports/99/take-back")).status).toBe(404);
  });

  it("leaves what somebody changed since, and puts the shelf back as it was before", async () => {
    const server = await nursery();
    await server.call("PUT", "/api/shelf/calcium-nitrate", { priceKg: 0.5, stockKg: 75, version: null });
    const stock = async (id: string) =>
      (await server.db<{ product_id: string; stock_kg: number }>("shelf_item").where({ product_id: id }).first())
        ?.stock_kg;
    expect(await stock("calcium-nitrate")).toBe(75);
    await server.call("POST", "/api/lists/imports", file("shelf", "shelf.csv"));
    expect(await stock("calcium-nitrate")).toBe(1850);
    await server.db("shelf_item").where({ product_id: "potassium-nitrate" }).update({ stock_kg: 1 });
    const { body } = await server.call("POST", "/api/imports/1/take-back");
    expect(await stock("calcium-nitrate")).toBe(75);
    expect(await stock("potassium-nitrate")).toBe(1);
    expect(body["stays"]).toBe(1);
  });

  it("that added nothing is not kept, and a preview is none", async () => {
    const server = await nursery();
    await server.call("POST", "/api/lists/previews", file("soil-tests", "soil-tests.csv"));
    expect(await past(server)).toEqual([]);
    await server.call("POST", "/api/lists/imports", file("soil-tests", "soil-tests.csv"));
    await server.call("POST", "/api/lists/imports", file("soil-tests", "soil-tests.csv"));
    expect(await past(server)).toHaveLength(1);
  });

  it("settles how the next file with the same columns is read, with the name of who did", async () => {
    const server = await nursery();
    const sheet = (rows: string) => ({
      ...{ list: "picks", fileName: "wk.csv", contentBase64: btoa(`Wert A,Wert B,Wert C\n${rows}\n`) },
      choices: {},
    });
    const columns = [
      { column: 1, kind: "zone", unit: "" },
      { column: 3, kind: "amount", unit: "lb" },
    ];
    const first = sheet("Melon bags,2026-06-03,12\nMelon bags,2026-06-04,12");
    await server.call("POST", "/api/lists/imports", { ...first, choices: { columns } });
    const next = await server.call("POST", "/api/lists/previews", sheet("Melon bags,2026-07-03,20"));
    expect(next.body).toMatchObject({ rememberedFrom: "owner", stored: { added: 1 } });
    expect(next.body["sample"]).toMatchObject([{ values: { massKg: expect.closeTo(20 * 0.45359237, 6) as number } }]);
  });

  it("of a laboratory settles how its next report is read", async () => {
    const server = await nursery();
    const report = (day: string) => ({
      fileName: "report.csv",
      contentBase64: btoa(`date;sample;pH;EC (mS/cm);Flurp;Cl (mmol/L)\n${day};Well;7,2;0,5;2,5;5\n`),
    });
    const columns = [{ column: 5, kind: "Ca", unit: "mmol/L" }];
    await server.call("POST", "/api/water/imports", { ...report("2026-03-12"), columns });
    const { body } = await server.call("POST", "/api/water/previews", report("2026-06-12"));
    expect(body).toMatchObject({ rememberedFrom: "owner", samples: [{ ions: { Ca: 2.5, Cl: 5 }, fate: "stored" }] });
  });

  it("keeps limits and methods: half of a limit stands for what lay below it, and the report says so", async () => {
    const server = await nursery();
    const rows =
      "pH;7,2;;ISO 10523\nCalcium;40,078;mg/l;ISO 11885\nChloride;70,9;mg/l;ISO 10304\nSodium;<4,598;mg/l;ISO 11885";
    const report = {
      fileName: "report.csv",
      contentBase64: btoa(`Sample: Well\nSampled: 12 March 2026\nParameter;Result;Unit;Method\n${rows}\n`),
    };
    await server.call("POST", "/api/water/imports", report);
    const written = await server.answerTo(getWaterReports);
    expect(written).toMatchObject({
      reports: [{ sourceName: "Well", limits: { Na: "<0.2" }, methods: { ph: "ISO 10523", Ca: "ISO 11885" } }],
    });
    const [kept] = written.reports;
    expect(kept?.ions.Na).toBeCloseTo(0.1, 4);
    expect((await server.call("POST", "/api/water/previews", report)).body).toMatchObject({
      samples: [{ fate: "already-there", ions: { Ca: expect.closeTo(1, 4) as number } }],
    });
  });

  it("has its samples named and left out one by one, and keeps only those that stay", async () => {
    const server = await nursery();
    const rows = "pH;7,2;6,1\nEC (mS/cm);0,6;2,2\nCalcium (mmol/l);2;4\nChloride (mmol/l);4;8";
    const report = {
      fileName: "drain.csv",
      contentBase64: btoa(`;Sample 1;Sample 2\nSampled;12.03.2026;12.03.2026\n${rows}\n`),
      of: "drain",
    };
    const first = await server.call("POST", "/api/water/previews", report);
    expect(first.body).toMatchObject({ samples: [{ zone: null }, { zone: null }] });
    const samples = [
      { at: 1, leftOut: true },
      { at: 2, is: "Melon bags" },
    ];
    const { body } = await server.call("POST", "/api/water/imports", { ...report, samples });
    expect(body).toMatchObject({
      samples: [
        { fate: "left-out" },
        { zone: "Melon bags", fate: "stored", ions: { Ca: expect.closeTo(4, 6) as number } },
      ],
    });
    const kept = await server.call("GET", "/api/zones/1/reports");
    expect(kept.body["reports"]).toMatchObject([{ kind: "drain", takenOn: "2026-03-12", ph: 6.1 }]);
  });
});
