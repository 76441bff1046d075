import type { Table, TableRecord } from "./read-table.ts";

/** What a column may hold: how its header is written, and in what units. */
interface ColumnRule {
  readonly header: RegExp;
  /** The first is taken when the file names none. Without units the column holds words or plain counts. */
  readonly units?: Readonly<Record<string, UnitRule>>;
}

interface UnitRule {
  readonly written: RegExp;
  /** canonical = shown × factor */
  readonly factor: number;
}

export interface ListRules<K extends string> {
  /** in the order in which they are tried on a header */
  readonly columns: Readonly<Record<K, ColumnRule>>;
  /** of each of these groups the header must have one */
  readonly needs: readonly (readonly K[])[];
  /** what makes a row that row: a sum between the rows has none of them */
  readonly identity: readonly K[];
}

export interface ListColumn<K extends string> {
  /** counted from 1 */
  readonly column: number;
  readonly header: string;
  readonly kind: K | "ignore";
  readonly unit: string;
  /** the unit stands nowhere in the file and is only likely */
  readonly unitAssumed: boolean;
}

export type NotListReason =
  "preamble" | "header" | "repeated-header" | "units" | "comment" | "caption" | "totals" | "blank";

interface ListLayout<K extends string> {
  readonly columns: readonly ListColumn<K>[];
  readonly preamble: readonly string[];
  readonly notData: readonly { readonly line: number; readonly reason: NotListReason }[];
  readonly dataRows: readonly TableRecord[];
}

const TOTALS =
  /^(sub-?)?(sum|total|mean|average|avg|max|min|summe|somme|value of|stock of)\b|\b(in all|all together|altogether|total)$/i;
const COMMENT = /^[#*]/;

/** Tells the rows of a list apart: text on top, header, units, captions, sums, comments, blanks, and data. Null without a header. */
export function layOutList<K extends string>(table: Table, rules: ListRules<K>): ListLayout<K> | null {
  const headerAt = table.records.findIndex(({ cells }) => isHeader(cells, rules));
  const header = table.records[headerAt]?.cells;
  if (!header) return null;
  const next = table.records[headerAt + 1];
  const unitRow = next && isUnitRow(next.cells, kindsOf(header, rules), rules) ? next : undefined;
  const columns = columnsOf(header, unitRow?.cells, rules);
  const notData: { line: number; reason: NotListReason }[] = [];
  const dataRows: TableRecord[] = [];
  table.records.forEach((record, index) => {
    const reason =
      record.cells.every((cell) => cell === "") || index === headerAt || index < headerAt || record === unitRow
        ? fixedReason(record, index - headerAt)
        : laterReason(record.cells, header, columns, rules);
    if (reason) notData.push({ line: record.line, reason });
    else dataRows.push(record);
  });
  const preamble = table.records.slice(0, headerAt).map(({ cells }) => cells.filter(Boolean).join(table.delimiter));
  return { columns, preamble: preamble.filter(Boolean), notData, dataRows };
}

function fixedReason({ cells }: TableRecord, belowHeader: number): NotListReason {
  if (cells.every((cell) => cell === "")) return "blank";
  return belowHeader < 0 ? "preamble" : belowHeader === 0 ? "header" : "units";
}

function laterReason<K extends string>(
  cells: readonly string[],
  header: readonly string[],
  columns: readonly ListColumn<K>[],
  { identity }: ListRules<K>,
): NotListReason | undefined {
  const [first = ""] = cells.filter((cell) => cell !== "");
  if (COMMENT.test(first)) return "comment";
  if (cells.length === header.length && cells.every((cell, at) => cell === header[at])) return "repeated-header";
  const named = columns.filter(
    ({ kind, column }) => (identity as readonly string[]).includes(kind) && (cells[column - 1] ?? "") !== "",
  );
  const onlyWords = named.every(({ column }) => cells[column - 1] === first);
  if (TOTALS.test(first) && onlyWords) return "totals";
  return cells.length > 1 && cells[0] === first && cells.slice(1).every((cell) => cell === "") ? "caption" : undefined;
}

function kindsOf<K extends string>(header: readonly string[], { columns }: ListRules<K>): (K | "ignore")[] {
  const taken = new Set<string>();
  return header.map((text) => {
    const words = text.replaceAll("_", " ");
    const found = (Object.keys(columns) as K[]).find((kind) => !taken.has(kind) && columns[kind].header.test(words));
    if (found) taken.add(found);
    return found ?? "ignore";
  });
}

function isHeader<K extends string>(cells: readonly string[], rules: ListRules<K>): boolean {
  if (cells.length < 2 || cells.some((cell) => /^[-+]?[\d.,]+$/.test(cell))) return false;
  const kinds = kindsOf(cells, rules);
  return rules.needs.every((group) => group.some((kind) => kinds.includes(kind)));
}

function isUnitRow<K extends string>(
  cells: readonly string[],
  kinds: readonly (K | "ignore")[],
  rules: ListRules<K>,
): boolean {
  const found = kinds.filter((kind, at) => kind !== "ignore" && unitIn(rules.columns[kind], cells[at] ?? ""));
  // Where a row's place or day would stand, a row of units has nothing.
  const isFree = kinds.every(
    (kind, at) =>
      !(rules.identity as readonly string[]).includes(kind) || (cells[at] ?? "") === "" || found.includes(kind),
  );
  return found.length > 0 && isFree && cells.every((cell) => !/^[-+]?[\d.,]+$/.test(cell));
}

function columnsOf<K extends string>(
  header: readonly string[],
  unitRow: readonly string[] | undefined,
  rules: ListRules<K>,
): ListColumn<K>[] {
  return kindsOf(header, rules).map((kind, at) => {
    const text = header[at] ?? "";
    const base = { column: at + 1, header: text, kind };
    const rule = kind === "ignore" ? undefined : rules.columns[kind];
    if (!rule?.units) return { ...base, unit: "", unitAssumed: false };
    const inBrackets = /[([]([^)\]]*)[)\]]/.exec(text)?.[1] ?? "";
    const words = text.split(/[\s_]+/);
    const places = [unitRow?.[at] ?? "", inBrackets, ...words.map((_, from) => words.slice(from).join(" ")), ...words];
    const written = places.map((place) => unitIn(rule, place)).find(Boolean);
    return { ...base, unit: written ?? Object.keys(rule.units)[0] ?? "", unitAssumed: written === undefined };
  });
}

/** The unit of a rule that a text names. */
export function unitIn({ units = {} }: ColumnRule, text: string): string | undefined {
  const plain = text.toLowerCase().replace("μ", "µ").replace(/[\s*]/g, "");
  return Object.entries(units).find(([, { written }]) => written.test(plain))?.[0];
}
