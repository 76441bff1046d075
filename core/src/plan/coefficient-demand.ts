import { basalOf, dualKc } from "../demand/dual-coefficient.ts";
import { saturationVapourPressureKpa } from "../climate/air.ts";
import { referenceEt, type ReferenceEt } from "../climate/reference-et.ts";
import type { WeatherHour } from "../climate/weather-hours.ts";
import type { Place } from "../site/zone.ts";
import { fill, Worksheet } from "../working/working.ts";
import { hourOrigins, type Origin, type WorkingInput } from "../working/origin.ts";
import { library, type CoreDemand, type DemandInput } from "./demand-input.ts";
import { outsideEt } from "./outside-et.ts";

/** A reference surface times Kc, less what a mulch saves; by the hour as light is. */
export function coefficientDemand(
  { hours, mulch }: DemandInput,
  kc: { readonly value: number; readonly origin: Origin },
  et: GroundEt | null,
  outside: number,
  sheet: Worksheet,
  inputs: WorkingInput[],
): CoreDemand | null {
  if (!et) return null;
  sheet.add(et.working);
  et.warnings.forEach((warning) => sheet.warn(warning));
  const savesPct = mulch?.savesPct ?? 0;
  const demandMm = sheet.note(
    "Demand",
    savesPct > 0 ? "Kc · ET₀ · (1 − mulch)" : "Kc · ET₀",
    savesPct > 0 ? fill`${kc.value} × ${et.value} × (1 − ${savesPct / 100})` : fill`${kc.value} × ${et.value}`,
    kc.value * et.value * (1 - savesPct / 100),
    "L/m²",
    savesPct > 0 ? "FAO-56, eq. 58 and chapter 10 (mulches)" : "FAO-56, eq. 58",
  );
  inputs.push({ name: "Crop coefficient Kc", value: kc.value, unit: "", origins: [kc.origin] });
  if (mulch && savesPct > 0)
    inputs.push({ name: "What the mulch saves", value: savesPct, unit: "%", origins: [mulch.origin] });
  const hourlyMm = hours.map((hour) => ({
    startMs: hour.startMs,
    mm: outside > 0 ? (demandMm * (hour.values.radiation?.value ?? 0)) / outside : 0,
  }));
  return { demandMm, hourlyMm, et0Mm: et.value };
}

/** What a reference surface would evaporate, with how it came about. */
export type GroundEt = Pick<ReferenceEt, "value" | "working" | "warnings">;

/** Penman–Monteith with the air inside, whose dryness counts on dull days too; by light alone where the air is not known. */
export function coveredEt(
  {
    place,
    date,
    hours,
    air,
    transmissionPct,
    told,
  }: Pick<DemandInput, "place" | "date" | "hours" | "air" | "transmissionPct" | "told">,
  solarMjM2: number,
  inputs: WorkingInput[],
): GroundEt {
  const sheet = new Worksheet(told);
  const known = new Map(air.map((hour) => [hour.startMs, hour]));
  const inside = hours.flatMap(({ startMs }) => known.get(startMs) ?? []);
  if (inside.length < hours.length || hours.length === 0) {
    sheet.warn("The air inside is not known: the reference is told by light alone.");
    return referenceEt(
      { method: "greenhouse-radiation", ...place, date, transmissionPct, weather: { solarMjM2 } },
      sheet,
    );
  }
  const temperatures = inside.map(({ airTemperatureC }) => airTemperatureC);
  const [tMaxC, tMinC] = [Math.max(...temperatures), Math.min(...temperatures)];
  const vapours = inside.map(({ airTemperatureC, vpdKpa }) =>
    Math.max(0, saturationVapourPressureKpa(airTemperatureC) - vpdKpa),
  );
  const vapourPressureKpa = vapours.reduce((sum, kpa) => sum + kpa, 0) / vapours.length;
  const origins = hourOrigins(inside.map(({ origin }) => origin));
  inputs.push(
    { name: "Air temperature inside, highest", value: tMaxC, unit: "°C", origins },
    { name: "Air temperature inside, lowest", value: tMinC, unit: "°C", origins },
    { name: "Vapour pressure inside, mean", value: vapourPressureKpa, unit: "kPa", origins },
  );
  const weather = { tMaxC, tMinC, vapourPressureKpa, solarMjM2 };
  return referenceEt({ method: "greenhouse-penman-monteith", ...place, date, transmissionPct, weather }, sheet);
}

export function openEt(
  place: Place,
  date: string,
  hours: readonly WeatherHour[],
  inputs: WorkingInput[],
  told: boolean | undefined,
): GroundEt | null {
  const et = outsideEt(place, date, hours, told);
  if (!et) return null;
  inputs.push(...et.inputs.filter((input) => input.name !== "Solar radiation"));
  return { value: et.value, working: et.steps, warnings: [] };
}

/** Kc of the stage over the reference of the open field. */
export function openKc({ crop, cropState }: DemandInput): { readonly value: number; readonly origin: Origin } {
  return { value: cropState.kc, origin: library(crop.sources.kc) };
}

/**
 * Crop and soil apart over the reference of the open field: what wets the surface evaporates beside the crop, be it rain or
 * drippers, and nothing where no ground lies bare. A day counts as one on which the zone is watered.
 */
export function dualKcOf(
  { crop, cropState, hours, wetsPct }: DemandInput,
  et: GroundEt | null,
  sheet: Worksheet,
): { readonly value: number; readonly origin: Origin } | null {
  if (!et) return null;
  const { kcb, coverPct } = basalOf(Math.max(...crop.stages.map(({ kcEnd }) => kcEnd)), cropState.leafAreaIndex);
  sheet.note(
    "Basal coefficient",
    "0.15 + (Kc,full − 0.05 − 0.15) · (1 − exp(−0.7 · LAI))",
    fill`LAI ${cropState.leafAreaIndex}`,
    kcb,
    "",
    "FAO-56, eq. 97",
  );
  if (wetsPct === undefined) return { value: kcb, origin: library(crop.sources.kc) };
  const rainMm = hours.reduce((sum, { values }) => sum + (values.rain?.value ?? 0), 0);
  const value = dualKc(
    {
      kcb,
      coverPct,
      wettedPct: wetsPct,
      rainMm: rainMm >= LEAST_WETTING_MM ? rainMm : 0,
      ...(wetsPct > 0 && { irrigationMm: et.value }),
    },
    et.value,
    sheet,
  );
  return { value, origin: library(crop.sources.kc) };
}
/** Less rain does not wet the surface so that it counts. FAO-56, chapter 7: under a fifth of ET₀; one figure for all days is assumed. */
const LEAST_WETTING_MM = 1;

/** The same over the reference of a house, whose still air makes it another figure: stretched to the highest that was found there. */
export function coveredKc(input: DemandInput): { readonly value: number; readonly origin: Origin } {
  const { crop, cropState } = input;
  const peak = crop.kcPeakUnderCover;
  if (!peak) return openKc(input);
  const openPeak = Math.max(...crop.stages.map(({ kcEnd }) => kcEnd));
  return { value: (cropState.kc * peak.value) / openPeak, origin: library(peak) };
}
