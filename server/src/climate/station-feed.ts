import type { Site } from "@sprunel/contract/site";
import type { Knex } from "knex";
import type { DeviceHour, WeatherDevice } from "./weather-device.ts";
import { weatherStore, type WeatherReading } from "./weather-store.ts";

export interface House {
  readonly id: number;
  readonly name: string;
}

const HOUR_MS = 3_600_000;

/**
 * Stores what the connected station has measured since the last stored hour, outside and in every house.
 *
 * @param sinceMs where to begin when nothing is stored yet
 * @returns how many readings were new
 */
export async function catchUp(
  db: Knex,
  device: WeatherDevice,
  site: Site,
  houses: readonly House[],
  sinceMs: number,
  nowMs: number,
): Promise<number> {
  const untilMs = Math.floor(nowMs / HOUR_MS) * HOUR_MS;
  const { outsideId, byHouse } = await weatherStore(db).stations(site.id);
  const follow = async (
    stationId: number,
    measured: (fromMs: number, toMs: number) => readonly DeviceHour[],
  ): Promise<number> =>
    db.transaction(async (trx) => {
      const store = weatherStore(trx);
      const last = await store.lastHour(stationId, "simulated");
      const fromMs = last === null ? Math.floor(sinceMs / HOUR_MS) * HOUR_MS : last + HOUR_MS;
      const readings = fromMs < untilMs ? readingsOf(measured(fromMs, untilMs)) : [];
      await store.add(stationId, "simulated", readings, null);
      return readings.length;
    });
  let added = await follow(outsideId, (fromMs, toMs) => device.outside(site, fromMs, toMs));
  for (const house of houses) {
    const stationId = byHouse.get(house.id);
    if (stationId !== undefined)
      added += await follow(stationId, (fromMs, toMs) => device.inside(site, house.name, fromMs, toMs));
  }
  return added;
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
