export { dayDemand, joinDemands } from "./demand.ts";
export { usualMethod, ZONE_DEMAND_METHODS, type DemandChoice, type ZoneDemandMethod } from "./demand-choice.ts";
export type { Demand } from "./demand-input.ts";
export { airSpan, asRead, insideLightSum, morningDepletion, solarSum, stageDay } from "./explained.ts";
export { outsideEt, type Explained } from "./outside-et.ts";
export { planZoneDay, type AcceptedCorrection, type ZoneDay } from "./zone-day.ts";
export { findingsOf } from "./open-findings.ts";
export { rootsOf, type RootZoneState } from "./root-zone-state.ts";
export { ZonePlanner, type Plan, type PlanCache, type PlannedDay } from "./zone-planner.ts";
export { pulsesOf, type ZonePulse } from "./zone-pulses.ts";
export { rainShareOf } from "./zone-facts.ts";
export {
  type DayLog,
  type DayReadings,
  type LogOf,
  type NitrogenFacts,
  type PlannedZone,
  type PlanRecords,
} from "./zone-records.ts";
