import { chooseDemandWay, computeDayPlan, getDemandWays, getZoneDay } from "@sprunel/contract/plan";
import { addReading, getRootHistory, strikeReading } from "@sprunel/contract/rootzone";
import type { WeatherService } from "../climate/weather-service.ts";
import { served } from "../http/served.ts";
import type { ReadingService } from "../rootzone/reading-service.ts";
import type { Module } from "../scope/module.ts";
import type { Scope } from "../scope/scope.ts";
import { dayPlanByClock, dayPlanInSeconds } from "./day-plan-by-clock.ts";
import { demandWays } from "./demand-ways.ts";
import { planService, type PlanService } from "./plan-service.ts";
import type { Records } from "./planners.ts";
import { rootHistory } from "./root-history.ts";

/** Beside the search that was asked for, the first plan and the answer take their time. */
const BESIDE_THE_SEARCH_MS = 5000;
const MOST_SEARCH_S = 10;

/** What each zone gets; and what the roots hold, which only the plan can tell. */
export function planModule(
  scope: Scope,
  {
    weather,
    readings,
    feeds,
    together,
  }: {
    readonly weather: WeatherService;
    readonly readings: ReadingService;
    /** what zones are fed; who keeps their targets knows it */
    readonly feeds: () => Promise<Pick<Records, "fedOn" | "nitrogenOn">>;
    /** the day of all zones, which is planned above */
    readonly together: Parameters<typeof planService>[3];
  },
): Module & { readonly plans: PlanService } {
  const plans = planService(scope, weather, feeds, together);
  const ways = demandWays(scope, plans);
  const history = (zoneId: number, date?: string) => rootHistory(scope, plans, readings, zoneId, date);
  return {
    plans,
    routes: [
      served(getDemandWays, ({ params: { id }, query: { date } }) => ways.compare(id, date)),
      served(chooseDemandWay, ({ params: { id }, body: { version, choice } }) => ways.choose(id, version, choice)),
      served(getZoneDay, ({ params: { id }, query: { date } }) => plans.zoneDay(id, date)),
      served(getRootHistory, ({ params: { id }, query: { date } }) => history(id, date)),
      served(addReading, async ({ params: { id }, body }) => {
        await readings.add(id, body);
        return history(id);
      }),
      served(strikeReading, async ({ params: { id }, body }) => {
        await readings.strike(id, body);
        return history(id);
      }),
      served(computeDayPlan, async ({ body }) => {
        const mostMs = (body.timeLimitS ?? MOST_SEARCH_S) * 1000 + BESIDE_THE_SEARCH_MS;
        return dayPlanByClock(await scope.pool.run("day-plan", dayPlanInSeconds(body), { mostMs }));
      }),
    ],
  };
}
