export type { DemandWays } from "./demand-ways.ts";
export {
  chooseDemandWay,
  computeDayPlan,
  editSiteDay,
  getDemandWays,
  getMain,
  getSiteDay,
  getSiteDayTable,
  getWaterCalendar,
  getWaterCalendarAddress,
  getZoneDay,
  saveMain,
} from "./endpoints.ts";
export type { DayPlanAnswer, DayPlanRequest } from "./day-plan.ts";
export { mainSchema, mainUpdateSchema, type Main, type MainAnswer } from "./main.ts";
export { dayEditSchema, type DayChange, type DayEdit, type DayPulse, type SiteDay } from "./site-day.ts";
export { figureSchema, type Figure, type ZoneDayAnswer } from "./zone-day.ts";
