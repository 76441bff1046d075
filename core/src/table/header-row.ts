import type { Declaration } from "./declaration.ts";
import { headOf } from "./head.ts";
import { guessMeanings } from "./meaning.ts";
import type { TableRecord } from "./read-table.ts";
import { readTime } from "./time-text.ts";
import { unitsIn } from "./unit-text.ts";

/** A header is looked for within so many lines, in so many rows on top of each other. */
export const HEADER_WITHIN = 300;
export const HEADER_ROWS = 3;
/** What is less sure is not known. */
export const SURE_ENOUGH = 0.25;
/** So many columns more must be known for a row more, and for one that looks like units, to belong to the head. */
const A_ROW = 0.5;
const UNITS_IN_HEAD = 2.5;

export interface Header {
  readonly from: number;
  readonly to: number;
  readonly cells: readonly string[];
  /** how many of its columns are known, and more where the table has all that it needs */
  readonly worth: number;
  /** by column, where the table has them beside its figures */
  readonly methods?: readonly string[];
}

export const HAS_ALL = 100;

export function headerOf<K extends string>(
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
export function plainHeader(records: readonly TableRecord[]): Header | null {
  const at = records.findIndex(
    ({ cells }, index) =>
      mayHead(cells) &&
      records.slice(index + 1, index + 4).some((next) => next.cells.length > 1 && next.cells.some(isFigure)),
  );
  const cells = records[at]?.cells;
  return cells ? { from: at, to: at, cells, worth: 0 } : null;
}

/** Two words at least, and nothing that is a figure, a range of them, or a time. */
export function mayHead(cells: readonly string[]): boolean {
  const isOfFigures = (cell: string): boolean =>
    isFigure(cell) || isTime(cell) || (/\d/.test(cell) && !/\p{L}/u.test(cell));
  return cells.filter((cell) => cell !== "").length > 1 && !cells.some(isOfFigures);
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

export function isFigure(cell: string): boolean {
  return /^[<>≤≥~]?\s*[-+−]?[\d.,]*\d[\d.,]*\s*%?$/.test(cell);
}

export function isTime(cell: string): boolean {
  return /\d/.test(cell) && cell.length > 5 && readTime(cell, "dmy").status !== "unreadable";
}

export function worthOf<K extends string>(cells: readonly string[], { meanings, needs }: Declaration<K>): number {
  const guesses = guessMeanings(cells.map(headOf), meanings);
  const kinds = new Set(guesses.flatMap((guess) => (guess && guess.certainty >= SURE_ENOUGH ? [guess.kind] : [])));
  return kinds.size + (needs.every((group) => group.some((kind) => kinds.has(kind))) ? HAS_ALL : 0);
}

/** Of its filled cells at least half are units, and none is a figure. */
export function isUnitRow(cells: readonly string[]): boolean {
  const filled = cells.filter((cell) => cell !== "");
  const units = filled.filter((cell) => unitsIn(cell).length > 0 || /^(yyyy|dd|mm|hh|tt)\b/i.test(cell));
  return (
    filled.length > 0 && units.length * 2 >= filled.length && !filled.some((cell) => isFigure(cell) || isTime(cell))
  );
}
