export { computeStageDates } from "./compute.ts";
export { nextPlantingSchema } from "./crop.ts";
export type { CropStation, NewSign, NextPlanting, PlantingTime, StageTime, ZoneCrop } from "./crop.ts";
export {
  CROP_FILE_FORMAT,
  cropDefinitionSchema,
  cropFileSchema,
  definitionOf,
  type CropDefinition,
  type CropFile,
  type CropLibrary,
  type LibraryCrop,
} from "./crop-definition.ts";
export {
  addOwnCrop,
  addSign,
  changeOwnCrop,
  dropNext,
  getCalendarAddress,
  getCalendarFeed,
  getCalendarTable,
  getCrop,
  getCropFile,
  getCropLibrary,
  getCropStation,
  getZoneCrop,
  importCrop,
  missNight,
  planNext,
  removeOwnCrop,
  setNights,
  takeMissedNightBack,
  takeStageFit,
  takeSignBack,
} from "./endpoints.ts";
