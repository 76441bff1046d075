export { computeStageDates } from "./compute.ts";
export type { CropStation, NewSign, PlantingTime, StageTime, ZoneCrop } from "./crop.ts";
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
  removeOwnCrop,
  setNights,
  takeMissedNightBack,
  takeStageFit,
  takeSignBack,
} from "./endpoints.ts";
