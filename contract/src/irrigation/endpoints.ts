import { idParamSchema } from "../basics/basics.ts";
import { emptySchema, endpoint, oneParams } from "../basics/endpoint.ts";
import { lateralAnswerSchema, lateralRequestSchema, uniformityAnswerSchema, uniformityRequestSchema } from "./lines.ts";
import { catchStrikeSchema, dripLinesUpdateSchema, newCatchTestSchema, zoneDripLinesSchema } from "./drip-lines.ts";
import { newWateringsSchema, wateringStrikeSchema } from "./watering.ts";
import { zoneWaterAnswerSchema, zoneWaterRequestSchema } from "./zone-water.ts";

export const getDripLines = endpoint({
  method: "get",
  path: "/api/zones/:id/lines",
  needs: "see",
  summary: "The lines of a zone, their metered flow and the tests made on them",
  params: oneParams,
  answer: zoneDripLinesSchema,
});

export const saveDripLines = endpoint({
  method: "put",
  path: "/api/zones/:id/lines",
  needs: "set-up",
  summary: "Describe a zone's lines; 409 when the version is old",
  params: oneParams,
  body: dripLinesUpdateSchema,
  answer: zoneDripLinesSchema,
});

export const addCatchTest = endpoint({
  method: "post",
  path: "/api/zones/:id/catch-tests",
  needs: "read",
  summary: "A catch-can test; its key makes it count once",
  params: oneParams,
  body: newCatchTestSchema,
  answer: zoneDripLinesSchema,
  status: 201,
});

export const strikeCatchTest = endpoint({
  method: "post",
  path: "/api/zones/:id/catch-tests/:testId/strikes",
  needs: "read",
  summary: "Strike out a test; it stays to be seen",
  params: oneParams.extend({ testId: idParamSchema }),
  body: catchStrikeSchema,
  answer: zoneDripLinesSchema,
  status: 201,
});

export const addWaterings = endpoint({
  method: "post",
  path: "/api/waterings",
  needs: "water.run",
  summary: "Water that was given, as a person says it: a pulse, a zone's day or all zones'; all of it or nothing",
  body: newWateringsSchema,
  answer: emptySchema,
  status: 201,
});

export const strikeWatering = endpoint({
  method: "post",
  path: "/api/zones/:id/watering-strikes",
  needs: "water.run",
  summary: "Strike a watering out, with the reason",
  params: oneParams,
  body: wateringStrikeSchema,
  answer: emptySchema,
  status: 201,
});

export const computeLateral = endpoint({
  method: "post",
  path: "/api/compute/lateral",
  needs: "see",
  summary: "Pressure and flow of every emitter along a lateral",
  body: lateralRequestSchema,
  answer: lateralAnswerSchema,
});

export const computeUniformity = endpoint({
  method: "post",
  path: "/api/compute/uniformity",
  needs: "see",
  summary: "How evenly drippers give, from a catch-can test",
  body: uniformityRequestSchema,
  answer: uniformityAnswerSchema,
});

export const computeZoneWater = endpoint({
  method: "post",
  path: "/api/compute/zone-water",
  needs: "see",
  summary: "A zone's water for a day",
  body: zoneWaterRequestSchema,
  answer: zoneWaterAnswerSchema,
});
