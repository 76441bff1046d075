import { chooseDemandWay, computeDayPlan, getDemandWays, getZoneDay } from "@sprunel/contract/plan";
import { addReading, getRootHistory, strikeReading } from "@sprunel/contract/rootzone";
import type { WeatherService } from "../climate/weather-service.ts";
import { WARMTH } from "../harvest/harvest-service.ts";
import { served } from "../http/served.ts";
import type { ReadingService } from "../rootzone/reading-service.ts";
import type { Module } from "../scope/module.ts";
import type { Scope } from "../scope/scope.ts";
import { dayPlanByClock, dayPlanInSeconds } from "./day-plan-by-clock.ts";
import { demandWays } from "./demand-ways.ts";
import { planService, type PlanService } from "./plan-service.ts";
import { rootHistory } from "./root-history.ts";

/** Beside the search that was asked for, the first plan and the answer take their time. */
const BESIDE_THE_SEARCH_MS = 5000;
const MOST_SEARCH_S = 10;

/** What each zone gets; and what the roots hold, which only the plan can tell. */
export function planModule(
  scope: Scope,
  { weather, readings }: { readonly weather: WeatherService; readonly readings: ReadingService },
): Module & { readonly plans: PlanService } {
  const plans = planService(scope, weather);
  scope.ports.answer(WARMTH, (zones, date) => plans.pickingCd(zones, date));
  const ways = demandWays(scope, plans);
  const history = (zoneId: number, date?: string) => rootHistory(scope, plans, readings, zoneId, date);
  return {
    plans,
    ofZone: { gone: ["zone_checkpoint"] },
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
