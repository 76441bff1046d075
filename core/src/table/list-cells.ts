import { instantsOf } from "../time/local-time.ts";
import { measuredCell, type MeasuredCell } from "./cell.ts";
import type { ReadColumn } from "./columns.ts";
import type { ListFile } from "./list-file.ts";
import type { DecimalMark } from "./number.ts";
import { conversionOf, type Conversion } from "./quantity.ts";
import type { TableRecord } from "./read-table.ts";
import { dayIn, readHour, readTime, withHourOf, type DateOrder, type TimeReading } from "./time-text.ts";
import { matchZone } from "./zone-name.ts";

export type ListRejection =
  | "bad-time"
  | "time-does-not-exist"
  | "duplicate"
  | "conflict"
  | "field-count"
  | "unknown-zone"
  | "ambiguous-zone"
  | "no-amount"
  | "crate-weight"
  | "no-name"
  | "no-analysis"
  | "empty";

export interface ListFlag {
  readonly code:
    | "impossible"
    | "zone-guessed"
    | "unit-unknown"
    | "unreadable"
    | "range"
    | "struck"
    | "several"
    | "above"
    | "below-limit"
    | "ec-unit-guessed"
    | "ec-ph-swapped"
    | "drain-over-feed"
    | "scale-slip"
    | "spreadsheet-date"
    | "depth-needed"
    | "depth-from-end"
    | "by-depth"
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

/** What a row is said to name that names nothing: somebody can say of these, too, where they are from. */
const NO_PLACE = "no place given";

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

  get decimal(): DecimalMark {
    return this.file.sheet.table.decimal;
  }

  has(kind: K): boolean {
    return this.file.sheet.column(kind) !== undefined;
  }

  private column(kind: K): ReadColumn<K> | undefined {
    return this.file.sheet.columnOf(this.record, kind);
  }

  header(kind: K): string {
    return this.column(kind)?.header ?? "";
  }

  text(kind: K): string {
    return this.file.sheet.text(this.record, kind);
  }

  method(kind: K): string {
    return this.column(kind)?.method ?? "";
  }

  cell(kind: K): MeasuredCell {
    const known = this.measured.get(kind);
    if (known) return known;
    const cell = measuredCell(this.text(kind), this.file.sheet.table.decimal);
    this.measured.set(kind, cell);
    return cell;
  }

  /** The unit that holds for a cell: its own, or else the column's. Null for one that the kind does not have. */
  unit(kind: K): string | null {
    const typed = this.cell(kind).unit;
    return typed === "" ? this.columnUnit(kind) || null : (this.conversion(kind, typed)?.unit ?? null);
  }

  columnUnit(kind: K): string {
    return this.column(kind)?.unit ?? "";
  }

  /** In what a cell's amount is counted, where its unit says so: P₂O₅ of "mg P₂O₅/100 g". */
  basis(kind: K): string | null {
    const unit = this.cell(kind).unit || this.columnUnit(kind);
    return unit === "" ? null : (this.conversion(kind, unit)?.basis ?? null);
  }

  private conversion(kind: K, unit: string): Conversion | null {
    const { quantity } = this.file.sheet.declaration.meanings[kind];
    return quantity ? conversionOf(quantity, unit) : null;
  }

  /**
   * Canonical value of a cell, by its unit, half of its limit for what lay below one; null when it is empty or no single number in a
   * known unit.
   *
   * @param field for which a likely value is offered
   * @param share of what the field tells in one of it
   */
  value(kind: K, field?: string, share = 1): number | null {
    const cell = this.cell(kind);
    const unit = cell.unit === "" ? this.columnUnit(kind) : this.typedUnit(kind);
    if (cell.kind === "range" || cell.kind === "struck" || cell.kind === "several") {
      const likely = cell.likely === undefined ? null : this.inUnit(kind, cell.likely * share, unit);
      this.setAside(kind, cell.kind, field !== undefined && likely !== null ? { [field]: likely } : undefined);
    }
    if (cell.kind === "unreadable" || cell.kind === "above") this.setAside(kind, cell.kind);
    if ((cell.kind !== "number" && cell.kind !== "below") || cell.value === null) return null;
    const value = this.inUnit(kind, cell.value * share, unit);
    if (value === null) this.setAside(kind, "unit-unknown");
    if (value === null || cell.kind === "number") return value;
    this.flags.push({ code: "below-limit", kind, raw: this.text(kind), taken: "half of that limit" });
    return value / 2;
  }

  /** "35 kg can": what stands behind a unit may be what holds it. */
  private typedUnit(kind: K): string {
    const { unit } = this.cell(kind);
    const [, first = ""] = /^(\S+)\s+\p{L}[\p{L}\s.-]*$/u.exec(unit) ?? [];
    return first !== "" && !this.conversion(kind, unit) && this.conversion(kind, first) ? first : unit;
  }

  /** Canonical amount; null for what is no unit of the kind. */
  inUnit(kind: K, value: number, unit: string | null): number | null {
    const { quantity } = this.file.sheet.declaration.meanings[kind];
    if (!quantity) return value;
    const conversion = unit === null || unit === "" ? null : conversionOf(quantity, unit);
    return conversion ? value * conversion.factor + conversion.offset : null;
  }

  /** One value that cannot be told does not take its row with it. */
  setAside(kind: K, code: ListFlag["code"], offer?: ListFlag["offer"]): void {
    if (!this.flags.some((flag) => flag.code === code && flag.kind === kind))
      this.flags.push({ code, kind, raw: this.text(kind), ...(offer && { offer }) });
  }

  /** A value inside its span; one outside is set aside, and a lost decimal mark offered where that explains it. */
  within(kind: K, field: string, least: number, most: number): number | null {
    const value = this.value(kind, field);
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
    const { zones, zoneNames = {} } = this.file.choices;
    const written = this.text(kind) || (this.has(kind) ? NO_PLACE : "");
    const text = Object.hasOwn(zoneNames, written) ? (zoneNames[written] ?? "") : written;
    if (!this.has(kind)) {
      // A report that lies across has what it is of over its figures.
      const head = this.record.turned?.head ?? "";
      const meant = text || (Object.hasOwn(zoneNames, head) ? (zoneNames[head] ?? "") : head);
      const match = meant === "" ? null : matchZone(meant, zones);
      const only = match && "zone" in match ? match.zone : zones.length === 1 ? zones[0] : undefined;
      if (only === undefined) throw new RowRejected("unknown-zone", head || "no column names the zone; choose it");
      return only;
    }
    const match = matchZone(text, zones);
    if (match.status === "unknown") throw new RowRejected("unknown-zone", text);
    if (match.status === "ambiguous") throw new RowRejected("ambiguous-zone", text);
    if (match.status === "guessed") this.flags.push({ code: "zone-guessed", kind, raw: text, taken: match.zone });
    return match.zone;
  }

  /** The row's date, or the one above; `YYYY-MM-DD`. @throws {RowRejected} */
  date(): string {
    const text = this.file.dateOf(this.record);
    const day = dayIn(text, this.file.order);
    if (day === null) throw new RowRejected("bad-time", text || "no date");
    return day;
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
