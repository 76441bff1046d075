export {
  newReadingSchema,
  rootHistorySchema,
  strikeSchema,
  type NewReading,
  type Reading,
  type RootHistory,
  type Strike,
} from "./readings.ts";
export type { Roots } from "./roots.ts";
export {
  newZoneReportSchema,
  reportStrikeSchema,
  zoneReportSchema,
  zoneReportsSchema,
  type NewZoneReport,
  type SoilReport,
  type SolutionReport,
  type ZoneReport,
} from "./zone-report.ts";
