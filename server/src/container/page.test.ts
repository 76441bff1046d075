import { readPickList } from "@sprunel/core/harvest";
import { describe, expect, it } from "vitest";
import { openedFile } from "./opened-file.ts";

const zones = ["House 1", "House 2"];
const page = (body: string, head = ""): Uint8Array =>
  new TextEncoder().encode(`<html><head><title>Export</title>${head}</head><body>${body}</body></html>`);
const rowsOf = (bytes: Uint8Array, sheet?: string): readonly (readonly string[])[] =>
  openedFile(bytes, sheet).records.map(({ cells }) => cells);
const row = (...cells: readonly string[]): string => `<tr>${cells.map((cell) => `<td>${cell}</td>`).join("")}</tr>`;

const HEAD = row("Picked on", "House", "Weight (kg)", "Brix");

describe("a page with a table in it", () => {
  it("is read with its own decimal commas and its own order of dates", () => {
    const bytes = page(
      `<table>${HEAD}${row("03/06/2026", "House 1", "1,234", "4,5")}${row("13/06/2026", "House 2", "12,5", "5,1")}</table>`,
    );
    const { rows } = readPickList(openedFile(bytes), { zones, timeZone: "UTC" });
    expect(rows.map(({ values }) => values)).toMatchObject([
      { pickedOn: "2026-06-03", zone: "House 1", massKg: 1.234, brixPct: 4.5 },
      { pickedOn: "2026-06-13", zone: "House 2", massKg: 12.5, brixPct: 5.1 },
    ]);
  });

  it.each([
    ["struck tags", row("<s>21</s> 12", "<del>7</del>"), ""],
    ["struck styles", row('<span style="text-decoration: line-through">21</span> 12', "<strike>7</strike>"), ""],
    [
      "struck classes",
      '<tr><td><font class="wrong">21</font> 12</td><td class="cell wrong">7</td></tr>',
      "<style>.cell {color: red} .wrong {text-decoration:line-through}</style>",
    ],
  ])("tells what its %s strike through", (_how, cells, head) => {
    expect(rowsOf(page(`<table>${row("kg", "Brix")}${cells}</table>`, head))).toEqual([
      ["kg", "Brix"],
      ["~~21~~ 12", "~~7~~"],
    ]);
  });

  it("offers its tables by their captions, each with what stands above it, and reads the fullest", () => {
    const bytes = page(
      `<p>Made up of two</p><table><caption>Legend</caption>${row("a")}</table><h2>Sample: Well A</h2>
       <table><tr><td><table>${row("pH", "7,2")}${row("EC", "0,6")}</table></td></tr></table>`,
    );
    const table = openedFile(bytes);
    expect(table).toMatchObject({ sheets: ["Legend", "Table 2"], sheet: "Table 2" });
    expect(table.records.map(({ cells }) => cells)).toEqual([
      ["Sample: Well A", ""],
      ["pH", "7,2"],
      ["EC", "0,6"],
    ]);
    expect(rowsOf(bytes, "Legend")).toEqual([["Made up of two"], ["a"]]);
    expect(() => openedFile(bytes, "Table 9")).toThrow('The page has no table "Table 9"; it has Legend, Table 2.');
  });

  it("leaves empty what a cell spans beside itself", () => {
    const bytes = page(
      `<table><tr><td rowspan="2">House 1</td><td colspan="2">June</td><td>x</td></tr>${row("1", "2", "3")}</table>`,
    );
    expect(rowsOf(bytes)).toEqual([
      ["House 1", "June", "", "x"],
      ["", "1", "2", "3"],
    ]);
  });

  it("is read in the encoding that it names", () => {
    const bytes = Uint8Array.from(
      Buffer.from('<html><head><meta charset="iso-8859-2"></head><table><tr><td>gr\xf3dka</td></tr></table>', "latin1"),
    );
    bytes[bytes.indexOf(0xf3)] = 0xb1;
    expect(rowsOf(bytes)).toEqual([["grądka"]]);
  });

  it("without one is refused in words", () => {
    expect(() => openedFile(page("<p>Nothing here</p>"))).toThrow("The page has no filled table.");
  });
});
