export { acidAnswerSchema, acidRequestSchema } from "./acid.ts";
export { doseSchema, doseStrikeSchema, dosesSchema, newDoseSchema, type Dose, type NewDose } from "./dose.ts";
export {
  newWaterReportSchema,
  waterReportSchema,
  waterReportsSchema,
  type NewWaterReport,
  type WaterReport,
} from "./report.ts";
export {
  newSourceSchema,
  sourceUpdateSchema,
  waterStationSchema,
  type NewSource,
  type Source,
  type SourceKind,
  type SourceState,
  type WaterStation,
} from "./source.ts";
