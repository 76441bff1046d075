import type { Crop } from "../crop/crop.ts";
import { degreeDays } from "../crop/stage-driver.ts";
import type { CropState } from "../crop/stage-on.ts";
import { STATE_SLOTS } from "../rootzone/store.ts";

/** Slots of a state after those of its root zone: the crop as it stands in the day that begins. */
export const STAGE = STATE_SLOTS;
export const STAGE_DAY = STATE_SLOTS + 1;
/** warmth above the crop's base since planting, or since a perennial's year began, °C·d, up to the midnight */
export const THERMAL = STATE_SLOTS + 2;
export const LEAF_AREA = STATE_SLOTS + 3;
/** share of the plants that is not taken yet, 0 to 1 */
export const STANDING = STATE_SLOTS + 4;
/** warmth in stages that are picked, °C·d */
export const PICKING_THERMAL = STATE_SLOTS + 5;
export const ZONE_SLOTS = STATE_SLOTS + 6;

/** What a day did to a crop. */
export interface CropChange {
  /** of the air, lowest and highest; null where it is not known */
  readonly air: { readonly tMinC: number; readonly tMaxC: number } | null;
  /** share of all its plants that was taken, as heads are cut and pots are sold */
  readonly takenShare: number;
}

/** A crop on its first day, or as it becomes the one that leads its zone; all of it standing. */
export function plantCrop(state: Float64Array, crop: Crop, first: CropState): void {
  state[THERMAL] = 0;
  state[PICKING_THERMAL] = 0;
  state[STANDING] = 1;
  noteStage(state, crop, first);
}

/**
 * Moves the crop of a state over a day to the next midnight.
 *
 * @param tomorrow its stage and leaf area then; null where it has stood to its end: what is known of it stays
 */
export function growCrop(
  state: Float64Array,
  crop: Crop,
  tomorrow: CropState | null,
  { air, takenShare }: CropChange,
): void {
  const { baseC, usualC, warmthBy } = crop;
  // A day that nobody measured counts as one in the climate in which the stages' lengths hold.
  const warmth = air ? degreeDays(air.tMinC, air.tMaxC, baseC.value, Infinity, warmthBy) : usualC.value - baseC.value;
  state[THERMAL] = (state[THERMAL] as number) + warmth;
  if (crop.stages[state[STAGE] as number]?.picking)
    state[PICKING_THERMAL] = (state[PICKING_THERMAL] as number) + warmth;
  state[STANDING] = Math.max(0, (state[STANDING] as number) - takenShare);
  if (!tomorrow) return;
  noteStage(state, crop, tomorrow);
  // A perennial begins anew: what it was picked and warmed is of the season before.
  if (tomorrow.begins) {
    state[THERMAL] = 0;
    state[PICKING_THERMAL] = 0;
  }
}

function noteStage(state: Float64Array, crop: Crop, { period, day, leafAreaIndex }: CropState): void {
  state[STAGE] = crop.stages.indexOf(period.stage);
  state[STAGE_DAY] = day;
  state[LEAF_AREA] = leafAreaIndex;
}

/** Share of a zone's plants that stands, 0 to 1. */
export function standingShare(state: Float64Array): number {
  return state[STANDING] as number;
}
