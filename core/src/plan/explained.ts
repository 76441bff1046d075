import { DomainError } from "../domain-error.ts";
import { lightSumMolM2 } from "../climate/air.ts";
import { referenceEt } from "../climate/reference-et.ts";
import type { WeatherKind } from "../climate/weather-columns.ts";
import type { WeatherHour } from "../climate/weather-hours.ts";
import type { Place } from "../site/zone.ts";
import { fill, type WorkingStep } from "../working.ts";
import { hourOrigins, type Origin, type WorkingInput } from "./origin.ts";

/** A figure with all that a person may ask of it. */
export interface Explained {
  readonly value: number;
  readonly steps: readonly WorkingStep[];
  readonly inputs: readonly WorkingInput[];
}

/**
 * Reference evapotranspiration of a day outside, from its hours, by FAO-56 Penman–Monteith. The station measures wind at 2 m.
 *
 * @returns null when an hour lacks what it needs, or a sensor reports what cannot be
 */
export function outsideEt(place: Place, date: string, hours: readonly WeatherHour[]): Explained | null {
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
    const et = referenceEt({
      method: "penman-monteith-daily",
      ...place,
      date,
      weather: { tMaxC, tMinC, rhMaxPct, rhMinPct, windMs, solarMjM2 },
    });
    return { value: et.value, steps: et.working, inputs };
  } catch (error) {
    // A sensor may report more sun than there is above the air; then there is no sound figure to show.
    if (error instanceof DomainError) return null;
    throw error;
  }
}

/** Light for photosynthesis that reaches the plants of a house in a day. */
export function insideLightSum(solarOutsideMjM2: number, solar: WorkingInput, transmission: WorkingInput): Explained {
  const value = lightSumMolM2((solarOutsideMjM2 * transmission.value) / 100);
  const step: WorkingStep = {
    label: "Light sum inside",
    formula: "Rs · τ · 0.45 · 4.57 mol/MJ",
    substituted: fill`${solarOutsideMjM2} × ${transmission.value / 100} × 0.45 × 4.57`,
    value,
    unit: "mol/m²",
    source: "Meek et al. (1984) for the 45 % that is photosynthetic; Thimijan & Heins (1983) for 4.57 µmol/J",
  };
  return { value, steps: [step], inputs: [solar, transmission] };
}

/** What is missing in the soil this morning, from yesterday's balance. */
export function morningDepletion(
  yesterdayMm: number,
  demandMm: number,
  givenMm: number,
  logged: boolean,
  todayMm: number,
): Explained {
  const step: WorkingStep = {
    label: "Depletion this morning",
    formula:
      "depletion yesterday + uptake − water given; what is over field capacity percolates, uptake falls when the easy water is gone",
    substituted: fill`${yesterdayMm} + ${demandMm} − ${givenMm}`,
    value: todayMm,
    unit: "L/m²",
    source: "FAO-56, eq. 85 (balance) and 84 (stress), followed day by day from planting at field capacity",
  };
  const computed: Origin[] = [{ kind: "computed" }];
  return {
    value: todayMm,
    steps: [step],
    inputs: [
      { name: "Depletion yesterday morning", value: yesterdayMm, unit: "L/m²", origins: computed },
      { name: "Demand yesterday", value: demandMm, unit: "L/m²", origins: computed },
      {
        name: logged ? "Water given yesterday, by the log" : "Water given yesterday, as planned: nothing was logged",
        value: givenMm,
        unit: "L/m²",
        origins: logged ? [{ kind: "measured" }] : computed,
      },
    ],
  };
}

function column(hours: readonly WeatherHour[], kind: WeatherKind): { numbers: number[]; origins: Origin[] } {
  const values = hours.flatMap((hour) => hour.values[kind] ?? []);
  return { numbers: values.map((value) => value.value), origins: hourOrigins(values.map((value) => value.origin)) };
}

function sum(values: readonly number[]): number {
  return values.reduce((total, value) => total + value, 0);
}
