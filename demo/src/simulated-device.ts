import type { Place } from "@sprunel/core/site";
import { houseSensor, SimulatedWeatherStation, type SimulatedHour } from "@sprunel/field";
import type { WeatherDevice } from "@sprunel/server";
import { houses } from "./quillbrook.ts";
import { DULL, SEED } from "./story.ts";

const HOUR_MS = 3_600_000;

/**
 * The simulated station, answering for any place as a real one would. Only Quillbrook's houses have sensors.
 *
 * @param simulated false where the whole place is made up and says so: there it is the nursery's own station
 */
export function simulatedDevice(simulated: boolean): WeatherDevice {
  const stations = new Map<string, SimulatedWeatherStation>();
  const stationAt = ({ latitudeDeg, longitudeDeg, elevationM }: Place): SimulatedWeatherStation => {
    const key = `${latitudeDeg} ${longitudeDeg} ${elevationM}`;
    const station =
      stations.get(key) ??
      new SimulatedWeatherStation({ latitudeDeg, longitudeDeg, elevationM }, SEED, simulated ? [] : [DULL]);
    stations.set(key, station);
    return station;
  };
  const each = (fromMs: number, toMs: number, read: (startMs: number) => SimulatedHour): SimulatedHour[] =>
    Array.from({ length: Math.max(0, Math.ceil((toMs - fromMs) / HOUR_MS)) }, (_, at) => read(fromMs + at * HOUR_MS));
  return {
    simulated,
    outside: (place, fromMs, toMs) => each(fromMs, toMs, (startMs) => stationAt(place).hour(startMs)),
    inside(place, name, fromMs, toMs) {
      const house = houses[name];
      if (!house) return [];
      return each(fromMs, toMs, (startMs) => stationAt(place).hour(startMs)).map((hour) => ({
        startMs: hour.startMs,
        values: houseSensor(hour, house),
      }));
    },
    forecast: (place, nowMs, fromMs, toMs) =>
      each(fromMs, toMs, (startMs) => stationAt(place).forecast(nowMs, startMs)),
  };
}
