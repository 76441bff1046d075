import { idParamSchema } from "../basics/basics.ts";
import { dateQuery, emptySchema, endpoint, oneParams } from "../basics/endpoint.ts";
import { dayPicksSchema, newPickSchema, newPicksSchema, pickStrikeSchema, zoneHarvestSchema } from "./harvest.ts";

export const getZoneHarvest = endpoint({
  method: "get",
  path: "/api/zones/:id/harvest",
  needs: "see",
  summary: "A planting's picks against the yield aimed at",
  params: oneParams,
  query: dateQuery,
  answer: zoneHarvestSchema,
});

export const addPick = endpoint({
  method: "post",
  path: "/api/zones/:id/picks",
  needs: "pick",
  summary: "A pick as weighed; its key makes it count once",
  params: oneParams,
  body: newPickSchema,
  answer: zoneHarvestSchema,
  status: 201,
});

export const getDayPicks = endpoint({
  method: "get",
  path: "/api/picks",
  needs: "see",
  summary: "A day's picks of all zones, each against its target's path",
  query: dateQuery,
  answer: dayPicksSchema,
});

export const addPicks = endpoint({
  method: "post",
  path: "/api/picks",
  needs: "pick",
  summary: "What came off several zones; all of it or nothing, each key counts once",
  body: newPicksSchema,
  answer: emptySchema,
  status: 201,
});

export const strikePick = endpoint({
  method: "post",
  path: "/api/zones/:id/picks/:pickId/strikes",
  needs: "pick",
  summary: "Strike a pick out, with the reason",
  params: oneParams.extend({ pickId: idParamSchema }),
  body: pickStrikeSchema,
  answer: zoneHarvestSchema,
  status: 201,
});
