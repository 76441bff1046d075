export { dayPlan } from "./day-plan.ts";
export { dayDemand, type Demand } from "./demand.ts";
export { airSpan, asRead, insideLightSum, morningDepletion, solarSum, stageDay } from "./explained.ts";
export type { Origin } from "./origin.ts";
export { outsideEt, type Explained } from "./outside-et.ts";
export { FULL_STORE, nextMorning, waterHeldPct } from "./root-course.ts";
export { kcAhead, zoneUseAheadL } from "./use-ahead.ts";
export { planZoneDay, type AcceptedCorrection, type ZoneDay } from "./zone-day.ts";
