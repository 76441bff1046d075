import Papa from "papaparse";
import { DomainError } from "../working/domain-error.ts";
import { decodeText } from "./decode.ts";
import { decimalMark, type DecimalMark } from "./number.ts";

/** One record of a delimited file, by the physical line on which it begins, counted from 1. */
export interface TableRecord {
  readonly line: number;
  readonly cells: readonly string[];
  /** of a column of a file that is read as a row: what stands at its head, and the line of each of its cells */
  readonly turned?: { readonly head: string; readonly lines: readonly number[] };
}

export interface Table {
  /** of a text; of a workbook, which sheet it is */
  readonly encoding: string;
  readonly lineEnd: "LF" | "CRLF" | "CR";
  readonly delimiter: string;
  readonly decimal: DecimalMark;
  /** nothing in the file tells it: numbers as 1,234 could be either */
  readonly decimalAssumed: boolean;
  readonly physicalLines: number;
  readonly records: readonly TableRecord[];
  /** how many cells most records have */
  readonly width: number;
  /** of a workbook: its filled sheets, and the one that this is */
  readonly sheets?: readonly string[];
  readonly sheet?: string;
}

/** The sheets of a workbook; null for a text. */
export function bookOf({
  sheets,
  sheet,
}: Table): { readonly sheets: readonly string[]; readonly sheet: string } | null {
  return sheets && sheet !== undefined ? { sheets, sheet } : null;
}

/** A file as bytes of text, or opened already. */
export type Source = Uint8Array | Table;

/**
 * @param decimal the file's decimal mark, where somebody said it
 * @throws {DomainError} for pictures and pages, which hold no cells
 */
export function asTable(source: Source, decimal?: DecimalMark): Table {
  if (source instanceof Uint8Array) refuseOthers(source);
  const table = source instanceof Uint8Array ? readTable(source) : source;
  return decimal === undefined ? table : { ...table, decimal, decimalAssumed: false };
}

const NO_TABLE: readonly (readonly [what: string, bytes: readonly number[], instead: string])[] = [
  ["a PDF", [0x25, 0x50, 0x44, 0x46], "Ask the laboratory for the same as CSV or workbook, or type the figures in"],
  ["a picture", [0x89, 0x50, 0x4e, 0x47], "Type the figures in, or ask for them as CSV or workbook"],
  ["a picture", [0xff, 0xd8, 0xff], "Type the figures in, or ask for them as CSV or workbook"],
  ["a packed file", [0x1f, 0x8b], "Unpack it and choose what is in it"],
];

function refuseOthers(bytes: Uint8Array): void {
  const found = NO_TABLE.find(([, start]) => start.every((byte, at) => bytes[at] === byte));
  if (found)
    throw new DomainError({
      code: "not-possible",
      path: "file",
      message: `The file is ${found[0]}: its figures cannot be read from it. ${found[2]}.`,
    });
}

/** So much of a file shows what stands between its cells. */
const SAMPLE_LETTERS = 50_000;
const DELIMITERS = [";", "\t", ",", "|"] as const;

/** Takes a messy text file apart: encoding, line ends, delimiter and decimal mark are found, nothing is judged. */
function readTable(bytes: Uint8Array): Table {
  const { text, encoding } = decodeText(bytes);
  const lineEnd = text.includes("\r\n") ? "CRLF" : text.includes("\n") ? "LF" : text.includes("\r") ? "CR" : "LF";
  const newline = { CRLF: "\r\n", LF: "\n", CR: "\r" }[lineEnd];
  const even = newline === "\n" ? text : text.replaceAll(newline, "\n");
  const sample = even.slice(0, SAMPLE_LETTERS);
  const delimiter = DELIMITERS.map((mark) => ({ mark, agreement: agreement(parse(sample, mark)) })).reduce(
    (best, next) => (next.agreement > best.agreement ? next : best),
  ).mark;
  const records = parse(even, delimiter);
  const mark = decimalMark(cellsOf(records), delimiter);
  return {
    encoding,
    lineEnd,
    delimiter,
    decimal: mark.decimal,
    decimalAssumed: mark.assumed,
    physicalLines: linesOf(even),
    records,
    width: commonWidth(records),
  };
}

function* cellsOf(records: readonly TableRecord[]): Generator<string> {
  for (const { cells } of records) yield* cells;
}

function linesOf(text: string): number {
  let lines = text === "" || text.endsWith("\n") ? 0 : 1;
  for (let at = text.indexOf("\n"); at !== -1; at = text.indexOf("\n", at + 1)) lines++;
  return lines;
}

function parse(text: string, delimiter: string, quoteChar = '"'): TableRecord[] {
  const records: TableRecord[] = [];
  let start = 0;
  let line = 1;
  const state = { broken: false };
  Papa.parse<string[]>(text, {
    delimiter,
    newline: "\n",
    quoteChar,
    step: ({ data, meta, errors }) => {
      state.broken ||= errors.some((error) => error.type === "Quotes");
      records.push({ line, cells: data.map((cell) => cell.trim()) });
      for (let at = text.indexOf("\n", start); at !== -1 && at < meta.cursor; at = text.indexOf("\n", at + 1)) line++;
      start = meta.cursor;
    },
  });
  // A stray quotation mark would swallow the rest of the file: then quotes are letters like any other.
  if (state.broken && quoteChar === '"') return parse(text, delimiter, "\u0000");
  if (text.endsWith("\n") && records.at(-1)?.cells.join("") === "" && records.length > 0) records.pop();
  return records;
}

/** The right delimiter makes many records of one same width above one. */
function agreement(records: readonly TableRecord[]): number {
  const width = commonWidth(records);
  const same = records.filter((record) => record.cells.length === width).length;
  return width > 1 ? same + width / 100 : 0;
}

function commonWidth(records: readonly TableRecord[]): number {
  const counts = new Map<number, number>();
  for (const { cells } of records)
    if (cells.some((cell) => cell !== "")) counts.set(cells.length, (counts.get(cells.length) ?? 0) + 1);
  return [...counts].reduce((best, next) => (next[1] > best[1] ? next : best), [0, 0])[0];
}
