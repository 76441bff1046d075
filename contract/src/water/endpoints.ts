import { z } from "zod";
import { idParamSchema } from "../basics/basics.ts";
import { dateQuery, endpoint, oneParams } from "../basics/endpoint.ts";
import { acidAnswerSchema, acidRequestSchema } from "./acid.ts";
import { doseStrikeSchema, dosesSchema, newDoseSchema } from "./dose.ts";
import { newWaterReportSchema, waterReportsSchema } from "./report.ts";
import { newSourceSchema, sourceUpdateSchema, waterStationSchema } from "./source.ts";

export const getWater = endpoint({
  method: "get",
  path: "/api/water",
  needs: "see",
  summary: "Every source with its report in force, its storage ahead and what zones take",
  query: dateQuery,
  answer: waterStationSchema,
});

export const addSource = endpoint({
  method: "post",
  path: "/api/sources",
  needs: "set-up",
  summary: "Add a source of water",
  body: newSourceSchema,
  answer: waterStationSchema,
  status: 201,
});

export const updateSource = endpoint({
  method: "put",
  path: "/api/sources/:id",
  needs: "set-up",
  summary: "Change a source of water; 409 when the version is old",
  params: oneParams,
  body: sourceUpdateSchema,
  answer: waterStationSchema,
});

export const getWaterReports = endpoint({
  method: "get",
  path: "/api/water-reports",
  needs: "see",
  summary: "Reports of waters, newest first",
  answer: waterReportsSchema,
});

export const getWaterReportsTable = endpoint({
  method: "get",
  path: "/api/water-reports.csv",
  needs: "see",
  summary: "Every report of a water as a table",
  answer: z.string(),
  media: "text/csv",
});

export const addWaterReport = endpoint({
  method: "post",
  path: "/api/water-reports",
  needs: "read",
  summary: "Add a laboratory's report of a water",
  body: newWaterReportSchema,
  answer: waterReportsSchema,
  status: 201,
});

export const getDoses = endpoint({
  method: "get",
  path: "/api/zones/:id/doses",
  needs: "see",
  summary: "Doses of digestate or reclaimed water that a zone got",
  params: oneParams,
  answer: dosesSchema,
});

export const addDose = endpoint({
  method: "post",
  path: "/api/zones/:id/doses",
  needs: "feed.dose",
  summary: "Log a dose and the fresh water after it",
  params: oneParams,
  body: newDoseSchema,
  answer: dosesSchema,
  status: 201,
});

export const strikeDose = endpoint({
  method: "post",
  path: "/api/zones/:id/doses/:doseId/strikes",
  needs: "feed.dose",
  summary: "Strike out a dose; it stays to be seen",
  params: oneParams.extend({ doseId: idParamSchema }),
  body: doseStrikeSchema,
  answer: dosesSchema,
  status: 201,
});

export const computeAcid = endpoint({
  method: "post",
  path: "/api/compute/acid",
  needs: "see",
  summary: "Acid for a water, to a pH or leaving so much bicarbonate",
  body: acidRequestSchema,
  answer: acidAnswerSchema,
});
