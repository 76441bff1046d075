import { getTimes } from "suncalc";
import { instantOf } from "../time/local-time.ts";

export interface SunTimes {
  readonly riseMs: number;
  readonly setMs: number;
}

/** Sunrise and sunset of a place's date; null where the sun stays up or down all day. */
export function sunTimes(date: string, timeZone: string, latitudeDeg: number, longitudeDeg: number): SunTimes | null {
  const noonMs = instantOf(date, 12 * 3600, timeZone);
  const { sunrise, sunset } = getTimes(new Date(noonMs), latitudeDeg, longitudeDeg);
  return sunrise && sunset ? { riseMs: sunrise.getTime(), setMs: sunset.getTime() } : null;
}
