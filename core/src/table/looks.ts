import { measuredCell } from "./cell.ts";
import type { ReadColumn } from "./columns.ts";
import type { DecimalMark } from "./number.ts";
import { conversionOf } from "./quantity.ts";
import type { TableRecord } from "./read-table.ts";
import type { Declaration } from "./declaration.ts";
import { readHour, readTime } from "./time-text.ts";

/** So many rows show what a column looks like. */
const SEEN_ROWS = 60;
/** Certainty of what only the cells show. */
const BY_LOOKS = 0.5;

/**
 * What cells show of columns that their heads leave open: which hold a day, an hour or both, and that each cell brings its unit.
 *
 * @param set columns that somebody set by hand: they stay
 */
export function byLooks<K extends string>(
  columns: readonly ReadColumn<K>[],
  rows: readonly TableRecord[],
  { meanings, times }: Declaration<K>,
  decimal: DecimalMark,
  set: ReadonlySet<number>,
): readonly ReadColumn<K>[] {
  const seen = rows.slice(0, SEEN_ROWS);
  const cellsOf = ({ column }: ReadColumn<K>): string[] =>
    seen.map(({ cells }) => cells[column - 1] ?? "").filter((cell) => cell !== "");
  const timed = times ? byTimes(columns, cellsOf, times, set) : columns;
  const seenFigures = timed.map((column) => figured(column, timed, cellsOf(column), meanings, decimal, set));
  return seenFigures.map((column) => {
    const quantity = column.kind === "ignore" ? undefined : meanings[column.kind].quantity;
    if (!quantity || !column.unitAssumed || set.has(column.column)) return column;
    const cells = cellsOf(column);
    const units = cells.flatMap((cell) => measuredCell(cell, decimal).unit || []);
    const [first] = units;
    const conversion = first === undefined || units.length * 2 < cells.length ? null : conversionOf(quantity, first);
    return conversion
      ? { ...column, unit: conversion.unit, unitAssumed: false }
      : likelyUnit(column, cells, meanings, decimal);
  });
}

/** Of units that nobody wrote the one in which the figures lie where they lie as a rule; it stays assumed. */
function likelyUnit<K extends string>(
  column: ReadColumn<K>,
  cells: readonly string[],
  meanings: Declaration<K>["meanings"],
  decimal: DecimalMark,
): ReadColumn<K> {
  const { quantity, lies } = column.kind === "ignore" ? {} : meanings[column.kind];
  if (!quantity || !lies) return column;
  const figures = cells.flatMap((cell) => measuredCell(cell, decimal).value ?? []);
  const inside = (unit: string): number => {
    const { factor = NaN, offset = 0 } = conversionOf(quantity, unit) ?? {};
    return figures.filter((figure) => figure * factor + offset >= lies.least && figure * factor + offset <= lies.most)
      .length;
  };
  const [best] = [...quantity.units].sort((a, b) => inside(b) - inside(a));
  if (best === undefined) return column;
  // The usual one stays where it fits most of them, unless another fits all and more than a slip lies outside of it.
  const fits = inside(column.unit);
  const isOther = fits * 2 < figures.length || (fits < figures.length * FEW_OUTSIDE && inside(best) === figures.length);
  return isOther && inside(best) > fits ? { ...column, unit: best } : column;
}

/** Fewer of a column's figures are inside than where some slips lie outside. */
const FEW_OUTSIDE = 0.8;

/** So many figures show what a column is, in steps as finely as they are measured. */
const LEAST_FIGURES = 5;
const BY_FIGURES = 0.3;

/** A column that no word names, whose figures all lie where only one meaning's do. */
function figured<K extends string>(
  column: ReadColumn<K>,
  all: readonly ReadColumn<K>[],
  cells: readonly string[],
  meanings: Declaration<K>["meanings"],
  decimal: DecimalMark,
  set: ReadonlySet<number>,
): ReadColumn<K> {
  if (column.kind !== "ignore" || set.has(column.column) || cells.length < LEAST_FIGURES) return column;
  const figures = cells.flatMap((cell) => measuredCell(cell, decimal).value ?? []);
  const inTenths = figures.some((figure) => !Number.isInteger(figure));
  const [low, high] = [Math.min(...figures), Math.max(...figures)];
  const fits = (Object.keys(meanings) as K[]).filter((kind) => {
    const { lies, quantity } = meanings[kind];
    return lies && !quantity && !all.some((other) => other.kind === kind) && low >= lies.least && high <= lies.most;
  });
  const [only] = fits;
  if (figures.length < cells.length || !inTenths || only === undefined || fits.length > 1) return column;
  return { ...column, kind: only, certainty: BY_FIGURES, because: `its figures lie from ${low} to ${high}` };
}

function byTimes<K extends string>(
  columns: readonly ReadColumn<K>[],
  cellsOf: (column: ReadColumn<K>) => string[],
  times: NonNullable<Declaration<K>["times"]>,
  set: ReadonlySet<number>,
): readonly ReadColumn<K>[] {
  const kinds: readonly (K | undefined)[] = [times.stamp, times.date, times.time];
  const taken = new Set<K | "ignore">();
  for (const { kind, column } of columns) if (set.has(column)) taken.add(kind);
  // What a head names goes before what is only seen.
  const inOrder = [...columns].sort((a, b) => Number(b.kind !== "ignore") - Number(a.kind !== "ignore"));
  const changed = new Map<number, ReadColumn<K>>();
  for (const column of inOrder) {
    const isTimed = column.kind !== "ignore" && kinds.includes(column.kind);
    if (set.has(column.column) || (column.kind !== "ignore" && !isTimed)) continue;
    const looks = looksOf(cellsOf(column), isTimed);
    const kind = looks && (looks === "stamp" ? (times.stamp ?? times.date) : times[looks]);
    if (kind && !taken.has(kind)) {
      taken.add(kind);
      if (column.kind !== kind)
        changed.set(column.column, {
          ...column,
          kind,
          certainty: isTimed ? column.certainty : BY_LOOKS,
          because: looks === "time" ? "its cells are times of day" : "its cells are days",
        });
    } else if (isTimed && (looks === null || kind !== column.kind || taken.has(column.kind))) {
      if (looks !== null && kind && taken.has(kind))
        changed.set(column.column, {
          ...column,
          kind: "ignore",
          certainty: 0,
          because: "another column tells the same time",
        });
    }
  }
  return columns.map((column) => changed.get(column.column) ?? column);
}

/** A bare number may be a day of a spreadsheet only where a head says so. */
function looksOf(cells: readonly string[], named: boolean): "stamp" | "date" | "time" | null {
  const most = (test: (cell: string) => boolean): boolean =>
    cells.length > 0 && cells.filter(test).length * 5 >= cells.length * 4;
  const dated = cells.map((cell) => readTime(cell, "dmy"));
  const told = dated.filter(({ status }) => status !== "unreadable").length;
  if (told * 5 >= cells.length * 4 && told > 0 && (named || most((cell) => !/^\d{5}([.,]\d+)?$/.test(cell)))) {
    const withHour = dated.filter((reading) => "hasHour" in reading && reading.hasHour).length;
    return withHour * 2 > told ? "stamp" : "date";
  }
  return named || most((cell) => /\d[:h]\d\d/.test(cell))
    ? most((cell) => readHour(cell) !== null)
      ? "time"
      : null
    : null;
}
