import { read, SSF, type CellObject, type WorkBook, type WorkSheet } from "@e965/xlsx";
import { missingPart, notOpened } from "./not-opened.ts";
import type { Opened } from "./opened.ts";
import { struckRuns } from "./struck-markup.ts";
import { struckOn } from "./struck-on.ts";
import { placeOf, withStrokes, type Struck } from "./struck.ts";
import { DAMAGED, refuseTooLarge } from "./unpacked.ts";

/** The package's own types leave open what its number formats can do. */
const formats = SSF as {
  is_date(form: string): boolean;
  parse_date_code(value: number, options: { date1904: boolean }): Moment | null;
};
interface Moment {
  readonly y: number;
  readonly m: number;
  readonly d: number;
  readonly H: number;
  readonly M: number;
}

/**
 * A sheet of a workbook; the fullest where none is asked for.
 *
 * @throws {DomainError} for one that is damaged, locked, too large or empty
 */
export function sheetOf(bytes: Uint8Array, asked?: string): Opened {
  refuseTooLarge(bytes);
  let book: WorkBook;
  try {
    // What formulas gave is read as it was stored; none is run.
    book = read(bytes, {
      type: "array",
      dense: true,
      cellFormula: false,
      cellHTML: false,
      cellText: false,
      cellNF: true,
    });
  } catch {
    throw notOpened(DAMAGED);
  }
  const parts = book.SheetNames.filter((name) => cellsOf(book.Sheets[name]).length > 0);
  const part = asked === undefined ? fullest(book, parts) : parts.find((one) => one === asked);
  if (part === undefined) throw missingPart("workbook", "sheet", parts, asked);
  const cells = cellsOf(book.Sheets[part]);
  const struck = strokesIn(bytes, book, part);
  const strokesOf = (cell: Cells[number], row: number, column: number): readonly string[] | null | undefined =>
    struckInText(cell) ?? (struck.size > 0 ? struck.get(placeOf(row, column)) : undefined);
  const rows = cells.map((row, at) =>
    Array.from(row, (cell, column) => withStrokes(textOf(cell, book), strokesOf(cell, at, column))),
  );
  const texts = cells.flatMap((row) => row.flatMap((cell) => (typeof cell?.v === "string" ? cell.v.trim() : [])));
  return { kind: "workbook, sheet", parts, part, rows, texts };
}

/** @throws {DomainError} for parts that the package itself does not look at, and that are damaged */
function strokesIn(bytes: Uint8Array, book: WorkBook, part: string): Struck {
  try {
    return struckOn(bytes, book, part);
  } catch {
    throw notOpened(DAMAGED);
  }
}

/** Packed workbooks keep with a text which of its letters are struck through. */
function struckInText(cell: (CellObject & { readonly r?: unknown }) | undefined): readonly string[] | undefined {
  const parts = typeof cell?.r === "string" ? struckRuns(cell.r) : [];
  return parts.length > 0 ? parts : undefined;
}

/** The sheet with most on it; notes and legends are shorter than what they tell of. */
function fullest(book: WorkBook, sheets: readonly string[]): string | undefined {
  const filled = (name: string): number => cellsOf(book.Sheets[name]).reduce((sum, row) => sum + row.length, 0);
  return [...sheets].sort((a, b) => filled(b) - filled(a))[0];
}

type Cells = readonly (CellObject | undefined)[];

/** As far as anything stands in it: a border drawn down a whole column fills no cells. */
function cellsOf(sheet: WorkSheet | undefined): readonly Cells[] {
  const rows = ((sheet as { "!data"?: Cells[] } | undefined)?.["!data"] ?? []) as readonly (Cells | undefined)[];
  const filled: Cells[] = [];
  rows.forEach((row, at) => {
    const last = row?.findLastIndex((cell) => cell?.v !== undefined && cell.v !== "") ?? -1;
    if (row && last >= 0) filled[at] = row.slice(0, last + 1);
  });
  return Array.from(filled, (row: Cells | undefined) => row ?? []);
}

/** What a cell holds, written so that it is read in one way. */
function textOf(cell: CellObject | undefined, book: WorkBook): string {
  if (cell?.v === undefined) return "";
  if (cell.t === "e") return "#N/A";
  if (cell.v instanceof Date) return cell.v.toISOString().slice(0, 19);
  if (typeof cell.v !== "number") return String(cell.v).trim();
  const form = typeof cell.z === "string" ? cell.z : "";
  if (formats.is_date(form)) return momentOf(cell.v, book);
  // Sums of a spreadsheet end in digits that nobody wrote.
  const number = Number.isInteger(cell.v) ? cell.v : Number(cell.v.toPrecision(15));
  return form.includes("%") ? `${plainNumber(Number((number * 100).toPrecision(15)))} %` : plainNumber(number);
}

/** Three decimals would be thousands to a file whose texts have decimal commas: a fourth is written out. */
function plainNumber(value: number): string {
  const text = String(value);
  const whole = text.includes("e")
    ? value.toLocaleString("en", { useGrouping: false, maximumFractionDigits: 20 })
    : text;
  return whole.replace(/^(-?[1-9]\d{0,2}\.\d{3})$/, "$10");
}

function momentOf(value: number, { Workbook }: WorkBook): string {
  const date1904 = Workbook?.WBProps?.date1904 ?? false;
  const parsed = formats.parse_date_code(value, { date1904 });
  if (!parsed) return String(value);
  const pad = (part: number): string => String(part).padStart(2, "0");
  const clock = `${pad(parsed.H)}:${pad(parsed.M)}`;
  const day = `${parsed.y}-${pad(parsed.m)}-${pad(parsed.d)}`;
  if (value < 1) return clock;
  return Number.isInteger(value) ? day : `${day} ${clock}`;
}
