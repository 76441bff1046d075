import { DomainError } from "../working/domain-error.ts";
import { readTable, type Table } from "../table/read-table.ts";
import { dateOrder, type DateOrder } from "../table/time-text.ts";
import { utcOffsetMin } from "../time/local-time.ts";
import { KIND_RULES, WEATHER_KINDS, type WeatherColumn, type WeatherKind } from "./weather-columns.ts";
import { layOut, type NotDataReason, type WeatherLayout } from "./weather-layout.ts";
import { judgeRows, type FlaggedRow, type RejectedRow, type WeatherRow } from "./weather-rows.ts";

/** What a person may settle before the import; what is left out is guessed, and the guess is told. */
interface WeatherTableChoices {
  /** IANA name of the zone of the file's clock */
  readonly timeZone: string;
  readonly stampMarks?: "start" | "end" | undefined;
  readonly dateOrder?: DateOrder | undefined;
  readonly columns?: readonly Pick<WeatherColumn, "column" | "kind" | "unit">[] | undefined;
}

interface HourRange {
  /** ms since 1970, as stamped */
  readonly fromMs: number;
  readonly toMs: number;
  readonly hours: number;
}

export interface WeatherTable {
  readonly dialect: {
    readonly encoding: Table["encoding"];
    readonly lineEnd: Table["lineEnd"];
    readonly delimiter: string;
    readonly decimal: Table["decimal"];
    readonly dateOrder: DateOrder;
    readonly dateOrderAssumed: boolean;
    readonly stampMarks: "start" | "end";
    readonly stampMarksAssumed: boolean;
  };
  /** with their first cells, as they stand in the file */
  readonly columns: readonly (WeatherColumn & { readonly examples: readonly string[] })[];
  readonly preamble: readonly string[];
  readonly counts: Readonly<
    Record<"physicalLines" | "dataRows" | "accepted" | "flagged" | "rejected" | "notData", number>
  >;
  readonly notData: readonly { readonly line: number; readonly reason: NotDataReason }[];
  readonly rejected: readonly RejectedRow[];
  readonly flagged: readonly FlaggedRow[];
  /** in order of time */
  readonly rows: readonly WeatherRow[];
  readonly gaps: readonly HourRange[];
  /** instant inside the file's span at which the clock of the zone changes */
  readonly clockChangeMs: number | null;
}

const HOUR_MS = 3_600_000;
/** So many cells of a column show what it holds. */
const EXAMPLE_CELLS = 3;

/**
 * Reads a weather file of hourly rows as loggers write it, mends nothing in silence, and tells of every line what became of it.
 *
 * @param bytes the file as it is
 * @throws {DomainError} when there is no table of hourly weather in it at all
 */
export function readWeatherTable(bytes: Uint8Array, choices: WeatherTableChoices): WeatherTable {
  const table = readTable(bytes);
  const layout = layOut(table);
  if ("status" in layout)
    throw fileFault(
      "No header row was found. The file needs one row that names a time and at least one of air temperature, humidity, wind, sunlight or rain.",
    );
  const columns = chosenColumns(layout, choices);
  if (!columns.some((column) => column.kind === "time"))
    throw fileFault("No column is marked as the time. Mark the one that holds date and hour.");
  if (!columns.some((column) => isWeather(column.kind)))
    throw fileFault(
      "No column is marked as weather. Mark at least one of air temperature, humidity, wind, sunlight or rain.",
    );
  const timeColumns = columns.filter((column) => column.kind === "time").map((column) => column.column - 1);
  const stamps = layout.dataRows.map((row) => timeColumns.map((at) => row.cells[at] ?? "").join(" "));
  const order = choices.dateOrder ?? dateOrder(stamps);
  const marks = choices.stampMarks ?? guessStampMarks(layout, stamps);
  const dialect = {
    encoding: table.encoding,
    lineEnd: table.lineEnd,
    delimiter: table.delimiter,
    decimal: table.decimal,
    dateOrder: order === "ambiguous" ? ("dmy" as const) : order,
    dateOrderAssumed: order === "ambiguous",
    stampMarks: marks ?? ("start" as const),
    stampMarksAssumed: marks === undefined,
  };
  const judged = judgeRows(layout.dataRows, layout.header.length, columns, { ...dialect, timeZone: choices.timeZone });
  refuseOtherSteps(judged);
  return {
    dialect,
    columns: columns.map((column) => ({
      ...column,
      examples: layout.dataRows.slice(0, EXAMPLE_CELLS).map((row) => row.cells[column.column - 1] ?? ""),
    })),
    preamble: layout.preamble,
    counts: {
      physicalLines: table.physicalLines,
      dataRows: layout.dataRows.length,
      accepted: judged.rows.length - judged.flagged.length,
      flagged: judged.flagged.length,
      rejected: judged.rejected.length,
      notData: layout.notData.length,
    },
    notData: layout.notData,
    ...judged,
    gaps: gapsOf(judged.rows),
    clockChangeMs: clockChange(judged.rows, choices.timeZone),
  };
}

function fileFault(message: string): DomainError {
  return new DomainError({ code: "not-possible", path: "file", message });
}

function isWeather(kind: WeatherColumn["kind"]): kind is WeatherKind {
  return (WEATHER_KINDS as readonly string[]).includes(kind);
}

function chosenColumns(layout: WeatherLayout, choices: WeatherTableChoices): readonly WeatherColumn[] {
  return layout.columns.map((guess) => {
    const chosen = choices.columns?.find((column) => column.column === guess.column);
    if (!chosen) return guess;
    if (isWeather(chosen.kind) && !(chosen.unit in KIND_RULES[chosen.kind].units))
      throw new DomainError({
        code: "not-possible",
        path: `columns.${guess.column}.unit`,
        message: `"${chosen.unit}" is no unit of ${guess.header}; choose one of ${Object.keys(KIND_RULES[chosen.kind].units).join(", ")}.`,
      });
    return { column: guess.column, header: guess.header, kind: chosen.kind, unit: chosen.unit };
  });
}

/** Says itself by words on top or in the header, or by a midnight written as 24:00. */
function guessStampMarks(layout: WeatherLayout, stamps: readonly string[]): "start" | "end" | undefined {
  const words = [...layout.preamble, ...layout.header].join(" ").replaceAll("_", " ");
  if (/\b(begins?|start(s|ing)?|from)\b/i.test(words)) return "start";
  if (/\b(ends?|ending|until|till)\b/i.test(words) || stamps.some((stamp) => /\b24[:.h]00/.test(stamp))) return "end";
  return undefined;
}

function refuseOtherSteps({ rows, rejected }: Pick<WeatherTable, "rows" | "rejected">): void {
  const between = rejected.filter((row) => row.reason === "off-the-hour").length;
  if (between > rows.length)
    throw fileFault("Most rows do not stand on the full hour. Export the weather by the hour and import that.");
}

function gapsOf(rows: readonly WeatherRow[]): HourRange[] {
  return rows.slice(1).flatMap((row, at) => {
    const before = rows[at]?.stampMs ?? NaN;
    const hours = Math.round((row.stampMs - before) / HOUR_MS) - 1;
    return hours > 0 ? [{ fromMs: before + HOUR_MS, toMs: row.stampMs - HOUR_MS, hours }] : [];
  });
}

function clockChange(rows: readonly WeatherRow[], timeZone: string): number | null {
  const [first, last] = [rows[0], rows.at(-1)];
  if (!first || !last) return null;
  for (let hour = first.stampMs; hour < last.stampMs; hour += HOUR_MS)
    if (utcOffsetMin(hour, timeZone) !== utcOffsetMin(hour + HOUR_MS, timeZone)) return hour + HOUR_MS;
  return null;
}
