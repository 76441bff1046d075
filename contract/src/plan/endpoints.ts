import { dateQuery, endpoint, oneParams } from "../basics/endpoint.ts";
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
