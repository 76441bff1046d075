import { getPosition, getTimes } from "suncalc";

/** Where the sun's day ends: its upper rim on a flat horizon, with refraction; or its centre 6° below it. */
const ENDS = {
  none: { rise: "sunrise", set: "sunset", altitudeDeg: -0.833 },
  civil: { rise: "dawn", set: "dusk", altitudeDeg: -6 },
} as const;
export type Twilight = keyof typeof ENDS;

export interface Daylight {
  readonly riseMs: number;
  readonly setMs: number;
}

/**
 * Daylight around the noon of a longitude.
 *
 * @param date `YYYY-MM-DD`, the local day of that longitude
 * @returns `day` or `night` where the sun stays above or below that altitude around that noon
 */
export function daylightAround(
  date: string,
  latitudeDeg: number,
  longitudeDeg: number,
  twilight: Twilight = "none",
): Daylight | "day" | "night" {
  return daylightAt(Date.parse(`${date}T12:00:00Z`) - longitudeDeg * 240_000, latitudeDeg, longitudeDeg, twilight);
}

/**
 * Daylight of the day that has a moment about noon in it.
 *
 * @see Meeus (1998), Astronomical Algorithms, chapters 15 and 25, as the package suncalc computes them: within a minute below 65°
 */
export function daylightAt(
  noonMs: number,
  latitudeDeg: number,
  longitudeDeg: number,
  twilight: Twilight = "none",
): Daylight | "day" | "night" {
  const { rise, set, altitudeDeg } = ENDS[twilight];
  const noon = new Date(noonMs);
  const times = getTimes(noon, latitudeDeg, longitudeDeg);
  const [from, to] = [times[rise], times[set]];
  if (from && to) return { riseMs: from.getTime(), setMs: to.getTime() };
  return getPosition(noon, latitudeDeg, longitudeDeg).altitude > altitudeDeg ? "day" : "night";
}
