import { adviceModule } from "./advice/module.ts";
import { changeModule } from "./changes/module.ts";
import { climateModule, type ClimateModule } from "./climate/module.ts";
import type { WeatherDevice } from "./climate/weather-device.ts";
import { clockModule, type SteeredClock } from "./clock/module.ts";
import { cropModule } from "./crop/module.ts";
import { dayModule } from "./day/module.ts";
import { exchangeModule } from "./exchange/module.ts";
import type { Incoming } from "./exchange/site-file/incoming.ts";
import { feedModule } from "./feed/module.ts";
import { harvestModule } from "./harvest/module.ts";
import { irrigationModule } from "./irrigation/module.ts";
import { planModule } from "./plan/module.ts";
import { rootzoneModule } from "./rootzone/module.ts";
import type { Module } from "./scope/module.ts";
import type { Scope } from "./scope/scope.ts";
import { siteModule } from "./site/module.ts";
import { todayModule } from "./today/module.ts";
import { waterModule } from "./water/module.ts";

/** Every room with what others may ask of it. */
export type Rooms = ReturnType<typeof createRooms>;

const DAY_MS = 86_400_000;

/** What rooms are made with, whoever calls. */
export interface RoomOptions {
  readonly device: WeatherDevice | null;
  readonly followDays: number;
  readonly steered: SteeredClock | null;
  readonly dataFolder: string;
  readonly incoming: Incoming;
  /** does something beside requests */
  beside(what: string, work: (signal: AbortSignal) => Promise<void>): void;
}

/** Puts the rooms together for one caller, each upon those that lie below it. They hold nothing: what is kept is the site's. */
export function createRooms(scope: Scope, { device, followDays, steered, dataFolder, incoming, beside }: RoomOptions) {
  const changes = changeModule(scope);
  const clock = clockModule(scope, steered);
  const climate: ClimateModule = climateModule(scope, device);
  const irrigation = irrigationModule(scope);
  const rootzone = rootzoneModule(scope);
  const crop = cropModule(scope, climate.weather, dataFolder);
  const harvest = harvestModule(scope);
  const advice = adviceModule();
  const plan = planModule(scope, { weather: climate.weather, readings: rootzone.readings });
  const water = waterModule(scope, { weather: climate.weather, plans: plan.plans });
  const feed = feedModule(scope, { plans: plan.plans, weather: climate.weather });
  const day = dayModule(scope, { ...{ plans: plan.plans, feed: feed.feed, doses: feed.doses, dataFolder }, beside });
  const below: readonly Module[] = [
    ...[changes, clock, climate, irrigation, rootzone, crop, harvest, advice, plan, water, feed, day],
  ];
  const site = siteModule(scope, {
    placed: async () => {
      if (followDays > 0) await climate.followStation(scope.clock() - followDays * DAY_MS);
    },
    rooms: below,
  });
  const today = todayModule(scope, {
    plans: plan.plans,
    water: water.water,
    readings: rootzone.readings,
    weather: climate.weather,
    days: day.days,
  });
  const exchange = exchangeModule(scope, { setUp: site.setUp, modules: below, incoming });
  return {
    climate,
    irrigation,
    rootzone,
    water,
    plan,
    feed,
    day,
    site,
    today,
    all: [...below, site, today, exchange],
  };
}
