import { houseSensor, SimulatedWeatherStation, type SimulatedHour } from "@sprunel/field";
import type { WeatherDevice } from "@sprunel/server";
import { houses, SEED, site } from "./quillbrook.ts";

const HOUR_MS = 3_600_000;

/** The simulated station of Quillbrook, answering as a real one would. */
export function simulatedDevice(): WeatherDevice {
  const station = new SimulatedWeatherStation(site, SEED);
  const each = (fromMs: number, toMs: number, read: (startMs: number) => SimulatedHour): SimulatedHour[] =>
    Array.from({ length: Math.max(0, Math.ceil((toMs - fromMs) / HOUR_MS)) }, (_, at) => read(fromMs + at * HOUR_MS));
  return {
    outside: (fromMs, toMs) => each(fromMs, toMs, (startMs) => station.hour(startMs)),
    inside(name, fromMs, toMs) {
      const house = houses[name];
      if (!house) return [];
      return each(fromMs, toMs, (startMs) => station.hour(startMs)).map((hour) => ({
        startMs: hour.startMs,
        values: houseSensor(hour, house),
      }));
    },
    forecast: (nowMs, fromMs, toMs) => each(fromMs, toMs, (startMs) => station.forecast(nowMs, startMs)),
  };
}
