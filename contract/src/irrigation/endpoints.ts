import { idParamSchema } from "../basics/basics.ts";
import { endpoint, oneParams } from "../basics/endpoint.ts";
import { lateralAnswerSchema, lateralRequestSchema, uniformityAnswerSchema, uniformityRequestSchema } from "./lines.ts";
import { catchStrikeSchema, linesUpdateSchema, newCatchTestSchema, zoneLinesSchema } from "./zone-lines.ts";
import { zoneWaterAnswerSchema, zoneWaterRequestSchema } from "./zone-water.ts";

export const getZoneLines = endpoint({
  method: "get",
  path: "/api/zones/:id/lines",
  summary: "The lines of a zone, their metered flow and the tests made on them",
  params: oneParams,
  answer: zoneLinesSchema,
});

export const saveZoneLines = endpoint({
  method: "put",
  path: "/api/zones/:id/lines",
  summary: "Describe a zone's lines; 409 when the version is old",
  params: oneParams,
  body: linesUpdateSchema,
  answer: zoneLinesSchema,
});

export const addCatchTest = endpoint({
  method: "post",
  path: "/api/zones/:id/catch-tests",
  summary: "A catch-can test; its key makes it count once",
  params: oneParams,
  body: newCatchTestSchema,
  answer: zoneLinesSchema,
  status: 201,
});

export const strikeCatchTest = endpoint({
  method: "post",
  path: "/api/zones/:id/catch-tests/:testId/strikes",
  summary: "Strike out a test; it stays to be seen",
  params: oneParams.extend({ testId: idParamSchema }),
  body: catchStrikeSchema,
  answer: zoneLinesSchema,
  status: 201,
});

export const computeLateral = endpoint({
  method: "post",
  path: "/api/compute/lateral",
  summary: "Pressure and flow of every emitter along a lateral",
  body: lateralRequestSchema,
  answer: lateralAnswerSchema,
});

export const computeUniformity = endpoint({
  method: "post",
  path: "/api/compute/uniformity",
  summary: "How evenly drippers give, from a catch-can test",
  body: uniformityRequestSchema,
  answer: uniformityAnswerSchema,
});

export const computeZoneWater = endpoint({
  method: "post",
  path: "/api/compute/zone-water",
  summary: "A zone's water for a day",
  body: zoneWaterRequestSchema,
  answer: zoneWaterAnswerSchema,
});
