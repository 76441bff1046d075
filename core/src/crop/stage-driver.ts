/** What moves a planting from one stage to the next. */
export type StageDriver =
  | { readonly kind: "days"; readonly days: number }
  /** warmth above a base, °C·d; no warmer than a ceiling counts */
  | {
      readonly kind: "thermal";
      readonly degreeDays: number;
      readonly baseC: number;
      readonly ceilingC?: number | undefined;
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
 * @see McMaster & Wilhelm (1997), Agricultural and Forest Meteorology 87:291–300, method 2: highest and lowest are each held
 *   between base and ceiling before their mean is taken
 * @example degreeDays(4, 20, 10) // 5
 */
export function degreeDays(tMinC: number, tMaxC: number, baseC: number, ceilingC = Infinity): number {
  const held = (c: number): number => Math.min(Math.max(c, baseC), ceilingC);
  return (held(tMinC) + held(tMaxC)) / 2 - baseC;
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
        : degreeDays(tMinC, tMaxC, driver.baseC, driver.ceilingC);
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
