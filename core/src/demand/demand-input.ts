import { isCalendarDate } from "../climate/reference-et-input.ts";
import { Checks } from "../working/checks.ts";

export const DEMAND_METHODS = [
  "house-penman-monteith",
  "fao56-single",
  "fao56-dual",
  "big-leaf",
  "baille",
  "radiation-sum",
  "pan",
  "own",
] as const;
export type DemandMethod = (typeof DEMAND_METHODS)[number];

/** One hour's air; `hour` 14 is 14:00 to 15:00 of the standard clock. */
export interface AirHour {
  readonly hour: number;
  /** °C, −40 to 60 */
  readonly airC: number;
  /** %, 0 to 100 */
  readonly rhPct: number;
}

export interface OutsideHour extends AirHour {
  /** MJ/m² in the hour, outside */
  readonly solarMjM2: number;
  /** m/s at 2 m */
  readonly windMs?: number | undefined;
}

export interface DualCoefficients {
  /** basal coefficient of the crop alone, FAO-56 table 17 */
  readonly kcb: number;
  /** % of the ground that water wets */
  readonly wettedPct: number;
  /** % of the ground that the crop covers */
  readonly coverPct: number;
  /** given today, mm over the ground */
  readonly irrigationMm?: number | undefined;
  readonly rainMm?: number | undefined;
}

export interface DemandInput {
  readonly method: DemandMethod;
  /** `YYYY-MM-DD` */
  readonly date: string;
  readonly latitudeDeg: number;
  readonly longitudeDeg: number;
  readonly elevationM: number;
  readonly timeZone: string;
  /** % of the light outside that reaches the crop; 100 in the open */
  readonly transmissionPct: number;
  /** all 24 of the local day, outside */
  readonly hours: readonly OutsideHour[];
  readonly insideHours?: readonly AirHour[] | undefined;
  readonly leafAreaIndex?: number | undefined;
  readonly kc?: number | undefined;
  readonly dual?: DualCoefficients | undefined;
  /** mL for a m² and each J/cm² of light outside */
  readonly radiationSum?: { readonly mlPerJCm2: number } | undefined;
  readonly pan?: { readonly evaporationMm: number; readonly panCoefficient: number; readonly kc: number } | undefined;
  readonly ownMm?: number | undefined;
  /** by which the zone's own meter differs from the method; 1 when left out */
  readonly fittedFactor?: number | undefined;
}

const NEEDS: Readonly<Record<DemandMethod, readonly (readonly [keyof DemandInput, string])[]>> = {
  "house-penman-monteith": [["kc", "The crop coefficient"]],
  "fao56-single": [["kc", "The crop coefficient"]],
  "fao56-dual": [["dual", "The dual coefficients"]],
  "big-leaf": [["leafAreaIndex", "The leaf area index"]],
  baille: [["leafAreaIndex", "The leaf area index"]],
  "radiation-sum": [["radiationSum", "The water for a sum of light"]],
  pan: [["pan", "The pan's reading"]],
  own: [["ownMm", "Your own figure"]],
};

/**
 * Refuses what cannot be: every fault at once, each with its path.
 *
 * @throws {DomainError}
 */
export function checkDemandInput(input: DemandInput): void {
  const { method, hours, insideHours, dual, pan } = input;
  const checks = new Checks()
    .when(
      !isCalendarDate(input.date),
      "not-possible",
      "date",
      `${input.date} is not a date of the calendar; write it as 2026-07-06.`,
    )
    .when(
      !isTimeZone(input.timeZone),
      "not-possible",
      "timeZone",
      `${input.timeZone} is no time zone; write it as Europe/Paris.`,
    )
    .range("latitudeDeg", "Latitude", input.latitudeDeg, -90, 90, "°")
    .range("longitudeDeg", "Longitude", input.longitudeDeg, -180, 180, "°")
    .range("elevationM", "Elevation", input.elevationM, -430, 6000, "m")
    .range("transmissionPct", "Light through the cover", input.transmissionPct, 1, 100, "%")
    .range("leafAreaIndex", "The leaf area index", input.leafAreaIndex, 0, 12)
    .range("kc", "The crop coefficient", input.kc, 0, 2)
    .range("dual.kcb", "The basal coefficient", dual?.kcb, 0, 1.5)
    .range("dual.wettedPct", "The wetted share", dual?.wettedPct, 1, 100, "%")
    .range("dual.coverPct", "The covered share", dual?.coverPct, 0, 99, "%")
    .range("dual.irrigationMm", "Water given", dual?.irrigationMm, 0, 500, "mm")
    .range("dual.rainMm", "Rain", dual?.rainMm, 0, 500, "mm")
    .range("radiationSum.mlPerJCm2", "The water for a J/cm²", input.radiationSum?.mlPerJCm2, 0, 10, "mL/m²")
    .range("pan.evaporationMm", "The pan's evaporation", pan?.evaporationMm, 0, 30, "mm in the day")
    .range("pan.panCoefficient", "The pan coefficient", pan?.panCoefficient, 0.3, 1.1)
    .range("pan.kc", "The crop coefficient", pan?.kc, 0, 2)
    .range("ownMm", "Your own figure", input.ownMm, 0, 25, "mm in the day")
    .range("fittedFactor", "The fitted factor", input.fittedFactor, 0.2, 5)
    .when(
      method === "own" && input.fittedFactor !== undefined,
      "not-possible",
      "fittedFactor",
      "Your own figure takes no fitted factor: it is the crop's use already.",
    );
  checkDay(checks, "hours", hours);
  hours.forEach(({ solarMjM2, windMs }, at) =>
    checks
      .range(`hours.${at}.solarMjM2`, "Solar radiation", solarMjM2, 0, 5.4, "MJ/m² in the hour")
      .range(`hours.${at}.windMs`, "Wind", windMs, 0, 75, "m/s"),
  );
  if (insideHours) checkDay(checks, "insideHours", insideHours);
  for (const [key, name] of NEEDS[method]) checks.present(key, name, input[key]);
  checks.done();
}

function checkDay(checks: Checks, path: string, hours: readonly AirHour[]): void {
  const once = new Set(hours.map(({ hour }) => hour)).size === 24 && hours.length === 24;
  checks.when(
    !once,
    "not-possible",
    path,
    `The day needs each of its 24 hours once, 0 to 23; there are ${hours.length}.`,
  );
  hours.forEach(({ hour, airC, rhPct }, at) =>
    checks
      .range(`${path}.${at}.hour`, "The hour", hour, 0, 23)
      .range(`${path}.${at}.airC`, "Air temperature", airC, -40, 60, "°C")
      .range(`${path}.${at}.rhPct`, "Humidity", rhPct, 0, 100, "%"),
  );
}

function isTimeZone(name: string): boolean {
  try {
    return new Intl.DateTimeFormat("en", { timeZone: name }).format(0) !== "";
  } catch {
    return false;
  }
}
