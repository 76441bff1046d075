import { addDays, daysBetween } from "@sprunel/core/time";
import dayjs from "dayjs";

/** Days on a line, from one date to before another. */
export interface Calendar {
  readonly from: string;
  readonly to: string;
}

/** Where a date lies on the line, %; outside it at its ends. */
export function placeOf(date: string, { from, to }: Calendar): number {
  return Math.min(100, Math.max(0, (100 * daysBetween(from, date)) / daysBetween(from, to)));
}

/** So many of each kind of name fit beside each other on a tablet. */
const NAMES = [
  { unit: "month", format: "MMMM", most: 9 },
  { unit: "month", format: "MMM", most: 18 },
  { unit: "year", format: "YYYY", most: Infinity },
] as const;

/** What is named on the line: the first of each month, or of each year where the months would lie on each other. */
export function namesOn(calendar: Calendar): { date: string; name: string }[] {
  for (const { unit, format, most } of NAMES) {
    const dates = firstsOf(unit, calendar);
    if (dates.length <= most) return dates.map((date) => ({ date, name: dayjs(date).format(format) }));
  }
  return [];
}

function firstsOf(unit: "month" | "year", { from, to }: Calendar): string[] {
  const firsts: string[] = [];
  for (let on = dayjs(from).startOf(unit); on.format("YYYY-MM-DD") < to; on = on.add(1, unit))
    if (on.format("YYYY-MM-DD") >= from) firsts.push(on.format("YYYY-MM-DD"));
  return firsts;
}

/** So much before and after a date is on the calendar of all plantings. */
export function calendarAround(date: string): Calendar {
  return { from: addDays(date, -56), to: addDays(date, 126) };
}
