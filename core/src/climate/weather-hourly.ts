import { DomainError } from "../working/domain-error.ts";
import { unitsIn } from "../table/unit-text.ts";
import { WEATHER_KINDS, type WeatherColumn, type WeatherKind } from "./weather-columns.ts";
import type { Judged, WeatherRow } from "./weather-rows.ts";

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
/** So much of an hour must have been read for it to count. */
const LEAST_SHARE = 0.75;
/** Fewer rows may just be what is left of a file with gaps. */
const MANY_ROWS = 12;
const FLUX = unitsIn("W/m²")[0]?.dimension;

/**
 * Rows at other steps than hours, put together by the hour: means, and sums of what fell or shone in each step.
 *
 * @throws {DomainError} for rows that lie further apart than an hour
 */
export function hourly(judged: Judged, columns: readonly WeatherColumn[], marks: "start" | "end"): Judged {
  const stepMs = usualStep(judged.rows);
  if (stepMs === null || stepMs === HOUR_MS) return onTheHour(judged);
  const isOfDays = stepMs % DAY_MS === 0;
  if (isOfDays || (stepMs > HOUR_MS && judged.rows.length >= MANY_ROWS))
    throw new DomainError({
      code: "not-possible",
      path: "file",
      message: `Its rows lie ${isOfDays ? "a day or more" : `${Math.round(stepMs / 60_000)} min`} apart. Weather is needed by the hour or more often; export it so and import that.`,
    });
  if (stepMs > HOUR_MS) return onTheHour(judged);
  const hours = new Map<number, WeatherRow[]>();
  for (const row of judged.rows) hours.set(row.hourStartMs, [...(hours.get(row.hourStartMs) ?? []), row]);
  const inAnHour = HOUR_MS / stepMs;
  const rows = [...hours].flatMap(([hourStartMs, of]): WeatherRow[] => {
    const [first] = of;
    if (!first) return [];
    const together = (kind: WeatherKind): number | null => {
      const read = of.flatMap(({ values }) => values[kind] ?? []);
      if (read.length < LEAST_SHARE * inAnHour) return null;
      const sum = read.reduce((all, value) => all + value, 0);
      // What is told by the step adds up; a gap in it is taken to have been as the rest.
      return isSum(kind, columns) ? (sum * inAnHour) / read.length : sum / read.length;
    };
    const values = Object.fromEntries(WEATHER_KINDS.map((kind) => [kind, together(kind)])) as WeatherRow["values"];
    if (WEATHER_KINDS.every((kind) => values[kind] === null)) return [];
    const doubtful = WEATHER_KINDS.filter((kind) => of.some((row) => row.doubtful.includes(kind)));
    return [
      {
        line: first.line,
        stampMs: marks === "start" ? hourStartMs : hourStartMs + HOUR_MS,
        hourStartMs,
        values,
        doubtful,
      },
    ];
  });
  return { ...judged, rows };
}

/** Rain and the light of a step add up; a flux, and rain in an hour, are means. */
function isSum(kind: WeatherKind, columns: readonly WeatherColumn[]): boolean {
  if (kind !== "rain" && kind !== "radiation") return false;
  const unit = columns.find((column) => column.kind === kind)?.unit ?? "";
  const meant = unitsIn(unit)[0]?.dimension;
  return kind === "radiation" ? meant !== FLUX : !unit.includes("/h");
}

/** The step between most rows; null for fewer than two. */
function usualStep(rows: readonly WeatherRow[]): number | null {
  const counts = new Map<number, number>();
  for (const [at, row] of rows.slice(1).entries()) {
    const step = row.stampMs - (rows[at]?.stampMs ?? 0);
    counts.set(step, (counts.get(step) ?? 0) + 1);
  }
  const [most] = [...counts].sort((a, b) => b[1] - a[1] || a[0] - b[0]);
  return most?.[0] ?? null;
}

/** Among rows by the hour those that stand beside it are told. */
function onTheHour(judged: Judged): Judged {
  const off = judged.rows.filter(({ stampMs }) => stampMs % HOUR_MS !== 0);
  // A logger whose hours all end some minutes past is a logger of hours all the same.
  if (off.length === 0 || off.length * 2 > judged.rows.length) return judged;
  const lines = new Set(off.map(({ line }) => line));
  return {
    kept: judged.kept - off.length,
    rows: judged.rows.filter(({ line }) => !lines.has(line)),
    flagged: judged.flagged.filter(({ line }) => !lines.has(line)),
    rejected: [
      ...judged.rejected,
      ...off.map(({ line, stampMs }) => ({
        line,
        reason: "off-the-hour" as const,
        detail: `${new Date(stampMs).toISOString().slice(11, 16)} UTC: the other rows stand on the full hour`,
      })),
    ].sort((a, b) => a.line - b.line),
  };
}
