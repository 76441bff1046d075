import type { Crop } from "./crop.ts";
import { cropById } from "./library.ts";
import { cropStateOn, type CropState, type StageSign } from "./stage-on.ts";

/** One crop's time in a zone. A zone has one after the other. */
export interface Planting {
  readonly cropId: string;
  readonly plantedOn: string;
  /** first day without the crop; null while it stands */
  readonly clearedOn: string | null;
  readonly signs: readonly StageSign[];
  /** yield aimed at, kg/m² of the zone's ground */
  readonly targetKgM2?: number | null;
}

/** A crop as it stands on a date. */
export interface Standing {
  readonly planting: Planting;
  readonly crop: Crop;
  readonly state: CropState;
}

/**
 * What stands on a date, of the plantings of a zone in order of time.
 *
 * @returns null before the first planting, between two, and after the last stage of one
 */
export function standingOn(plantings: readonly Planting[], date: string): Standing | null {
  const planting = plantings.findLast((candidate) => candidate.plantedOn <= date);
  if (!planting || (planting.clearedOn !== null && date >= planting.clearedOn)) return null;
  const crop = cropById(planting.cropId);
  const state = cropStateOn(crop, planting.plantedOn, date, planting.signs);
  return state && { planting, crop, state };
}
