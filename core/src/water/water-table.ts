import { DomainError } from "../working/domain-error.ts";
import { isTrace, type Ion, type Ions } from "../chemistry/ions.ts";
import { readNumber, type DecimalMark } from "../table/number.ts";
import { readTable, type Table, type TableRecord } from "../table/read-table.ts";
import { dateOrder, readTime, type DateOrder } from "../table/time-text.ts";
import { checkReport, type ReportCheck } from "./report-check.ts";
import { measuredAs, type Analyte, type MeasuredAs } from "./water-units.ts";

/** One sample of one water, in the units of recipes. */
export interface WaterSample {
  readonly source: string;
  readonly takenOn: string;
  /** first and last line in the file */
  readonly lines: readonly [number, number];
  readonly ph: number | null;
  readonly ecMsCm: number | null;
  /** mmol/L, µmol/L for trace elements; what is below detection is left out and counts as none */
  readonly ions: Ions;
  readonly belowDetection: readonly { readonly analyte: Analyte; readonly text: string }[];
  readonly notTested: readonly Analyte[];
  readonly hardnessMmolL: number | null;
  readonly check: ReportCheck | null;
}

export interface WaterTable {
  readonly counts: Readonly<
    Record<"physicalLines" | "dataRows" | "accepted" | "flagged" | "rejected" | "notData", number>
  >;
  readonly notData: readonly { readonly line: number; readonly reason: string }[];
  readonly rejected: readonly {
    readonly line: number;
    readonly reason: "bad-time" | "duplicate" | "field-count";
    readonly detail: string;
  }[];
  readonly samples: readonly WaterSample[];
}

const DATE_LABEL = /^(date|day|taken|sampled|datum)/i;
const SOURCE_LABEL = /^(water|source|sample|name|well)\b/i;
const NOT_TESTED = /^(n\.?\s?[dtmb]\.?|not tested|-+|–)?$/i;

/**
 * Reads a laboratory's file of water reports, a sample a row or an analyte a row, in any usual unit. Nothing is mended;
 * a slip of ten is offered where charge and conductivity agree on it.
 *
 * @throws {DomainError} when no water report is in it
 */
export function readWaterTable(bytes: Uint8Array): WaterTable {
  const table = readTable(bytes);
  const headerAt = table.records.findIndex(
    ({ cells }) => cells.some((cell) => DATE_LABEL.test(cell)) && analytesIn(cells, []) >= 3,
  );
  const found = headerAt >= 0 ? sampleARow(table, headerAt) : analyteARow(table);
  if (!found || found.samples.length + found.rejected.length === 0)
    throw new DomainError({
      code: "not-possible",
      path: "file",
      message:
        "No water report was found. The file needs the date and at least three of calcium, magnesium, sodium, potassium, nitrate, chloride, sulphate or bicarbonate.",
    });
  return found;
}

function analytesIn(labels: readonly string[], units: readonly string[]): number {
  return labels.filter((label, at) => measuredAs(label, units[at] ?? "mg/L") !== null || /^(ec|ph)\b/i.test(label))
    .length;
}

interface Cell {
  readonly measured: MeasuredAs;
  readonly text: string;
}

function sampleARow(table: Table, headerAt: number): WaterTable {
  const header = table.records[headerAt]?.cells ?? [];
  const unitRow = table.records[headerAt + 1];
  const hasUnits = unitRow?.cells.some((cell) => /\/(l|cm|m)$|°/i.test(cell)) ?? false;
  const units = header.map((label, at) =>
    hasUnits ? (unitRow?.cells[at] ?? "") : (/[([]([^)\]]*)[)\]]/.exec(label)?.[1] ?? ""),
  );
  const [dateAt, sourceAt] = [
    header.findIndex((label) => DATE_LABEL.test(label)),
    header.findIndex((label) => SOURCE_LABEL.test(label)),
  ];
  const columns = header.map((label, at) =>
    at === dateAt || at === sourceAt ? null : measuredAs(label, units[at] ?? ""),
  );
  const body = table.records.slice(headerAt + 1 + (hasUnits ? 1 : 0));
  const isData = (record: TableRecord): boolean =>
    record.cells.length > 1 && record.cells.filter((cell) => cell !== "").length > 2;
  const notData = [
    ...table.records
      .slice(0, headerAt)
      .map((record) => ({ line: record.line, reason: blank(record) ? "blank" : "preamble" })),
    { line: table.records[headerAt]?.line ?? 0, reason: "header" },
    ...(hasUnits && unitRow ? [{ line: unitRow.line, reason: "units" }] : []),
    ...body
      .filter((record) => !isData(record))
      .map((record) => ({ line: record.line, reason: blank(record) ? "blank" : "comment" })),
  ];
  const rows = body.filter(isData);
  const order = orderOf(rows.map((row) => row.cells[dateAt] ?? ""));
  const samples: WaterSample[] = [];
  const rejected: WaterTable["rejected"][number][] = [];
  const seen = new Map<string, number>();
  for (const row of rows) {
    const text = row.cells.join("\t");
    const takenOn = dateOf(row.cells[dateAt] ?? "", order);
    const before = seen.get(text);
    if (row.cells.length !== header.length)
      rejected.push({
        line: row.line,
        reason: "field-count",
        detail: `${row.cells.length} cells where the header has ${header.length}`,
      });
    else if (takenOn === null) rejected.push({ line: row.line, reason: "bad-time", detail: row.cells[dateAt] ?? "" });
    else if (before !== undefined)
      rejected.push({ line: row.line, reason: "duplicate", detail: `stands in line ${before} already` });
    else {
      seen.set(text, row.line);
      const cells = columns.flatMap((measured, at) => (measured ? [{ measured, text: row.cells[at] ?? "" }] : []));
      samples.push(sampleOf(row.cells[sourceAt] ?? "", takenOn, [row.line, row.line], cells, table.decimal));
    }
  }
  return {
    counts: countsOf(table, rows.length, samples.filter(isFlagged).length, rejected.length, notData.length),
    notData,
    rejected,
    samples,
  };
}

function analyteARow(table: Table): WaterTable | null {
  const isAnalyte = ({ cells: [label = "", value = "", unit = ""] }: TableRecord): boolean =>
    measuredAs(label, unit) !== null &&
    (readNumber(value.replace(/^</, ""), table.decimal) !== null || NOT_TESTED.test(value));
  const rows = table.records.filter(isAnalyte);
  const [first, last] = [rows[0], rows.at(-1)];
  if (!first || !last || rows.length < 3) return null;
  const others = table.records.filter((record) => !rows.includes(record));
  const named = (label: RegExp): string => others.find(({ cells: [name = ""] }) => label.test(name))?.cells[1] ?? "";
  const dateText = named(DATE_LABEL);
  const takenOn = dateOf(dateText, orderOf([dateText]));
  const notData = others.map((record) => ({
    line: record.line,
    reason: blank(record)
      ? "blank"
      : record.line === first.line - 1
        ? "header"
        : record.line < first.line
          ? "preamble"
          : "comment",
  }));
  if (takenOn === null)
    return {
      counts: countsOf(table, rows.length, 0, rows.length, notData.length),
      notData,
      rejected: rows.map((row) => ({
        line: row.line,
        reason: "bad-time" as const,
        detail: dateText || "no date above the table",
      })),
      samples: [],
    };
  const cells = rows.flatMap(({ cells: [label = "", text = "", unit = ""] }) => {
    const measured = measuredAs(label, unit);
    return measured ? [{ measured, text }] : [];
  });
  const sample = sampleOf(named(SOURCE_LABEL), takenOn, [first.line, last.line], cells, table.decimal);
  return { counts: countsOf(table, rows.length, 0, 0, notData.length), notData, rejected: [], samples: [sample] };
}

function sampleOf(
  source: string,
  takenOn: string,
  lines: [number, number],
  cells: readonly Cell[],
  decimal: DecimalMark,
): WaterSample {
  const ions: Partial<Record<Ion, number>> = {};
  const belowDetection: { analyte: Analyte; text: string }[] = [];
  const notTested: Analyte[] = [];
  const beside: Partial<Record<Analyte, number>> = {};
  for (const { measured, text } of cells) {
    const { analyte, factor } = measured;
    const value = readNumber(text, decimal);
    if (text.startsWith("<")) belowDetection.push({ analyte, text });
    else if (value === null) {
      if (text !== "") notTested.push(analyte);
    } else if (analyte === "ph" || analyte === "ec" || analyte === "hardness") beside[analyte] = value * factor;
    else ions[analyte] = value * factor;
  }
  const [ph, ec] = [beside.ph ?? null, beside.ec ?? null];
  return {
    source,
    takenOn,
    lines,
    ph,
    ecMsCm: ec,
    ions,
    belowDetection,
    notTested,
    hardnessMmolL: beside.hardness ?? null,
    check: Object.keys(ions).some((ion) => !isTrace(ion as Ion)) ? checkReport(ions, ph ?? 7, ec) : null,
  };
}

function isFlagged({ check }: WaterSample): boolean {
  return check !== null && check.verdict !== "good";
}

function countsOf(
  table: Table,
  dataRows: number,
  flagged: number,
  rejected: number,
  notData: number,
): WaterTable["counts"] {
  return {
    physicalLines: table.physicalLines,
    dataRows,
    accepted: dataRows - flagged - rejected,
    flagged,
    rejected,
    notData,
  };
}

function blank({ cells }: TableRecord): boolean {
  return cells.every((cell) => cell === "");
}

function orderOf(texts: readonly string[]): DateOrder {
  const order = dateOrder(texts);
  return order === "ambiguous" ? "dmy" : order;
}

function dateOf(text: string, order: DateOrder): string | null {
  const reading = readTime(text, order);
  if (reading.status !== "clock") return null;
  const { year, month, day } = reading.time;
  return `${year}-${String(month).padStart(2, "0")}-${String(day).padStart(2, "0")}`;
}
