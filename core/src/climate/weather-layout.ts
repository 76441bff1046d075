import type { Table, TableRecord } from "../table/read-table.ts";
import { readTime } from "../table/time-text.ts";
import { guessColumns, type WeatherColumn } from "./weather-columns.ts";

export type NotDataReason = "preamble" | "header" | "repeated-header" | "units" | "comment" | "totals" | "blank";

export interface WeatherLayout {
  readonly header: readonly string[];
  readonly columns: readonly WeatherColumn[];
  readonly notData: readonly { readonly line: number; readonly reason: NotDataReason }[];
  readonly dataRows: readonly TableRecord[];
  /** texts above the table */
  readonly preamble: readonly string[];
}

const TOTALS = /^(sum|total|mean|average|avg|max|min|maximum|minimum|summe|somme)\b|^\d+ (days|hours)\b/i;

/** Tells the rows of a weather file apart: text on top, header, units, comments, totals, blanks, and data. */
export function layOut(table: Table): WeatherLayout | { readonly status: "no-header" } {
  const headerAt = table.records.findIndex((record) => isHeader(record, table.width));
  const headerRecord = table.records[headerAt];
  if (!headerRecord) return { status: "no-header" };
  const header = headerRecord.cells;
  const next = table.records[headerAt + 1];
  const unitRecord = next && isUnitRow(next, header.length) ? next : undefined;
  const columns = guessColumns(header, unitRecord?.cells);
  const notData: { line: number; reason: NotDataReason }[] = [];
  const dataRows: TableRecord[] = [];
  const preamble: string[] = [];
  table.records.forEach((record, index) => {
    const blank = record.cells.every((cell) => cell === "");
    if (index < headerAt && !blank)
      preamble.push(record.cells.filter(Boolean).join(table.delimiter === "," ? ", " : " "));
    const reason = blank
      ? "blank"
      : index < headerAt
        ? "preamble"
        : index === headerAt
          ? "header"
          : record === unitRecord
            ? "units"
            : laterReason(record, header);
    if (reason) notData.push({ line: record.line, reason });
    else dataRows.push(record);
  });
  return { header, columns, notData, dataRows, preamble };
}

function laterReason(record: TableRecord, header: readonly string[]): NotDataReason | undefined {
  if (record.cells[0]?.startsWith("#")) return "comment";
  if (record.cells.length === header.length && record.cells.every((cell, at) => cell === header[at]))
    return "repeated-header";
  if (record.cells.some((cell) => TOTALS.test(cell)) && !record.cells.some(looksLikeTime)) return "totals";
  return undefined;
}

/** A header names a time and at least one kind of weather, and holds no numbers. */
function isHeader({ cells }: TableRecord, width: number): boolean {
  if (cells.length < Math.min(width, 2) || cells.some((cell) => /^[-+]?[\d.,]+$/.test(cell) || looksLikeTime(cell)))
    return false;
  const kinds = guessColumns(cells, undefined).map((column) => column.kind);
  return kinds.includes("time") && kinds.some((kind) => kind !== "time" && kind !== "ignore") && cells.length === width;
}

function isUnitRow({ cells }: TableRecord, width: number): boolean {
  return (
    cells.length === width &&
    cells.some((cell) => cell !== "") &&
    cells.every((cell) => !/\d{2}/.test(cell) && !/^[-+]?\d+([.,]\d+)?$/.test(cell))
  );
}

function looksLikeTime(cell: string): boolean {
  return readTime(cell, "dmy").status !== "unreadable";
}
