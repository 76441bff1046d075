export { energyOf } from "./site-day-energy.ts";
export { checkLock } from "./site-day-lock.ts";
export { USUAL_PRIORITY, windowsOf } from "./site-day-asked.ts";
export type { AskedZone, SiteDay, SiteDayInput, SitePulse, Unmet } from "./site-day-input.ts";
export { siteDay } from "./site-day.ts";
export {
  checkMain,
  LIMIT_KINDS,
  type LimitKind,
  type Main,
  type MainLimit,
  type MainMixer,
  type MainZone,
} from "./main.ts";
export type { DayPlan } from "./day-plan-answer.ts";
export type { DayPlanInput } from "./day-plan-input.ts";
export { dayPlan } from "./day-plan.ts";
