import { z } from "zod";
import { idParamSchema } from "../basics/basics.ts";
import { dateQuery, emptySchema, endpoint, oneParams } from "../basics/endpoint.ts";
import { newReadingSchema, newRoundSchema, rootHistorySchema, rootStationSchema, strikeSchema } from "./readings.ts";
import { newZoneReportSchema, reportStrikeSchema, zoneReportsSchema } from "./zone-report.ts";

export const getRootHistory = endpoint({
  method: "get",
  path: "/api/zones/:id/roots",
  needs: "see",
  summary: "The root zone over four weeks: readings, mornings, how it stands",
  params: oneParams,
  query: dateQuery,
  answer: rootHistorySchema,
});

export const getReadingsTable = endpoint({
  method: "get",
  path: "/api/zones/:id/readings.csv",
  needs: "see",
  summary: "Every reading of a zone as a table",
  params: oneParams,
  answer: z.string(),
  media: "text/csv",
});

export const addReading = endpoint({
  method: "post",
  path: "/api/zones/:id/readings",
  needs: "read",
  summary: "What was read at one moment",
  params: oneParams,
  body: newReadingSchema,
  answer: rootHistorySchema,
  status: 201,
});

export const strikeReading = endpoint({
  method: "post",
  path: "/api/zones/:id/strikes",
  needs: "read",
  summary: "Strike out what was read at one moment; it stays to be seen",
  params: oneParams,
  body: strikeSchema,
  answer: rootHistorySchema,
  status: 201,
});

export const getRootStation = endpoint({
  method: "get",
  path: "/api/roots",
  needs: "see",
  summary: "What was last read of each zone, some values back by kind, beside its bands",
  query: dateQuery,
  answer: rootStationSchema,
});

export const addRound = endpoint({
  method: "post",
  path: "/api/rounds",
  needs: "read",
  summary: "What was read on a walk past the zones; all of it or nothing",
  body: newRoundSchema,
  answer: emptySchema,
  status: 201,
});

export const getZoneReports = endpoint({
  method: "get",
  path: "/api/zones/:id/reports",
  needs: "see",
  summary: "Soil tests, extracts and drain reports of a zone",
  params: oneParams,
  answer: zoneReportsSchema,
});

export const addZoneReport = endpoint({
  method: "post",
  path: "/api/zones/:id/reports",
  needs: "read",
  summary: "Add a soil test, an extract or a drain report",
  params: oneParams,
  body: newZoneReportSchema,
  answer: zoneReportsSchema,
  status: 201,
});

export const strikeZoneReport = endpoint({
  method: "post",
  path: "/api/zones/:id/reports/:reportId/strikes",
  needs: "read",
  summary: "Strike out a report; it stays to be seen",
  params: oneParams.extend({ reportId: idParamSchema }),
  body: reportStrikeSchema,
  answer: zoneReportsSchema,
  status: 201,
});
