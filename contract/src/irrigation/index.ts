export { lateralAnswerSchema, lateralRequestSchema, uniformityAnswerSchema, uniformityRequestSchema } from "./lines.ts";
export {
  catchStrikeSchema,
  catchTestSchema,
  linesUpdateSchema,
  newCatchTestSchema,
  newLinesSchema,
  zoneLinesSchema,
  type NewCatchTest,
  type NewLines,
  type StoredCatchTest,
  type ZoneLines,
} from "./zone-lines.ts";
export { zoneWaterAnswerSchema, zoneWaterRequestSchema } from "./zone-water.ts";
