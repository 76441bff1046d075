export { demand, type DemandAnswer } from "./demand.ts";
export { DEMAND_METHODS, type DemandInput, type DemandMethod } from "./demand-input.ts";
