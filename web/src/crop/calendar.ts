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

/** The first of each month on the line. */
export function monthsOf({ from, to }: Calendar): string[] {
  const months: string[] = [];
  for (let on = dayjs(from).startOf("month"); on.format("YYYY-MM-DD") < to; on = on.add(1, "month"))
    if (on.format("YYYY-MM-DD") >= from) months.push(on.format("YYYY-MM-DD"));
  return months;
}

/** So much before and after a date is on the calendar of all plantings. */
export function calendarAround(date: string): Calendar {
  return { from: addDays(date, -56), to: addDays(date, 126) };
}
