import { dateQuery, endpoint, oneParams } from "../basics/endpoint.ts";
import { demandWaysSchema, newDemandWaySchema } from "./demand-ways.ts";
import { dayPlanAnswerSchema, dayPlanRequestSchema } from "./day-plan.ts";
import { zoneDaySchema } from "./zone-day.ts";

export const getZoneDay = endpoint({
  method: "get",
  path: "/api/zones/:id/day",
  summary: "One zone's day: weather, demand, plan and its working",
  params: oneParams,
  query: dateQuery,
  answer: zoneDaySchema,
});

export const computeDayPlan = endpoint({
  method: "post",
  path: "/api/compute/day-plan",
  summary: "A day of all zones over one pump and its mixers, without a clash",
  body: dayPlanRequestSchema,
  answer: dayPlanAnswerSchema,
});

export const getDemandWays = endpoint({
  method: "get",
  path: "/api/zones/:id/demand-ways",
  summary: "Every way to a zone's demand, side by side and against its meter",
  params: oneParams,
  query: dateQuery,
  answer: demandWaysSchema,
});

export const chooseDemandWay = endpoint({
  method: "put",
  path: "/api/zones/:id/demand-way",
  summary: "Finds a zone's demand in one of these ways from now on",
  params: oneParams,
  body: newDemandWaySchema,
  answer: demandWaysSchema,
});
