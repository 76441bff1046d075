export { computeStageDates } from "./compute.ts";
export type { CropStation, NewSign, PlantingTime, StageTime, ZoneCrop } from "./crop.ts";
export { addSign, getCropStation, getZoneCrop, takeSignBack } from "./endpoints.ts";
