import type { Declaration } from "./declaration.ts";
import { headOf } from "./head.ts";
import { isFigure, isTime, SURE_ENOUGH } from "./header-row.ts";
import { guessMeanings } from "./meaning.ts";
import { readNumber } from "./number.ts";
import type { TableRecord } from "./read-table.ts";
import type { LaidColumn, NotDataReason } from "./shape.ts";
import { isOnly, keyed } from "./turned-table.ts";
import { unitsIn } from "./unit-text.ts";

/** A sum by its name; what may begin a product's or a zone's name is one only by itself. */
const TOTALS =
  /^(sub-?)?(sum|total|totals|mean|average|summe|gesamt|mittelwert|somme|moyenne|suma|promedio|somma|soma|totaal|gemiddelde|value of|stock of)\b|^(avg|max|min|maximum|minimum|mittel|media|som)\.?:?$|\b(in all|all together|altogether|total)$|^\d+ (days|hours)\b/i;
const COMMENT = /^[#*]|^\/\//;

/** Where most rows end before their head does, their last cells are empty; a single row that does was cut short. */
export function evenly(rows: readonly TableRecord[], width: number): readonly TableRecord[] {
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
export function toldAbove<K extends string>(
  above: readonly TableRecord[],
  { meanings }: Declaration<K>,
): Readonly<Partial<Record<K, string>>> {
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
export function ofQuantities<K extends string>(
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

export function couldBeData(cells: readonly string[]): boolean {
  return cells.some((cell) => /\d{3}/.test(cell) && unitsIn(cell).length === 0);
}

export function saysTotal(text: string): boolean {
  return TOTALS.test(text);
}

/** Columns of units stand at the right of what they belong to: by column, that column. */
export function unitColumnsOf<K extends string>(
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

export function withUnits(record: TableRecord, unitColumns: ReadonlyMap<number, number>): TableRecord {
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

export function asideAcross(cells: readonly string[], bands: boolean): NotDataReason | undefined {
  if (cells.some((cell) => (!bands && isOnly(cell, "limit")) || isOnly(cell, "method"))) return "comment";
  return cells.some((cell) => /^[<>≤≥~]?\s*[-+−]?[.,]?\d/.test(cell)) || cells.some(isTime) ? undefined : "comment";
}

export function laterReason<K extends string>(
  cells: readonly string[],
  header: readonly string[],
  columns: readonly LaidColumn<K>[],
  { identity, bands }: Declaration<K>,
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
  if (
    !bands &&
    filled.some((cell) => TOTALS.test(cell)) &&
    named.every(({ column }) => TOTALS.test(cells[column - 1] ?? ""))
  )
    return "totals";
  if (filled.length > 1 || columns.length < 3 || isTime(first)) return undefined;
  // A line of its own among the rows is a caption; at the end, or long, a note.
  if (cells[0] !== first || isFigure(first)) return cells.length === 1 && !isFigure(first) ? "comment" : undefined;
  return cells.length > 1 && !isLast ? "caption" : "comment";
}
