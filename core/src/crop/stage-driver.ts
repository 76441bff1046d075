/**
 * How a day's warmth is counted: `1` and `2` as in McMaster & Wilhelm (1997); `hours` as the mean over the hours of a day whose
 * air runs along a sine between its lowest and highest (Baskerville & Emin 1969). A figure holds only for the way it was found by.
 */
export const WARMTH_METHODS = ["1", "2", "hours"] as const;
export type WarmthMethod = (typeof WARMTH_METHODS)[number];

/** What moves a planting from one stage to the next. */
export type StageDriver =
  | { readonly kind: "days"; readonly days: number }
  /** warmth above a base, °C·d; no warmer than a ceiling counts */
  | {
      readonly kind: "thermal";
      readonly degreeDays: number;
      readonly baseC: number;
      readonly ceilingC?: number | undefined;
      /** the second where left out */
      readonly method?: WarmthMethod | undefined;
    }
  /** days shorter or longer than a critical length, counted one by one; the others between them neither count nor reset */
  | {
      readonly kind: "cycles";
      readonly count: number;
      readonly of: "short" | "long";
      readonly criticalH: number;
    }
  /** a date in the year, `MM-DD` */
  | { readonly kind: "date"; readonly monthDay: string };

/** What is known of a day, as far as some driver needs it. */
export interface CropDay {
  readonly date: string;
  readonly tMinC?: number | undefined;
  readonly tMaxC?: number | undefined;
  readonly dayLengthH?: number | undefined;
}

/**
 * Warmth of a day.
 *
 * @returns °C·d above the base, at least 0
 * @see McMaster & Wilhelm (1997), Agricultural and Forest Meteorology 87:291–300: in method 1 the mean of highest and lowest is
 *   held between base and ceiling, in method 2 each of them is before their mean is taken
 * @see Baskerville & Emin (1969), Ecology 50:514–517: a sine through highest and lowest, cut off at base and ceiling
 * @example degreeDays(4, 20, 10) // 5; 2 by method 1, 3.6 by hours
 */
export function degreeDays(
  tMinC: number,
  tMaxC: number,
  baseC: number,
  ceilingC = Infinity,
  method: WarmthMethod = "2",
): number {
  const held = (c: number): number => Math.min(Math.max(c, baseC), ceilingC);
  switch (method) {
    case "1":
      return held((tMinC + tMaxC) / 2) - baseC;
    case "2":
      return (held(tMinC) + held(tMaxC)) / 2 - baseC;
    case "hours":
      return sineAbove(tMinC, tMaxC, baseC) - sineAbove(tMinC, tMaxC, ceilingC);
  }
}

/** Mean height of a sine between two temperatures over a third, °C. */
function sineAbove(tMinC: number, tMaxC: number, overC: number): number {
  const mean = (tMinC + tMaxC) / 2;
  const swing = (tMaxC - tMinC) / 2;
  if (overC >= tMaxC) return 0;
  if (overC <= tMinC) return mean - overC;
  const from = Math.asin((overC - mean) / swing);
  return ((mean - overC) * (Math.PI / 2 - from) + swing * Math.cos(from)) / Math.PI;
}

/**
 * What a day adds to a stage's driver, in the driver's own unit.
 *
 * @returns null where what the driver needs of the day is not known
 */
export function dayAdds(driver: StageDriver, { tMinC, tMaxC, dayLengthH }: CropDay): number | null {
  switch (driver.kind) {
    case "days":
    case "date":
      return 1;
    case "thermal":
      return tMinC === undefined || tMaxC === undefined
        ? null
        : degreeDays(tMinC, tMaxC, driver.baseC, driver.ceilingC, driver.method);
    case "cycles":
      if (dayLengthH === undefined) return null;
      return driver.of === "short" ? Number(dayLengthH < driver.criticalH) : Number(dayLengthH > driver.criticalH);
  }
}

/** How much a driver needs, in its own unit; of a date in the year the days from a stage's first to that date. */
export function driverNeeds(driver: StageDriver, startsOn: string): number {
  switch (driver.kind) {
    case "days":
      return driver.days;
    case "thermal":
      return driver.degreeDays;
    case "cycles":
      return driver.count;
    case "date":
      return daysThrough(startsOn, driver.monthDay);
  }
}

/** The unit in which a driver counts. */
export function driverUnit(driver: StageDriver): string {
  switch (driver.kind) {
    case "thermal":
      return "°C·d";
    case "cycles":
      return driver.of === "short" ? "short days" : "long days";
    default:
      return "days";
  }
}

/** Days from a date to the next time that a day of the year comes, both counted; 29 February comes on 1 March in other years. */
function daysThrough(from: string, monthDay: string): number {
  const start = Date.parse(`${from}T00:00:00Z`);
  const year = Number(from.slice(0, 4));
  const [month = 1, day = 1] = monthDay.split("-").map(Number);
  const inYear = (of: number): number => Date.UTC(of, month - 1, day);
  const end = inYear(year) >= start ? inYear(year) : inYear(year + 1);
  return Math.round((end - start) / 86_400_000) + 1;
}
