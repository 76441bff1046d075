/** Clock times of a place as instants, with the two hours a year on which this is not plain. */

export interface LocalTime {
  readonly year: number;
  readonly month: number;
  readonly day: number;
  readonly hour: number;
  readonly minute: number;
}

const formatters = new Map<string, Intl.DateTimeFormat>();

function formatter(timeZone: string): Intl.DateTimeFormat {
  let found = formatters.get(timeZone);
  if (!found) {
    found = new Intl.DateTimeFormat("en-US", {
      timeZone,
      hourCycle: "h23",
      year: "numeric",
      month: "numeric",
      day: "numeric",
      hour: "numeric",
      minute: "numeric",
      second: "numeric",
    });
    formatters.set(timeZone, found);
  }
  return found;
}

/**
 * Minutes by which a place's clock is ahead of UTC at an instant.
 *
 * @param timeZone IANA name, as `Europe/Paris`
 * @throws {RangeError} for a zone that does not exist
 */
export function utcOffsetMin(instantMs: number, timeZone: string): number {
  const known = knownOffsets.get(timeZone) ?? { days: new Map<number, number>(), quarters: new Map<number, number>() };
  knownOffsets.set(timeZone, known);
  // No place changes its clock twice in a day: where both its midnights have one offset, all of it has.
  const day = Math.floor(instantMs / DAY_MS);
  const offset = kept(known.days, day, () => computedOffsetMin(day * DAY_MS, timeZone));
  if (offset === kept(known.days, day + 1, () => computedOffsetMin((day + 1) * DAY_MS, timeZone))) return offset;
  // Clocks change on quarter hours only.
  const quarter = Math.floor(instantMs / QUARTER_MS);
  return kept(known.quarters, quarter, () => computedOffsetMin(quarter * QUARTER_MS, timeZone));
}

const QUARTER_MS = 900_000;
/** A century of days. */
const MOST_KNOWN = 36_525;
const knownOffsets = new Map<string, { readonly days: Map<number, number>; readonly quarters: Map<number, number> }>();

function kept(of: Map<number, number>, at: number, compute: () => number): number {
  let offset = of.get(at);
  if (offset === undefined) {
    offset = compute();
    if (of.size >= MOST_KNOWN) of.clear();
    of.set(at, offset);
  }
  return offset;
}

function computedOffsetMin(instantMs: number, timeZone: string): number {
  const part: Record<string, number> = {};
  for (const { type, value } of formatter(timeZone).formatToParts(instantMs)) part[type] = Number(value);
  const shown = Date.UTC(
    part["year"] ?? NaN,
    (part["month"] ?? NaN) - 1,
    part["day"],
    part["hour"],
    part["minute"],
    part["second"],
  );
  return Math.round((shown - Math.floor(instantMs / 1000) * 1000) / 60_000);
}

/**
 * Instants at which a place's clock shows a time: one as a rule, none in the hour that summer time skips, two in the
 * hour that its end repeats, the earlier first.
 */
export function instantsOf(time: LocalTime, timeZone: string): number[] {
  const asUtc = Date.UTC(time.year, time.month - 1, time.day, time.hour, time.minute);
  const [before, after] = [utcOffsetMin(asUtc - DAY_MS, timeZone), utcOffsetMin(asUtc + DAY_MS, timeZone)];
  // No clock changes twice within two days.
  if (before === after) return [asUtc - before * 60_000];
  return [before, after]
    .map((offset) => asUtc - offset * 60_000)
    .filter((instant) => instant + utcOffsetMin(instant, timeZone) * 60_000 === asUtc)
    .sort((a, b) => a - b);
}

const DAY_MS = 86_400_000;

/**
 * The instant at which a place's clock shows a time of a date: the one way from days and clock times to instants.
 *
 * A time that summer time skips is the moment at which the clock jumps over it plus what it lies past that; a time that the
 * end of summer time repeats is its first. A date that a place has skipped whole has no length: all its times are the moment
 * of the skip.
 *
 * @param clockS seconds on the clock from midnight, 0 to 86 400; 86 400 is the start of the next date
 * @returns ms since 1970
 */
export function instantOf(date: string, clockS: number, timeZone: string): number {
  const asUtcMs = Date.parse(`${date}T00:00:00Z`) + clockS * 1000;
  const offsets = [utcOffsetMin(asUtcMs - DAY_MS, timeZone), utcOffsetMin(asUtcMs + DAY_MS, timeZone)];
  const shown = offsets
    .map((offset) => asUtcMs - offset * 60_000)
    .filter((instant) => instant + utcOffsetMin(instant, timeZone) * 60_000 === asUtcMs);
  if (shown.length > 0) return Math.min(...shown);
  // Skipped: by the clock as it went before the jump. A whole skipped date ends where it begins.
  const [before = 0, after = 0] = offsets;
  const jumpedMs = asUtcMs - before * 60_000;
  return after - before < 24 * 60 ? jumpedMs : Math.min(jumpedMs, asUtcMs - clockS * 1000 - before * 60_000);
}

/** What a place's clock shows at an instant: the one way back. */
export function clockOf(instantMs: number, timeZone: string): { readonly date: string; readonly clockS: number } {
  const shownMs = instantMs + utcOffsetMin(instantMs, timeZone) * 60_000;
  const day = Math.floor(shownMs / DAY_MS);
  return { date: dateOf(day), clockS: (shownMs - day * DAY_MS) / 1000 };
}

/** The place's date at an instant, `YYYY-MM-DD`. */
export function localDate(instantMs: number, timeZone: string): string {
  return clockOf(instantMs, timeZone).date;
}

/** First instant of a place's date. A day has 23 to 25 hours; one that a place has skipped has none. */
export function startOfLocalDay(date: string, timeZone: string): number {
  return instantOf(date, 0, timeZone);
}

/** The date so many days later. */
export function addDays(date: string, days: number): string {
  return dateOf(dayOf(date) + days);
}

/** Days from one date to another, negative when the second lies before. */
export function daysBetween(from: string, to: string): number {
  return dayOf(to) - dayOf(from);
}

/** A century of dates: plans step from day to day over the same ones again and again. */
const MOST_DATES = 36_525;
const knownDays = new Map<string, number>();
const knownDates = new Map<number, string>();

/** Days since 1970 of a date; NaN for what is none. */
function dayOf(date: string): number {
  let day = knownDays.get(date);
  if (day === undefined) {
    day = Math.round(Date.parse(`${date}T00:00:00Z`) / DAY_MS);
    if (knownDays.size >= MOST_DATES) knownDays.clear();
    knownDays.set(date, day);
  }
  return day;
}

/** @throws {RangeError} for a day that is none */
function dateOf(day: number): string {
  let date = knownDates.get(day);
  if (date === undefined) {
    date = new Date(day * DAY_MS).toISOString().slice(0, 10);
    if (knownDates.size >= MOST_DATES) knownDates.clear();
    knownDates.set(day, date);
  }
  return date;
}
