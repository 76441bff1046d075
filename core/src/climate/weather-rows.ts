import { measuredCell } from "../table/cell.ts";
import type { DecimalMark } from "../table/number.ts";
import { conversionOf } from "../table/quantity.ts";
import { instantsOf } from "../time/local-time.ts";
import type { TableRecord } from "../table/read-table.ts";
import { readTime, type DateOrder } from "../table/time-text.ts";
import { KIND_RULES, WEATHER_KINDS, type WeatherColumn, type WeatherKind } from "./weather-columns.ts";

type WeatherValues = Readonly<Record<WeatherKind, number | null>>;

export interface WeatherRow {
  readonly line: number;
  readonly stampMs: number;
  readonly hourStartMs: number;
  /** canonical units; null is not measured or set aside */
  readonly values: WeatherValues;
  /** kept as read, but not to be trusted */
  readonly doubtful: readonly WeatherKind[];
}

type RejectionReason =
  "bad-time" | "time-does-not-exist" | "off-the-hour" | "duplicate" | "conflict" | "field-count" | "empty";

export interface RejectedRow {
  readonly line: number;
  readonly reason: RejectionReason;
  readonly detail: string;
}

interface Flag {
  readonly code: "missing" | "impossible" | "stuck";
  readonly kind: WeatherKind;
  readonly raw: string;
}

export interface FlaggedRow {
  readonly line: number;
  readonly flags: readonly Flag[];
}

interface RowDialect {
  readonly decimal: DecimalMark;
  readonly dateOrder: DateOrder;
  readonly stampMarks: "start" | "end";
  readonly timeZone: string;
}

export interface Judged {
  /** lines of the file of which something is kept */
  readonly kept: number;
  readonly rows: readonly WeatherRow[];
  readonly rejected: readonly RejectedRow[];
  readonly flagged: readonly FlaggedRow[];
}

const HOUR_MS = 3_600_000;
/** A sensor that shows one value to the last digit for so many hours has stopped. */
const STUCK_HOURS = 12;

const NONE: readonly WeatherKind[] = [];

type Stored = Omit<WeatherRow, "doubtful"> & {
  readonly raw: Readonly<Record<WeatherKind, string>>;
  readonly flags: Flag[];
};

/** Judges every data row on its own and against those before it. */
export function judgeRows(
  records: readonly TableRecord[],
  width: number,
  columns: readonly WeatherColumn[],
  /** what says the time of each row */
  stamps: readonly string[],
  dialect: RowDialect,
): Judged {
  const stored = new Map<number, Stored>();
  const rejected: RejectedRow[] = [];
  const forward = runsForward(stamps, dialect.dateOrder);
  const ofKind = WEATHER_KINDS.map((kind) => ({ kind, all: columns.filter((column) => column.kind === kind) }));
  for (const [at, record] of records.entries()) {
    const { line } = record;
    const reject = (reason: RejectionReason, detail: string): void => void rejected.push({ line, reason, detail });
    if (record.cells.length !== width) {
      reject("field-count", `${record.cells.length} cells where the header has ${width}`);
      continue;
    }
    const text = stamps[at] ?? "";
    const reading = readTime(text, dialect.dateOrder);
    if (reading.status === "impossible" || reading.status === "unreadable") {
      reject("bad-time", text);
      continue;
    }
    const instants = reading.status === "instant" ? [reading.instantMs] : instantsOf(reading.time, dialect.timeZone);
    if (instants.length === 0) {
      reject("time-does-not-exist", `${text}: the clocks skip this hour`);
      continue;
    }
    const { values, raw, flags } = readValues(record, ofKind, dialect.decimal);
    if (WEATHER_KINDS.every((kind) => values[kind] === null) && flags.every((flag) => flag.code === "missing")) {
      reject("empty", "no value in the row");
      continue;
    }
    // In the repeated hour the first free instant in the file's own direction is meant.
    const inOrder = forward ? instants : [...instants].reverse();
    const stampMs = inOrder.find((instant) => !stored.has(instant));
    if (stampMs === undefined) {
      const earlier = stored.get(inOrder[0] ?? NaN);
      const other = WEATHER_KINDS.filter((kind) => earlier?.raw[kind] !== raw[kind]);
      if (other.length === 0) reject("duplicate", `stands in line ${earlier?.line} already`);
      else
        reject("conflict", `line ${earlier?.line} has the same time and another ${other.join(", ")}; the first stays`);
      continue;
    }
    stored.set(stampMs, {
      line,
      stampMs,
      hourStartMs: hourOf(stampMs, dialect.stampMarks),
      values,
      raw,
      flags,
    });
  }
  const inTime = [...stored.values()].sort((a, b) => a.stampMs - b.stampMs);
  flagStuck(inTime, "humidity");
  flagStuck(inTime, "airTemperature");
  return {
    kept: inTime.length,
    rows: inTime.map(({ line, stampMs, hourStartMs, values, flags }) => ({
      line,
      stampMs,
      hourStartMs,
      values,
      doubtful: flags.length === 0 ? NONE : flags.filter(({ code }) => code === "stuck").map(({ kind }) => kind),
    })),
    rejected,
    flagged: inTime
      .filter((row) => row.flags.length > 0)
      .map(({ line, flags }) => ({ line, flags }))
      .sort((a, b) => a.line - b.line),
  };
}

/** The hour that a row belongs to: one that begins with its stamp, ends with it, or holds it. */
function hourOf(stampMs: number, marks: "start" | "end"): number {
  return marks === "start" ? Math.floor(stampMs / HOUR_MS) * HOUR_MS : (Math.ceil(stampMs / HOUR_MS) - 1) * HOUR_MS;
}

function readValues(
  record: TableRecord,
  ofKind: readonly { readonly kind: WeatherKind; readonly all: readonly WeatherColumn[] }[],
  decimal: DecimalMark,
): Pick<Stored, "values" | "raw" | "flags"> {
  const values: Record<WeatherKind, number | null> = {
    airTemperature: null,
    humidity: null,
    wind: null,
    radiation: null,
    rain: null,
  };
  const raw: Record<WeatherKind, string> = { airTemperature: "", humidity: "", wind: "", radiation: "", rain: "" };
  const flags: Flag[] = [];
  for (const { kind, all } of ofKind) {
    // Where a station's program was changed, a value may stand in another column from then on.
    const column = all.find((candidate) => (record.cells[candidate.column - 1] ?? "") !== "") ?? all[0];
    if (!column) continue;
    const cell = record.cells[column.column - 1] ?? "";
    raw[kind] = cell;
    const { quantity, least, most } = KIND_RULES[kind];
    const { value: number, unit } = measuredCell(cell, decimal);
    const conversion = conversionOf(quantity, unit || column.unit);
    const value = number === null || !conversion ? null : number * conversion.factor + conversion.offset;
    if (value === null) flags.push({ code: "missing", kind, raw: cell });
    else if (!(value >= least - 1e-9 && value <= most + 1e-9)) flags.push({ code: "impossible", kind, raw: cell });
    // From −20 to 0 W/m² it is the offset of a sensor in the dark.
    else values[kind] = kind === "radiation" ? Math.max(0, value) : value;
  }
  return { values, raw, flags };
}

/** So many rows show which way a file runs. */
const SEEN_ROWS = 2000;

/** Whether times rise more often than they fall from row to row. */
function runsForward(stamps: readonly string[], order: DateOrder): boolean {
  let steps = 0;
  let before: number | undefined;
  for (const stamp of stamps.slice(0, SEEN_ROWS)) {
    const reading = readTime(stamp, order);
    if (reading.status !== "clock") continue;
    const { year, month, day, hour, minute } = reading.time;
    const now = Date.UTC(year, month - 1, day, hour, minute);
    if (before !== undefined) steps += Math.sign(now - before);
    before = now;
  }
  return steps >= 0;
}

/** Marks runs of one same reading; hours between that were not read do not end a run, another reading does. */
function flagStuck(rows: readonly Stored[], kind: WeatherKind): void {
  const read = rows.filter((row) => row.values[kind] !== null);
  let start = 0;
  for (let at = 1; at <= read.length; at++) {
    if (at < read.length && read[at]?.raw[kind] === read[start]?.raw[kind]) continue;
    if (at - start >= STUCK_HOURS)
      for (const row of read.slice(start, at)) row.flags.push({ code: "stuck", kind, raw: row.raw[kind] });
    start = at;
  }
}
