import type { Source } from "../table/read-table.ts";
import { WEATHER_KINDS, type WeatherKind } from "./weather-columns.ts";
import type { WeatherRow } from "./weather-rows.ts";
import { readWeatherTable, type WeatherTable } from "./weather-table.ts";

/** Hours of weather by kind, in order of time: a long file is handed on without an object for each of its hours. */
export interface WeatherSeries {
  /** ms since 1970 at which each hour begins */
  readonly hourMs: Float64Array;
  /** canonical units by hour; NaN is not measured or set aside */
  readonly values: Readonly<Record<WeatherKind, Float64Array>>;
  /** 1 for what is kept as read and not to be trusted */
  readonly doubtful: Readonly<Record<WeatherKind, Uint8Array>>;
}

/** A weather file with its hours as a series. */
export interface WeatherFile extends Omit<WeatherTable, "rows"> {
  readonly series: WeatherSeries;
  /** its first rows as they are */
  readonly firstRows: readonly WeatherRow[];
  /** as stamped; null where no row is kept */
  readonly span: { readonly firstMs: number; readonly lastMs: number } | null;
}

const FIRST_ROWS = 6;

/**
 * Reads a weather file as {@link readWeatherTable} does.
 *
 * @throws {DomainError} when there is no table in it at all
 */
export function readWeatherFile(source: Source, choices: Parameters<typeof readWeatherTable>[1]): WeatherFile {
  const { rows, ...told } = readWeatherTable(source, choices);
  const [first, last] = [rows[0], rows.at(-1)];
  return {
    ...told,
    series: weatherSeries(rows),
    firstRows: rows.slice(0, FIRST_ROWS),
    span: first && last ? { firstMs: first.stampMs, lastMs: last.stampMs } : null,
  };
}

/** Rows as a series. */
export function weatherSeries(rows: readonly WeatherRow[]): WeatherSeries {
  const hourMs = new Float64Array(rows.length);
  const values = byKind(() => new Float64Array(rows.length));
  const doubtful = byKind(() => new Uint8Array(rows.length));
  rows.forEach((row, at) => {
    hourMs[at] = row.hourStartMs;
    for (const kind of WEATHER_KINDS) values[kind][at] = row.values[kind] ?? NaN;
    for (const kind of row.doubtful) doubtful[kind][at] = 1;
  });
  return { hourMs, values, doubtful };
}

/** Something of each kind of weather. */
export function byKind<T>(of: (kind: WeatherKind) => T): Record<WeatherKind, T> {
  return Object.fromEntries(WEATHER_KINDS.map((kind) => [kind, of(kind)])) as Record<WeatherKind, T>;
}
