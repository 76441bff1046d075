import { asTable, decimalMark, type Table, type TableRecord } from "@sprunel/core/table";
import { notOpened } from "./not-opened.ts";
import type { Opened } from "./opened.ts";
import { pageTable } from "./page.ts";
import { sheetOf } from "./workbook.ts";
import { isOldBook, isPage, isXmlBook, isZip } from "./kinds.ts";

const MOST_CELLS = 5e6;

/** A file as rows of cells: a text in any encoding, a sheet of a workbook or a table of a page, whatever its name says it is. */
export function openedFile(bytes: Uint8Array, asked?: string): Table {
  if (isZip(bytes) || isOldBook(bytes) || isXmlBook(bytes)) return tableOf(sheetOf(bytes, asked));
  return isPage(bytes) ? tableOf(pageTable(bytes, asked)) : asTable(bytes);
}

function tableOf({ kind, parts, part, rows, texts }: Opened): Table {
  const width = rows.reduce((most, row) => Math.max(most, row.length), 0);
  if (rows.length * width > MOST_CELLS)
    throw notOpened(
      `The sheet ${part} reaches over ${rows.length} rows and ${width} columns; up to ${MOST_CELLS / 1e6} million cells are read. Save the part that matters by itself.`,
    );
  const { decimal, assumed } = decimalMark(texts);
  return {
    encoding: `${kind} ${part}`,
    lineEnd: "LF",
    delimiter: ",",
    decimal,
    decimalAssumed: assumed,
    physicalLines: rows.length,
    records: rows.map((row, at): TableRecord => ({
      line: at + 1,
      cells: Array.from({ length: width }, (_, column) => row[column] ?? ""),
    })),
    width,
    sheets: parts,
    sheet: part,
  };
}
