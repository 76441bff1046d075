import { sunTimes, type SunTimes } from "../climate/sun-times.ts";
import type { Crop } from "../crop/crop.ts";
import type { CropState } from "../crop/stage-on.ts";
import { clockText } from "../time/clock.ts";
import type { DemandCurve } from "../irrigation/pulses.ts";
import {
  NO_CORRECTION,
  type Correction,
  type SoilNeeds,
  type SubstrateNeeds,
  type ZoneWaterInput,
} from "../irrigation/zone-water-input.ts";
import type { ZoneWater } from "../irrigation/deliver.ts";
import { storeWater } from "../irrigation/store-water.ts";
import { zoneWater } from "../irrigation/zone-water.ts";
import { rootStore, type RootStore } from "../rootzone/root-store.ts";
import type { BuriedDripZone, Place, SoilDripZone, SubstrateZone, ZoneDefinition, ZoneField } from "../site/zone.ts";
import { clockOf, instantOf } from "../time/local-time.ts";
import { Worksheet, type WorkingStep } from "../working/working.ts";
import { library, type Demand } from "./demand.ts";
import type { Origin, WorkingInput } from "./origin.ts";

/** A correction that a person accepted, and when. */
export interface AcceptedCorrection extends Correction {
  readonly at: string;
}

export interface ZoneDayInput {
  readonly zone: ZoneDefinition;
  /** fields of the zone that are defaults nobody has confirmed */
  readonly unconfirmed: readonly ZoneField[];
  readonly place: Place;
  readonly date: string;
  readonly crop: Crop;
  readonly cropState: CropState;
  readonly demand: Demand;
  /** substrate only */
  readonly correction?: AcceptedCorrection | undefined;
  /** mm this morning; all but substrate */
  readonly depletionMm?: number | undefined;
  /** mm that have fallen in the open today */
  readonly rainMm?: number | undefined;
  /** whether anybody reads how the figures arose; they do unless said otherwise */
  readonly told?: boolean | undefined;
}

/** Figures of a day that a person may ask the working of: all lines up to the first marked so, then the others. */
export const FIGURES = {
  demand: ["demand"],
  gross: ["gross"],
  litres: ["litres"],
  minutes: ["minutes"],
  pulse: ["pulse"],
  drainOut: ["litres", "drain"],
  perPlant: ["litres", "plant"],
} as const;
type Figure = keyof typeof FIGURES;

export interface ZoneDay {
  readonly water: ZoneWater;
  /** what it should get; the window may hold less */
  readonly wantedL: number;
  readonly litresPerPlant: number;
  readonly demandPerPlantL: number;
  readonly window: { readonly start: string; readonly end: string };
  /** all but substrate: how much the root zone holds for the plants, and when it is filled, mm */
  readonly store?: { readonly availableMm: number; readonly triggerMm: number };
  readonly warnings: readonly string[];
  /** the lines that lead to each figure; a figure that the day does not have is absent */
  readonly workings: Readonly<Partial<Record<Figure, readonly WorkingStep[]>>>;
  readonly inputs: readonly WorkingInput[];
}

/** Where the sun gives no window (polar day and night) water is given from 8 to 16 h. */
const WINDOW_WITHOUT_SUN = { start: "08:00", end: "16:00" };
/** One zone's day: from the crop's demand to pulses at clock times, with everything a person may question. */
export function planZoneDay(input: ZoneDayInput): ZoneDay {
  const { zone, place, date, demand } = input;
  const sun = sunTimes(date, place.timeZone, place.latitudeDeg, place.longitudeDeg);
  const window = sunWindow(zone, sun, date, place.timeZone);
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
    demandCurve: curveOf(demand, date, place.timeZone),
  };
  const store = zone.system === "substrate" ? undefined : rootStore(zone, input.crop, input.cropState, demand.demandMm);
  const sheet = new Worksheet(input.told);
  const water = waterOf(input, common, store, inputs, sheet);
  // The first line of the zone's water repeats the demand, which its own sum has just ended on.
  const working = [...demand.working, ...water.working.slice(1)];
  const ended = demand.working.at(-1);
  if (ended) sheet.marked.set("demand", ended);
  return {
    water,
    wantedL: water.grossMm * zone.areaM2,
    litresPerPlant: water.litres / zone.plants,
    demandPerPlantL: (demand.demandMm * zone.areaM2) / zone.plants,
    window,
    ...(store && { store: { availableMm: store.limits.availableMm, triggerMm: store.triggerMm } }),
    warnings: [...demand.warnings, ...water.warnings],
    workings: workingsOf(working, sheet.marked),
    inputs: [...demand.inputs, ...inputs],
  };
}

type CommonNeeds = Omit<ZoneWaterInput, "system">;

/** By the system: drips with drain, drips into soil, or a store that is filled again. */
function waterOf(
  input: ZoneDayInput,
  common: CommonNeeds,
  store: RootStore | undefined,
  inputs: WorkingInput[],
  sheet: Worksheet,
): ZoneWater {
  const { zone, demand, rainMm = 0 } = input;
  if (zone.system === "substrate")
    return zoneWater(
      {
        ...common,
        system: "substrate",
        demandMm: demand.demandMm,
        substrate: substrateNeeds(zone, input, inputs),
      },
      sheet,
    );
  if (!store) throw new Error(`a ${zone.system} zone has a store`);
  if (rainMm > 0) inputs.push({ name: "Rain so far", value: rainMm, unit: "mm", origins: [{ kind: "measured" }] });
  if (zone.system === "soil-drip" || zone.system === "buried-drip")
    return zoneWater(
      {
        ...common,
        system: "soil-drip",
        demandMm: demand.demandMm,
        soil: soilNeeds(zone, store, input, inputs),
      },
      sheet,
    );
  const depletionMm = Math.min(input.depletionMm ?? 0, store.limits.availableMm);
  inputs.push({ name: "Missing this morning", value: depletionMm, unit: "mm", origins: [{ kind: "computed" }] });
  for (const [field, name, unit] of STORE_FIELDS[zone.system]) inputs.push(entered(input, field, name, unit));
  return storeWater(
    {
      ...common,
      demandMm: demand.demandMm,
      depletionMm,
      triggerMm: store.triggerMm,
      leaveMm: store.leaveMm,
      seepMm: store.seepMm,
      rainMm,
      floodMm: zone.system === "sub-irrigated-bench" ? zone.floodDepthMm : undefined,
    },
    sheet,
  );
}

/** What a person typed that the store's marks come from. */
const STORE_FIELDS: Readonly<
  Record<"solution-tank" | "sub-irrigated-bench" | "basin", readonly (readonly [ZoneField, string, string])[]>
> = {
  "solution-tank": [
    ["fullLevelCm", "Level when full", "cm"],
    ["topUpAtCm", "Topped up at", "cm"],
  ],
  "sub-irrigated-bench": [
    ["waterHeldLPlant", "Water held per plant", "L"],
    ["floodAtPct", "Flooded when so much is left", "%"],
    ["floodDepthMm", "Depth of a flood", "mm"],
  ],
  basin: [
    ["floodDepthMm", "Depth of a flood", "mm"],
    ["refloodAtCm", "Flooded again at, below the soil", "cm"],
    ["percolationMmDay", "Percolation", "mm in the day"],
    ["drainablePct", "Drainable share of the soil", "%"],
  ],
};

/** Whether a zone that is watered on some days of the week is watered on this one: spread evenly from Monday on. */
function isWateringDay(daysAWeek: number, date: string): boolean {
  const weekday = (new Date(`${date}T00:00:00Z`).getUTCDay() + 6) % 7;
  return Math.floor(((weekday + 1) * daysAWeek) / 7) > Math.floor((weekday * daysAWeek) / 7);
}

function sunWindow(
  zone: ZoneDefinition,
  sun: SunTimes | null,
  date: string,
  timeZone: string,
): { start: string; end: string } {
  if (!sun) return WINDOW_WITHOUT_SUN;
  // In the far north the June sun sets on the next date: water ends with the date.
  const clock = (ms: number): number => {
    const shown = clockOf(ms, timeZone);
    return shown.date === date ? shown.clockS : shown.date > date ? 86_400 : 0;
  };
  const minute = (seconds: number): number => Math.round(seconds / 60) * 60;
  const start = minute(clock(sun.riseMs) + zone.startAfterSunriseMin * 60);
  const end = minute(clock(sun.setMs) - zone.endBeforeSunsetMin * 60);
  // In the shortest days the two limits may cross; then the middle hour of the day remains.
  const middle = minute((start + end) / 2);
  const [from, to] = end - start >= 3600 ? [start, end] : [middle - 1800, middle + 1800];
  return { start: clockText(Math.max(0, from)).slice(0, 5), end: clockText(Math.min(86_400, to)).slice(0, 5) };
}

/** Share of the day's demand by clock time, straight inside each hour. */
function curveOf(demand: Demand, date: string, timeZone: string): DemandCurve {
  return (seconds) => {
    const nowMs = instantOf(date, seconds, timeZone);
    const mm = demand.hourlyMm.reduce(
      (sum, hour) => sum + hour.mm * Math.min(1, Math.max(0, (nowMs - hour.startMs) / 3_600_000)),
      0,
    );
    return demand.demandMm > 0 ? mm / demand.demandMm : 0;
  };
}

function substrateNeeds(zone: SubstrateZone, input: ZoneDayInput, inputs: WorkingInput[]): SubstrateNeeds {
  const { drainTargetPct } = input.cropState.period.stage;
  const { correction } = input;
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
  if (correction) {
    const origins: Origin[] = [{ kind: "decided", at: correction.at }];
    inputs.push({ name: "Demand against the model", value: correction.demandFactor, unit: "×", origins });
    if (correction.drainSharePct !== null)
      inputs.push({ name: "Drain against salt", value: correction.drainSharePct, unit: "%", origins });
  }
  return {
    waterHeldLPlant: zone.waterHeldLPlant,
    pulseSharePct: zone.pulseSharePct,
    drainTargetPct,
    correction: correction ?? NO_CORRECTION,
  };
}

function soilNeeds(
  zone: SoilDripZone | BuriedDripZone,
  store: RootStore,
  input: ZoneDayInput,
  inputs: WorkingInput[],
): SoilNeeds {
  const { crop, cropState, rainMm, date } = input;
  const totalAvailableMm = zone.availableMmM * cropState.rootDepthM;
  const depletionMm = Math.min(input.depletionMm ?? 0, totalAvailableMm);
  const rests = zone.system === "buried-drip" && !isWateringDay(zone.daysAWeek, date);
  inputs.push(
    { name: "Depletion this morning", value: depletionMm, unit: "mm", origins: [{ kind: "computed" }] },
    { name: "Rooted depth", value: cropState.rootDepthM, unit: "m", origins: [library(crop.sources.rootDepth)] },
    entered(input, "availableMmM", "Available water in 1 m of soil", "mm"),
    entered(input, "wettedPct", "Wetted share of the ground", "%"),
    entered(input, "refillPct", "Refill", "%"),
    entered(input, "triggerPct", "Trigger, of the available water", "%"),
    {
      name: "At most, FAO-56 p at today's demand and what the stage adds",
      value: store.limits.depletionFraction * 100 + cropState.period.stage.drierPct,
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
  if (zone.system === "buried-drip") inputs.push(entered(input, "daysAWeek", "Watering days in a week", ""));
  return {
    depletionMm,
    totalAvailableMm,
    // On a day of rest it is watered only when nothing is left.
    triggerPct: rests ? 100 : (100 * store.triggerMm) / store.limits.availableMm,
    refillPct: zone.refillPct,
    wettedPct: zone.wettedPct,
    ecWaterMsCm: zone.ecWaterMsCm,
    ecZeroYieldMsCm: crop.ecZeroYieldMsCm.value,
    rainMm,
  };
}

function entered({ zone, unconfirmed }: ZoneDayInput, field: ZoneField, name: string, unit: string): WorkingInput {
  const value = (zone as Partial<Record<ZoneField, number>>)[field];
  if (value === undefined) throw new Error(`a ${zone.system} zone has no ${field}`);
  return { name, value, unit, origins: [{ kind: unconfirmed.includes(field) ? "default" : "entered" }] };
}

function workingsOf(working: readonly WorkingStep[], marked: ReadonlyMap<string, WorkingStep>): ZoneDay["workings"] {
  const workings: Partial<Record<Figure, readonly WorkingStep[]>> = {};
  for (const [figure, [first, ...others]] of Object.entries(FIGURES)) {
    const upTo = marked.get(first);
    const at = upTo ? working.indexOf(upTo) : -1;
    const own = others.flatMap((mark) => marked.get(mark) ?? []);
    if (at >= 0 && own.length === others.length) workings[figure as Figure] = [...working.slice(0, at + 1), ...own];
  }
  return workings;
}
