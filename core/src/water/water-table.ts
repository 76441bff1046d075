import { isTrace, type Ion, type Ions } from "../chemistry/ions.ts";
import { measuredCell } from "../table/cell.ts";
import type { DecimalMark } from "../table/number.ts";
import { conversionOf } from "../table/quantity.ts";
import type { ReadColumn } from "../table/columns.ts";
import type { Source, Table, TableRecord } from "../table/read-table.ts";
import type { Layout } from "../table/shape.ts";
import { Sheet, type Dialect, type SheetChoices, type SheetTold } from "../table/sheet.ts";
import { dayIn } from "../table/time-text.ts";
import { unitsIn } from "../table/unit-text.ts";
import { checkReport, type ReportCheck } from "./report-check.ts";
import { analyteOf, countedIn, WATER_DECLARATION, type Analyte, type WaterColumn } from "./water-meanings.ts";

export interface BelowDetection {
  readonly analyte: Analyte;
  /** as the laboratory wrote it */
  readonly text: string;
  /** in the unit; both are null where the file names no limit, or in a unit that is not understood */
  readonly limit: number | null;
  readonly unit: "mmol/L" | "µmol/L" | "mS/cm" | null;
}

type SetAside = "unreadable" | "range" | "struck" | "several" | "above" | "unit-unknown";

/** One sample of one water, in the units of recipes. */
export interface WaterSample {
  readonly source: string;
  /** null where the file does not say: it is asked for */
  readonly takenOn: string | null;
  /** first and last line in the file */
  readonly lines: readonly [number, number];
  readonly ph: number | null;
  readonly ecMsCm: number | null;
  /** mmol/L, µmol/L for trace elements; what is below detection is left out, and half of its limit counts */
  readonly ions: Ions;
  readonly belowDetection: readonly BelowDetection[];
  readonly notTested: readonly Analyte[];
  /** what stands there and is no single figure in a unit that is understood: it waits */
  readonly setAside: readonly { readonly analyte: Analyte; readonly text: string; readonly why: SetAside }[];
  /** by what each was found, where the file says so */
  readonly methods: Readonly<Partial<Record<Analyte, string>>>;
  readonly hardnessMmolL: number | null;
  readonly check: ReportCheck | null;
}

/** What a person may settle before the import; what is left out is guessed, and the guess is told. */
interface WaterChoices extends SheetChoices {
  /** of all samples, where the file does not say */
  readonly takenOn?: string | undefined;
  readonly source?: string | undefined;
}

export interface WaterTable
  extends SheetTold<WaterColumn>, Pick<Dialect, "dateOrder" | "dateOrderAssumed" | "decimal" | "decimalAssumed"> {
  readonly lies: Layout<WaterColumn>["lies"];
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

type Rejected = WaterTable["rejected"][number];

/**
 * Reads a laboratory's file of water reports, a sample a row or an analyte a row, in any usual unit. Nothing is mended;
 * a slip of ten is offered where charge and conductivity agree on it.
 *
 * @throws {DomainError} when there is no table of figures in it
 */
export function readWaterTable(source: Source, choices: WaterChoices = {}): WaterTable {
  const { takenOn: saidDay, source: saidName } = choices;
  const said = { ...(saidDay !== undefined && { date: saidDay }), ...(saidName !== undefined && { sample: saidName }) };
  const sheet = new Sheet(
    source,
    WATER_DECLARATION,
    { ...choices, said },
    "No water report was found. The file needs at least three of calcium, magnesium, sodium, potassium, nitrate, chloride, sulphate or bicarbonate, below or beside each other.",
  );
  const { layout, columns, table } = sheet;
  const dateText = (record: TableRecord): string => sheet.text(record, "date");
  const { dateOrder: order, dateOrderAssumed } = sheet.dialect(layout.dataRows.map(dateText));
  const linesOf = ({ line, turned }: TableRecord): readonly number[] =>
    turned
      ? columns.flatMap(({ kind, column }) => (analyteOf(kind) === null ? [] : (turned.lines[column - 1] ?? [])))
      : [line];
  const dataLines = new Set(layout.dataRows.flatMap(linesOf));
  const samples: WaterSample[] = [];
  const rejected: Rejected[] = [];
  const seen = new Map<string, number>();
  const rejectAll = (record: TableRecord, reason: Rejected["reason"], detail: string): void => {
    for (const line of linesOf(record)) rejected.push({ line, reason, detail });
  };
  for (const record of layout.dataRows) {
    const text = record.cells.join("\t");
    const before = seen.get(text);
    const takenOn = dayIn(dateText(record), order);
    if (!record.turned && record.cells.length !== layout.columns.length)
      rejectAll(record, "field-count", `${record.cells.length} cells where the header has ${layout.columns.length}`);
    else if (takenOn === null && dateText(record) !== "") rejectAll(record, "bad-time", dateText(record));
    else if (before !== undefined) rejectAll(record, "duplicate", `stands in line ${before} already`);
    else {
      const lines = linesOf(record);
      const span: [number, number] = [lines[0] ?? 1, lines.at(-1) ?? 1];
      seen.set(text, span[0]);
      const source = sheet.text(record, "sample") || headOfTurned(record, layout, table.decimal);
      samples.push(sampleOf(source, takenOn, span, columns, record, table.decimal));
    }
  }
  const dataRows = dataLines.size;
  const flagged = layout.lies === "across" ? 0 : samples.filter(isFlagged).length;
  const notData = layout.lies === "across" ? otherLines(table, dataLines) : layout.notData;
  return {
    ...sheet.told(),
    lies: layout.lies,
    dateOrder: order,
    decimal: table.decimal,
    decimalAssumed: table.decimalAssumed,
    dateOrderAssumed,
    counts: {
      physicalLines: table.physicalLines,
      dataRows,
      accepted: Math.max(0, dataRows - flagged - rejected.length),
      flagged,
      rejected: rejected.length,
      notData: notData.length,
    },
    notData,
    rejected,
    samples,
  };
}

/** A table that lies across is told by its own lines: what those are that hold no figures. */
function otherLines({ records }: Table, data: ReadonlySet<number>): readonly { line: number; reason: string }[] {
  const first = Math.min(...data);
  return records
    .filter(({ line }) => !data.has(line))
    .map(({ line, cells }) => ({
      line,
      reason: cells.every((cell) => cell === "")
        ? "blank"
        : line === first - 1
          ? "header"
          : line < first
            ? "preamble"
            : "comment",
    }));
}

/** Samples that stand beside each other are named at their heads. */
function headOfTurned({ turned }: TableRecord, { dataRows }: Layout<WaterColumn>, decimal: DecimalMark): string {
  return turned && dataRows.length > 1 && measuredCell(turned.head, decimal).value === null ? turned.head : "";
}

function sampleOf(
  source: string,
  takenOn: string | null,
  lines: [number, number],
  columns: readonly ReadColumn<WaterColumn>[],
  record: TableRecord,
  decimal: DecimalMark,
): WaterSample {
  const ions: Partial<Record<Ion, number>> = {};
  const belowDetection: BelowDetection[] = [];
  const notTested: Analyte[] = [];
  const setAside: WaterSample["setAside"][number][] = [];
  const beside: Partial<Record<Analyte, number>> = {};
  const methods: Partial<Record<Analyte, string>> = {};
  for (const { kind, unit, column, method } of columns) {
    const analyte = analyteOf(kind);
    if (analyte === null || kind === "ignore") continue;
    if (method !== "") methods[analyte] ??= method;
    const text = record.cells[column - 1] ?? "";
    const cell = measuredCell(text, decimal);
    if (cell.kind === "empty") {
      if (text !== "") notTested.push(analyte);
      continue;
    }
    const amount = cell.value === null ? null : amountIn(kind, cell.value, cell.unit || unit);
    if (cell.kind === "below")
      belowDetection.push({ analyte, text, limit: amount, unit: amount === null ? null : unitOf(analyte) });
    else if (cell.kind !== "number" || amount === null)
      setAside.push({ analyte, text, why: cell.kind === "number" ? "unit-unknown" : cell.kind });
    else if (analyte === "ph" || analyte === "ec" || analyte === "hardness") beside[analyte] ??= amount;
    // Of two columns of one ion, as nitrate by itself and as N, the first stands.
    else ions[analyte] ??= amount;
  }
  const [ph, ec] = [beside.ph ?? null, beside.ec ?? null];
  const counted = withHalfLimits(ions, belowDetection);
  return {
    ...{ source, takenOn, lines, ph, ecMsCm: ec, ions, belowDetection, notTested, setAside, methods },
    hardnessMmolL: beside.hardness ?? null,
    check: Object.keys(ions).some((ion) => !isTrace(ion as Ion)) ? checkReport(counted, ph ?? 7, ec) : null,
  };
}

/** Ions as they count in sums: half of its limit stands for what lay below it. */
export function withHalfLimits(ions: Ions, below: readonly Pick<BelowDetection, "analyte" | "limit">[]): Ions {
  const halves = below.flatMap(({ analyte, limit }) =>
    isIon(analyte) && limit !== null ? [[analyte, limit / 2]] : [],
  );
  return { ...(Object.fromEntries(halves) as Ions), ...ions };
}

function isIon(analyte: Analyte): analyte is Ion {
  return analyte !== "ph" && analyte !== "ec" && analyte !== "hardness";
}

function unitOf(analyte: Analyte): BelowDetection["unit"] {
  if (!isIon(analyte)) return analyte === "ec" ? "mS/cm" : analyte === "hardness" ? "mmol/L" : null;
  return isTrace(analyte) ? "µmol/L" : "mmol/L";
}

/** mmol/L, µmol/L, mS/cm; null where the unit is not understood, or counts in what the ion has none of. */
function amountIn(kind: WaterColumn, value: number, unit: string): number | null {
  const { quantity } = WATER_DECLARATION.meanings[kind];
  if (!quantity) return value;
  const conversion = unit === "" ? null : conversionOf(quantity, unit);
  if (!conversion) return null;
  // A mole or an equivalent is one of the ion, whatever is written beside it.
  const isMass = unitsIn(unit).some(({ dimension }) => dimension === "" || dimension.includes("kg"));
  const counted = conversion.basis === null || !isMass ? 1 : countedIn(kind, conversion.basis);
  return counted === null ? null : value * conversion.factor * counted;
}

function isFlagged({ check, setAside }: WaterSample): boolean {
  return (check !== null && check.verdict !== "good") || setAside.length > 0;
}
