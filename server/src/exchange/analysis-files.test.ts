import { utils, write } from "@e965/xlsx";
import { describe, expect, it } from "vitest";
import { site, testServer } from "../testing/test-server.ts";

async function described() {
  const server = await testServer();
  await server.call("POST", "/api/site", site);
  return server;
}
const text = (content: string) => ({ fileName: "lab.csv", contentBase64: btoa(content) });

function workbook(rows: readonly (readonly (string | number)[])[]) {
  const book = utils.book_new();
  utils.book_append_sheet(book, utils.aoa_to_sheet(rows.map((row) => [...row])), "Results");
  utils.book_append_sheet(book, utils.aoa_to_sheet([["n.d. = not determined"]]), "Legend");
  return { fileName: "lab.xlsx", contentBase64: write(book, { type: "base64", bookType: "xlsx" }) as string };
}

describe("a laboratory's file that fills a form", () => {
  it("tells a digestate out of a workbook, its sheets, and what it does not name", async () => {
    const { call } = await described();
    const { status, body } = await call(
      "POST",
      "/api/organic-analyses/previews",
      workbook([
        ["Sampled", "2026-03-12", ""],
        ["Parameter", "Result", "Unit"],
        ["Ammonium N", 1850, "mg/L"],
        ["P2O5", 0.92, "g/L"],
        ["Suspended solids", 3.4, "g/L"],
      ]),
    );
    expect([status, body]).toMatchObject([
      200,
      {
        takenOn: "2026-03-12",
        book: { sheets: ["Results", "Legend"], sheet: "Results" },
        analysis: { nh4NMgL: 1850, suspendedSolidsMgL: 3400, pMgL: expect.closeTo(920 * 0.4364, 0) as number },
        missing: ["organicNMgL", "kMgL", "ecMsCm"],
      },
    ]);
  });

  it("tells leaf results, and reads a row otherwise when somebody says so", async () => {
    const { call } = await described();
    const file = text("Nutrient;Block 2;Block 3;Range\nN (%);3,1;3,4;3,5-5\nK (%);4,1;4,4;3-4,5\n");
    const first = await call("POST", "/api/tissue-analyses/previews", file);
    expect(first.body).toMatchObject({
      rows: [
        { row: 1, header: "Block 2", is: "found", examples: ["3,1", "4,1"] },
        { row: 2, header: "Block 3", is: "skip" },
        { row: 3, header: "Range", is: "band" },
      ],
      lines: [
        { nutrient: "N", found: 3.1, low: 3.5, high: 5, unit: "%" },
        { nutrient: "K", found: 4.1, low: 3, high: 4.5, unit: "%" },
      ],
    });
    const rows = [
      { row: 1, is: "skip" },
      { row: 2, is: "found" },
    ];
    const other = await call("POST", "/api/tissue-analyses/previews", { ...file, rows });
    expect(other.body).toMatchObject({ lines: [{ found: 3.4 }, { found: 4.4 }] });
  });

  it("is refused in words where no table is in it, or a row is set to what it cannot be", async () => {
    const { call } = await described();
    const empty = await call("POST", "/api/organic-analyses/previews", text("Dear grower"));
    expect([empty.status, empty.body.errors?.[0]?.message]).toEqual([422, expect.stringMatching(/No analysis/)]);
    const wrong = await call("POST", "/api/tissue-analyses/previews", {
      ...text("N;3\n"),
      rows: [{ row: 1, is: "middle" }],
    });
    expect([wrong.status, wrong.body.errors?.[0]?.path]).toEqual([422, "rows.0.is"]);
  });
});
