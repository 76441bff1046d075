import type { Daylight } from "../climate/daylight.ts";
import { sunTimes } from "../climate/sun-times.ts";
import type { Crop } from "../crop/crop.ts";
import type { CropState } from "../crop/stage-on.ts";
import { dayHours, type HourlyMm } from "../course/day-hours.ts";
import { fullState, rootsOf } from "../course/day-walk.ts";
import { missingIn, reach } from "../course/advance.ts";
import type { Span } from "../time/clock.ts";
import type { DemandCurve } from "../irrigation/pulses.ts";
import type { Correction } from "../irrigation/zone-water-input.ts";
import type { ZoneWater } from "../irrigation/deliver.ts";
import type { Place, ZoneDefinition, ZoneField } from "../site/zone.ts";
import { fieldsOf, systemOf, type Field, type Read } from "../systems/index.ts";
import { clockOf, instantOf, startOfLocalDay } from "../time/local-time.ts";
import { Worksheet, type WorkingStep } from "../working/working.ts";
import { library, type Demand } from "./demand-input.ts";
import type { Origin, WorkingInput } from "../working/origin.ts";

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
  /** what was accepted about the zone's own plants and drain, where water comes in pulses */
  readonly correction?: AcceptedCorrection | undefined;
  /** the root zone at midnight; full when left out */
  readonly state?: Float64Array | undefined;
  /** what was read of its water today */
  readonly reads?: readonly Read[] | undefined;
  /** that has fallen on the root zone today, by the hour */
  readonly rain?: readonly HourlyMm[] | undefined;
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
  /** in which it may be watered */
  readonly window: Span;
  /** how much the root zone holds for the plants, when it is filled, and what is missing this morning, mm */
  readonly store: { readonly availableMm: number; readonly triggerMm: number; readonly missingMm: number };
  readonly warnings: readonly string[];
  /** the lines that lead to each figure; a figure that the day does not have is absent */
  readonly workings: Readonly<Partial<Record<Figure, readonly WorkingStep[]>>>;
  readonly inputs: readonly WorkingInput[];
}

/** Where the sun gives no window (polar day and night) water is given from 8 to 16 h. */
const WINDOW_WITHOUT_SUN: Span = { startS: 8 * 3600, endS: 16 * 3600 };
/** One zone's day: from the crop's demand to pulses at clock times, with everything a person may question. */
export function planZoneDay(input: ZoneDayInput): ZoneDay {
  const { zone, place, date, demand, crop, cropState } = input;
  const sun = sunTimes(date, place.timeZone, place.latitudeDeg, place.longitudeDeg);
  const window = sunWindow(zone, sun, date, place.timeZone);
  const system = systemOf(zone);
  const roots = rootsOf(crop, cropState, demand.demandMm);
  const store = system.store(zone, roots);
  const marks = system.marks(zone, store, roots);
  const state = input.state?.slice() ?? fullState(zone, crop, cropState);
  reach(state, store);
  const dayStartMs = startOfLocalDay(date, place.timeZone);
  const sheet = new Worksheet(input.told);
  const water = system.policy(
    {
      zone,
      date,
      crop,
      cropState,
      store,
      marks,
      state,
      hours: dayHours(demand.hourlyMm, input.rain ?? []),
      hourStartsS: demand.hourlyMm.map(({ startMs }) => clockSecondsOf(startMs, date, place.timeZone, dayStartMs)),
      reads: input.reads ?? [],
      demandMm: demand.demandMm,
      demandCurve: curveOf(demand, date, place.timeZone),
      window,
      mayWater: system.watersOn?.(zone, date) ?? true,
      correction: input.correction,
    },
    sheet,
  );
  // The first line of the zone's water repeats the demand, which its own sum has just ended on.
  const working = [...demand.working, ...water.working.filter(({ label }) => label !== REPEATED)];
  const ended = demand.working.at(-1);
  if (ended) sheet.marked.set("demand", ended);
  const missingMm = missingIn(state);
  return {
    water,
    wantedL: water.grossMm * zone.areaM2,
    litresPerPlant: water.litres / zone.plants,
    demandPerPlantL: (demand.demandMm * zone.areaM2) / zone.plants,
    window,
    store: { availableMm: store.availableMm, triggerMm: marks.triggerMm, missingMm },
    warnings: [...demand.warnings, ...water.warnings],
    workings: workingsOf(working, sheet.marked),
    inputs: [...demand.inputs, ...zoneInputs(input), ...cropInputs(input, missingMm)],
  };
}

const MINUTE_MS = 60_000;

/** The line with which a zone's water begins. */
const REPEATED = "Demand";

/** A clock time on a date, seconds from its midnight; hours of the day before or after lie outside it. */
function clockSecondsOf(ms: number, date: string, timeZone: string, dayStartMs: number): number {
  const shown = clockOf(ms, timeZone);
  if (shown.date === date) return shown.clockS;
  return shown.date > date ? 86_400 + shown.clockS : (ms - dayStartMs) / 1000;
}

/** Everything that was typed of the zone. */
function zoneInputs(input: ZoneDayInput): WorkingInput[] {
  return fieldsOf(input.zone.system).map((field) => entered(input, field));
}

/** What the crop and the days before bring. */
function cropInputs({ crop, cropState, rain = [], correction }: ZoneDayInput, missingMm: number): WorkingInput[] {
  const { drainTargetPct } = cropState.period.stage;
  const decided: Origin[] = correction ? [{ kind: "decided", at: correction.at }] : [];
  const rainMm = rain.reduce((sum, { mm }) => sum + mm, 0);
  return [
    { name: "Missing this morning", value: missingMm, unit: "mm", origins: [{ kind: "computed" }] },
    { name: "Rooted depth", value: cropState.rootDepthM, unit: "m", origins: [library(crop.sources.rootDepth)] },
    {
      name: "Easy share of the available water at 5 mm a day",
      value: crop.depletionFraction.value * 100,
      unit: "%",
      origins: [library(crop.depletionFraction)],
    },
    {
      name: "Extract EC at zero yield",
      value: crop.ecZeroYieldMsCm.value,
      unit: "mS/cm",
      origins: [library(crop.ecZeroYieldMsCm)],
    },
    {
      name: "Drain target of the stage",
      value: drainTargetPct,
      unit: "%",
      origins: [library(crop.sources.drainTarget)],
    },
    ...(rainMm > 0
      ? [{ name: "Rain so far", value: rainMm, unit: "mm", origins: [{ kind: "measured" } as const] }]
      : []),
    ...(correction
      ? [{ name: "Demand against the model", value: correction.demandFactor, unit: "×", origins: decided }]
      : []),
    ...(correction && correction.drainSharePct !== null
      ? [{ name: "Drain against salt", value: correction.drainSharePct, unit: "%", origins: decided }]
      : []),
  ];
}

function sunWindow(zone: ZoneDefinition, sun: Daylight | null, date: string, timeZone: string): Span {
  if (!sun) return WINDOW_WITHOUT_SUN;
  // The limits are instants: in the far north the June sun sets on the next date, and water ends with this one.
  const clock = (ms: number): number => {
    const shown = clockOf(ms, timeZone);
    return shown.date === date ? shown.clockS : shown.date > date ? 86_400 : 0;
  };
  const minute = (seconds: number): number => Math.round(seconds / 60) * 60;
  const start = minute(clock(sun.riseMs + zone.startAfterSunriseMin * MINUTE_MS));
  const end = minute(clock(sun.setMs - zone.endBeforeSunsetMin * MINUTE_MS));
  // In the shortest days the two limits may cross; then the middle hour of the day remains.
  const middle = minute((start + end) / 2);
  const [from, to] = end - start >= 3600 ? [start, end] : [middle - 1800, middle + 1800];
  return { startS: Math.max(0, from), endS: Math.min(86_400, to) };
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

function entered({ zone, unconfirmed }: ZoneDayInput, { key, name, unit }: Field): WorkingInput {
  const field = key as ZoneField;
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
