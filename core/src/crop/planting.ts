import type { Crop } from "./crop.ts";
import { yearBegan, type Grown } from "./grown.ts";
import type { Nights } from "./night.ts";
import type { StageSign } from "./stage-course.ts";
import { cropStateOn, type CropState } from "./stage-on.ts";

/** One crop's time in a zone. A zone has one after the other. */
export interface Planting extends Nights {
  readonly cropId: string;
  readonly plantedOn: string;
  /** first day without the crop; null while it stands */
  readonly clearedOn: string | null;
  readonly signs: readonly StageSign[];
  /** yield aimed at, kg or pieces per m² of the zone's ground, as the crop is sold */
  readonly targetPerM2?: number | null;
}

/** A crop as it stands on a date. */
export interface Standing {
  readonly planting: Grown;
  readonly crop: Crop;
  readonly state: CropState;
  /** first day of its season: its planting, of a perennial the last anniversary of it */
  readonly since: string;
}

/** The planting whose place it is on a date, even past its last stage; null before the first and between two. */
export function plantingOn<T extends Planting>(plantings: readonly T[], date: string): T | null {
  const planting = plantings.findLast((candidate) => candidate.plantedOn <= date);
  return planting && (planting.clearedOn === null || date < planting.clearedOn) ? planting : null;
}

/**
 * What stands on a date, of the plantings of a zone in order of time.
 *
 * @returns null before the first planting, between two, and after the last stage of one
 */
export function standingOn(plantings: readonly Grown[], date: string): Standing | null {
  const planting = plantingOn(plantings, date);
  if (!planting) return null;
  const state = cropStateOn(planting, date);
  return state && { planting, crop: planting.crop, state, since: yearBegan(planting, date) };
}
