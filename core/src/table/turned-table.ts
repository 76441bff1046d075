import type { Declaration } from "./declaration.ts";
import { headOf } from "./head.ts";
import { isFigure, isTime, mayHead, worthOf, HEADER_WITHIN, type Header } from "./header-row.ts";
import type { Concept } from "./lexicon.ts";
import type { TableRecord } from "./read-table.ts";

/** So many columns of a file are looked at for a table that lies across. */
const ACROSS_WITHIN = 4;

interface Turned {
  readonly records: readonly TableRecord[];
  readonly lines: readonly number[];
  readonly header: Header;
}

/** A table whose parameters stand below each other: turned, its first column is the head. */
export function across<K extends string>(records: readonly TableRecord[], declaration: Declaration<K>): Turned | null {
  const filled = records.map(keyed).filter(({ cells }) => cells.filter((cell) => cell !== "").length > 1);
  const width = Math.max(0, ...filled.map(({ cells }) => cells.length));
  if (filled.length > HEADER_WITHIN || width > filled.length * 20) return null;
  const turned = Array.from({ length: width }, (_, column) => ({
    line: column + 1,
    cells: filled.map(({ cells }) => cells[column] ?? ""),
  }));
  const heads = turned
    .slice(0, ACROSS_WITHIN)
    .map((record, at) => ({ at, worth: areWords(record.cells) ? worthOf(record.cells, declaration) : 0 }))
    .sort((a, b) => b.worth - a.worth);
  const [first] = heads;
  const cells = first && turned[first.at]?.cells;
  if (!first || !cells || first.worth < 2) return null;
  // What is told once beside its name holds for all samples: "Sampled: 12 March 2026".
  const once = filled.map(({ cells: row }) => {
    const [said = "", ...more] = row.slice(first.at + 1).filter((cell) => cell !== "");
    return more.length === 0 && (!isFigure(said) || isTime(said)) ? said : "";
  });
  const lines = filled.map(({ line }) => line);
  const headAt = headRowOf(filled, first.at);
  const inAll = turned.slice(first.at).map((record, at): TableRecord => {
    if (at === 0) return record;
    const head = record.cells[headAt] ?? "";
    return { ...record, cells: record.cells.map((cell, row) => cell || (once[row] ?? "")), turned: { head, lines } };
  });
  return {
    records: inAll,
    lines,
    header: { from: 0, to: 0, cells, worth: first.worth },
  };
}

/** The row that heads the columns: the last one with a word over each before the figures begin. */
function headRowOf(rows: readonly TableRecord[], from: number): number {
  const figuresAt = rows.findIndex(({ cells }) => cells.slice(from + 1).some(isFigure));
  const before = rows.slice(0, Math.max(0, figuresAt));
  return Math.max(
    0,
    before.findLastIndex(
      ({ cells }) => cells.slice(from + 1).filter((cell) => cell !== "" && !isTime(cell)).length > 1,
    ),
  );
}

/** Most of its cells are words: figures and days head nothing. */
function areWords(cells: readonly string[]): boolean {
  const filled = cells.filter((cell) => cell !== "");
  return filled.filter((cell) => /\p{L}/u.test(cell) && !isFigure(cell) && !isTime(cell)).length * 2 > filled.length;
}

/** "Sampled: 12 March 2026" in one cell is a name and what it says. */
export function keyed(record: TableRecord): TableRecord {
  const filled = record.cells.filter((cell) => cell !== "");
  const [, key = "", said = ""] = filled.length === 1 ? (/^([^:]{2,40}):\s+(\S.*)$/.exec(filled[0] ?? "") ?? []) : [];
  return key === "" ? record : { ...record, cells: [key, said, ...record.cells.slice(2)] };
}

/** A row for each figure: sample, parameter, what was found, unit. Put together by sample. */
export function longTable<K extends string>(
  records: readonly TableRecord[],
  declaration: Declaration<K>,
): Turned | null {
  const at = records.findIndex(({ cells }) => mayHead(cells) && longColumns(cells) !== null);
  const header = records[at]?.cells;
  const columns = header && longColumns(header);
  if (!header || !columns) return null;
  const body = records.slice(at + 1).filter(({ cells }) => (cells[columns.parameter] ?? "") !== "");
  const names = body.map(({ cells }) => cells[columns.parameter] ?? "");
  const distinct = [...new Set(names)];
  const beside = header.map((_, column) => column).filter((column) => !columns.all.includes(column));
  if (distinct.length === names.length || beside.length === 0 || body.length < 2) return null;
  const groups = new Map<string, TableRecord[]>();
  for (const record of body) {
    const key = JSON.stringify(beside.map((column) => record.cells[column] ?? ""));
    groups.set(key, [...(groups.get(key) ?? []), record]);
  }
  const cells = [...beside.map((column) => header[column] ?? ""), ...distinct];
  const together = [...groups.values()].map((of): TableRecord => {
    const [first] = of;
    const figures = distinct.map((name) => {
      const told = of.flatMap(({ cells: row }) =>
        row[columns.parameter] === name
          ? [`${row[columns.value] ?? ""} ${columns.unit === null ? "" : (row[columns.unit] ?? "")}`.trim()]
          : [],
      );
      // One figure told twice is one; two that differ are neither.
      return [...new Set(told)].join(" / ");
    });
    return { line: first?.line ?? 0, cells: [...beside.map((column) => first?.cells[column] ?? ""), ...figures] };
  });
  const worth = worthOf(cells, declaration);
  const methodOf = (name: string): string =>
    body.find(({ cells: row }) => row[columns.parameter] === name)?.cells[columns.method] ?? "";
  const methods = [...beside.map(() => ""), ...distinct.map(methodOf)];
  const head = { line: records[at]?.line ?? 0, cells };
  const others = records.slice(at + 1).filter((record) => !body.includes(record));
  return {
    records: [...records.slice(0, at), head, ...together, ...others],
    lines: [],
    header: { from: at, to: at, cells, worth, methods },
  };
}

function longColumns(cells: readonly string[]) {
  const found = (concept: Concept): number => cells.findIndex((cell) => says(cell, concept));
  const [parameter, value, unit] = [found("parameter"), found("value"), found("unit")];
  if (parameter < 0 || value < 0 || parameter === value) return null;
  const quiet = cells.flatMap((cell, at) => (isBeside(cell) ? [at] : []));
  return {
    parameter,
    value,
    unit: unit < 0 ? null : unit,
    method: found("method"),
    all: [parameter, value, ...(unit < 0 ? [] : [unit]), ...quiet],
  };
}

/** A column of limits, methods or norms tells of others; it is no result. */
function isBeside(cell: string): boolean {
  return says(cell, "limit") || says(cell, "method");
}

function says(cell: string, concept: Concept): boolean {
  return headOf(cell).words.some(({ concepts }) => concepts.includes(concept));
}

/** "Method", "Limit of detection": it heads a column and says nothing more. */
export function isOnly(cell: string, concept: Concept): boolean {
  const { words } = headOf(cell);
  return says(cell, concept) && words.every(({ concepts }) => concepts.includes(concept) || concepts.includes("plain"));
}
