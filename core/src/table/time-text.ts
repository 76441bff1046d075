import type { LocalTime } from "../time/local-time.ts";
import { monthNumber, withoutWeekday } from "./month-names.ts";

export type DateOrder = "ymd" | "dmy" | "mdy";

/** What a cell says of a time: the clock of the place, or an instant when it brings its own offset. */
export type TimeReading =
  | { readonly status: "clock"; readonly time: LocalTime; readonly hasHour: boolean }
  | { readonly status: "instant"; readonly instantMs: number; readonly hasHour: boolean }
  /** looks like a time, but no calendar has it */
  | { readonly status: "impossible" }
  | { readonly status: "unreadable" };

/** "14:05", "14.05", "14h05", "14:05:30,5", "2 PM", "2:05 p. m.", "24:00", with an offset or the name of a zone behind. */
const HOUR =
  /^(\d{1,2})(?:[:.h](\d{2})(?:[:.](\d{2})(?:[.,]\d+)?)?|\s*h(?:rs?)?)?\s*([ap](?:\.?\s?m\.?)?)?(?:\s*(?:uhr|uur|h))?\s*(z|utc|gmt|[-+−]\d{2}(?::?\d{2})?|[a-z]{3,4})?$/i;
const NUMERIC = /^(\d{1,4})\s?([-/.])\s?(\d{1,2})\s?\2\s?(\d{1,4})\.?(?:[T\s,;]+(.+))?$/;
/** "2026-03", a month alone, is no day; "20260316T0805" has no marks. */
const COMPACT = /^((?:19|20)\d{2})(\d{2})(\d{2})(?:[T\s_-]?(\d{2}):?(\d{2})(?::?\d{2})?\s*(z|[-+]\d{2}:?\d{2})?)?$/i;
const DAY_FIRST =
  /^(\d{1,2})(?:st|nd|rd|th|er|º|\.)?[\s\-/.]*(?:de\s+|of\s+)?([^\d\s\-/.,]+)[\s\-/.,]*(?:de[l]?\s+)?(\d{4}|['’]?\d{2})(?:[T\s,;]+(.+))?$/i;
const MONTH_FIRST = /^([^\d\s\-/.,]+)[\s\-/.]*(\d{1,2})(?:st|nd|rd|th)?[\s\-/.,]+(\d{4}|['’]\d{2})(?:[T\s,;]+(.+))?$/i;
const YEAR_FIRST = /^(\d{4})[\s\-/.]+([^\d\s\-/.,]+)[\s\-/.]+(\d{1,2})(?:[T\s,;]+(.+))?$/i;

/** Zones that files name by letters, min ahead of UTC. Those that mean several places are not guessed. */
const NAMED_OFFSETS: Readonly<Record<string, number>> = {
  ...{ z: 0, utc: 0, gmt: 0, wet: 0, west: 60, bst: 60, cet: 60, cest: 120, mez: 60, mesz: 120, met: 60, eet: 120 },
  ...{ eest: 180, msk: 180, est: -300, edt: -240, cdt: -300, mst: -420, mdt: -360, pst: -480, pdt: -420, akst: -540 },
  ...{ akdt: -480, hst: -600, aest: 600, aedt: 660, acst: 570, acdt: 630, awst: 480, nzst: 720, nzdt: 780, sast: 120 },
};

const DAY_MS = 86_400_000;
const DAY_MINUTES = 1440;
/** Days of a spreadsheet begin in 1900, and it takes that year for a leap year. */
const SHEET_EPOCH_MS = Date.UTC(1899, 11, 30);
/** From 1980 to 2079: a number outside it is no day of a spreadsheet. */
const SHEET_DAYS = { least: 29_221, most: 65_744 };

/**
 * Reads one time. 24:00 is the first instant of the next day. Never rolls an impossible date over.
 *
 * A number of five digits is a day of a spreadsheet, one of ten or thirteen seconds or milliseconds since 1970.
 */
export function readTime(text: string, order: DateOrder): TimeReading {
  const plain = withoutWeekday(text.trim().replace(/\s\s+/g, " "));
  const numeric = NUMERIC.exec(plain);
  if (numeric) {
    const [, a = "", , b = "", c = "", hour = ""] = numeric;
    if (a.length === 3 || c.length === 3 || (a.length === 4 && c.length > 2)) return { status: "unreadable" };
    if (a.length < 4 && c.length === 1 && order !== "ymd") return { status: "unreadable" };
    const [first, second, third] = [Number(a), Number(b), Number(c)];
    if (a.length === 4) return dated(first, second, third, hour);
    if (order === "ymd" && c.length < 3) return dated(fullYear(first), second, third, hour);
    return order === "mdy" ? dated(yearOf(c), first, second, hour) : dated(yearOf(c), second, first, hour);
  }
  const compact = COMPACT.exec(plain);
  if (compact) {
    const [, year, month, day, hour, minute, offset = ""] = compact;
    return dated(Number(year), Number(month), Number(day), hour ? `${hour}:${minute}${offset}` : "");
  }
  if (/^\d{10}$/.test(plain)) return instant(Number(plain) * 1000);
  if (/^\d{13}$/.test(plain)) return instant(Number(plain));
  if (/^\d{5}([.,]\d+)?$/.test(plain)) return sheetDay(Number(plain.replace(",", ".")));
  const found = named(plain);
  if (found.status !== "unreadable") return found;
  // "mar 2-jun-26": a word that may be a month is a day of the week before a whole date.
  const rest = /^\p{L}{2,4}[.,]?\s+(\d.*)$/u.exec(plain)?.[1];
  return rest === undefined ? found : readTime(rest, order);
}

function named(text: string): TimeReading {
  const [dayFirst, monthFirst, yearFirst] = [DAY_FIRST.exec(text), MONTH_FIRST.exec(text), YEAR_FIRST.exec(text)];
  for (const [found, day, month, year] of [
    [dayFirst, dayFirst?.[1], dayFirst?.[2], dayFirst?.[3]],
    [monthFirst, monthFirst?.[2], monthFirst?.[1], monthFirst?.[3]],
    [yearFirst, yearFirst?.[3], yearFirst?.[2], yearFirst?.[1]],
  ] as const) {
    const number = monthNumber(month ?? "");
    if (found && number !== null)
      return dated(yearOf((year ?? "").replace(/\D/g, "")), number, Number(day), found[4] ?? "");
  }
  return { status: "unreadable" };
}

function dated(year: number, month: number, day: number, hourText: string): TimeReading {
  const clock = hourText === "" ? null : readHour(hourText);
  if (hourText !== "" && clock === null) return { status: "unreadable" };
  const exists = month >= 1 && month <= 12 && day >= 1 && day <= daysIn(year, month);
  if (!exists || clock === "impossible") return { status: "impossible" };
  const { minutes = 0, offsetMin = null } = clock ?? {};
  const hasHour = clock !== null;
  if (offsetMin === null && minutes < DAY_MINUTES)
    return {
      status: "clock",
      time: { year, month, day, hour: Math.floor(minutes / 60), minute: minutes % 60 },
      hasHour,
    };
  const momentMs = Date.UTC(year, month - 1, day) + minutes * 60_000;
  return offsetMin === null
    ? { status: "clock", time: clockOf(new Date(momentMs)), hasHour }
    : { status: "instant", instantMs: momentMs - offsetMin * 60_000, hasHour };
}

function daysIn(year: number, month: number): number {
  if (month === 2) return year % 4 === 0 && (year % 100 !== 0 || year % 400 === 0) ? 29 : 28;
  return [4, 6, 9, 11].includes(month) ? 30 : 31;
}

function clockOf(moment: Date): LocalTime {
  return {
    year: moment.getUTCFullYear(),
    month: moment.getUTCMonth() + 1,
    day: moment.getUTCDate(),
    hour: moment.getUTCHours(),
    minute: moment.getUTCMinutes(),
  };
}

interface Hour {
  /** from midnight */
  readonly minutes: number;
  /** null where the place's own clock is meant */
  readonly offsetMin: number | null;
}

/** A time of day: "14:05", "7h30", "2 PM". Null for what is none; a bare number is one only of two or four digits. */
export function readHour(text: string): Hour | "impossible" | null {
  const plain = text.trim();
  const usual = /^([01]\d|2[0-3]):([0-5]\d)(?::[0-5]\d)?$/.exec(plain);
  if (usual) return { minutes: Number(usual[1]) * 60 + Number(usual[2]), offsetMin: null };
  // A spreadsheet keeps a time as a share of the day.
  if (/^0?[.,]\d+$/.test(plain))
    return { minutes: Math.round(Number(plain.replace(",", ".")) * 1440), offsetMin: null };
  const bare = /^(\d{2})(\d{2})(\s*(?:z|utc|gmt))?$/i.exec(plain);
  const found = HOUR.exec(bare ? `${bare[1]}:${bare[2]}${bare[3] ?? ""}` : plain);
  if (!found) return null;
  const [, hourText = "", minuteText, , half, zone] = found;
  const offsetMin = zone ? offsetOf(zone) : null;
  if (zone && offsetMin === null) return null;
  const [hour, minute] = [Number(hourText), Number(minuteText ?? "0")];
  if (half && (hour < 1 || hour > 12)) return "impossible";
  const full = half ? (hour % 12) + (/^p/i.test(half) ? 12 : 0) : hour;
  if (minute > 59 || full > 24 || (full === 24 && minute > 0)) return "impossible";
  return { minutes: full * 60 + minute, offsetMin };
}

/** The day that a text tells, `YYYY-MM-DD`, of an instant the one in UTC; null where it tells none. */
export function dayIn(text: string, order: DateOrder): string | null {
  const reading = readTime(text, order);
  if (reading.status === "instant") return new Date(reading.instantMs).toISOString().slice(0, 10);
  if (reading.status !== "clock") return null;
  const { year, month, day } = reading.time;
  return `${year}-${String(month).padStart(2, "0")}-${String(day).padStart(2, "0")}`;
}

/** A day and its hour, from cells of their own, as one text. */
export function withHourOf(day: string, hour: string): string {
  const share = /^0?[.,]\d+$/.test(hour.trim()) ? readHour(hour) : null;
  const clock = share === null || share === "impossible" ? hour : clockText(share.minutes);
  // A day that is a bare number is written out: an hour behind it would make another number.
  const bare = /^(\d{5}|\d{8})$/.test(day.trim()) ? readTime(day, "ymd") : null;
  if (bare?.status !== "clock") return `${day} ${clock}`.trim();
  const { year, month, day: of } = bare.time;
  return `${year}-${String(month).padStart(2, "0")}-${String(of).padStart(2, "0")} ${clock}`.trim();
}

function clockText(minutes: number): string {
  return `${String(Math.floor(minutes / 60)).padStart(2, "0")}:${String(minutes % 60).padStart(2, "0")}`;
}

function offsetOf(zone: string): number | null {
  const digits = /^([-+−])(\d{2}):?(\d{2})?$/.exec(zone);
  if (!digits) return NAMED_OFFSETS[zone.toLowerCase()] ?? null;
  const [, sign, hours, minutes = "0"] = digits;
  return (sign === "+" ? 1 : -1) * (Number(hours) * 60 + Number(minutes));
}

function instant(instantMs: number): TimeReading {
  return { status: "instant", instantMs, hasHour: true };
}

/** What a spreadsheet shows as a day and keeps as a number, with its hour behind the point; it runs by the place's clock. */
function sheetDay(days: number): TimeReading {
  if (days < SHEET_DAYS.least || days > SHEET_DAYS.most) return { status: "unreadable" };
  const moment = new Date(SHEET_EPOCH_MS + Math.round(days * 1440) * 60_000);
  return { status: "clock", time: clockOf(moment), hasHour: !Number.isInteger(days) };
}

function yearOf(text: string): number {
  return text.length === 4 ? Number(text) : fullYear(Number(text));
}

/** Nobody keeps a list of before 1970. */
function fullYear(year: number): number {
  return year < 70 ? 2000 + year : 1900 + year;
}

/** A turned order must make a column's days lie so much further apart before the other is taken by that alone. */
const APART = 3;

/**
 * Finds how dates are written from all of a column: by what no calendar has, then by the order in which its days lie nearer to
 * each other, then by the marks between the figures.
 *
 * @param latest nothing of the column is from after this date, `YYYY-MM-DD`
 */
export function dateOrder(cells: readonly string[], latest?: string): DateOrder | "ambiguous" {
  // Most begin with a year: there is nothing to find.
  if (cells.filter((cell) => /^\s*\d{4}\s?[-/.]\s?\d/.test(cell)).length * 2 > cells.length) return "ymd";
  const found = cells.flatMap((cell) => {
    const match = NUMERIC.exec(withoutWeekday(cell.trim().replace(/\s+/g, " ")));
    return match
      ? [{ a: match[1] ?? "", mark: match[2] ?? "", b: match[3] ?? "", c: match[4] ?? "", hour: match[5] ?? "" }]
      : [];
  });
  const yearFirst = found.filter(({ a }) => a.length === 4).length;
  const others = found.filter(({ a }) => a.length < 3);
  if (yearFirst > others.length || (found.length === 0 && cells.some(isPlain))) return "ymd";
  if (others.length === 0) return "ambiguous";
  // A single slip does not turn a column: the order that fits clearly more of it is meant.
  const lastDay = latest === undefined ? Number.MAX_VALUE : Date.parse(`${latest}T00:00:00Z`) / DAY_MS;
  const fits = (order: DateOrder): number => others.filter((one) => (dayOf(one, order) ?? Infinity) <= lastDay).length;
  const existing = (order: DateOrder): number => others.filter((one) => dayOf(one, order) !== null).length;
  const orders = (["dmy", "mdy", "ymd"] as const)
    .filter((order) => order !== "ymd" || others.every(({ c }) => c.length === 2))
    .map((order) => ({ order, fits: fits(order), exist: existing(order), spread: spreadOf(others, order) }))
    // A day that is still to come is likelier than one that no calendar has.
    .sort((one, other) => other.fits - one.fits || other.exist - one.exist);
  const [best, next] = orders;
  if (!best) return "ambiguous";
  if (!next || best.fits > next.fits || best.exist > next.exist) return best.order;
  const equal = orders
    .filter((one) => one.fits === best.fits && one.exist === best.exist)
    .sort((one, other) => one.spread - other.spread);
  const [near, far] = equal;
  if (near && far && near.spread * APART < far.spread) return near.order;
  // "3.4.2026" is written day first wherever it is written; with halves of the day the month comes first.
  if (others.every(({ mark }) => mark === ".")) return "dmy";
  if (others.some(({ hour }) => /\d\s?[ap]\b|[ap]\.?\s?m/i.test(hour))) return "mdy";
  return "ambiguous";
}

/** A date that has but one order: a number, or a month by its name. */
function isPlain(cell: string): boolean {
  const reading = readTime(cell, "dmy");
  return reading.status === "clock" || reading.status === "instant";
}

type Figures = { readonly a: string; readonly b: string; readonly c: string };

function dayOf({ a, b, c }: Figures, order: DateOrder): number | null {
  const [year, month, day] =
    order === "ymd"
      ? [fullYear(Number(a)), Number(b), Number(c)]
      : order === "mdy"
        ? [yearOf(c), Number(a), Number(b)]
        : [yearOf(c), Number(b), Number(a)];
  const date = new Date(Date.UTC(year, month - 1, day));
  return month >= 1 && date.getUTCMonth() === month - 1 && date.getUTCDate() === day ? date.getTime() / DAY_MS : null;
}

/** How far a column's days lie from each other in all, in the order of its lines. */
function spreadOf(all: readonly Figures[], order: DateOrder): number {
  let [sum, before] = [0, null as number | null];
  for (const one of all) {
    const day = dayOf(one, order);
    if (day === null) continue;
    if (before !== null) sum += Math.abs(day - before);
    before = day;
  }
  return sum;
}
