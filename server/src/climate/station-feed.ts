import type { Site } from "@sprunel/contract/site";
import type { Scope } from "../scope/scope.ts";
import type { DeviceHour, WeatherDevice } from "./weather-device.ts";
import { weatherStore, type WeatherReading } from "./weather-store.ts";

interface House {
  readonly id: number;
  readonly name: string;
}

const HOUR_MS = 3_600_000;

/**
 * Stores what the connected station has measured since the last stored hour, outside and in every house.
 *
 * @param sinceMs where to begin when nothing is stored yet
 * @returns the first hour that was new; null when none was
 */
export async function catchUp(
  scope: Scope,
  device: WeatherDevice,
  site: Site,
  houses: readonly House[],
  sinceMs: number,
  nowMs: number,
): Promise<void> {
  const untilMs = Math.floor(nowMs / HOUR_MS) * HOUR_MS;
  const { outsideId, byHouse } = await weatherStore(scope).stations(site.id);
  const follow = async (
    stationId: number,
    measured: (fromMs: number, toMs: number) => readonly DeviceHour[],
  ): Promise<void> =>
    scope.transaction(async (inner) => {
      const store = weatherStore(inner);
      const last = await store.lastHour(stationId, "simulated");
      const fromMs = last === null ? Math.floor(sinceMs / HOUR_MS) * HOUR_MS : last + HOUR_MS;
      const readings = fromMs < untilMs ? readingsOf(measured(fromMs, untilMs)) : [];
      await store.add(stationId, "simulated", readings, null);
    });
  await follow(outsideId, (fromMs, toMs) => device.outside(site, fromMs, toMs));
  for (const house of houses) {
    const stationId = byHouse.get(house.id)?.stationId;
    if (stationId !== undefined)
      await follow(stationId, (fromMs, toMs) => device.inside(site, house.name, fromMs, toMs));
  }
}

function readingsOf(hours: readonly DeviceHour[]): WeatherReading[] {
  return hours.flatMap(({ startMs, values }) =>
    Object.entries(values).map(([kind, value]) => ({
      kind: kind as WeatherReading["kind"],
      hourMs: startMs,
      value,
      doubtful: false,
    })),
  );
}
