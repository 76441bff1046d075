export { doseSchema, newDoseSchema, type Dose, type NewDose } from "./dose.ts";
export {
  addDose,
  addSource,
  addWaterReport,
  computeAcid,
  getDoses,
  getWater,
  getWaterReports,
  getWaterReportsTable,
  strikeDose,
  updateSource,
} from "./endpoints.ts";
export { newWaterReportSchema, waterReportSchema, type NewWaterReport, type WaterReport } from "./report.ts";
export {
  newSourceSchema,
  type NewSource,
  type Source,
  type SourceKind,
  type SourceState,
  type WaterStation,
} from "./source.ts";
