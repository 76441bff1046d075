export {
  addCatchTest,
  computeLateral,
  computeUniformity,
  computeZoneWater,
  getZoneLines,
  saveZoneLines,
  strikeCatchTest,
} from "./endpoints.ts";
export {
  catchTestSchema,
  newCatchTestSchema,
  newLinesSchema,
  type NewCatchTest,
  type NewLines,
  type StoredCatchTest,
  type ZoneLines,
} from "./zone-lines.ts";
