import { DomainError } from "../working/domain-error.ts";
import { referenceEt } from "../climate/reference-et.ts";
import type { WeatherKind } from "../climate/weather-columns.ts";
import type { WeatherHour } from "../climate/weather-hours.ts";
import type { Place } from "../site/zone.ts";
import { Worksheet, type WorkingStep } from "../working/working.ts";
import { hourOrigins, type Origin, type WorkingInput } from "../working/origin.ts";

/** A figure with all that a person may ask of it. */
export interface Explained {
  readonly value: number;
  readonly steps: readonly WorkingStep[];
  readonly inputs: readonly WorkingInput[];
}

/**
 * Reference evapotranspiration of a day outside, from its hours, by FAO-56 Penman–Monteith. The station measures wind at 2 m.
 *
 * @param told whether anybody reads how it arose; they do unless said otherwise
 * @returns null when an hour lacks what it needs, or a sensor reports what cannot be
 */
export function outsideEt(place: Place, date: string, hours: readonly WeatherHour[], told?: boolean): Explained | null {
  const [t, rh, wind, solar] = [
    column(hours, "airTemperature"),
    column(hours, "humidity"),
    column(hours, "wind"),
    column(hours, "radiation"),
  ];
  if (hours.length === 0 || [t, rh, wind, solar].some((values) => values.numbers.length < hours.length)) return null;
  const inputs: WorkingInput[] = [
    { name: "Air temperature, highest", value: Math.max(...t.numbers), unit: "°C", origins: t.origins },
    { name: "Air temperature, lowest", value: Math.min(...t.numbers), unit: "°C", origins: t.origins },
    { name: "Humidity, highest", value: Math.max(...rh.numbers), unit: "%", origins: rh.origins },
    { name: "Humidity, lowest", value: Math.min(...rh.numbers), unit: "%", origins: rh.origins },
    { name: "Wind, mean", value: sum(wind.numbers) / hours.length, unit: "m/s", origins: wind.origins },
    { name: "Solar radiation", value: sum(solar.numbers), unit: "MJ/m²", origins: solar.origins },
  ];
  const [tMaxC, tMinC, rhMaxPct, rhMinPct, windMs, solarMjM2] = inputs.map((input) => input.value);
  try {
    const weather = { tMaxC, tMinC, rhMaxPct, rhMinPct, windMs, solarMjM2 };
    const et = referenceEt({ method: "penman-monteith-daily", ...place, date, weather }, new Worksheet(told));
    return { value: et.value, steps: et.working, inputs };
  } catch (error) {
    // A sensor may report more sun than there is above the air; then there is no sound figure to show.
    if (error instanceof DomainError) return null;
    throw error;
  }
}

/** Known values of a kind over some hours, with where they come from. */
export function column(hours: readonly WeatherHour[], kind: WeatherKind): { numbers: number[]; origins: Origin[] } {
  const values = hours.flatMap((hour) => hour.values[kind] ?? []);
  return { numbers: values.map((value) => value.value), origins: hourOrigins(values.map((value) => value.origin)) };
}

export function sum(values: readonly number[]): number {
  return values.reduce((total, value) => total + value, 0);
}
