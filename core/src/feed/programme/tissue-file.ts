import { measuredCell } from "../../table/cell.ts";
import { readNumber, type DecimalMark } from "../../table/number.ts";
import { asTable, type Source, type TableRecord } from "../../table/read-table.ts";
import { DomainError } from "../../working/domain-error.ts";
import { MAIN, type Main } from "./nutrients.ts";

/** What a column of a laboratory's sheet of leaf, sap or extract may hold. */
export const TISSUE_COLUMNS = ["nutrient", "found", "unit", "low", "high", "band", "skip"] as const;
export type TissueColumn = (typeof TISSUE_COLUMNS)[number];

/** One of N, P and K as the sheet tells it; what it does not tell is null. */
export interface TissueLine {
  readonly line: number;
  readonly nutrient: Main;
  /** as written: "N (total)" */
  readonly label: string;
  readonly found: number | null;
  /** found is half of the limit below which the laboratory could not measure */
  readonly below: boolean;
  readonly low: number | null;
  readonly high: number | null;
  readonly unit: string | null;
}

export interface TissueSheet {
  /** what each column is taken for, in the order of the file; of a sheet that was turned, in that of its rows */
  readonly columns: readonly { readonly header: string; readonly is: TissueColumn; readonly example: string }[];
  readonly lines: readonly TissueLine[];
  /** lines with a figure that bear on no dose of N, P or K, or cannot be read, as written */
  readonly aside: readonly { readonly line: number; readonly text: string }[];
}

/** Names in several languages, without accents; nitrate of sap counts as nitrogen. */
const NAMES: Readonly<Record<Main, RegExp>> = {
  N: /^(total )?(n|nitrogen|stickstoff|azote|azoto|nitrogeno|stikstof|nitrate|nitrat|nitrato|no3|no3n)( total| tot| gesamt| kjeldahl)?$/,
  P: /^(total )?(p|phosphorus|phosphor|phosphore|fosforo|fosfor|phosphate|phosphat|fosfato|p2o5|h2po4|po4)( total| tot)?$/,
  K: /^(total )?(k|potassium|kalium|potasio|potassio|potasium|k2o)( total| tot)?$/,
};
/** Heads of columns in several languages. */
const HEADS: readonly (readonly [TissueColumn, RegExp])[] = [
  ["unit", /^(unit|units|einheit|unite|unidad|unita|eenheid|unidade)\b/],
  ["low", /\b(low|lower|mini?|minimum|from|untere|unterer|ab|von|bas|inferieur|inferior|minimo|ondergrens)\b/],
  ["high", /\b(high|upper|maxi?|maximum|to|obere|oberer|bis|haut|superieur|superior|maximo|bovengrens)\b/],
  [
    "band",
    /range|band|bereich|plage|rango|gamma|intervalo|traject|sufficien|norm|optimum|optimal|richtwert|target|streefwaarde|faixa/,
  ],
  ["found", /result|found|value|gehalt|wert|valeur|resultat|valor|measured|content|analys|uitslag|gehalte|teneur/],
  ["nutrient", /nutrient|element|parameter|analyte|nahrstoff|elemento|nutriente|voedingselement/],
];
const UNIT = /^(%|‰|[mµ]?g\/k?g|[mµ]?g\/l|ppm|mmol\/(l|kg)|meq\/l)( ?(dm|d\.m\.|dw|ms|ts|ss|tm))?$/i;
const RANGE = /^\s*<?\s*([\d.,]+)\s*(?:-|–|—|to|bis|a|à|tot|\.\.+)\s*([\d.,]+)\s*(.*)$/i;

/**
 * Reads a sheet of leaf, sap or extract results: a nutrient a row or a nutrient a column, the band in one column or in two, the
 * unit in a column, in the head, beside the figure or beside the nutrient's name.
 *
 * @param set columns that somebody set by hand, by their place in `columns`
 * @throws {DomainError} where neither a row nor a column names one of N, P and K
 */
export function readTissueSheet(source: Source, set: ReadonlyMap<number, TissueColumn> = new Map()): TissueSheet {
  const { records, decimal } = asTable(source);
  const filled = records.filter(({ cells }) => cells.some((cell) => cell !== ""));
  const rows = upright(filled);
  const first = rows.findIndex(({ cells }) => cells.some((cell) => nutrientOf(cell)));
  if (first < 0)
    throw new DomainError({
      code: "not-possible",
      path: "file",
      message:
        "Neither a row nor a column of the file is named N, P or K, nitrogen, phosphorus or potassium: there is no result in it that a dose could go by.",
    });
  // The head is the nearest row above that has words and no figure.
  const headAt = rows.findLastIndex(
    ({ cells }, at) =>
      at < first &&
      cells.filter((cell) => /\p{L}/u.test(cell)).length > 1 &&
      cells.every((cell) => measuredCell(cell, decimal).value === null),
  );
  const body = rows.slice(headAt < 0 ? first : headAt + 1);
  const columns = guessed(rows[headAt]?.cells ?? [], body, decimal).map((column, at) => ({
    ...column,
    is: set.get(at) ?? column.is,
  }));
  const lines: TissueLine[] = [];
  const aside: { line: number; text: string }[] = [];
  for (const row of body) {
    const found = lineOf(row, columns, decimal);
    if (found) lines.push(found);
    else if (row.cells.some((cell) => /\d/.test(cell)))
      aside.push({ line: row.line, text: row.cells.filter((cell) => cell !== "").join(" · ") });
  }
  return { columns, lines, aside };
}

/** A nutrient a row, whichever way the sheet lies. */
function upright(records: readonly TableRecord[]): readonly TableRecord[] {
  const at = records.findIndex(({ cells }) => new Set(cells.flatMap((cell) => nutrientOf(cell) ?? [])).size > 1);
  const across = records[at];
  if (!across) return records;
  const below = records.slice(at);
  return across.cells.map((_, column) => ({
    line: across.line,
    cells: below.map(({ cells }) => cells[column] ?? ""),
  }));
}

/** Without accents, marks and what stands in brackets. */
function plain(text: string): string {
  return text
    .normalize("NFD")
    .replace(/\p{M}/gu, "")
    .toLowerCase()
    .replace(/[([{].*?[)\]}]/g, " ")
    .replace(/[₀-₉]/g, (digit) => String("₀₁₂₃₄₅₆₇₈₉".indexOf(digit)))
    .replace(/[^\p{L}\d%/ ]+/gu, " ")
    .replace(/ +/g, " ")
    .trim();
}

function nutrientOf(cell: string): Main | null {
  // "N %", "Nitrogen, total", "NO3-N"
  const name = plain(cell.replace(/no3[ -]?n\b/i, "no3n"))
    .replace(/ ?(%|g\/kg|mg\/kg|mg\/l|ppm|mmol\/l|dm|ts|ms)/g, "")
    .trim();
  return MAIN.find((nutrient) => NAMES[nutrient].test(name)) ?? MAIN.find((one) => bracketed(cell) === one) ?? null;
}

/** "Stickstoff-Gehalt (N)": the formula in brackets. */
function bracketed(cell: string): string | undefined {
  return /[([]\s*(N|P|K)\s*[)\]]/.exec(cell)?.[1];
}

function unitIn(text: string): string | null {
  const inside = /[([,]\s*([^()[\],]+?)\s*[)\]]?\s*$/.exec(text)?.[1] ?? text.trim().split(/\s+/).at(-1) ?? "";
  return UNIT.test(inside) ? inside : null;
}

function guessed(
  head: readonly string[],
  body: readonly TableRecord[],
  decimal: DecimalMark,
): { header: string; is: TissueColumn; example: string }[] {
  const width = Math.max(head.length, ...body.map(({ cells }) => cells.length));
  const named = body.filter(({ cells }) => cells.some((cell) => nutrientOf(cell)));
  let hasFound = false;
  const columns = Array.from({ length: width }, (_, at) => {
    const header = head[at] ?? "";
    const cells = named.map((row) => row.cells[at] ?? "").filter((cell) => cell !== "");
    const most = (test: (cell: string) => boolean): boolean =>
      cells.length > 0 && cells.filter(test).length * 2 > cells.length;
    const isNumber = (cell: string): boolean => measuredCell(cell, decimal).value !== null;
    const byHead = headOf(header);
    const is: TissueColumn = most((cell) => nutrientOf(cell) !== null)
      ? "nutrient"
      : most((cell) => UNIT.test(cell))
        ? "unit"
        : most((cell) => RANGE.test(cell))
          ? "band"
          : most(isNumber) && byHead && byHead !== "nutrient" && byHead !== "unit"
            ? // One figure is no band.
              byHead === "band"
              ? "skip"
              : byHead
            : most(isNumber)
              ? "found"
              : "skip";
    return { header, is, example: cells[0] ?? "" };
  });
  // Of several columns of figures the one that a head names is the result, else the first; others wait to be set by hand.
  const namedFound = columns.findIndex(({ header, is }) => is === "found" && headOf(header) === "found");
  return columns.map((column, at) => {
    if (column.is !== "found") return column;
    const taken = namedFound >= 0 ? at === namedFound : !hasFound;
    hasFound = true;
    return taken ? column : { ...column, is: "skip" as const };
  });
}

function headOf(header: string): TissueColumn | undefined {
  return HEADS.find(([, pattern]) => pattern.test(plain(header)))?.[0];
}

function lineOf(
  { line, cells }: TableRecord,
  columns: TissueSheet["columns"],
  decimal: DecimalMark,
): TissueLine | null {
  const cellOf = (is: TissueColumn): string => {
    const at = columns.findIndex((column) => column.is === is);
    return at < 0 ? "" : (cells[at] ?? "");
  };
  const label = cellOf("nutrient");
  const nutrient = nutrientOf(label);
  if (!nutrient) return null;
  const measured = measuredCell(cellOf("found"), decimal);
  const [, from = "", to = "", bandUnit = ""] = RANGE.exec(cellOf("band")) ?? [];
  const unit =
    cellOf("unit") ||
    measured.unit ||
    bandUnit.trim() ||
    unitIn(label) ||
    unitIn(columns.find(({ is }) => is === "found")?.header ?? "");
  return {
    ...{ line, nutrient, label },
    found: measured.value !== null && measured.below ? measured.value / 2 : measured.value,
    below: measured.below,
    low: measuredCell(cellOf("low"), decimal).value ?? readNumber(from, decimal),
    high: measuredCell(cellOf("high"), decimal).value ?? readNumber(to, decimal),
    unit: unit || null,
  };
}
