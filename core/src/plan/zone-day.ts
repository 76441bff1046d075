import { sunTimes, type SunTimes } from "../climate/sun-times.ts";
import type { Crop } from "../crop/crop.ts";
import type { CropState } from "../crop/stage-on.ts";
import { clockText } from "../irrigation/clock.ts";
import type { DemandCurve } from "../irrigation/pulses.ts";
import type { SoilNeeds, SubstrateNeeds } from "../irrigation/zone-water-input.ts";
import { zoneWater, type ZoneWater } from "../irrigation/zone-water.ts";
import { depletionFractionAt } from "../rootzone/soil-drip.ts";
import type { Place, SoilDripZone, SubstrateZone, Zone, ZoneField } from "../site/zone.ts";
import { utcOffsetMin } from "../table/local-time.ts";
import type { WorkingStep } from "../working.ts";
import { library, type Demand } from "./demand.ts";
import type { Origin, WorkingInput } from "./origin.ts";

/** What was measured at the drain yesterday, and what that day's plan stood on. */
export interface YesterdayDrain {
  readonly drainPct: number;
  readonly drainEcMsCm: number;
  readonly feedEcMsCm: number;
  readonly at: string;
  readonly origin: "measured" | "simulated";
  /** L that were given that day, and what the model foresaw as demand */
  readonly givenL: number;
  readonly modelDemandMm: number;
}

export interface ZoneDayInput {
  readonly zone: Zone;
  /** fields of the zone that are defaults nobody has confirmed */
  readonly unconfirmed: readonly ZoneField[];
  readonly place: Place;
  readonly date: string;
  readonly crop: Crop;
  readonly cropState: CropState;
  readonly demand: Demand;
  readonly yesterday?: YesterdayDrain | undefined;
  /** mm this morning; soil only */
  readonly depletionMm?: number | undefined;
}

/** Figures of a day that a person may ask the working of. */
export const FIGURES = {
  demand: "Demand",
  gross: "Gross water",
  litres: "Litres for the zone",
  minutes: "Running time",
  pulse: "One pulse",
} as const;
export type Figure = keyof typeof FIGURES;

export interface ZoneDay {
  readonly water: ZoneWater;
  readonly litresPerPlant: number;
  readonly demandPerPlantL: number;
  readonly window: { readonly start: string; readonly end: string };
  /** soil: what the trigger and the root zone are in mm today */
  readonly soil?: { readonly availableMm: number; readonly triggerMm: number; readonly rootDepthM: number };
  readonly warnings: readonly string[];
  readonly working: readonly WorkingStep[];
  /** how many lines of the working lead to a figure; a figure that the day does not have is absent */
  readonly lines: Readonly<Partial<Record<Figure, number>>>;
  readonly inputs: readonly WorkingInput[];
}

/** Where the sun gives no window (polar day and night) water is given from 8 to 16 h. */
const WINDOW_WITHOUT_SUN = { start: "08:00", end: "16:00" };
/** One zone's day: from the crop's demand to pulses at clock times, with everything a person may question. */
export function planZoneDay(input: ZoneDayInput): ZoneDay {
  const { zone, place, date, demand } = input;
  const sun = sunTimes(date, place.timeZone, place.latitudeDeg, place.longitudeDeg);
  const window = sunWindow(zone, sun, place.timeZone);
  const inputs: WorkingInput[] = [
    entered(input, "areaM2", "Area", "m²"),
    entered(input, "plants", "Plants", ""),
    entered(input, "flowLh", "Flow of the zone", "L/h"),
    entered(input, "uniformityPct", "Uniformity", "%"),
  ];
  const common = {
    date,
    areaM2: zone.areaM2,
    plants: zone.plants,
    zoneFlowLh: zone.flowLh,
    uniformityPct: zone.uniformityPct,
    window,
    minGapMin: zone.minGapMin,
    demandCurve: curveOf(demand, place.timeZone),
  };
  const soil = zone.system === "soil-drip" ? soilNeeds(zone, input, inputs) : undefined;
  const water =
    zone.system === "substrate"
      ? zoneWater({
          ...common,
          system: "substrate",
          demandMm: demand.demandMm,
          substrate: substrateNeeds(zone, input, inputs),
        })
      : zoneWater({ ...common, system: "soil-drip", demandMm: demand.demandMm, soil });
  // The first line of the zone's water repeats the demand, which its own sum has just ended on.
  const working = [...demand.working, ...water.working.slice(1)];
  return {
    water,
    litresPerPlant: water.litres / zone.plants,
    demandPerPlantL: (demand.demandMm * zone.areaM2) / zone.plants,
    window,
    ...(soil && {
      soil: {
        availableMm: soil.totalAvailableMm * (soil.wettedPct / 100),
        triggerMm: (soil.totalAvailableMm * soil.wettedPct * soil.triggerPct) / 10_000,
        rootDepthM: input.cropState.rootDepthM,
      },
    }),
    warnings: [...demand.warnings, ...water.warnings],
    working,
    lines: linesOf(working),
    inputs: [...demand.inputs, ...inputs],
  };
}

function sunWindow(zone: Zone, sun: SunTimes | null, timeZone: string): { start: string; end: string } {
  if (!sun) return WINDOW_WITHOUT_SUN;
  const clock = (ms: number): number => (((ms / 1000 + utcOffsetMin(ms, timeZone) * 60) % 86_400) + 86_400) % 86_400;
  const minute = (seconds: number): number => Math.round(seconds / 60) * 60;
  const start = minute(clock(sun.riseMs) + zone.startAfterSunriseMin * 60);
  const end = minute(clock(sun.setMs) - zone.endBeforeSunsetMin * 60);
  // In the shortest days the two limits may cross; then the middle hour of the day remains.
  const middle = minute((start + end) / 2);
  const [from, to] = end - start >= 3600 ? [start, end] : [middle - 1800, middle + 1800];
  return { start: clockText(Math.max(0, from)).slice(0, 5), end: clockText(Math.min(86_400, to)).slice(0, 5) };
}

/** Share of the day's demand by clock time, straight inside each hour. */
function curveOf(demand: Demand, timeZone: string): DemandCurve {
  const first = demand.hourlyMm[0]?.startMs ?? 0;
  const offsetS = utcOffsetMin(first, timeZone) * 60;
  const dayStartS = Math.floor((first / 1000 + offsetS) / 86_400) * 86_400 - offsetS;
  return (seconds) => {
    const nowMs = (dayStartS + seconds) * 1000;
    const mm = demand.hourlyMm.reduce(
      (sum, hour) => sum + hour.mm * Math.min(1, Math.max(0, (nowMs - hour.startMs) / 3_600_000)),
      0,
    );
    return demand.demandMm > 0 ? mm / demand.demandMm : 0;
  };
}

function substrateNeeds(zone: SubstrateZone, input: ZoneDayInput, inputs: WorkingInput[]): SubstrateNeeds {
  const { drainTargetPct } = input.cropState.period.stage;
  const { yesterday } = input;
  inputs.push(
    entered(input, "waterHeldLPlant", "Water held per plant", "L"),
    entered(input, "pulseSharePct", "Share of a pulse", "%"),
    {
      name: "Drain target of the stage",
      value: drainTargetPct,
      unit: "%",
      origins: [library(input.crop.sources.drainTarget)],
    },
  );
  if (yesterday) {
    const origins: Origin[] = [{ kind: yesterday.origin, at: yesterday.at }];
    inputs.push(
      { name: "Drain share yesterday", value: yesterday.drainPct, unit: "%", origins },
      { name: "Drain EC yesterday", value: yesterday.drainEcMsCm, unit: "mS/cm", origins },
      { name: "Feed EC yesterday", value: yesterday.feedEcMsCm, unit: "mS/cm", origins },
      { name: "Water given yesterday", value: yesterday.givenL, unit: "L", origins },
    );
  }
  return {
    waterHeldLPlant: zone.waterHeldLPlant,
    pulseSharePct: zone.pulseSharePct,
    drainTargetPct,
    yesterday: yesterday && { ...yesterday, givenMm: yesterday.givenL / zone.areaM2 },
  };
}

function soilNeeds(zone: SoilDripZone, input: ZoneDayInput, inputs: WorkingInput[]): SoilNeeds {
  const { crop, cropState, demand } = input;
  const fraction = depletionFractionAt(crop.depletionFraction.value, demand.demandMm);
  const withoutStressPct = Math.min(90, fraction * 100 + cropState.period.stage.drierPct);
  const triggerPct = Math.min(zone.triggerPct, withoutStressPct);
  const totalAvailableMm = zone.availableMmM * cropState.rootDepthM;
  const depletionMm = Math.min(input.depletionMm ?? 0, totalAvailableMm);
  inputs.push(
    { name: "Depletion this morning", value: depletionMm, unit: "mm", origins: [{ kind: "computed" }] },
    { name: "Rooted depth", value: cropState.rootDepthM, unit: "m", origins: [library(crop.sources.rootDepth)] },
    entered(input, "availableMmM", "Available water in 1 m of soil", "mm"),
    entered(input, "wettedPct", "Wetted share of the ground", "%"),
    entered(input, "refillPct", "Refill", "%"),
    entered(input, "triggerPct", "Trigger, of the available water", "%"),
    {
      name: "At most, FAO-56 p at today's demand and what the stage adds",
      value: withoutStressPct,
      unit: "%",
      origins: [library(crop.depletionFraction)],
    },
    entered(input, "ecWaterMsCm", "EC of the water", "mS/cm"),
    {
      name: "Extract EC at zero yield",
      value: crop.ecZeroYieldMsCm.value,
      unit: "mS/cm",
      origins: [library(crop.ecZeroYieldMsCm)],
    },
  );
  return {
    depletionMm,
    totalAvailableMm,
    triggerPct,
    refillPct: zone.refillPct,
    wettedPct: zone.wettedPct,
    ecWaterMsCm: zone.ecWaterMsCm,
    ecZeroYieldMsCm: crop.ecZeroYieldMsCm.value,
  };
}

function entered({ zone, unconfirmed }: ZoneDayInput, field: ZoneField, name: string, unit: string): WorkingInput {
  const value = (zone as Partial<Record<ZoneField, number>>)[field];
  if (value === undefined) throw new Error(`a ${zone.system} zone has no ${field}`);
  return { name, value, unit, origins: [{ kind: unconfirmed.includes(field) ? "default" : "entered" }] };
}

function linesOf(working: readonly WorkingStep[]): Partial<Record<Figure, number>> {
  const lines: Partial<Record<Figure, number>> = {};
  for (const [figure, label] of Object.entries(FIGURES)) {
    const at = working.findIndex((step) => step.label === label);
    if (at >= 0) lines[figure as Figure] = at + 1;
  }
  return lines;
}
