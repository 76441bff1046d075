import { readPickList } from "@sprunel/core/harvest";
import { readSoilList } from "@sprunel/core/rootzone";
import { readWaterTable } from "@sprunel/core/water";
import { utils, write, type BookType } from "@e965/xlsx";
import { describe, expect, it } from "vitest";
import { openedFile } from "./opened-file.ts";

type Cell = string | number | Date | null;

function workbook(sheets: Record<string, readonly (readonly Cell[])[]>, bookType: BookType = "xlsx"): Uint8Array {
  const book = utils.book_new();
  for (const [name, rows] of Object.entries(sheets))
    utils.book_append_sheet(
      book,
      utils.aoa_to_sheet(
        rows.map((row) => [...row]),
        { UTC: true },
      ),
      name,
    );
  return new Uint8Array(write(book, { type: "array", bookType }) as ArrayBuffer);
}

const zones = ["House 1", "House 2"];
const picks: (readonly Cell[])[] = [
  ["Picks of June", null, null, null],
  ["Picked on", "House", "Weight (kg)", "Brix"],
  [new Date(Date.UTC(2026, 5, 3)), "House 1", 12.345, 9.5],
  [new Date(Date.UTC(2026, 5, 13)), "House 2", 1234.567, null],
];

describe("a workbook", () => {
  it.each(["xlsx", "ods", "xls"] as const)(
    "as %s is read as its numbers and days are, whatever it is called",
    (type) => {
      const list = readPickList(openedFile(workbook({ June: picks }, type)), { zones, timeZone: "UTC" });
      expect(list.rows.map(({ values }) => values)).toMatchObject([
        { pickedOn: "2026-06-03", zone: "House 1", massKg: 12.345, brixPct: 9.5 },
        { pickedOn: "2026-06-13", zone: "House 2", massKg: 1234.567, brixPct: null },
      ]);
    },
  );

  it("offers its filled sheets, and reads the fullest unless one is chosen", () => {
    const water = [
      ["Parameter", "Unit", "Well A"],
      ["Date", null, "2026-03-12"],
      ["pH", null, 7.2],
      ["Calcium", "mg/L", 62],
      ["Chloride", "mg/L", 30],
    ];
    const bytes = workbook({ Legend: [["Of the laboratory"]], Results: water, Empty: [] });
    const table = readWaterTable(openedFile(bytes));
    expect(table.book).toEqual({ sheets: ["Legend", "Results"], sheet: "Results" });
    expect(table.samples).toMatchObject([
      { takenOn: "2026-03-12", ph: 7.2, ions: { Ca: expect.closeTo(62 / 40.078, 4) as number } },
    ]);
    expect(() => openedFile(bytes, "Empty")).toThrow(/no sheet "Empty"; it has Legend, Results/);
  });

  it("gives shares as per cent, and depths that it bent into days are offered as depths", () => {
    const sheet = utils.aoa_to_sheet([
      ["Field", "Taken", "Depth (cm)", "pH", "Organic matter"],
      ["House 1", "2026-03-02", 0, 6.5, 0.031],
    ]);
    sheet["E2"] = { t: "n", v: 0.031, z: "0.0%" };
    sheet["C2"] = { t: "n", v: 46315, z: "d-mmm" };
    const book = utils.book_new(sheet, "Soil");
    const bytes = new Uint8Array(write(book, { type: "array", bookType: "xlsx" }) as ArrayBuffer);
    const { rows } = readSoilList(openedFile(bytes), { zones, timeZone: "UTC" });
    expect(rows[0]?.values).toMatchObject({ organicMatterPct: expect.closeTo(3.1, 9) as number, depthCm: null });
    expect(rows[0]?.flags).toMatchObject([{ code: "spreadsheet-date", offer: { depthCm: [10, 20] } }]);
  });

  it("ends where its last cell is filled, however far its borders are drawn", () => {
    const sheet = utils.aoa_to_sheet(
      picks.map((row) => [...row]),
      { UTC: true },
    );
    sheet["XFD5"] = { t: "z" };
    sheet["!ref"] = "A1:XFD5";
    const book = utils.book_new(sheet, "June");
    const bytes = new Uint8Array(
      write(book, { type: "array", bookType: "xlsx", sheetStubs: true } as object) as ArrayBuffer,
    );
    const table = openedFile(bytes);
    expect(table).toMatchObject({ physicalLines: 4, width: 4 });
  });

  it("is refused where it reaches too far, in words", () => {
    const sheet = utils.aoa_to_sheet([["a"]]);
    sheet["XFD310"] = { t: "n", v: 1 };
    sheet["!ref"] = "A1:XFD310";
    const bytes = new Uint8Array(
      write(utils.book_new(sheet, "Wide"), { type: "array", bookType: "xlsx" }) as ArrayBuffer,
    );
    expect(() => openedFile(bytes)).toThrow(/reaches over 310 rows and 16384 columns; up to 5 million cells/);
  });

  it("keeps the decimal marks of its texts, beside numbers that are numbers", () => {
    const texts = [
      ["Picked on", "House", "Weight (kg)", "Brix"],
      ["03/06/2026", "House 1", "1,234", 4.125],
      ["13/06/2026", "House 1", "12,5", 5.5],
    ];
    const table = openedFile(workbook({ June: texts }));
    expect(table).toMatchObject({ decimal: ",", decimalAssumed: false });
    const { rows } = readPickList(table, { zones, timeZone: "UTC" });
    expect(rows.map(({ values }) => values)).toMatchObject([
      { pickedOn: "2026-06-03", massKg: 1.234, brixPct: 4.125 },
      { pickedOn: "2026-06-13", massKg: 12.5, brixPct: 5.5 },
    ]);
  });

  it("that is damaged is refused in words", () => {
    const damaged = workbook({ June: picks }).slice(0, 400);
    expect(() => openedFile(damaged)).toThrow(/cannot be opened|no filled sheet/);
  });
});

it.each([
  ["a PDF", "%PDF-1.7 …", /a PDF: its figures cannot be read/],
  ["a picture", "\u0089PNG\r\n", /a picture: its figures cannot be read/],
])("%s is refused with what to do instead", (_what, text, said) => {
  expect(() => openedFile(Uint8Array.from(text, (letter) => letter.charCodeAt(0)))).toThrow(said);
});
