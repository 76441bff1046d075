import type { Knex } from "knex";
import { decisionService, type DecisionService } from "./advice/decision-service.ts";
import { harvestService, type HarvestService } from "./harvest/harvest-service.ts";
import { catchUp } from "./climate/station-feed.ts";
import type { WeatherDevice } from "./climate/weather-device.ts";
import { weatherImportService, type WeatherImportService } from "./climate/weather-import-service.ts";
import { weatherService } from "./climate/weather-service.ts";
import { feedService, type FeedService } from "./feed/feed-service.ts";
import { recipeService, type RecipeService } from "./feed/recipe-service.ts";
import { linesService, type LinesService } from "./irrigation/lines-service.ts";
import { planService, type PlanService } from "./plan/plan-service.ts";
import { readingService, type ReadingService } from "./rootzone/reading-service.ts";
import { zoneReportService, type ZoneReportService } from "./rootzone/zone-report-service.ts";
import { listImportService, type ListImportService } from "./site/list-import-service.ts";
import { siteFileService, type SiteFileService } from "./site/site-file-service.ts";
import { setUpService, type SetUpService } from "./site/set-up-service.ts";
import { doseService, type DoseService } from "./water/dose-service.ts";
import { waterImportService, type WaterImportService } from "./water/water-import-service.ts";
import { waterService, type WaterService } from "./water/water-service.ts";
import { zoneStore } from "./site/zone-store.ts";

export interface Services {
  readonly setUp: SetUpService;
  readonly siteFiles: SiteFileService;
  readonly plans: PlanService;
  readonly lines: LinesService;
  readonly harvest: HarvestService;
  readonly decisions: DecisionService;
  readonly feed: FeedService;
  readonly recipes: RecipeService;
  readonly waterImports: WaterImportService;
  readonly water: WaterService;
  readonly doses: DoseService;
  readonly readings: ReadingService;
  readonly zoneReports: ZoneReportService;
  readonly listImports: ListImportService;
  readonly imports: WeatherImportService;
  /** To be called after anything was written past these services. */
  changed(): void;
  /** Stores what the connected station measured up to now; nothing without a station or a site. */
  followStation(sinceMs: number): Promise<void>;
}

/** Puts the services together over one database. */
export function createServices(db: Knex, clock: () => number, device: WeatherDevice | null, followDays = 0): Services {
  const weather = weatherService(db, clock, device);
  const plans = planService(db, clock, weather, (site, zones, date) => water.supplies(site, zones, date));
  const changed = (): void => {
    weather.forget();
    plans.forget();
  };
  const setUp = setUpService(db, changed, async () => {
    if (followDays > 0) await followStation(clock() - followDays * 86_400_000);
  });
  const water = waterService(db, setUp, weather, clock, changed);
  return {
    setUp,
    siteFiles: siteFileService(db, setUp, clock, changed),
    plans,
    harvest: harvestService(db, setUp, clock, changed),
    decisions: decisionService(db, plans, clock, changed),
    changed,
    readings: readingService(db, setUp, plans, clock, changed),
    zoneReports: zoneReportService(db, setUp, clock),
    listImports: listImportService(db, setUp, clock, changed),
    doses: doseService(db, setUp, clock),
    waterImports: waterImportService(db, setUp),
    water,
    lines: linesService(db, setUp, clock),
    feed: feedService(db, setUp, plans, clock),
    recipes: recipeService(db, setUp, plans, clock),
    imports: weatherImportService(db, setUp, clock, changed),
    followStation,
  };

  async function followStation(sinceMs: number): Promise<void> {
    const { site } = await setUp.overview();
    if (!device || !site) return;
    const houses = new Map(
      (await zoneStore(db).list()).map((zone) => [zone.houseId, { id: zone.houseId, name: zone.house.name }]),
    );
    const added = await catchUp(db, device, site, [...houses.values()], sinceMs, clock());
    if (added > 0) changed();
  }
}
