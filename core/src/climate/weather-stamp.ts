import type { TableRecord } from "../table/read-table.ts";
import { readHour, readTime, withHourOf } from "../table/time-text.ts";
import type { WeatherColumn } from "./weather-columns.ts";

/** Rows from which it is seen which columns hold the time. */
const SEEN_ROWS = 50;

/**
 * What says when a row was: one column with day and hour, or one of each. A file may have the same time twice, by two clocks: the
 * first of them counts.
 */
export function stampOf(
  columns: readonly WeatherColumn[],
  rows: readonly TableRecord[],
): (record: TableRecord) => string {
  const times = columns.filter(({ kind }) => kind === "time").map(({ column }) => column - 1);
  const most = (at: number, test: (cell: string) => boolean): boolean => {
    const cells = rows.slice(0, SEEN_ROWS).map(({ cells: of }) => of[at] ?? "");
    const filled = cells.filter((cell) => cell !== "");
    return filled.length > 0 && filled.filter(test).length * 2 > filled.length;
  };
  const dated = (cell: string): boolean => readTime(cell, "dmy").status !== "unreadable";
  const whole = times.find((at) =>
    most(at, (cell) => {
      const reading = readTime(cell, "dmy");
      return "hasHour" in reading
        ? reading.hasHour
        : reading.status === "impossible" && /\d\D+\d+\D+\d+\D+\d/.test(cell);
    }),
  );
  if (whole !== undefined) return ({ cells }) => cells[whole] ?? "";
  const day = times.find((at) => most(at, dated));
  const hour = times.find((at) => at !== day && most(at, (cell) => readHour(cell) !== null));
  if (day === undefined)
    return ({ cells }) =>
      times
        .map((at) => cells[at] ?? "")
        .join(" ")
        .trim();
  return ({ cells }) => (hour === undefined ? (cells[day] ?? "") : withHourOf(cells[day] ?? "", cells[hour] ?? ""));
}
