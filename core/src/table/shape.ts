import { headOf } from "./head.ts";
import type { Concept } from "./lexicon.ts";
import { guessMeanings, type Guess, type Meanings } from "./meaning.ts";
import { readNumber } from "./number.ts";
import type { Table, TableRecord } from "./read-table.ts";
import { readTime } from "./time-text.ts";
import { unitsIn } from "./unit-text.ts";

/** What a kind of file holds: what its columns may mean, and what makes a row of it. */
export interface Declaration<K extends string> {
  readonly meanings: Meanings<K>;
  /** of each of these groups a table should have one */
  readonly needs: readonly (readonly K[])[];
  /** what makes what row it is: a sum between the rows has none of them */
  readonly identity: readonly K[];
  /** which meanings hold a day with its hour, a day, and an hour */
  readonly times?: { readonly stamp?: K; readonly date?: K; readonly time?: K };
}

export type NotDataReason =
  "preamble" | "header" | "repeated-header" | "units" | "comment" | "caption" | "totals" | "blank";

export interface LaidColumn<K extends string> {
  /** counted from 1 */
  readonly column: number;
  readonly header: string;
  readonly guess: Guess<K> | null;
  /** its cell in a row of units */
  readonly unitBeside: string;
  /** its cell in a row of methods */
  readonly method: string;
}

export interface Layout<K extends string> {
  readonly columns: readonly LaidColumn<K>[];
  /** texts above the table */
  readonly preamble: readonly string[];
  readonly notData: readonly { readonly line: number; readonly reason: NotDataReason }[];
  readonly dataRows: readonly TableRecord[];
  /** "across": each row of the file is a column of the table, as laboratories write; "long": a row for each figure */
  readonly lies: "down" | "across" | "long";
  /** of a table that lies across, the line of the file on which each of its columns stands */
  readonly lines: readonly number[];
  /** what stands above the table for all of it: "Sampled: 12 March 2026" */
  readonly told: Readonly<Partial<Record<K, string>>>;
}

/** A sum by its name; what may begin a product's or a zone's name is one only by itself. */
const TOTALS =
  /^(sub-?)?(sum|total|totals|mean|average|summe|gesamt|mittelwert|somme|moyenne|suma|promedio|somma|soma|totaal|gemiddelde|value of|stock of)\b|^(avg|max|min|maximum|minimum|mittel|media|som)\.?:?$|\b(in all|all together|altogether|total)$|^\d+ (days|hours)\b/i;
const COMMENT = /^[#*]|^\/\//;
/** A header is looked for within so many lines, in so many rows on top of each other. */
const HEADER_WITHIN = 300;
const HEADER_ROWS = 3;
/** So many columns of a file are looked at for a table that lies across. */
const ACROSS_WITHIN = 4;
const SURE_ENOUGH = 0.25;
/** So many columns more must be known for a row more, and for one that looks like units, to belong to the head. */
const A_ROW = 0.5;
const UNITS_IN_HEAD = 2.5;

/** Tells the rows of a file apart: text on top, head, units, captions, sums, notes, blanks, and data. */
export function layOut<K extends string>(table: Table, declaration: Declaration<K>): Layout<K> | null {
  const down = headerOf(table.records, declaration);
  const long = longTable(table.records, declaration);
  const turned = across(table.records, declaration);
  const [downs, turns, longs] = [down?.worth ?? 0, turned?.header.worth ?? 0, long?.header.worth ?? 0];
  if (long && longs > downs && longs >= turns) return laidOut(table, long.records, long.header, declaration, "long");
  if (turned && turns > downs)
    return { ...laidOut(table, turned.records, turned.header, declaration, "across"), lines: turned.lines };
  const header = down ?? plainHeader(table.records);
  return header ? laidOut(table, table.records, header, declaration, "down") : null;
}

interface Header {
  readonly from: number;
  readonly to: number;
  readonly cells: readonly string[];
  /** how many of its columns are known, and more where the table has all that it needs */
  readonly worth: number;
  /** by column, where the table has them beside its figures */
  readonly methods?: readonly string[];
}

const HAS_ALL = 100;

function headerOf<K extends string>(
  records: readonly TableRecord[],
  { meanings, needs }: Declaration<K>,
): Header | null {
  let best: Header | null = null;
  const last = Math.min(records.length, HEADER_WITHIN);
  for (let at = 0; at < last; at++) {
    const below = records[at]?.cells ?? [];
    if (!mayHead(below)) continue;
    for (let rows = 1; rows <= HEADER_ROWS && at - rows + 1 >= 0; rows++) {
      const above = records.slice(at - rows + 1, at);
      if (!above.every(({ cells }) => mayHead(cells) || isGroupHead(cells, below.length))) break;
      const cells = joined([...above.map(({ cells: upper }) => filledRight(upper, below.length)), below]);
      const guesses = guessMeanings(cells.map(headOf), meanings);
      const kinds = new Set(guesses.flatMap((guess) => (guess && guess.certainty >= SURE_ENOUGH ? [guess.kind] : [])));
      if (kinds.size === 0) continue;
      const hasAll = needs.every((group) => group.some((kind) => kinds.has(kind)));
      const certainty = guesses.reduce((sum, guess) => sum + (guess?.certainty ?? 0), 0);
      const worth =
        kinds.size +
        (hasAll ? HAS_ALL : 0) +
        certainty / 100 -
        (rows - 1) * A_ROW -
        (rows > 1 && isUnitRow(below) ? UNITS_IN_HEAD : 0);
      if (!best || worth > best.worth) best = { from: at - rows + 1, to: at, cells, worth };
    }
  }
  return best && (best.worth >= HAS_ALL || best.worth >= 2) ? best : null;
}

/** Where no word is known: the first row of words over rows of figures. Its columns are set by hand. */
function plainHeader(records: readonly TableRecord[]): Header | null {
  const at = records.findIndex(
    ({ cells }, index) =>
      mayHead(cells) &&
      records.slice(index + 1, index + 4).some((next) => next.cells.length > 1 && next.cells.some(isFigure)),
  );
  const cells = records[at]?.cells;
  return cells ? { from: at, to: at, cells, worth: 0 } : null;
}

/** Two words at least, and nothing that is a figure or a time. */
function mayHead(cells: readonly string[]): boolean {
  return cells.filter((cell) => cell !== "").length > 1 && !cells.some((cell) => isFigure(cell) || isTime(cell));
}

/** "Drain" over "EC" and "pH": few words, over columns that go on to the right. */
function isGroupHead(cells: readonly string[], width: number): boolean {
  const filled = cells.filter((cell) => cell !== "");
  return (
    filled.length > 0 &&
    cells.length >= Math.min(width, 2) &&
    filled.every((cell) => cell.length < 40 && !isFigure(cell)) &&
    cells.length > 1
  );
}

function filledRight(cells: readonly string[], width: number): string[] {
  let before = "";
  return Array.from({ length: width }, (_, at) => {
    before = cells[at] || before;
    return before;
  });
}

function joined(rows: readonly (readonly string[])[]): string[] {
  const width = rows.at(-1)?.length ?? 0;
  return Array.from({ length: width }, (_, at) =>
    [...new Set(rows.map((cells) => cells[at] ?? "").filter((cell) => cell !== ""))].join(" "),
  );
}

function isFigure(cell: string): boolean {
  return /^[<>≤≥~]?\s*[-+−]?[\d.,]*\d[\d.,]*\s*%?$/.test(cell);
}

function isTime(cell: string): boolean {
  return /\d/.test(cell) && cell.length > 5 && readTime(cell, "dmy").status !== "unreadable";
}

interface Turned {
  readonly records: readonly TableRecord[];
  readonly lines: readonly number[];
  readonly header: Header;
}

/** A table whose parameters stand below each other: turned, its first column is the head. */
function across<K extends string>(records: readonly TableRecord[], declaration: Declaration<K>): Turned | null {
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
  const inAll = turned
    .slice(first.at)
    .map((record, at) =>
      at === 0 ? record : { ...record, cells: record.cells.map((cell, row) => cell || (once[row] ?? "")) },
    );
  return {
    records: inAll,
    lines: filled.map(({ line }) => line),
    header: { from: 0, to: 0, cells, worth: first.worth },
  };
}

/** Most of its cells are words: figures and days head nothing. */
function areWords(cells: readonly string[]): boolean {
  const filled = cells.filter((cell) => cell !== "");
  return filled.filter((cell) => /\p{L}/u.test(cell) && !isFigure(cell) && !isTime(cell)).length * 2 > filled.length;
}

/** "Sampled: 12 March 2026" in one cell is a name and what it says. */
function keyed(record: TableRecord): TableRecord {
  const filled = record.cells.filter((cell) => cell !== "");
  const [, key = "", said = ""] = filled.length === 1 ? (/^([^:]{2,40}):\s+(\S.*)$/.exec(filled[0] ?? "") ?? []) : [];
  return key === "" ? record : { ...record, cells: [key, said, ...record.cells.slice(2)] };
}

function worthOf<K extends string>(cells: readonly string[], { meanings, needs }: Declaration<K>): number {
  const guesses = guessMeanings(cells.map(headOf), meanings);
  const kinds = new Set(guesses.flatMap((guess) => (guess && guess.certainty >= SURE_ENOUGH ? [guess.kind] : [])));
  return kinds.size + (needs.every((group) => group.some((kind) => kinds.has(kind))) ? HAS_ALL : 0);
}

/** A row for each figure: sample, parameter, what was found, unit. Put together by sample. */
function longTable<K extends string>(records: readonly TableRecord[], declaration: Declaration<K>): Turned | null {
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
function isOnly(cell: string, concept: Concept): boolean {
  const { words } = headOf(cell);
  return says(cell, concept) && words.every(({ concepts }) => concepts.includes(concept) || concepts.includes("plain"));
}

function laidOut<K extends string>(
  table: Table,
  records: readonly TableRecord[],
  header: Header,
  declaration: Declaration<K>,
  lies: Layout<K>["lies"],
): Layout<K> {
  const below = records.slice(header.to + 1);
  const nextFilled = below.find(({ cells }) => cells.some((cell) => cell !== ""));
  const unitRow =
    lies === "across"
      ? below.find(({ cells }) => isUnitRow(ofQuantities(cells, header.cells, declaration)))
      : nextFilled && isUnitRow(nextFilled.cells) && !couldBeData(nextFilled.cells)
        ? nextFilled
        : undefined;
  const methods =
    header.methods ??
    (lies === "across" ? below.find(({ cells }) => cells.some((cell) => isOnly(cell, "method")))?.cells : undefined);
  // What stands in a row of units is one, whether it can be read or not.
  const units = header.cells.map((_, at) => (unitRow?.cells[at] ?? "").replace(/^[-–—]$/, ""));
  const guesses = guessMeanings(header.cells.map(headOf), declaration.meanings, units);
  const columns = header.cells.map((text, at) => ({
    ...{ column: at + 1, header: text },
    ...{ guess: guesses[at] ?? null, unitBeside: units[at] ?? "", method: methods?.[at] ?? "" },
  }));
  const unitColumns = unitColumnsOf(columns, below);
  const notData: { line: number; reason: NotDataReason }[] = [];
  const dataRows: TableRecord[] = [];
  const note = (line: number, reason: NotDataReason): void => void notData.push({ line, reason });
  records.forEach((record, at) => {
    const { line, cells } = record;
    if (cells.every((cell) => cell === "")) note(line, "blank");
    else if (at < header.from) note(line, "preamble");
    else if (at <= header.to) note(line, "header");
    else if (record === unitRow) note(line, "units");
    else {
      const reason =
        lies === "across"
          ? asideAcross(cells)
          : laterReason(cells, header.cells, columns, declaration, at === records.length - 1);
      if (reason) note(line, reason);
      else dataRows.push(withUnits(record, unitColumns));
    }
  });
  const aside =
    lies === "across"
      ? table.records.filter(({ cells }) => cells.filter(Boolean).length === 1)
      : records.slice(0, header.from);
  const preamble = aside.map(({ cells }) => cells.filter(Boolean).join(table.delimiter === "," ? ", " : " "));
  return {
    columns: columns.map((column) => (unitColumns.has(column.column - 1) ? { ...column, guess: null } : column)),
    preamble: preamble.filter(Boolean),
    notData,
    dataRows: evenly(dataRows, header.cells.length),
    lies,
    lines: [],
    told: toldAbove(records.slice(0, header.from), declaration),
  };
}

/** Where most rows end before their head does, their last cells are empty; a single row that does was cut short. */
function evenly(rows: readonly TableRecord[], width: number): readonly TableRecord[] {
  const short = rows.filter(({ cells }) => cells.length < width);
  if (short.length * 2 <= rows.length) return rows;
  const usual = Math.max(...short.map(({ cells }) => cells.length));
  return rows.map((record) =>
    record.cells.length === usual
      ? { ...record, cells: [...record.cells, ...new Array<string>(width - usual).fill("")] }
      : record,
  );
}

/** Names and what they say, above a table. */
function toldAbove<K extends string>(above: readonly TableRecord[], { meanings }: Declaration<K>): Layout<K>["told"] {
  const told: Partial<Record<K, string>> = {};
  for (const record of above) {
    const [key = "", said = "", ...more] = keyed(record).cells.filter((cell) => cell !== "");
    if (said === "" || more.length > 0) continue;
    const [guess] = guessMeanings([headOf(key)], meanings);
    if (!guess || guess.certainty < SURE_ENOUGH) continue;
    const { quantity, once } = meanings[guess.kind];
    if (!quantity || once) told[guess.kind] ??= said;
  }
  return told;
}

/** The cells of a row that stand under a quantity. */
function ofQuantities<K extends string>(
  cells: readonly string[],
  heads: readonly string[],
  { meanings }: Declaration<K>,
): readonly string[] {
  const guesses = guessMeanings(heads.map(headOf), meanings);
  return cells.filter((_, at) => {
    const guess = guesses[at];
    return guess && meanings[guess.kind].quantity !== undefined;
  });
}

/** Of its filled cells at least half are units, and none is a figure. */
function isUnitRow(cells: readonly string[]): boolean {
  const filled = cells.filter((cell) => cell !== "");
  const units = filled.filter((cell) => unitsIn(cell).length > 0 || /^(yyyy|dd|mm|hh|tt)\b/i.test(cell));
  return (
    filled.length > 0 && units.length * 2 >= filled.length && !filled.some((cell) => isFigure(cell) || isTime(cell))
  );
}

function couldBeData(cells: readonly string[]): boolean {
  return cells.some((cell) => /\d{3}/.test(cell) && unitsIn(cell).length === 0);
}

/** Columns of units stand at the right of what they belong to: by column, that column. */
function unitColumnsOf<K extends string>(
  columns: readonly LaidColumn<K>[],
  below: readonly TableRecord[],
): ReadonlyMap<number, number> {
  const found = new Map<number, number>();
  const sample = below.slice(0, 200);
  columns.forEach(({ header }, at) => {
    const filled = sample.map(({ cells }) => cells[at] ?? "").filter((cell) => cell !== "");
    const isNamed = headOf(header).words.some(({ concepts }) => concepts.includes("unit"));
    const read = filled.filter((cell) => !/\d{2}/.test(cell) && unitsIn(cell).length > 0 && cell.length < 16);
    const areUnits = isNamed ? !filled.some(isFigure) : filled.length > 2 && read.length === filled.length;
    if (at > 0 && areUnits && (isNamed || header === "")) found.set(at, at - 1);
  });
  return found;
}

function withUnits(record: TableRecord, unitColumns: ReadonlyMap<number, number>): TableRecord {
  if (unitColumns.size === 0) return record;
  const cells = [...record.cells];
  for (const [from, to] of unitColumns) {
    const amount = cells[to] ?? "";
    // "<5" has its unit beside it, too.
    if (readNumber(amount.replace(/^[<>≤≥]\s*/, ""), ".") !== null && (cells[from] ?? "") !== "")
      cells[to] = `${amount} ${cells[from] ?? ""}`;
  }
  return { ...record, cells };
}

function asideAcross(cells: readonly string[]): NotDataReason | undefined {
  if (cells.some((cell) => isOnly(cell, "limit") || isOnly(cell, "method"))) return "comment";
  return cells.some((cell) => /^[<>≤≥~]?\s*[-+−]?[.,]?\d/.test(cell)) || cells.some(isTime) ? undefined : "comment";
}

function laterReason<K extends string>(
  cells: readonly string[],
  header: readonly string[],
  columns: readonly LaidColumn<K>[],
  { identity }: Declaration<K>,
  isLast: boolean,
): NotDataReason | undefined {
  const filled = cells.filter((cell) => cell !== "");
  const [first = ""] = filled;
  if (COMMENT.test(first)) return "comment";
  if (cells.length === header.length && cells.every((cell, at) => cell === header[at])) return "repeated-header";
  const named = columns.filter(
    ({ guess, column }) =>
      guess && (identity as readonly string[]).includes(guess.kind) && (cells[column - 1] ?? "") !== "",
  );
  // Whose row it is tells a row from a sum: a sum has no place, day or product of its own.
  if (filled.some((cell) => TOTALS.test(cell)) && named.every(({ column }) => TOTALS.test(cells[column - 1] ?? "")))
    return "totals";
  if (filled.length > 1 || columns.length < 3 || isTime(first)) return undefined;
  // A line of its own among the rows is a caption; at the end, or long, a note.
  if (cells[0] !== first || isFigure(first)) return cells.length === 1 && !isFigure(first) ? "comment" : undefined;
  return cells.length > 1 && !isLast ? "caption" : "comment";
}
