import type { WeatherKind } from "@sprunel/core/climate";
import type { Place } from "@sprunel/core/site";

export interface DeviceHour {
  readonly startMs: number;
  readonly values: Readonly<Partial<Record<WeatherKind, number>>>;
}

/** A station that is connected to the program. The shipped one is simulated; a real one answers the same. */
export interface WeatherDevice {
  /** what it tells is made up, and must be named as such wherever a figure rests on it */
  readonly simulated: boolean;
  /** what was measured outside in whole hours of a span */
  outside(place: Place, fromMs: number, toMs: number): readonly DeviceHour[];
  /** what was measured in a house, by its name; nothing where it has no sensor */
  inside(place: Place, house: string, fromMs: number, toMs: number): readonly DeviceHour[];
  /** what is foreseen now */
  forecast(place: Place, nowMs: number, fromMs: number, toMs: number): readonly DeviceHour[];
}
