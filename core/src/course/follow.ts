import type { Crop } from "../crop/crop.ts";
import type { CropState } from "../crop/stage-on.ts";
import { HOUR_SLOTS, NITROGEN, RAIN_MM } from "../rootzone/store.ts";
import type { ZoneDefinition } from "../site/zone.ts";
import type { Read } from "../systems/index.ts";
import { addDays } from "../time/local-time.ts";
import type { DayOfBalance } from "./balance.ts";
import { growCrop, plantCrop, type CropChange } from "./crop-slots.ts";
import { dayHours, giveWater, hoursUntil, type GivenMm, type HourlyMm, type Uptake } from "./day-hours.ts";
import { storeOn, walkDay } from "./day-walk.ts";

/** All that befalls a zone on a day. */
export interface CourseDay {
  readonly zone: ZoneDefinition;
  readonly crop: Crop;
  readonly cropState: CropState;
  readonly demandMm: number;
  /** by the hours of the day, in order */
  readonly hourlyMm: readonly HourlyMm[];
  readonly rain: readonly HourlyMm[];
  readonly uptake?: Uptake | undefined;
  readonly given: readonly GivenMm[];
  readonly reads: readonly Read[];
  readonly nitrogen?: NitrogenDay | undefined;
}

/** Nitrogen that comes to a root zone on a day beside its water, g/m². */
export interface NitrogenDay {
  /** worked in or injected, and set free by soil, manure and residues */
  readonly freedGM2: number;
  /** all that a test found in it; null on days without one */
  readonly measuredGM2: number | null;
}

const HOUR_MS = 3_600_000;

/**
 * A zone through a day from midnight, or as far as a moment in it: with what was given and read until then.
 *
 * @param state at midnight; not changed
 */
export function goThrough(day: CourseDay, state: Float64Array, untilMs = Infinity): DayOfBalance {
  const startsMs = day.hourlyMm.map(({ startMs }) => startMs);
  const hours = dayHours(day.hourlyMm, day.rain, day.uptake);
  const given = day.given.filter(({ startMs }) => startMs <= untilMs);
  const outsideMm = giveWater(hours, startsMs, given);
  const dayStartMs = startsMs[0] ?? 0;
  const reads = day.reads.filter(({ afterHours }) => dayStartMs + afterHours * HOUR_MS <= untilMs);
  const store = storeOn(day.zone, day.crop, day.cropState, day.demandMm);
  const until = untilMs === Infinity ? hours : hoursUntil(hours, startsMs, untilMs);
  let rainMm = 0;
  for (let slot = RAIN_MM; slot < until.length; slot += HOUR_SLOTS) rainMm += until[slot] ?? 0;
  const { state: dressed, freedNGM2, correctedNGM2 } = dress(state, day.nitrogen);
  return {
    ...walkDay(dressed, store, until, reads),
    before: state,
    freedNGM2,
    correctedNGM2,
    givenMm: given.reduce((sum, { mm }) => sum + mm, 0) - outsideMm,
    rainMm,
  };
}

/** A root zone with the nitrogen that comes on a day, counted from its midnight on; what was measured holds from that midnight too. */
function dress(
  state: Float64Array,
  nitrogen: NitrogenDay | undefined,
): { readonly state: Float64Array; readonly freedNGM2: number; readonly correctedNGM2: number } {
  if (!nitrogen) return { state, freedNGM2: 0, correctedNGM2: 0 };
  const { freedGM2, measuredGM2 } = nitrogen;
  const dressed = state.slice();
  const correctedNGM2 = measuredGM2 === null ? 0 : measuredGM2 - (state[NITROGEN] as number);
  dressed[NITROGEN] = (state[NITROGEN] as number) + correctedNGM2 + freedGM2;
  return { state: dressed, freedNGM2: freedGM2, correctedNGM2 };
}

/** What a zone is followed by: its days, and its crop from one to the next. */
export interface Followed {
  /** null where a day's weather is not known: the root zone stays as it was */
  dayOf(date: string): CourseDay | null;
  /** the crop on the day after, and what the day did to it; `takesOver` where another leads the zone from then on */
  nextOf(date: string): {
    readonly crop: Crop;
    readonly tomorrow: CropState | null;
    readonly change: CropChange;
    readonly takesOver: boolean;
  };
}

/**
 * A zone from the midnight of one date to that of another, day after day.
 *
 * @param mornings every midnight that is known, and every one that is passed; a day asks them for its own morning
 * @returns the state at the midnight with which `to` begins
 */
export function follow(
  { dayOf, nextOf }: Followed,
  mornings: Map<string, Float64Array>,
  from: string,
  to: string,
  atFrom: Float64Array,
): Float64Array {
  let state = atFrom;
  for (let date = from; date < to; date = addDays(date, 1)) {
    mornings.set(date, state);
    const day = dayOf(date);
    state = day ? goThrough(day, state).state : state.slice();
    const { crop, tomorrow, change, takesOver } = nextOf(date);
    if (takesOver && tomorrow) plantCrop(state, crop, tomorrow);
    else growCrop(state, crop, tomorrow, change);
  }
  mornings.set(to, state);
  return state;
}
