import type { Knex } from "knex";
import { catchUp } from "./climate/station-feed.ts";
import type { WeatherDevice } from "./climate/weather-device.ts";
import { weatherImportService, type WeatherImportService } from "./climate/weather-import-service.ts";
import { weatherService } from "./climate/weather-service.ts";
import { feedService, type FeedService } from "./feed/feed-service.ts";
import { planService, type PlanService } from "./plan/plan-service.ts";
import { readingService, type ReadingService } from "./rootzone/reading-service.ts";
import { setUpService, type SetUpService } from "./site/set-up-service.ts";
import { waterImportService, type WaterImportService } from "./water/water-import-service.ts";
import { zoneStore } from "./site/zone-store.ts";

export interface Services {
  readonly setUp: SetUpService;
  readonly plans: PlanService;
  readonly feed: FeedService;
  readonly waterImports: WaterImportService;
  readonly readings: ReadingService;
  readonly imports: WeatherImportService;
  /** To be called after anything was written past these services. */
  changed(): void;
  /** Stores what the connected station measured up to now; nothing without a station or a site. */
  followStation(sinceMs: number): Promise<void>;
}

/** Puts the services together over one database. */
export function createServices(db: Knex, clock: () => number, device: WeatherDevice | null): Services {
  const weather = weatherService(db, clock, device);
  const plans = planService(db, clock, weather);
  const changed = (): void => {
    weather.forget();
    plans.forget();
  };
  const setUp = setUpService(db, changed);
  return {
    setUp,
    plans,
    changed,
    readings: readingService(db, setUp, plans, clock, changed),
    waterImports: waterImportService(db, setUp),
    feed: feedService(db, setUp, plans, clock),
    imports: weatherImportService(db, setUp, clock, changed),
    async followStation(sinceMs) {
      const { site } = await setUp.overview();
      if (!device || !site) return;
      const houses = new Map(
        (await zoneStore(db).list()).map((zone) => [zone.houseId, { id: zone.houseId, name: zone.house.name }]),
      );
      const added = await catchUp(db, device, site, [...houses.values()], sinceMs, clock());
      if (added > 0) changed();
    },
  };
}
