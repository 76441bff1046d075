import { lightSumMolM2 } from "../climate/air.ts";
import type { WeatherHour } from "../climate/weather-hours.ts";
import { fill, showNumber, type WorkingStep } from "../working/working.ts";
import type { Standing } from "../crop/planting.ts";
import { library as libraryOrigin } from "./demand-input.ts";
import { column, sum, type Explained } from "./outside-et.ts";
import type { Origin, WorkingInput } from "../working/origin.ts";

/** Light for photosynthesis that reaches the plants of a house in a day. */
export function insideLightSum(solarOutsideMjM2: number, solar: WorkingInput, transmission: WorkingInput): Explained {
  const value = lightSumMolM2((solarOutsideMjM2 * transmission.value) / 100);
  const step: WorkingStep = {
    label: "Light sum inside",
    formula: "Rs · τ · 0.45 · 4.57 mol/MJ",
    substituted: fill`${solarOutsideMjM2} × ${transmission.value / 100} × 0.45 × 4.57`(),
    value,
    unit: "mol/m²",
    source: "Meek et al. (1984) for the 45 % that is photosynthetic; Thimijan & Heins (1983) for 4.57 µmol/J",
  };
  return { value, steps: [step], inputs: [solar, transmission] };
}

/** Global radiation outside over a day, hour by hour. */
export function solarSum(hours: readonly WeatherHour[]): Explained | null {
  const solar = column(hours, "radiation");
  if (solar.numbers.length === 0) return null;
  const value = sum(solar.numbers);
  const step: WorkingStep = {
    label: "Solar radiation outside",
    formula: "Σ of the hours' radiation",
    substituted:
      solar.numbers
        .filter((hour) => hour > 0)
        .map((hour) => showNumber(hour))
        .join(" + ") || "0",
    value,
    unit: "MJ/m²",
    source: "pyranometer of the station; hours that are dark are left out of the line",
  };
  return {
    value,
    steps: [step],
    inputs: [{ name: "Hours of radiation", value, unit: "MJ/m²", origins: solar.origins }],
  };
}

/** The coldest and the warmest hour outside. */
export function airSpan(hours: readonly WeatherHour[]): Explained | null {
  const air = column(hours, "airTemperature");
  if (air.numbers.length === 0) return null;
  const step = (label: string, formula: string, value: number): WorkingStep => ({
    label,
    formula,
    substituted: `of ${air.numbers.map((hour) => showNumber(hour)).join(", ")}`,
    value,
    unit: "°C",
    source: "means of the hours, in the shade at 2 m",
  });
  const [low, high] = [Math.min(...air.numbers), Math.max(...air.numbers)];
  return {
    value: high,
    steps: [step("Coldest hour", "least of the hours", low), step("Warmest hour", "greatest of the hours", high)],
    inputs: [{ name: "Hours of air temperature", value: air.numbers.length, unit: "h", origins: air.origins }],
  };
}

/** A figure that was read, not computed. */
export function asRead(name: string, value: number, unit: string, at: string, source: string): Explained {
  return {
    value,
    steps: [{ label: name, formula: "as read", substituted: showNumber(value), value, unit, source }],
    inputs: [{ name, value, unit, origins: [{ kind: "measured", at }] }],
  };
}

/** Which day of its stage a crop stands in. */
export function stageDay({ planting, crop, state }: Standing, date: string): Explained {
  const { period, day, days } = state;
  return {
    value: day,
    steps: [
      {
        label: `Day of ${period.stage.name.toLowerCase()}`,
        formula: "date − first day of the stage + 1",
        substituted: `${date} − ${period.startsOn} + 1`,
        value: day,
        unit: `of ${days}`,
        source: period.seen
          ? "the stage was seen to begin; the sign wins over the count of days"
          : `planted on ${planting.plantedOn}; ${crop.sources.stages.source}`,
      },
    ],
    inputs: [
      {
        name: "Length of the stage",
        value: period.stage.days,
        unit: "days",
        origins: [libraryOrigin(crop.sources.stages)],
      },
    ],
  };
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
    label: "Missing this morning",
    formula:
      "missing yesterday + uptake − water that got in, hour by hour; what stands over full drains, uptake falls when the easy water is gone",
    substituted: fill`${yesterdayMm} + ${demandMm} − ${givenMm}`(),
    value: todayMm,
    unit: "L/m²",
    source:
      "FAO-56, eq. 85 to 88 (balance) and 84 (stress), followed hour by hour from planting, when it was full; readings of a level count from their hour on",
  };
  const computed: Origin[] = [{ kind: "computed" }];
  return {
    value: todayMm,
    steps: [step],
    inputs: [
      { name: "Missing yesterday morning", value: yesterdayMm, unit: "L/m²", origins: computed },
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
