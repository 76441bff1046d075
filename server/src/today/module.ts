import { getRootStation } from "@sprunel/contract/rootzone";
import { decide, getBoard, takeBackDecision } from "@sprunel/contract/today";
import type { DayPlanService } from "../day/day-plan-service.ts";
import { served } from "../http/served.ts";
import type { PlanService } from "../plan/plan-service.ts";
import type { Module } from "../scope/module.ts";
import type { Scope } from "../scope/scope.ts";
import type { WeatherService } from "../climate/weather-service.ts";
import type { WaterService } from "../water/water-service.ts";
import type { ReadingService } from "../rootzone/reading-service.ts";
import { boardService } from "./board-service.ts";
import { rootStation } from "./root-station.ts";
import { decisionService, type DecisionService } from "./decision-service.ts";

/** The morning board and what is decided on it. */
export function todayModule(
  scope: Scope,
  {
    plans,
    water,
    readings,
    weather,
    days,
  }: {
    readonly plans: PlanService;
    readonly water: WaterService;
    readonly readings: ReadingService;
    readonly weather: WeatherService;
    readonly days: DayPlanService;
  },
): Module & { readonly decisions: DecisionService } {
  const boards = boardService(scope, { plans, water, weather, days });
  const decisions = decisionService(scope, plans);
  return {
    decisions,
    routes: [
      served(getBoard, ({ query: { date } }) => boards.board(date)),
      served(getRootStation, ({ query: { date } }) => rootStation(scope, readings, date)),
      served(takeBackDecision, async ({ params: { id, decisionId }, query: { date } }) => {
        await decisions.takeBack(id, decisionId);
        return boards.board(date);
      }),
      served(decide, async ({ params: { id }, body }) => {
        await decisions.decide(id, body);
        return boards.board(body.date);
      }),
    ],
  };
}
