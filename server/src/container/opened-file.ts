import { asTable, type Table, type TableRecord } from "@sprunel/core/table";
import { DomainError } from "@sprunel/core/working";
import { read, SSF, utils, type CellObject, type WorkBook, type WorkSheet } from "@e965/xlsx";

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

const MOST_CELLS = 5e6;
/** A workbook that unpacks to more is not opened. */
const MOST_UNPACKED_MB = 600;

/** A file as rows of cells: a text in any encoding, or a sheet of a workbook, whatever its name says it is. */
export function openedFile(bytes: Uint8Array, sheet?: string): Table {
  return isZip(bytes) || isOldWorkbook(bytes) || isPage(bytes) ? workbookTable(bytes, sheet) : asTable(bytes);
}

function isZip([a, b, c, d]: Uint8Array): boolean {
  return a === 0x50 && b === 0x4b && c === 3 && d === 4;
}

/** Workbooks of before 2007. */
function isOldWorkbook([a, b, c, d]: Uint8Array): boolean {
  return a === 0xd0 && b === 0xcf && c === 0x11 && d === 0xe0;
}

/** Many programs call a page with a table in it a workbook. */
function isPage(bytes: Uint8Array): boolean {
  const start = new TextDecoder("windows-1252").decode(bytes.subarray(0, 4000));
  return /^[^\w<]{0,8}\s*</.test(start) && /<(html|table)\b/i.test(start);
}

function workbookTable(bytes: Uint8Array, asked: string | undefined): Table {
  if (isZip(bytes)) refuseTooLarge(bytes);
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
      bookFiles: true,
    });
  } catch {
    throw refused(
      "The workbook cannot be opened: it is damaged, or locked by a password. Save it without one, or as CSV.",
    );
  }
  const sheets = book.SheetNames.filter((name) => cellsOf(book.Sheets[name]).length > 0);
  const name = asked === undefined ? fullest(book, sheets) : sheets.find((one) => one === asked);
  if (name === undefined)
    throw refused(
      sheets.length === 0
        ? "The workbook has no filled sheet."
        : `The workbook has no sheet "${asked ?? ""}"; it has ${sheets.join(", ")}.`,
    );
  const rows = cellsOf(book.Sheets[name]);
  const width = rows.reduce((most, row) => Math.max(most, row.length), 0);
  if (rows.length * width > MOST_CELLS)
    throw refused(
      `The sheet ${name} reaches over ${rows.length} rows and ${width} columns; up to ${MOST_CELLS / 1e6} million cells are read. Save the part that matters by itself.`,
    );
  const struck = struckOn(book, name);
  const cellAt = (row: Cells, at: number, column: number): string => {
    const text = textOf(row[column], book);
    return text !== "" && struck.has(utils.encode_cell({ r: at, c: column })) ? `~~${text}~~` : text;
  };
  const records = rows.map((row, at): TableRecord => ({
    line: at + 1,
    cells: Array.from(
      { length: width },
      struck.size > 0 ? (_, column) => cellAt(row, at, column) : (_, column) => textOf(row[column], book),
    ),
  }));
  return {
    encoding: `workbook, sheet ${name}`,
    lineEnd: "LF",
    delimiter: ",",
    // Numbers of a workbook are numbers, and have but one mark here.
    decimal: ".",
    decimalAssumed: false,
    physicalLines: records.length,
    records,
    width,
    sheets,
    sheet: name,
  };
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

/** What the package tells of a packed workbook beside its own types. */
interface ParsedBook extends WorkBook {
  readonly Styles?: {
    readonly Fonts?: readonly { readonly strike?: unknown }[];
    readonly CellXf?: readonly { readonly fontId?: number }[];
  };
  readonly files?: Readonly<Record<string, { readonly content: Uint8Array } | undefined>>;
}

/** Cells of a sheet whose font is struck through, as "C3": what stands in them does not count. Of packed workbooks only. */
function struckOn({ Styles, Workbook, SheetNames, files }: ParsedBook, name: string): ReadonlySet<string> {
  const fonts = (Styles?.Fonts ?? []).map(({ strike }) => Boolean(strike));
  const styles = (Styles?.CellXf ?? []).flatMap(({ fontId = 0 }, at) => (fonts[fontId] ? [at] : []));
  const id = (Workbook?.Sheets?.[SheetNames.indexOf(name)] as { readonly id?: string } | undefined)?.id;
  if (styles.length === 0 || id === undefined) return new Set();
  const textIn = (path: string): string => new TextDecoder().decode(files?.[path]?.content);
  const relation = textIn("xl/_rels/workbook.xml.rels")
    .match(/<Relationship\b[^>]*>/g)
    ?.find((one) => one.includes(`Id="${id}"`));
  const target = /Target="\/?(?:xl\/)?([^"]+)"/.exec(relation ?? "")?.[1] ?? "";
  const cells = textIn(`xl/${target}`).matchAll(/<(?:\w+:)?c\b[^>]*>/g);
  const wanted = new Set(styles.map(String));
  return new Set(
    [...cells].flatMap(([tag]) =>
      wanted.has(/\bs="(\d+)"/.exec(tag)?.[1] ?? "") ? (/\br="([A-Z]+\d+)"/.exec(tag)?.[1] ?? []) : [],
    ),
  );
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
  return form.includes("%") ? `${Number((number * 100).toPrecision(15))} %` : plainNumber(number);
}

function plainNumber(value: number): string {
  const text = String(value);
  return text.includes("e") ? value.toLocaleString("en", { useGrouping: false, maximumFractionDigits: 20 }) : text;
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

/** A packed file tells in its directory, at its end, how large each of its parts is unpacked. */
function refuseTooLarge(bytes: Uint8Array): void {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const end = Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength).lastIndexOf(
    "PK\u0005\u0006",
    undefined,
    "latin1",
  );
  let unpacked = 0;
  let at = end < 0 || end + 20 > bytes.length ? bytes.length : view.getUint32(end + 16, true);
  while (at + 46 <= bytes.length && view.getUint32(at, true) === 0x02014b50) {
    unpacked += view.getUint32(at + 24, true);
    at += 46 + view.getUint16(at + 28, true) + view.getUint16(at + 30, true) + view.getUint16(at + 32, true);
  }
  if (unpacked > MOST_UNPACKED_MB * 1e6)
    throw refused(
      `The workbook unpacks to ${Math.round(unpacked / 1e6)} MB; up to ${MOST_UNPACKED_MB} MB are read. Save the sheet by itself, or a shorter span of time.`,
    );
}

function refused(message: string): DomainError {
  return new DomainError({ code: "not-possible", path: "file", message });
}
