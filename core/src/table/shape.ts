import type { Declaration } from "./declaration.ts";
import { headOf } from "./head.ts";
import { headerOf, isUnitRow, plainHeader, type Header } from "./header-row.ts";
import { guessMeanings, type Guess } from "./meaning.ts";
import type { Table, TableRecord } from "./read-table.ts";
import {
  asideAcross,
  couldBeData,
  evenly,
  laterReason,
  ofQuantities,
  toldAbove,
  unitColumnsOf,
  withUnits,
} from "./row-kinds.ts";
import { spreadBelow } from "./spread.ts";
import { tablesIn, together } from "./several-tables.ts";
import { across, isOnly, longTable } from "./turned-table.ts";

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
  /** what stands above the table for all of it: "Sampled: 12 March 2026" */
  readonly told: Readonly<Partial<Record<K, string>>>;
}

/**
 * Tells the rows of a file apart: text on top, head, units, captions, sums, notes, blanks, and data. Several tables of a sheet come
 * as one, and a table with a column for each zone has a row for each.
 *
 * @param names by meaning, what it may be named: the site's zones
 */
export function layOut<K extends string>(
  file: Table,
  declaration: Declaration<K>,
  names?: Readonly<Partial<Record<K, readonly string[]>>>,
): Layout<K> | null {
  const table = { ...file, records: spreadBelow(file.records, declaration, names) };
  const parts = tablesIn(table.records, declaration);
  if (parts.length === 1) return layOutOne(table, declaration);
  const layouts = parts.flatMap((records) => layOutOne({ ...table, records }, declaration) ?? []);
  return layouts.length > 1 ? together(layouts, declaration) : layOutOne(table, declaration);
}

function layOutOne<K extends string>(table: Table, declaration: Declaration<K>): Layout<K> | null {
  const down = headerOf(table.records, declaration);
  const long = longTable(table.records, declaration);
  const turned = across(table.records, declaration);
  const [downs, turns, longs] = [down?.worth ?? 0, turned?.header.worth ?? 0, long?.header.worth ?? 0];
  if (long && longs > downs && longs >= turns) return laidOut(table, long.records, long.header, declaration, "long");
  if (turned && turns > downs) return laidOut(table, turned.records, turned.header, declaration, "across");
  const header = down ?? plainHeader(table.records);
  return header ? laidOut(table, table.records, header, declaration, "down") : null;
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
          ? asideAcross(cells, declaration.bands ?? false)
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
    told: toldAbove(records.slice(0, header.from), declaration),
  };
}
