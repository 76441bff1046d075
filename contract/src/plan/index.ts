export type { DemandWays } from "./demand-ways.ts";
export { chooseDemandWay, computeDayPlan, getDemandWays, getZoneDay } from "./endpoints.ts";
export { figureSchema, type Figure, type ZoneDayAnswer } from "./zone-day.ts";
