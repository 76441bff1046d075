import { Checks } from "../working/checks.ts";
import { dayOfYear } from "./solar-geometry.ts";
import { saturationVapourPressureKpa } from "./air.ts";

export type ReferenceEtMethod =
  | "penman-monteith-daily"
  | "penman-monteith-hourly"
  | "hargreaves-daily"
  | "greenhouse-radiation"
  | "greenhouse-penman-monteith";

/** Weather of one day, or of one hour for the hourly method. What is not known is left out. */
export interface ReferenceEtWeather {
  /** °C, −40 to 60 */
  readonly tMaxC?: number | undefined;
  readonly tMinC?: number | undefined;
  readonly tMeanC?: number | undefined;
  /** %, 0 to 100 */
  readonly rhMaxPct?: number | undefined;
  readonly rhMinPct?: number | undefined;
  readonly rhMeanPct?: number | undefined;
  /** kPa, actual vapour pressure; rules over humidities */
  readonly vapourPressureKpa?: number | undefined;
  /** m/s at `windHeightM`, 0 to 75 */
  readonly windMs?: number | undefined;
  /** m, 2 when left out */
  readonly windHeightM?: number | undefined;
  /** hours of bright sunshine in the day */
  readonly sunshineH?: number | undefined;
  /** MJ/m² of global radiation outside, in the day or the hour; rules over sunshine */
  readonly solarMjM2?: number | undefined;
}

export interface ReferenceEtInput {
  readonly method: ReferenceEtMethod;
  /** °, north positive, −90 to 90 */
  readonly latitudeDeg: number;
  /** °, east positive; needed by the hour */
  readonly longitudeDeg?: number | undefined;
  /** m, −430 to 6000 */
  readonly elevationM: number;
  /** `YYYY-MM-DD` */
  readonly date: string;
  /** 14 means 14:00–15:00 of the zone's standard clock */
  readonly hourStart?: number | undefined;
  /** ° of the centre of the time zone, east positive */
  readonly zoneMeridianDeg?: number | undefined;
  readonly weather: ReferenceEtWeather;
  /** % of outside radiation that comes through the cover, 1 to 100 */
  readonly transmissionPct?: number | undefined;
  /** MJ/m² in the period into the soil; overrides the method's own rule */
  readonly soilHeatMjM2?: number | undefined;
  /** Rs/Rso before sunset, for hours of night; 0.25 to 1 */
  readonly clearnessBeforeSunset?: number | undefined;
}

const NEEDS_COVER: readonly ReferenceEtMethod[] = ["greenhouse-radiation", "greenhouse-penman-monteith"];

/**
 * Refuses what cannot be: every fault at once, each with its path.
 *
 * @throws {DomainError}
 */
export function checkReferenceEtInput(input: ReferenceEtInput): void {
  const { method, weather } = input;
  const hourly = method === "penman-monteith-hourly";
  const checks = new Checks()
    .range("latitudeDeg", "Latitude", input.latitudeDeg, -90, 90, "°")
    .range("longitudeDeg", "Longitude", input.longitudeDeg, -180, 180, "°")
    .range("zoneMeridianDeg", "Longitude of the time zone's centre", input.zoneMeridianDeg, -180, 180, "°")
    .range("elevationM", "Elevation", input.elevationM, -430, 6000, "m")
    .range("transmissionPct", "Light through the cover", input.transmissionPct, 1, 100, "%")
    .range("soilHeatMjM2", "Soil heat", input.soilHeatMjM2, -20, 20, "MJ/m²")
    .range("hourStart", "Start of the hour", input.hourStart, 0, 23)
    .range("clearnessBeforeSunset", "Clearness before sunset", input.clearnessBeforeSunset, 0.25, 1)
    .when(
      !isCalendarDate(input.date),
      "not-possible",
      "date",
      `${input.date} is not a date of the calendar; write it as 2026-07-06.`,
    );
  for (const [key, name] of TEMPERATURES) checks.range(`weather.${key}`, name, weather[key], -40, 60, "°C");
  for (const [key, name] of HUMIDITIES) checks.range(`weather.${key}`, name, weather[key], 0, 100, "%");
  checks
    .range("weather.vapourPressureKpa", "Vapour pressure", weather.vapourPressureKpa, 0, 20, "kPa")
    .range("weather.windMs", "Wind", weather.windMs, 0, 75, "m/s")
    .range("weather.windHeightM", "Height of the wind sensor", weather.windHeightM, 0.5, 200, "m")
    .range("weather.sunshineH", "Sunshine", weather.sunshineH, 0, 24, "hours")
    .range(
      "weather.solarMjM2",
      "Solar radiation",
      weather.solarMjM2,
      0,
      hourly ? 5.4 : 50,
      hourly ? "MJ/m² in the hour" : "MJ/m² in the day",
    )
    .when(
      above(weather.tMinC, weather.tMaxC),
      "order-reversed",
      "weather.tMinC",
      order("temperature", weather.tMinC, weather.tMaxC, "°C"),
    )
    .when(
      above(weather.rhMinPct, weather.rhMaxPct),
      "order-reversed",
      "weather.rhMinPct",
      order("humidity", weather.rhMinPct, weather.rhMaxPct, "%"),
    );
  if (method === "greenhouse-radiation")
    checks.present("weather.solarMjM2", "Solar radiation outside", weather.solarMjM2 ?? weather.sunshineH);
  else if (hourly) hourlyNeeds(checks, input);
  else
    checks
      .present("weather.tMaxC", "The day's maximum temperature", weather.tMaxC)
      .present("weather.tMinC", "The day's minimum temperature", weather.tMinC);
  if (NEEDS_COVER.includes(method))
    checks.present("transmissionPct", "The share of light through the cover", input.transmissionPct);
  checks.done();
  if (!hourly) checkVapour(weather);
}

const TEMPERATURES = [
  ["tMaxC", "Maximum temperature"],
  ["tMinC", "Minimum temperature"],
  ["tMeanC", "Mean temperature"],
] as const;
const HUMIDITIES = [
  ["rhMaxPct", "Maximum humidity"],
  ["rhMinPct", "Minimum humidity"],
  ["rhMeanPct", "Mean humidity"],
] as const;

function hourlyNeeds(checks: Checks, { weather, ...input }: ReferenceEtInput): void {
  const known = weather.tMeanC ?? (weather.tMaxC !== undefined && weather.tMinC !== undefined ? 0 : undefined);
  checks
    .present("weather.tMeanC", "The hour's mean temperature", known)
    .present("weather.solarMjM2", "Solar radiation in the hour", weather.solarMjM2)
    .present("hourStart", "The start of the hour", input.hourStart)
    .present("longitudeDeg", "The longitude", input.longitudeDeg)
    .present("zoneMeridianDeg", "The longitude of the time zone's centre", input.zoneMeridianDeg)
    .when(
      weather.sunshineH !== undefined,
      "not-possible",
      "weather.sunshineH",
      "Sunshine hours serve a whole day; give the hour's solar radiation in MJ/m².",
    );
}

/** Air cannot hold more vapour than at saturation at the day's warmest. */
function checkVapour({ vapourPressureKpa, tMaxC }: ReferenceEtWeather): void {
  if (vapourPressureKpa === undefined || tMaxC === undefined) return;
  const most = saturationVapourPressureKpa(tMaxC);
  new Checks()
    .range(
      "weather.vapourPressureKpa",
      `Vapour pressure at a maximum of ${tMaxC} °C`,
      vapourPressureKpa,
      0,
      most,
      "kPa",
    )
    .done();
}

function above(least: number | undefined, most: number | undefined): boolean {
  return least !== undefined && most !== undefined && least > most;
}

function order(name: string, least: number | undefined, most: number | undefined, unit: string): string {
  return `The minimum ${name} (${least} ${unit}) is above the maximum (${most} ${unit}); exchange or correct them.`;
}

/** Whether a text is a real date written `YYYY-MM-DD`. */
export function isCalendarDate(text: string): boolean {
  const instant = /^\d{4}-\d{2}-\d{2}$/.test(text) ? Date.parse(`${text}T00:00:00Z`) : NaN;
  return Number.isFinite(instant) && new Date(instant).toISOString().startsWith(text) && dayOfYear(text) >= 1;
}
