export { computeDayPlan, getZoneDay } from "./endpoints.ts";
export { figureSchema, type Figure, type ZoneDayAnswer } from "./zone-day.ts";
