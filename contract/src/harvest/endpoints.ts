import { idParamSchema } from "../basics/basics.ts";
import { dateQuery, endpoint, oneParams } from "../basics/endpoint.ts";
import { newPickSchema, pickStrikeSchema, zoneHarvestSchema } from "./harvest.ts";

export const getZoneHarvest = endpoint({
  method: "get",
  path: "/api/zones/:id/harvest",
  summary: "A planting's picks against the yield aimed at",
  params: oneParams,
  query: dateQuery,
  answer: zoneHarvestSchema,
});

export const addPick = endpoint({
  method: "post",
  path: "/api/zones/:id/picks",
  summary: "A pick as weighed; its key makes it count once",
  params: oneParams,
  body: newPickSchema,
  answer: zoneHarvestSchema,
  status: 201,
});

export const strikePick = endpoint({
  method: "post",
  path: "/api/zones/:id/picks/:pickId/strikes",
  summary: "Strike a pick out, with the reason",
  params: oneParams.extend({ pickId: idParamSchema }),
  body: pickStrikeSchema,
  answer: zoneHarvestSchema,
  status: 201,
});
