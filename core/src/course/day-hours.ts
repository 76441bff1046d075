import { DEMAND_MM, GIVEN_EC, GIVEN_MM, GIVEN_N, HOUR_SLOTS, RAIN_MM, UPTAKE_EC, WANTED_N } from "../rootzone/store.ts";

/** An amount in the hour that begins at an instant, mm. */
export interface HourlyMm {
  readonly startMs: number;
  readonly mm: number;
}

/** Water that ran, over a zone's area. */
export interface GivenMm {
  readonly startMs: number;
  readonly mm: number;
  readonly ecMsCm?: number | undefined;
  /** nitrogen in it, g/m³ */
  readonly nGM3?: number | undefined;
}

const HOUR_MS = 3_600_000;

/** What goes with the water that a crop takes up. */
export interface Uptake {
  /** EC of it, mS/cm */
  readonly ecMsCm: number;
  /** nitrogen in it, g/m³ */
  readonly nGM3: number;
}

/**
 * What the weather asks of a root zone, and what falls on it, in the slots of its hours.
 *
 * @param uptake what the crop takes with its water; water alone where it is not known
 */
export function dayHours(
  demand: readonly HourlyMm[],
  rain: readonly HourlyMm[],
  uptake: Uptake = { ecMsCm: 0, nGM3: 0 },
): Float64Array {
  const hours = new Float64Array(demand.length * HOUR_SLOTS);
  const fallen = new Map(rain.map(({ startMs, mm }) => [startMs, mm]));
  demand.forEach(({ startMs, mm }, at) => {
    hours[at * HOUR_SLOTS + DEMAND_MM] = mm;
    hours[at * HOUR_SLOTS + RAIN_MM] = fallen.get(startMs) ?? 0;
    hours[at * HOUR_SLOTS + UPTAKE_EC] = uptake.ecMsCm;
    // mg/L are g/m³, and a mm on a m² is a litre
    hours[at * HOUR_SLOTS + WANTED_N] = (mm * uptake.nGM3) / 1000;
  });
  return hours;
}

/**
 * Adds water to the hours in which it ran; EC and nitrogen of an hour are those of all its water.
 *
 * @param startsMs of the hours, in order
 * @returns mm that ran in none of them
 */
export function giveWater(hours: Float64Array, startsMs: readonly number[], given: readonly GivenMm[]): number {
  let outsideMm = 0;
  for (const { startMs, mm, ecMsCm = 0, nGM3 = 0 } of given) {
    const at = startsMs.findIndex((start) => startMs >= start && startMs < start + HOUR_MS);
    if (at < 0) {
      outsideMm += mm;
      continue;
    }
    const slot = at * HOUR_SLOTS;
    const before = hours[slot + GIVEN_MM] as number;
    const sum = before + mm;
    if (sum <= 0) continue;
    hours[slot + GIVEN_MM] = sum;
    hours[slot + GIVEN_EC] = ((hours[slot + GIVEN_EC] as number) * before + ecMsCm * mm) / sum;
    hours[slot + GIVEN_N] = ((hours[slot + GIVEN_N] as number) * before + nGM3 * mm) / sum;
  }
  return outsideMm;
}

/** The first so many hours, the last of them in part: as far as a moment inside the day. */
export function hoursUntil(hours: Float64Array, startsMs: readonly number[], untilMs: number): Float64Array {
  const whole = startsMs.filter((startMs) => startMs + HOUR_MS <= untilMs).length;
  const [begun] = startsMs.slice(whole);
  const share = begun === undefined ? 0 : Math.max(0, (untilMs - begun) / HOUR_MS);
  if (share === 0) return hours.slice(0, whole * HOUR_SLOTS);
  const until = hours.slice(0, (whole + 1) * HOUR_SLOTS);
  const slot = whole * HOUR_SLOTS;
  for (const part of [DEMAND_MM, RAIN_MM, WANTED_N]) until[slot + part] = (until[slot + part] as number) * share;
  return until;
}
