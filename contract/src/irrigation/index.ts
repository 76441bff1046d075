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
  computeLateral,
  computeUniformity,
  computeZoneWater,
  getDripLines,
  saveDripLines,
  strikeCatchTest,
} from "./endpoints.ts";
