import { measuredCell, type MeasuredCell } from "../../table/cell.ts";
import type { ReadColumn } from "../../table/columns.ts";
import type { Declaration } from "../../table/declaration.ts";
import { headOf } from "../../table/head.ts";
import type { Concept } from "../../table/lexicon.ts";
import type { Meaning } from "../../table/meaning.ts";
import type { Source, TableRecord } from "../../table/read-table.ts";
import { Sheet, type Dialect, type SheetChoices, type SheetTold } from "../../table/sheet.ts";
import { unitsIn } from "../../table/unit-text.ts";
import { MAIN, type Main } from "./nutrients.ts";

/** What a row of a laboratory's results of leaf, sap or extract may tell of its nutrients. */
export const TISSUE_ROWS = ["found", "low", "high", "band", "skip"] as const;
export type TissueRow = (typeof TISSUE_ROWS)[number];

/** Amounts stay in the unit of the laboratory: they are held against its own band. */
const AMOUNT = {
  units: ["%", "g/kg", "mg/kg", "mg/L", "mmol/L", "mmol/kg"],
  alike: { "mg/L": 1, "mmol/L": 1, "mmol/kg": 1 },
};
const amount = (...named: readonly (readonly Concept[])[]): Meaning => ({
  named,
  beside: ["total", "value", "leaf", "solids"],
  quantity: AMOUNT,
});

const DECLARATION: Declaration<Main> = {
  meanings: {
    // Nitrate of sap counts as nitrogen.
    N: { ...amount(["N"], ["nitrate"], ["nitrate", "N"]), never: ["ammonium"] },
    P: amount(["P"], ["P2O5"], ["phosphate"], ["P", "P2O5"]),
    K: amount(["K"], ["K2O"], ["K", "K2O"]),
  },
  needs: [["N", "P", "K"]],
  identity: [],
  bands: true,
};

/** One of N, P and K as the sheet tells it; what it does not tell is null. */
export interface TissueLine {
  readonly line: number;
  readonly nutrient: Main;
  /** as written: "N (total)" */
  readonly label: string;
  /** in the unit */
  readonly found: number | null;
  /** found is half of the limit below which the laboratory could not measure */
  readonly below: boolean;
  /** what stands there, where it is no single figure */
  readonly unread: string | null;
  readonly low: number | null;
  readonly high: number | null;
  readonly unit: string | null;
}

interface TissueChoices extends SheetChoices {
  /** rows that somebody set by hand */
  readonly rows?: readonly { readonly row: number; readonly is: TissueRow }[] | undefined;
}

export interface TissueSheet extends SheetTold<Main>, Pick<Dialect, "decimal" | "decimalAssumed"> {
  /** its rows, of a sheet with a nutrient a row its columns, and what each was taken for */
  readonly rows: readonly {
    readonly row: number;
    readonly header: string;
    readonly is: TissueRow;
    readonly examples: readonly string[];
  }[];
  readonly lines: readonly TissueLine[];
}

/** Heads of rows in several languages, as they follow each other. */
const HEADS: readonly (readonly [TissueRow, RegExp])[] = [
  ["low", /\b(low|lower|mini?|minimum|from|untere|unterer|ab|von|bas|inferieur|inferior|minimo|ondergrens)\b/],
  ["high", /\b(high|upper|maxi?|maximum|to|obere|oberer|bis|haut|superieur|superior|maximo|bovengrens)\b/],
  ["found", /\b(result|found|measured|gemessen|befund)/],
];

/**
 * Reads a laboratory's results of leaf, sap or extract: a nutrient a row or a nutrient a column, the band in one column or in two,
 * the unit in a column, in the head, beside the figure or beside the nutrient's name.
 *
 * @throws {DomainError} where neither a row nor a column names one of N, P and K
 */
export function readTissueSheet(source: Source, choices: TissueChoices = {}): TissueSheet {
  const sheet = new Sheet(
    source,
    DECLARATION,
    choices,
    "Neither a row nor a column of the file is named N, P or K, nitrogen, phosphorus or potassium: there is no result in it that a dose could go by.",
  );
  const { layout, table } = sheet;
  const nutrients = MAIN.flatMap((kind) => sheet.column(kind) ?? []);
  const cellOf = ({ cells }: TableRecord, { column }: ReadColumn<Main>): MeasuredCell =>
    measuredCell(cells[column - 1] ?? "", table.decimal);
  const firstAt = Math.min(...nutrients.map(({ column }) => column - 1));
  const rows = rowsOf(
    layout.dataRows.map((record) => ({
      record,
      header: headerOf(record, firstAt),
      cells: nutrients.map((column) => cellOf(record, column)).filter(({ kind }) => kind !== "empty"),
    })),
    choices.rows,
  );
  const told = (is: TissueRow, column: ReadColumn<Main>) => {
    const row = rows.find((one) => one.is === is);
    return row && { ...row, cell: cellOf(row.record, column) };
  };
  const lines = nutrients.map((column): TissueLine => {
    const [found, band] = [told("found", column), told("band", column)];
    const { value = null, below = false, kind = "empty", raw = "", unit = "" } = found?.cell ?? {};
    const [from = null, to = null] = band?.cell.ends ?? [];
    return {
      line: found?.record.turned?.lines[column.column - 1] ?? found?.record.line ?? 0,
      nutrient: column.kind as Main,
      label: column.header,
      found: kind === "below" ? value && value / 2 : kind === "number" ? value : null,
      below,
      unread: kind === "number" || kind === "below" || kind === "empty" ? null : raw,
      low: told("low", column)?.cell.value ?? from,
      high: told("high", column)?.cell.value ?? to,
      unit: plainUnit(
        unit || (column.unitAssumed ? "" : column.unit) || band?.cell.unit || unitOf(found?.header ?? ""),
        column.kind,
      ),
    };
  });
  return {
    ...sheet.told(),
    ...{ decimal: table.decimal, decimalAssumed: table.decimalAssumed },
    rows: rows.map(({ record: _record, ...row }) => row),
    lines,
  };
}

/** The words nearest to its figures: of what stands before them in its row, or over them in its column. */
function headerOf({ cells, turned }: TableRecord, firstAt: number): string {
  const before = cells.slice(0, firstAt).filter((cell) => /\p{L}{2}/u.test(cell));
  return (turned ? before.at(-1) : before[0]) ?? "";
}

function unitOf(header: string): string {
  return headOf(header).units.find((text) => unitsIn(text).length > 0) ?? "";
}

/** "N %" says of nitrogen no more than "%". */
function plainUnit(unit: string, nutrient: string): string | null {
  return unit.replace(new RegExp(`^${nutrient}\\s+|\\s+${nutrient}$`), "") || null;
}

interface Row {
  readonly record: TableRecord;
  readonly header: string;
  readonly cells: readonly MeasuredCell[];
}

/** What each row is taken for: as somebody said, as its head or its cells tell, and the first that is left is the result. */
function rowsOf(
  rows: readonly Row[],
  said: TissueChoices["rows"] = [],
): readonly (TissueSheet["rows"][number] & { readonly record: TableRecord })[] {
  const guessed = rows.map((row, at) => {
    const byHand = said.find((one) => one.row === at + 1)?.is;
    return { ...row, row: at + 1, byHand, guess: byHand ?? guessOf(row.header, row.cells) };
  });
  // What a head calls the result goes before what nothing tells.
  const result =
    guessed.find(({ guess }) => guess === "found") ??
    guessed.find(({ guess, cells }) => guess === null && cells.length > 0);
  return guessed.map((one) => ({
    ...{ row: one.row, record: one.record, header: one.header },
    is: one === result ? "found" : one.guess === "found" ? "skip" : (one.guess ?? "skip"),
    examples: one.cells.slice(0, 3).map(({ raw }) => raw),
  }));
}

function guessOf(header: string, cells: readonly MeasuredCell[]): TissueRow | null {
  if (cells.length > 0 && cells.filter(({ kind }) => kind === "range").length * 2 > cells.length) return "band";
  const { words } = headOf(header);
  const text = words.map(({ word }) => word).join(" ");
  const [is] = HEADS.find(([, pattern]) => pattern.test(text)) ?? [];
  if (is) return is;
  if (words.some(({ concepts }) => concepts.includes("value"))) return "found";
  // One figure is no band.
  return words.some(({ concepts }) => concepts.includes("limit")) ? "skip" : null;
}
