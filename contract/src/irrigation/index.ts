export {
  catchTestSchema,
  newCatchTestSchema,
  newDripLinesSchema,
  type NewCatchTest,
  type NewDripLines,
  type StoredCatchTest,
  type ZoneDripLines,
} from "./drip-lines.ts";
export {
  addCatchTest,
  addWaterings,
  computeLateral,
  computeUniformity,
  computeZoneWater,
  getDripLines,
  saveDripLines,
  strikeCatchTest,
  strikeWatering,
} from "./endpoints.ts";
export type { NewWatering } from "./watering.ts";
