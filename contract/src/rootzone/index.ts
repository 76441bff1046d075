export { computeRootZone } from "./compute.ts";
export {
  addReading,
  addRound,
  addZoneReport,
  getRootStation,
  getReadingsTable,
  getRootHistory,
  getZoneReports,
  strikeReading,
  strikeZoneReport,
} from "./endpoints.ts";
export {
  newReadingSchema,
  newRoundSchema,
  type Balance,
  type RootStation,
  type NewReading,
  type NewRound,
  type Reading,
  type RootHistory,
  type Strike,
} from "./readings.ts";
export type { Roots } from "./roots.ts";
export {
  newZoneReportSchema,
  zoneReportSchema,
  type NewZoneReport,
  type SoilReport,
  type SolutionReport,
  type ZoneReport,
} from "./zone-report.ts";
