import { Checks } from "../working/checks.ts";
import { fill, Worksheet, type WorkingStep } from "../working/working.ts";
import { daylightAround, type Twilight } from "./daylight.ts";
import { isCalendarDate } from "./reference-et-input.ts";

export interface DayLengthInput {
  readonly latitudeDeg: number;
  readonly longitudeDeg: number;
  /** `YYYY-MM-DD`, the local day around that longitude's noon */
  readonly date: string;
  readonly twilight?: Twilight | undefined;
}

export interface DayLength {
  readonly dayLengthH: number;
  /** instants; null in polar day and night */
  readonly riseUtc: string | null;
  readonly setUtc: string | null;
  readonly polar: "day" | "night" | null;
  readonly working: readonly WorkingStep[];
}

const HOUR_MS = 3_600_000;

/**
 * How long a plant sees a day, from rim to rim of the sun or with civil twilight.
 *
 * @throws {DomainError} for a place or date that cannot be
 */
export function dayLength({ latitudeDeg, longitudeDeg, date, twilight = "none" }: DayLengthInput): DayLength {
  new Checks()
    .range("latitudeDeg", "The latitude", latitudeDeg, -90, 90, "°")
    .range("longitudeDeg", "The longitude", longitudeDeg, -180, 180, "°")
    .when(!isCalendarDate(date), "not-possible", "date", `The date must be a day of the calendar, not ${date}.`)
    .done();
  const sheet = new Worksheet();
  const light = daylightAround(date, latitudeDeg, longitudeDeg, twilight);
  const source =
    twilight === "civil"
      ? "sun's centre 6° below the horizon; Meeus (1998), chapters 15 and 25"
      : "sun's upper rim on the horizon, 0.833° below it with refraction; Meeus (1998), chapters 15 and 25";
  const [from, to] = typeof light === "string" ? [0, light === "day" ? 24 : 0] : hoursOf(light, date);
  const dayLengthH = sheet.note("Day length", "set − rise", fill`${to} − ${from}`, to - from, "h", source);
  return {
    dayLengthH,
    riseUtc: typeof light === "string" ? null : new Date(light.riseMs).toISOString(),
    setUtc: typeof light === "string" ? null : new Date(light.setMs).toISOString(),
    polar: typeof light === "string" ? light : null,
    working: sheet.steps,
  };
}

/** Hours of UTC from the date's midnight. */
function hoursOf(light: { readonly riseMs: number; readonly setMs: number }, date: string): [number, number] {
  const midnightMs = Date.parse(`${date}T00:00:00Z`);
  return [(light.riseMs - midnightMs) / HOUR_MS, (light.setMs - midnightMs) / HOUR_MS];
}
