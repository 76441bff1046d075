import { OPEN_FIELD_PCT, type System } from "../site/zone.ts";
import { SYSTEMS } from "../systems/index.ts";

/** Ways to a zone's demand that its own records suffice for. */
export const ZONE_DEMAND_METHODS = [
  "baille",
  "big-leaf",
  "house-penman-monteith",
  "fao56-single",
  "fao56-dual",
  "radiation-sum",
  "pan",
  "own",
] as const;
export type ZoneDemandMethod = (typeof ZONE_DEMAND_METHODS)[number];

/** What a person has chosen for a zone. */
export interface DemandChoice {
  readonly method: ZoneDemandMethod;
  /** for `radiation-sum`: mL for a m² and each J/cm² of light outside */
  readonly mlPerJCm2?: number | undefined;
  /** for `pan`: what evaporated from it in a day, mm, and its coefficient */
  readonly panMm?: number | undefined;
  readonly panCoefficient?: number | undefined;
  /** for `own`: L/m² in a day */
  readonly ownMm?: number | undefined;
  /** by which the zone's own meter differs from the method; 1 when left out */
  readonly fittedFactor?: number | undefined;
}

/**
 * The way to demand where nobody chose one: by the canopy where roots always have water and pots stand on less ground than leaves
 * cover; on ground that the crop shares with bare soil by a reference surface times Kc, in the open after FAO-56 and under a cover
 * with the still air of a house.
 */
export function usualMethod(system: System, transmissionPct: number): ZoneDemandMethod {
  if (SYSTEMS[system].demand === "canopy") return "baille";
  return transmissionPct >= OPEN_FIELD_PCT ? "fao56-single" : "house-penman-monteith";
}
