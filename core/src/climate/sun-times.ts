import { getTimes } from "suncalc";
import { startOfLocalDay } from "../time/local-time.ts";

export interface SunTimes {
  readonly riseMs: number;
  readonly setMs: number;
}

/** Sunrise and sunset of a place's date; null where the sun stays up or down all day. */
export function sunTimes(date: string, timeZone: string, latitudeDeg: number, longitudeDeg: number): SunTimes | null {
  const noonMs = startOfLocalDay(date, timeZone) + 12 * 3_600_000;
  const { sunrise, sunset } = getTimes(new Date(noonMs), latitudeDeg, longitudeDeg);
  return sunrise && sunset ? { riseMs: sunrise.getTime(), setMs: sunset.getTime() } : null;
}
