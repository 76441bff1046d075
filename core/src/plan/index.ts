export type { DayPlan } from "./day-plan-answer.ts";
export type { DayPlanInput } from "./day-plan-input.ts";
export { dayPlan } from "./day-plan.ts";
export { dayDemand, type Demand } from "./demand.ts";
export { airSpan, asRead, insideLightSum, morningDepletion, solarSum, stageDay } from "./explained.ts";
export { outsideEt, type Explained } from "./outside-et.ts";
export { evaporationAheadMm, kcAhead, zoneUseAheadL } from "./use-ahead.ts";
export { planZoneDay, type AcceptedCorrection, type ZoneDay } from "./zone-day.ts";
