import type { Source } from "../table/read-table.ts";
import type { Layout, NotDataReason } from "../table/shape.ts";
import { Sheet, type Dialect, type SheetChoices, type SheetTold } from "../table/sheet.ts";
import { utcOffsetMin } from "../time/local-time.ts";
import { hourly } from "./weather-hourly.ts";
import { WEATHER_DECLARATION, type WeatherColumn, type WeatherColumnKind } from "./weather-columns.ts";
import { stampOf } from "./weather-stamp.ts";
import { judgeRows, type FlaggedRow, type RejectedRow, type WeatherRow } from "./weather-rows.ts";

/** What a person may settle before the import; what is left out is guessed, and the guess is told. */
interface WeatherTableChoices extends SheetChoices {
  /** IANA name of the zone of the site's clock: the file's, where it says no other */
  readonly siteTimeZone: string;
  /** of the file's clock, as somebody said */
  readonly timeZone?: string | undefined;
  readonly stampMarks?: "start" | "end" | undefined;
}

interface HourRange {
  /** ms since 1970, as stamped */
  readonly fromMs: number;
  readonly toMs: number;
  readonly hours: number;
}

export interface WeatherTable extends SheetTold<WeatherColumnKind> {
  readonly dialect: Dialect & {
    readonly timeZone: string;
    readonly stampMarks: "start" | "end";
    readonly stampMarksAssumed: boolean;
  };
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
/**
 * Reads a weather file of hourly rows as loggers write it, mends nothing in silence, and tells of every line what became of it.
 *
 * @param source the file, as text or opened already
 * @throws {DomainError} when there is no table of hourly weather in it at all
 */
export function readWeatherTable(source: Source, choices: WeatherTableChoices): WeatherTable {
  const sheet = new Sheet(
    source,
    WEATHER_DECLARATION,
    choices,
    "There is no table in the file: no row of words over rows of figures.",
  );
  const { layout, columns, table } = sheet;
  const stamps = layout.dataRows.map(stampOf(columns, layout.dataRows));
  const marks = choices.stampMarks ?? guessStampMarks(layout, stamps);
  const dialect = {
    ...sheet.dialect(stamps),
    timeZone: choices.timeZone ?? writtenZone(columns, layout.preamble) ?? choices.siteTimeZone,
    stampMarks: marks ?? ("start" as const),
    stampMarksAssumed: marks === undefined,
  };
  const judged = hourly(
    judgeRows(layout.dataRows, layout.columns.length, columns, stamps, dialect),
    columns,
    dialect.stampMarks,
  );
  return {
    ...sheet.told(),
    dialect,
    counts: {
      physicalLines: table.physicalLines,
      dataRows: layout.dataRows.length,
      accepted: judged.kept - judged.flagged.length,
      flagged: judged.flagged.length,
      rejected: judged.rejected.length,
      notData: layout.notData.length,
    },
    notData: layout.notData,
    ...judged,
    gaps: gapsOf(judged.rows),
    clockChangeMs: clockChange(judged.rows, dialect.timeZone),
  };
}

/** "Time (UTC)", "GMT" in the text on top: the file's clock is no place's. */
function writtenZone(columns: readonly WeatherColumn[], preamble: readonly string[]): string | null {
  const words = [...columns.flatMap(({ kind, header }) => (kind === "time" ? [header] : [])), ...preamble].join(" ");
  const [, sign, hours] = /\b(?:UTC|GMT)\s*(?:([-+−])\s*(\d{1,2}))?(?![\w-])/i.exec(words) ?? [];
  if (!/\b(UTC|GMT)\b/i.test(words)) return null;
  // The names of these zones count westwards.
  return sign === undefined || Number(hours) === 0 ? "UTC" : `Etc/GMT${sign === "+" ? "-" : "+"}${Number(hours)}`;
}

/** Says itself by words on top or in the header, or by a midnight written as 24:00. */
function guessStampMarks(layout: Layout<string>, stamps: readonly string[]): "start" | "end" | undefined {
  const words = [...layout.preamble, ...layout.columns.map(({ header }) => header)].join(" ").replaceAll("_", " ");
  if (/\b(begins?|start(s|ing)?|from)\b/i.test(words)) return "start";
  if (
    /\b(ends?|ending|until|till)\b/i.test(words) ||
    stamps.some((stamp) => /(?:^|\s)24(?:[:.h]00)?(?:\s|$)/.test(stamp))
  )
    return "end";
  return undefined;
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
