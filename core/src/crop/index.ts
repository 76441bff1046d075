export type { Crop, SoldAs, Stage } from "./crop.ts";
export { cropById, CROPS } from "./library.ts";
export { plantingOn, standingOn, type Standing } from "./planting.ts";
export { assumedRemoval } from "./removal.ts";
export { signFault, stagePeriods, type CropState } from "./stage-on.ts";
export { stageDates } from "./stage-dates.ts";
