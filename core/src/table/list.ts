import { DomainError } from "../working/domain-error.ts";
import { measuredCell, type MeasuredCell } from "./cell.ts";
import { instantsOf } from "../time/local-time.ts";
import { kindsOf, lacksOf, readColumns, type ChosenColumn, type ReadColumn } from "./columns.ts";
import { conversionOf, type Conversion } from "./quantity.ts";
import { layOut, type Declaration, type NotDataReason } from "./shape.ts";
import type { DecimalMark } from "./number.ts";
import { asTable, bookOf, type Source, type Table, type TableRecord } from "./read-table.ts";
import { dateOrder, readHour, readTime, withHourOf, type DateOrder, type TimeReading } from "./time-text.ts";
import { matchZone } from "./zone-name.ts";

/** What a person may settle before the import; what is left out is guessed, and the guess is told. */
export interface ListChoices {
  /** names of the site's zones */
  readonly zones: readonly string[];
  /** IANA name of the zone of the file's clock */
  readonly timeZone: string;
  readonly dateOrder?: DateOrder | undefined;
  readonly decimal?: DecimalMark | undefined;
  readonly columns?: readonly ChosenColumn[] | undefined;
  /** the zone of all rows, where no column names one */
  readonly zone?: string | undefined;
  /** of rows that tell no time of day, `HH:MM`; noon where left out */
  readonly hour?: string | undefined;
  /** the site's date: no row is from after it */
  readonly today?: string | undefined;
}

type ListRejection =
  | "bad-time"
  | "time-does-not-exist"
  | "duplicate"
  | "conflict"
  | "field-count"
  | "unknown-zone"
  | "ambiguous-zone"
  | "no-amount"
  | "no-name"
  | "no-analysis"
  | "empty";

interface ListFlag {
  readonly code:
    | "impossible"
    | "zone-guessed"
    | "unit-unknown"
    | "unreadable"
    | "ec-unit-guessed"
    | "ec-ph-swapped"
    | "drain-over-feed"
    | "scale-slip"
    | "spreadsheet-date"
    | "label-does-not-add-up"
    | "label-over-100";
  /** of the value; empty when the row as a whole is meant */
  readonly kind: string;
  readonly raw: string;
  /** what was likely meant, by field; nothing is mended until somebody agrees */
  readonly offer?: Readonly<Record<string, number | readonly number[]>>;
  /** what was taken in place of it, in words */
  readonly taken?: string;
}

export interface ListRow<V> {
  readonly line: number;
  readonly values: V;
  readonly flags: readonly ListFlag[];
}

export interface ListTable<K extends string, V> {
  readonly dialect: Pick<Table, "encoding" | "lineEnd" | "delimiter" | "decimal" | "decimalAssumed"> & {
    readonly dateOrder: DateOrder;
    readonly dateOrderAssumed: boolean;
    /** nothing in the file tells a time of day: all of it counts as of one hour */
    readonly untimed: boolean;
  };
  readonly columns: readonly (ReadColumn<K> & { readonly examples: readonly string[] })[];
  /** what a column of this list may mean, and in what units */
  /** of a workbook, the sheets that it has, and the one that was read */
  readonly book: { readonly sheets: readonly string[]; readonly sheet: string } | null;
  /** what no column is taken for, though the table should have one of each */
  readonly lacks: readonly (readonly string[])[];
  readonly kinds: readonly { readonly kind: K; readonly units: readonly string[] }[];
  readonly preamble: readonly string[];
  readonly counts: Readonly<
    Record<"physicalLines" | "dataRows" | "accepted" | "flagged" | "rejected" | "notData", number>
  >;
  readonly notData: readonly { readonly line: number; readonly reason: NotDataReason }[];
  readonly rejected: readonly { readonly line: number; readonly reason: ListRejection; readonly detail: string }[];
  readonly rows: readonly ListRow<V>[];
}

/** Thrown by a judge: nothing of the row is stored. */
export class RowRejected extends Error {
  constructor(
    readonly reason: ListRejection,
    readonly detail: string,
  ) {
    super(detail);
  }
}

/** One row of a list, by what its columns mean. */
export class ListCells<K extends string> {
  readonly flags: ListFlag[] = [];
  private readonly measured = new Map<K, MeasuredCell>();
  constructor(
    private readonly record: TableRecord,
    private readonly file: ListFile<K>,
  ) {}

  get line(): number {
    return this.record.line;
  }

  has(kind: K): boolean {
    return this.file.columns.some((column) => column.kind === kind);
  }

  header(kind: K): string {
    return this.file.columns.find((column) => column.kind === kind)?.header ?? "";
  }

  text(kind: K): string {
    const column = this.file.columns.find((candidate) => candidate.kind === kind);
    return column ? (this.record.cells[column.column - 1] ?? "") : "";
  }

  cell(kind: K): MeasuredCell {
    const known = this.measured.get(kind);
    if (known) return known;
    const cell = measuredCell(this.text(kind), this.file.decimal);
    this.measured.set(kind, cell);
    return cell;
  }

  /** The unit that holds for a cell: its own, or else the column's. Null for one that the kind does not have. */
  unit(kind: K): string | null {
    const typed = this.cell(kind).unit;
    return typed === "" ? this.columnUnit(kind) || null : (this.conversion(kind, typed)?.unit ?? null);
  }

  columnUnit(kind: K): string {
    return this.file.columns.find((column) => column.kind === kind)?.unit ?? "";
  }

  /** In what a cell's amount is counted, where its unit says so: P₂O₅ of "mg P₂O₅/100 g". */
  basis(kind: K): string | null {
    const unit = this.cell(kind).unit || this.columnUnit(kind);
    return unit === "" ? null : (this.conversion(kind, unit)?.basis ?? null);
  }

  private conversion(kind: K, unit: string): Conversion | null {
    const { quantity } = this.file.declaration.meanings[kind];
    return quantity ? conversionOf(quantity, unit) : null;
  }

  /** Canonical value of a cell, by its unit; null when it is empty, below detection, or no number in a known unit. */
  value(kind: K): number | null {
    const cell = this.cell(kind);
    if (cell.kind === "unreadable") this.setAside(kind, "unreadable");
    if (cell.kind !== "number" || cell.value === null) return null;
    if (!this.file.declaration.meanings[kind].quantity) return cell.value;
    const unit = cell.unit === "" ? this.columnUnit(kind) : cell.unit;
    const value = this.inUnit(kind, cell.value, unit);
    if (value === null) this.setAside(kind, "unit-unknown");
    return value;
  }

  /** Canonical amount; null for what is no unit of the kind. */
  inUnit(kind: K, value: number, unit: string | null): number | null {
    const { quantity } = this.file.declaration.meanings[kind];
    if (!quantity) return value;
    const conversion = unit === null || unit === "" ? null : conversionOf(quantity, unit);
    return conversion ? value * conversion.factor + conversion.offset : null;
  }

  /** One value that cannot be told does not take its row with it. */
  private setAside(kind: K, code: "unreadable" | "unit-unknown"): void {
    if (!this.flags.some((flag) => flag.code === code && flag.kind === kind))
      this.flags.push({ code, kind, raw: this.text(kind) });
  }

  /** A value inside its span; one outside is set aside, and a lost decimal mark offered where that explains it. */
  within(kind: K, field: string, least: number, most: number): number | null {
    const value = this.value(kind);
    if (value === null || (value >= least && value <= most)) return value;
    const tenth = value / 10;
    const isLostMark = !/[.,]/.test(this.text(kind)) && tenth >= least && tenth <= most;
    this.flags.push({
      code: "impossible",
      kind,
      raw: this.text(kind),
      ...(isLostMark && { offer: { [field]: tenth } }),
    });
    return null;
  }

  /** @throws {RowRejected} when no zone, or more than one, has the name */
  zone(kind: K): string {
    const { zone: chosen, zones } = this.file.choices;
    if (!this.has(kind)) {
      const told = this.file.told[kind];
      const match = told === undefined || chosen !== undefined ? null : matchZone(told, zones);
      const only = chosen ?? (match && "zone" in match ? match.zone : zones.length === 1 ? zones[0] : undefined);
      if (only === undefined) throw new RowRejected("unknown-zone", "no column names the zone; choose it");
      return only;
    }
    const text = this.text(kind);
    const match = matchZone(text, zones);
    if (match.status === "unknown") throw new RowRejected("unknown-zone", text || "no place given");
    if (match.status === "ambiguous") throw new RowRejected("ambiguous-zone", `${text}: two zones are equally near`);
    if (match.status === "guessed") this.flags.push({ code: "zone-guessed", kind, raw: text, taken: match.zone });
    return match.zone;
  }

  /** The row's date, or the one above; `YYYY-MM-DD`. @throws {RowRejected} */
  date(): string {
    const text = this.file.dateOf(this.record);
    const reading = readTime(text, this.file.order);
    if (reading.status === "instant") return new Date(reading.instantMs).toISOString().slice(0, 10);
    if (reading.status !== "clock") throw new RowRejected("bad-time", text || "no date");
    const { year, month, day } = reading.time;
    return `${year}-${String(month).padStart(2, "0")}-${String(day).padStart(2, "0")}`;
  }

  /** Instants at which the place's clock showed the row's time, two in the hour that is repeated. @throws {RowRejected} */
  instants(time: K, stamp: K): readonly number[] {
    const day = this.has(stamp) ? this.text(stamp) : this.file.dateOf(this.record);
    const reading = this.has(time) ? withHour(day, this.text(time), this.file.order) : readTime(day, this.file.order);
    if (reading.status === "instant") return [reading.instantMs];
    // A list that tells no times at all is read as of noon, and says so.
    const isUntimed = !this.has(time) && reading.status === "clock" && !this.file.tellsHours;
    if (reading.status !== "clock" || (!reading.hasHour && !isUntimed)) {
      const isDate = readTime(day, this.file.order).status === "clock";
      throw new RowRejected("bad-time", isDate && this.has(time) ? this.text(time) || "no time" : day || "no date");
    }
    const clock = isUntimed ? { ...reading.time, ...noonOr(this.file.choices.hour) } : reading.time;
    const found = instantsOf(clock, this.file.choices.timeZone);
    if (found.length === 0)
      throw new RowRejected(
        "time-does-not-exist",
        `${day} ${this.has(time) ? this.text(time) : ""}`.trim() + ": the clocks skip this hour",
      );
    return found;
  }
}

/** The hour of lists that tell none. */
function noonOr(hour: string | undefined): { hour: number; minute: number } {
  const read = hour === undefined ? null : readHour(hour);
  const minutes = read === null || read === "impossible" ? NOON_MIN : read.minutes;
  return { hour: Math.floor(minutes / 60) % 24, minute: minutes % 60 };
}
const NOON_MIN = 720;

/** A day, and its time in a column of its own. */
function withHour(day: string, hour: string, order: DateOrder): TimeReading {
  const reading = readTime(day, order);
  if (reading.status !== "clock" || reading.hasHour) return reading;
  const read = readHour(hour);
  if (read === null) return { status: "unreadable" };
  if (read === "impossible") return { status: "impossible" };
  const { year, month, day: of } = reading.time;
  const pad = (value: number): string => String(value).padStart(2, "0");
  return readTime(withHourOf(`${year}-${pad(month)}-${pad(of)}`, hour), "ymd");
}

class ListFile<K extends string> {
  private readonly dates = new Map<TableRecord, string>();
  constructor(
    readonly declaration: Declaration<K>,
    readonly choices: ListChoices,
    readonly columns: readonly ReadColumn<K>[],
    readonly decimal: DecimalMark,
    readonly order: DateOrder,
    rows: readonly TableRecord[],
    dateColumn: number | undefined,
    dateKinds: readonly K[],
    /** what stands above the table for all of it */
    readonly told: Readonly<Partial<Record<K, string>>>,
  ) {
    const onTop = dateKinds.map((kind) => told[kind]).find((text) => text !== undefined);
    if (dateColumn === undefined) {
      if (onTop !== undefined) for (const row of rows) this.dates.set(row, onTop);
      return;
    }
    let above = "";
    for (const row of rows) {
      const cell = row.cells[dateColumn - 1] ?? "";
      if (cell !== "" && !/^(ditto|"|''|〃)$/i.test(cell)) above = cell;
      this.dates.set(row, above);
    }
  }

  /** Whether any row tells a time of day. */
  get tellsHours(): boolean {
    this.hours ??= [...this.dates.values()].some((text) => {
      const reading = readTime(text, this.order);
      return "hasHour" in reading && reading.hasHour;
    });
    return this.hours;
  }
  private hours: boolean | undefined;

  dateOf(record: TableRecord): string {
    return this.dates.get(record) ?? "";
  }
}

/**
 * Reads a list that people keep: notebook, tests, shelf, picks. Nothing is mended in silence, and of every line is told
 * what became of it.
 *
 * @param dateKind the column that holds the date, where the list has one
 * @param judge the values of a row; throws {@link RowRejected}
 * @param review looks at all rows together, and may flag what only the others show
 * @throws {DomainError} when there is no such list in the file
 */
export function readList<K extends string, V extends object>(
  source: Source,
  declaration: Declaration<K>,
  choices: ListChoices,
  { what, dateKinds, judge, review }: ListReading<K, V>,
): ListTable<K, V> {
  const table = asTable(source, choices.decimal);
  const layout = layOut(table, declaration);
  if (!layout) throw new DomainError({ code: "not-possible", path: "file", message: what });
  const columns = readColumns(layout, declaration, table.decimal, choices.columns);
  const dateColumn = columns.find(({ kind }) => (dateKinds as readonly string[]).includes(kind))?.column;
  const texts = dateColumn === undefined ? [] : layout.dataRows.map(({ cells }) => cells[dateColumn - 1] ?? "");
  const found = choices.dateOrder ?? dateOrder(texts, choices.today);
  const order = found === "ambiguous" ? "dmy" : found;
  const file = new ListFile(
    declaration,
    choices,
    columns,
    table.decimal,
    order,
    layout.dataRows,
    dateColumn,
    dateKinds,
    layout.told,
  );
  const timed = declaration.times?.time !== undefined;
  const rejected: { line: number; reason: ListRejection; detail: string }[] = [];
  const rows: ListRow<V>[] = [];
  const seen = new Set<string>();
  for (const record of layout.dataRows) {
    const cells = new ListCells(record, file);
    try {
      if (record.cells.length !== columns.length)
        throw new RowRejected("field-count", `${record.cells.length} cells where the header has ${columns.length}`);
      const values = judge(cells, { layout, rows });
      const key = JSON.stringify(values);
      if (seen.has(key)) throw new RowRejected("duplicate", "the row stands in the file twice");
      seen.add(key);
      rows.push({ line: record.line, values, flags: cells.flags });
    } catch (thrown) {
      if (!(thrown instanceof RowRejected)) throw thrown;
      rejected.push({ line: record.line, reason: thrown.reason, detail: thrown.detail });
    }
  }
  const reviewed = review ? review(rows) : rows;
  const flagged = reviewed.filter(({ flags }) => flags.length > 0).length;
  return {
    dialect: {
      encoding: table.encoding,
      lineEnd: table.lineEnd,
      delimiter: table.delimiter,
      decimal: table.decimal,
      decimalAssumed: table.decimalAssumed,
      dateOrder: order,
      dateOrderAssumed: found === "ambiguous" && texts.length > 0,
      untimed: timed && !file.tellsHours && !columns.some(({ kind }) => kind === declaration.times?.time),
    },
    columns: columns.map((column) => ({
      ...column,
      examples: layout.dataRows
        .map(({ cells }) => cells[column.column - 1] ?? "")
        .filter((cell) => cell !== "")
        .slice(0, 3),
    })),
    book: bookOf(table),
    lacks: lacksOf(columns, declaration, layout.told),
    kinds: kindsOf(declaration),
    preamble: layout.preamble,
    counts: {
      physicalLines: table.physicalLines,
      dataRows: layout.dataRows.length,
      accepted: reviewed.length - flagged,
      flagged,
      rejected: rejected.length,
      notData: layout.notData.length,
    },
    notData: layout.notData,
    rejected,
    rows: reviewed,
  };
}

interface ListReading<K extends string, V> {
  /** what to say when the file holds no such list */
  readonly what: string;
  readonly dateKinds: readonly K[];
  judge(
    cells: ListCells<K>,
    before: { readonly layout: { preamble: readonly string[] }; readonly rows: readonly ListRow<V>[] },
  ): V;
  review?(rows: readonly ListRow<V>[]): readonly ListRow<V>[];
}
