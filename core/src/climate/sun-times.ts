import { daylightAt, type Daylight } from "./daylight.ts";
import { instantOf } from "../time/local-time.ts";

/** Sunrise and sunset of a place's date; null where the sun stays up or down all day. */
export function sunTimes(date: string, timeZone: string, latitudeDeg: number, longitudeDeg: number): Daylight | null {
  const noonMs = instantOf(date, 12 * 3600, timeZone);
  const light = daylightAt(noonMs, latitudeDeg, longitudeDeg);
  return typeof light === "string" ? null : light;
}
