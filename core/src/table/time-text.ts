import type { LocalTime } from "../time/local-time.ts";

export type DateOrder = "ymd" | "dmy" | "mdy";

/** What a cell says of a time: the clock of the place, or an instant when it brings its own offset. */
type TimeReading =
  | { readonly status: "clock"; readonly time: LocalTime }
  | { readonly status: "instant"; readonly instantMs: number }
  /** looks like a time, but no calendar has it */
  | { readonly status: "impossible" }
  | { readonly status: "unreadable" };

const NUMERIC =
  /^(\d{1,4})[-/.](\d{1,2})[-/.](\d{2,4})(?:[T\s,]+(\d{1,2})[:.h](\d{2})(?:[:.](\d{2})(?:[.,]\d+)?)?\s*([AaPp]\.?[Mm]\.?)?)?\s*(Z|[-+]\d{2}:?\d{2})?$/;

/** Finds how dates are written from a column's cells: the majority rules, as single slips are expected. */
export function dateOrder(cells: readonly string[]): DateOrder | "ambiguous" {
  let [ymd, dmy, mdy] = [0, 0, 0];
  for (const cell of cells) {
    const [, first = "", second = "", third = "", , , , half] = NUMERIC.exec(cell) ?? [];
    if (first.length === 4) ymd++;
    else if (third === "") continue;
    else if (half || Number(second) > 12) mdy++;
    else if (cell.includes(".") || Number(first) > 12) dmy++;
  }
  if (ymd > dmy && ymd > mdy) return "ymd";
  if (dmy === mdy) return "ambiguous";
  return dmy > mdy ? "dmy" : "mdy";
}

/** Reads one time. 24:00 is the first instant of the next day. Never rolls an impossible date over. */
export function readTime(text: string, order: DateOrder): TimeReading {
  const match = NUMERIC.exec(text);
  if (!match) return { status: "unreadable" };
  const [, a = "", b = "", c = "", hourText = "0", minuteText = "0", , half, offset] = match;
  const [first, second, third] = [Number(a), Number(b), Number(c)];
  const [year, month, day] =
    a.length === 4
      ? [first, second, third]
      : order === "mdy"
        ? [fullYear(third), first, second]
        : [fullYear(third), second, first];
  const hour = half ? (Number(hourText) % 12) + (/^p/i.test(half) ? 12 : 0) : Number(hourText);
  const minute = Number(minuteText);
  const midnight = new Date(Date.UTC(year, month - 1, day));
  const exists =
    month >= 1 && month <= 12 && midnight.getUTCMonth() === month - 1 && midnight.getUTCDate() === day && day > 0;
  const hourExists = (hour < 24 && minute < 60) || (hour === 24 && minute === 0 && !half);
  if (!exists || !hourExists || (half && (Number(hourText) < 1 || Number(hourText) > 12)))
    return { status: "impossible" };
  const moment = new Date(Date.UTC(year, month - 1, day, hour, minute));
  if (offset) return { status: "instant", instantMs: moment.getTime() - offsetMinutes(offset) * 60_000 };
  return {
    status: "clock",
    time: {
      year: moment.getUTCFullYear(),
      month: moment.getUTCMonth() + 1,
      day: moment.getUTCDate(),
      hour: moment.getUTCHours(),
      minute: moment.getUTCMinutes(),
    },
  };
}

function fullYear(year: number): number {
  return year < 100 ? 2000 + year : year;
}

function offsetMinutes(offset: string): number {
  if (offset === "Z") return 0;
  const digits = offset.replace(/\D/g, "");
  return (offset.startsWith("-") ? -1 : 1) * (Number(digits.slice(0, 2)) * 60 + Number(digits.slice(2)));
}
