export type { Crop } from "./crop.ts";
export { CROPS } from "./library.ts";
export { standingOn, type Standing } from "./planting.ts";
export { assumedRemoval } from "./removal.ts";
export type { CropState } from "./stage-on.ts";
