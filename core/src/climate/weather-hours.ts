import { saturationVapourPressureKpa } from "./air.ts";
import { WEATHER_KINDS, type WeatherKind } from "./weather-columns.ts";

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
const FILL_DAYS = 7;

/** Where an hour's value comes from, best first. `filled` is made by a stated rule, `again` is that of a day that was. */
const SAMPLE_ORIGINS = ["imported", "measured", "simulated", "forecast"] as const;
type SampleOrigin = (typeof SAMPLE_ORIGINS)[number];
type HourOrigin = SampleOrigin | "filled" | "again";

export interface WeatherSample {
  readonly startMs: number;
  readonly kind: WeatherKind;
  readonly value: number;
  readonly origin: SampleOrigin;
}

interface HourValue {
  readonly value: number;
  readonly origin: HourOrigin;
}

export interface WeatherHour {
  readonly startMs: number;
  readonly values: Readonly<Partial<Record<WeatherKind, HourValue>>>;
}

/**
 * The best known value of every kind for every hour: imported before measured before simulated before forecast.
 *
 * A missing value is the mean of the same hour on up to seven days before; missing rain counts as none. Both are marked
 * as filled. What cannot be filled stays out.
 *
 * @param samples should reach seven days further back than `fromMs`, for filling
 */
export function weatherHours(fromMs: number, toMs: number, samples: readonly WeatherSample[]): WeatherHour[] {
  const best = new Map<string, WeatherSample>();
  for (const sample of samples) {
    const key = `${sample.kind} ${sample.startMs}`;
    const held = best.get(key);
    if (!held || SAMPLE_ORIGINS.indexOf(sample.origin) < SAMPLE_ORIGINS.indexOf(held.origin)) best.set(key, sample);
  }
  const hours: WeatherHour[] = [];
  for (let startMs = fromMs; startMs < toMs; startMs += HOUR_MS) {
    const values: Partial<Record<WeatherKind, HourValue>> = {};
    for (const kind of WEATHER_KINDS) {
      const value = best.get(`${kind} ${startMs}`) ?? filled(best, kind, startMs);
      if (value) values[kind] = { value: value.value, origin: value.origin };
    }
    hours.push({ startMs, values });
  }
  return hours;
}

function filled(best: ReadonlyMap<string, WeatherSample>, kind: WeatherKind, startMs: number): HourValue | undefined {
  const before: number[] = [];
  for (let day = 1; day <= FILL_DAYS; day++) {
    const sample = best.get(`${kind} ${startMs - day * DAY_MS}`);
    if (sample) before.push(sample.value);
  }
  if (before.length === 0) return undefined;
  return { value: kind === "rain" ? 0 : mean(before), origin: "filled" };
}

/** Air in a house, hour by hour. */
export interface HouseAir {
  readonly startMs: number;
  readonly airTemperatureC: number;
  readonly vpdKpa: number;
  /**
   * `carried`: from outside, by the difference of the last seven days; `heated`: colder outside than the heating keeps it, and
   * nothing else known; `outside`: the air outside, as nothing is known
   */
  readonly origin: HourOrigin | "carried" | "heated" | "outside";
}

/**
 * Temperature and vapour pressure deficit in a house for each hour of weather.
 *
 * Hours without a reading inside take the air outside plus the mean difference, in temperature and in vapour pressure,
 * that was measured between inside and outside at the same hour on up to seven days before.
 *
 * @param outside hours in order, reaching seven days further back than those wanted
 * @param inside samples of the house's own sensor
 * @param fromMs first hour wanted
 * @param heatedToC set point of its heating; null without one. A house without a sensor is then never colder, and its air no
 *   drier than that of a closed, heated house
 */
export function houseAir(
  outside: readonly WeatherHour[],
  inside: readonly WeatherSample[],
  fromMs: number,
  heatedToC: number | null = null,
): HouseAir[] {
  const sensor = new Map<string, WeatherSample>();
  for (const sample of inside) sensor.set(`${sample.kind} ${sample.startMs}`, sample);
  const differences = new Map<number, { t: number; e: number }>();
  const hours: HouseAir[] = [];
  for (const hour of outside) {
    const { startMs, values } = hour;
    const air = values.airTemperature && values.humidity && airOf(values.airTemperature.value, values.humidity.value);
    const [t, rh] = [sensor.get(`airTemperature ${startMs}`), sensor.get(`humidity ${startMs}`)];
    const measured = t && rh && airOf(t.value, rh.value);
    if (air && measured) differences.set(startMs, { t: measured.t - air.t, e: measured.e - air.e });
    if (startMs < fromMs) continue;
    if (measured) hours.push({ startMs, ...shown(measured), origin: t.origin });
    else if (air) {
      const before = Array.from({ length: FILL_DAYS }, (_, day) =>
        differences.get(startMs - (day + 1) * DAY_MS),
      ).filter((found) => found !== undefined);
      if (before.length === 0 && heatedToC !== null && air.t < heatedToC)
        hours.push({ startMs, ...shown(heated(air, heatedToC)), origin: "heated" });
      else if (before.length === 0) hours.push({ startMs, ...shown(air), origin: "outside" });
      else
        hours.push({
          startMs,
          ...shown({ t: air.t + mean(before.map((d) => d.t)), e: air.e + mean(before.map((d) => d.e)) }),
          origin: "carried",
        });
    }
  }
  return hours;
}

interface Air {
  readonly t: number;
  readonly e: number;
}

function airOf(temperatureC: number, humidityPct: number): Air {
  return { t: temperatureC, e: (saturationVapourPressureKpa(temperatureC) * humidityPct) / 100 };
}

/** Relative humidity of a closed, heated house over a crop, %: 70 to 85 by usual practice; assumed. */
const HEATED_HUMIDITY_PCT = 75;

/** The crop wets the air of a heated house: warmed without it, winter air would be as dry as a desert's. */
function heated(outside: Air, heatedToC: number): Air {
  const { e } = airOf(heatedToC, HEATED_HUMIDITY_PCT);
  return { t: heatedToC, e: Math.max(outside.e, e) };
}

function shown({ t, e }: Air): Pick<HouseAir, "airTemperatureC" | "vpdKpa"> {
  return { airTemperatureC: t, vpdKpa: Math.max(0, saturationVapourPressureKpa(t) - Math.max(0, e)) };
}

function mean(values: readonly number[]): number {
  return values.reduce((sum, value) => sum + value, 0) / values.length;
}
