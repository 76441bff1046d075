import type { HouseAir, WeatherHour } from "../climate/weather-hours.ts";
import { lightSumMolM2, saturationVapourPressureKpa } from "../climate/air.ts";
import { referenceEt, type ReferenceEt } from "../climate/reference-et.ts";
import type { Crop } from "../crop/crop.ts";
import type { CropState } from "../crop/stage-on.ts";
import { canopyTranspirationMm, MOST_LEAF_AREA, MOST_VPD_KPA } from "../climate/canopy-transpiration.ts";
import { OPEN_FIELD_PCT, type Place, type System } from "../site/zone.ts";
import { SYSTEMS } from "../systems/index.ts";
import { wetSurfaceMm } from "../climate/wet-surface.ts";
import { outsideEt } from "./outside-et.ts";
import { fill, Worksheet, type WorkingStep } from "../working/working.ts";
import { hourOrigins, type Origin, type WorkingInput } from "../working/origin.ts";

export interface DemandInput {
  readonly system: System;
  readonly place: Place;
  readonly date: string;
  /** the hours of the local day, in order */
  readonly hours: readonly WeatherHour[];
  readonly air: readonly HouseAir[];
  readonly transmissionPct: number;
  readonly transmissionOrigin: Origin;
  /** % of the crop's demand that a mulch saves, where one lies on the ground */
  readonly mulch?: { readonly savesPct: number; readonly origin: Origin } | undefined;
  /** share of the ground over which pots lie open, where its plants stand in pots */
  readonly openShare?: number | undefined;
  /** share of the plants that stands yet, where some were taken */
  readonly standing?: number | undefined;
  readonly crop: Crop;
  readonly cropState: CropState;
  /** whether anybody reads how it arose; they do unless said otherwise */
  readonly told?: boolean | undefined;
}

/** What the crop would take up in a day with ample water. */
export interface Demand {
  readonly demandMm: number;
  /** the same by the hour */
  readonly hourlyMm: readonly { readonly startMs: number; readonly mm: number }[];
  readonly solarOutsideMjM2: number;
  readonly lightSumMolM2: number;
  readonly et0Mm?: number;
  readonly warnings: readonly string[];
  readonly working: readonly WorkingStep[];
  readonly inputs: readonly WorkingInput[];
}

/**
 * Crop demand of one day: by the canopy, or by reference evapotranspiration in the open or under cover times Kc, as the growing
 * system has it.
 *
 * @returns null when the day's weather is not known well enough: some hour has no sunlight, or none of the air is known
 */
export function dayDemand(input: DemandInput): Demand | null {
  const solar = input.hours.map((hour) => hour.values.radiation).filter((value) => value !== undefined);
  if (solar.length < input.hours.length) return null;
  const sheet = new Worksheet(input.told);
  const outside = solar.reduce((sum, { value }) => sum + value, 0);
  const insideShare = input.transmissionPct / 100;
  const inputs: WorkingInput[] = [
    {
      name: "Solar radiation outside",
      value: outside,
      unit: "MJ/m²",
      origins: hourOrigins(solar.map((value) => value.origin)),
    },
    { name: "Light through the cover", value: input.transmissionPct, unit: "%", origins: [input.transmissionOrigin] },
  ];
  const core =
    SYSTEMS[input.system].demand === "canopy"
      ? canopyDemand(input, insideShare, sheet, inputs)
      : coefficientDemand(input, outside, sheet, inputs);
  if (!core) return null;
  return {
    ...standingOf(core, input.standing ?? 1, sheet),
    solarOutsideMjM2: outside,
    lightSumMolM2: lightSumMolM2(outside * insideShare),
    warnings: sheet.warnings,
    working: sheet.steps,
    inputs,
  };
}

/** What is left drinks as all did; the places of heads that were cut and pots that were sold drink nothing. */
function standingOf(core: CoreDemand, standing: number, sheet: Worksheet): CoreDemand {
  if (standing >= 1) return core;
  const demandMm = sheet.note(
    "Demand of what stands",
    "demand · share of the plants that stands",
    fill`${core.demandMm} × ${standing}`,
    core.demandMm * standing,
    "L/m²",
    "pieces taken since planting, as noted",
  );
  return { ...core, demandMm, hourlyMm: core.hourlyMm.map(({ startMs, mm }) => ({ startMs, mm: mm * standing })) };
}

type CoreDemand = Pick<Demand, "demandMm" | "hourlyMm" | "et0Mm">;

function canopyDemand(
  { hours, air, crop, cropState, place, openShare = 0 }: DemandInput,
  share: number,
  sheet: Worksheet,
  inputs: WorkingInput[],
): CoreDemand | null {
  const airByHour = new Map(air.map((hour) => [hour.startMs, hour]));
  const known = hours.map((hour) => ({
    startMs: hour.startMs,
    solar: (hour.values.radiation?.value ?? 0) * share,
    air: airByHour.get(hour.startMs),
  }));
  if (known.some((hour) => !hour.air)) return null;
  const leafAreaIndex = cropState.leafAreaIndex;
  const canopy = crop.canopy;
  const at = (solarInsideMjM2: number, vpdKpa: number): number =>
    canopyTranspirationMm({ solarInsideMjM2, vpdKpa, leafAreaIndex }, canopy);
  const bareShare = openShare * Math.max(0, 1 - leafAreaIndex / FULL_SHADE);
  const fromPots = known.map(({ solar, air: inside }) =>
    bareShare > 0 ? bareShare * wetSurfaceMm(solar, inside?.airTemperatureC ?? 0, place.elevationM) : 0,
  );
  const potsMm = fromPots.reduce((sum, mm) => sum + mm, 0);
  const hourlyMm = known.map(({ startMs, solar, air: inside }, hour) => ({
    startMs,
    mm: at(solar, inside?.vpdKpa ?? 0) + (fromPots[hour] ?? 0),
  }));
  const fromLight = known.reduce((sum, { solar }) => sum + at(solar, 0), 0);
  const total = hourlyMm.reduce((sum, { mm }) => sum + mm, 0);
  const byDay = total - fromLight - potsMm;
  const night = known.reduce((sum, { solar, air: inside }) => sum + (solar > 0 ? 0 : at(0, inside?.vpdKpa ?? 0)), 0);
  const dryness = (byDay: boolean): number =>
    known.reduce(
      (sum, { solar, air: inside }) => sum + (solar > 0 === byDay ? Math.min(inside?.vpdKpa ?? 0, MOST_VPD_KPA) : 0),
      0,
    );
  const leaves = Math.min(leafAreaIndex, MOST_LEAF_AREA);
  const inside = known.reduce((sum, { solar }) => sum + solar, 0);
  const meanVpd = known.reduce((sum, hour) => sum + (hour.air?.vpdKpa ?? 0), 0) / known.length;
  inputs.push(
    {
      name: "Vapour pressure deficit inside, mean",
      value: meanVpd,
      unit: "kPa",
      origins: hourOrigins(known.map((hour) => hour.air?.origin ?? "outside")),
    },
    { name: "Leaf area index", value: leafAreaIndex, unit: "", origins: [library(crop.sources.leafArea)] },
    {
      name: "A, share of light that evaporates",
      value: canopy.radiationShare,
      unit: "",
      origins: [library(crop.sources.canopy)],
    },
    {
      name: "B by day and night",
      value: canopy.vpdDay,
      unit: `and ${canopy.vpdNight} W·m⁻²·kPa⁻¹`,
      origins: [library(crop.sources.canopy)],
    },
  );
  const source = "Baille, Baille & Laury (1994), the form";
  sheet.note(
    "Water by light",
    "Σ A · (1 − e^(−k·LAI)) · Rs,in ÷ 2.45",
    fill`${canopy.radiationShare} × (1 − e^(−${canopy.extinction} × ${leafAreaIndex})) × ${inside} MJ/m² ÷ 2.45`,
    fromLight,
    "L/m²",
    source,
  );
  sheet.note(
    "Water by dry air, day",
    "B · LAI · ΣVPD · 0.0036 ÷ 2.45, LAI to 3, each hour's VPD to 2.5 kPa",
    fill`${canopy.vpdDay} × ${leaves} × ${dryness(true)} kPa·h × 0.0036 ÷ 2.45`,
    byDay - night,
    "L/m²",
    source,
  );
  sheet.note(
    "Water by dry air, night",
    "the same with B of the night",
    fill`${canopy.vpdNight} × ${leaves} × ${dryness(false)} kPa·h × 0.0036 ÷ 2.45`,
    night,
    "L/m²",
    source,
  );
  if (potsMm > 0) {
    sheet.note(
      "Water from open pots",
      "open share · (1 − LAI) · Σ 1.26 · Δ / (Δ + γ) · 0.85 · Rs,in ÷ 2.45",
      fill`${openShare} × ${Math.max(0, 1 - leafAreaIndex / FULL_SHADE)} × ${potsMm / bareShare}`,
      potsMm,
      "L/m²",
      "Priestley & Taylor (1972), under leaves that do not close yet; light taken up 85 %, assumed",
    );
    inputs.push({
      name: "Open share of the ground",
      value: openShare * 100,
      unit: "%",
      origins: [{ kind: "computed" }],
    });
  }
  sheet.note(
    "Demand",
    potsMm > 0 ? "light + air by day + air by night + pots" : "light + air by day + air by night",
    potsMm > 0
      ? fill`${fromLight} + ${byDay - night} + ${night} + ${potsMm}`
      : fill`${fromLight} + ${byDay - night} + ${night}`,
    total,
    "L/m²",
    source,
  );
  return { demandMm: total, hourlyMm };
}

/** Leaf area at which the pots under it are shaded and counted with their plants, m²/m². Assumed. */
const FULL_SHADE = 1;
function coefficientDemand(
  { place, date, hours, air, transmissionPct, mulch, crop, cropState, told }: DemandInput,
  outside: number,
  sheet: Worksheet,
  inputs: WorkingInput[],
): CoreDemand | null {
  const et =
    transmissionPct >= OPEN_FIELD_PCT
      ? openEt(place, date, hours, inputs, told)
      : coveredEt({ place, date, hours, air, transmissionPct, told }, outside, inputs);
  if (!et) return null;
  sheet.add(et.working);
  et.warnings.forEach((warning) => sheet.warn(warning));
  const savesPct = mulch?.savesPct ?? 0;
  const demandMm = sheet.note(
    "Demand",
    savesPct > 0 ? "Kc · ET₀ · (1 − mulch)" : "Kc · ET₀",
    savesPct > 0 ? fill`${cropState.kc} × ${et.value} × (1 − ${savesPct / 100})` : fill`${cropState.kc} × ${et.value}`,
    cropState.kc * et.value * (1 - savesPct / 100),
    "L/m²",
    savesPct > 0 ? "FAO-56, eq. 58 and chapter 10 (mulches)" : "FAO-56, eq. 58",
  );
  inputs.push({ name: "Crop coefficient Kc", value: cropState.kc, unit: "", origins: [library(crop.sources.kc)] });
  if (mulch && savesPct > 0)
    inputs.push({ name: "What the mulch saves", value: savesPct, unit: "%", origins: [mulch.origin] });
  const hourlyMm = hours.map((hour) => ({
    startMs: hour.startMs,
    mm: outside > 0 ? (demandMm * (hour.values.radiation?.value ?? 0)) / outside : 0,
  }));
  return { demandMm, hourlyMm, et0Mm: et.value };
}

/** What a reference surface would evaporate, with how it came about. */
type GroundEt = Pick<ReferenceEt, "value" | "working" | "warnings">;

/** Penman–Monteith with the air inside, whose dryness counts on dull days too; by light alone where the air is not known. */
function coveredEt(
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

function openEt(
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

export function library({ source, assumed }: { source: string; assumed?: true }): Origin {
  return { kind: "library", source, assumed: assumed ?? false };
}
