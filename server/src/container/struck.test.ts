import { utils, write } from "@e965/xlsx";
import { unzipSync, zipSync } from "fflate";
import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { openedFile } from "./opened-file.ts";
import { struckInBinaryBook } from "./struck-records.ts";
import { withStrokes } from "./struck.ts";

/** The same workbook, written in each format by a spreadsheet program. */
const sample = (format: string): Uint8Array =>
  new Uint8Array(readFileSync(new URL(`samples/struck.${format}`, import.meta.url)));

describe("a figure struck out by its font", () => {
  it.each(["xlsx", "ods", "fods", "xls", "xml"])("is told from one that stands in %s, on its own sheet", (format) => {
    const { sheet, records } = openedFile(sample(format));
    expect([sheet, records.map(({ cells }) => cells[2])]).toEqual(["Picks", ["kg", "12", "~~21~~", "~~21~~", "~~8~~"]]);
    expect(records.map(({ cells }) => cells[3])).toMatchObject({ 1: "~~5.1250~~", 4: "~~8~~" });
  });

  it.each(["xlsx", "ods", "fods"])("is told in %s where only the first of two in a cell is struck", (format) => {
    const { records } = openedFile(sample(format));
    expect(records[2]?.cells[3]?.replace(/\s+/g, " ")).toBe("~~4.5~~ 5.1");
  });

  it("is told in a binary workbook, by the style of its cell", () => {
    const record = (id: readonly number[], ...body: readonly number[]): number[] => [...id, body.length, ...body];
    const u32 = (value: number): number[] => [value, 0, 0, 0];
    const font = (flags: number): number[] => record([43], 220, 0, flags, 0);
    const style = (ofFont: number): number[] => record([47], 0, 0, 0, 0, ofFont, 0);
    const styleSheet = [
      ...[...font(0), ...font(8)],
      // Styles that have names come first, and are not those of cells.
      ...[...record([0xf2, 0x04]), ...style(1), ...record([0xf3, 0x04])],
      ...[...record([0xe9, 0x04]), ...style(0), ...style(1), ...record([0xea, 0x04])],
    ];
    const cell = (column: number, ofStyle: number): number[] =>
      record([5], ...u32(column), ...u32(ofStyle), 0, 0, 0, 0, 0, 0, 0, 0);
    const sheet = [...record([0], ...u32(3)), ...cell(1, 0), ...cell(2, 1), ...record([0], ...u32(4)), ...cell(0, 1)];
    expect([...struckInBinaryBook(Uint8Array.from(styleSheet), Uint8Array.from(sheet)).keys()]).toEqual(["3,2", "4,0"]);
  });
});

it("a binary workbook of today is taken apart as it is packed: its one font struck, all of its cells are", () => {
  const book = utils.book_new(utils.aoa_to_sheet([["kg", 21]]), "Picks");
  const packed = unzipSync(new Uint8Array(write(book, { type: "array", bookType: "xlsb" }) as ArrayBuffer));
  expect(openedFile(zipSync(packed)).records[0]?.cells).toEqual(["kg", "21"]);
  const styles = packed["xl/styles.bin"] ?? new Uint8Array();
  // After the record that begins the fonts, of four bytes, stands the first of them; its flags follow its height.
  const begin = styles.findIndex((byte, at) => byte === 0xe3 && styles[at + 1] === 0x04 && styles[at + 2] === 4);
  expect(styles[begin + 7]).toBe(43);
  styles[begin + 11] = (styles[begin + 11] ?? 0) | 8;
  expect(openedFile(zipSync(packed)).records[0]?.cells).toEqual(["~~kg~~", "~~21~~"]);
});

it.each([
  ["21", null, "~~21~~"],
  ["21", undefined, "21"],
  ["21", ["21"], "~~21~~"],
  ["21 12", ["21"], "~~21~~  12"],
  ["", null, ""],
])("a text %j of which %j is struck is told as %j", (text, parts, told) => {
  expect(withStrokes(text, parts)).toBe(told);
});
