import { z } from "zod";
import { dateSchema, labelSchema } from "../basics/basics.ts";
import { dateQuery, endpoint, oneParams } from "../basics/endpoint.ts";
import { demandWaysSchema, newDemandWaySchema } from "./demand-ways.ts";
import { dayPlanAnswerSchema, dayPlanRequestSchema } from "./day-plan.ts";
import { mainAnswerSchema, mainUpdateSchema } from "./main.ts";
import { dayEditSchema, siteDaySchema } from "./site-day.ts";
import { zoneDaySchema } from "./zone-day.ts";

export const getZoneDay = endpoint({
  method: "get",
  path: "/api/zones/:id/day",
  needs: "see",
  summary: "One zone's day: weather, demand, plan and its working",
  params: oneParams,
  query: dateQuery,
  answer: zoneDaySchema,
});

export const computeDayPlan = endpoint({
  method: "post",
  path: "/api/compute/day-plan",
  needs: "see",
  summary: "A day of all zones over one pump and its mixers, without a clash",
  body: dayPlanRequestSchema,
  answer: dayPlanAnswerSchema,
});

export const getDemandWays = endpoint({
  method: "get",
  path: "/api/zones/:id/demand-ways",
  needs: "see",
  summary: "Every way to a zone's demand, side by side and against its meter",
  params: oneParams,
  query: dateQuery,
  answer: demandWaysSchema,
});

export const chooseDemandWay = endpoint({
  method: "put",
  path: "/api/zones/:id/demand-way",
  needs: "plan",
  summary: "Finds a zone's demand in one of these ways from now on",
  params: oneParams,
  body: newDemandWaySchema,
  answer: demandWaysSchema,
});

export const getMain = endpoint({
  method: "get",
  path: "/api/main",
  needs: "see",
  summary: "What all zones share: pumps, sources, filters, groups of valves, mixers, people at hand valves, tariff",
  answer: mainAnswerSchema,
});

export const saveMain = endpoint({
  method: "put",
  path: "/api/main",
  needs: "set-up",
  summary: "Describes what all zones share; 409 when the version is old",
  body: mainUpdateSchema,
  answer: mainAnswerSchema,
});

export const getSiteDay = endpoint({
  method: "get",
  path: "/api/day-plan",
  needs: "see",
  summary: "The day of all zones as it is planned and as it ran; planned anew where what it rests on has changed",
  query: dateQuery,
  answer: siteDaySchema,
});

export const editSiteDay = endpoint({
  method: "post",
  path: "/api/day-plans/:date/edits",
  needs: "plan",
  summary:
    "Locks or frees a pulse, shuts or opens a valve, says what was missed; the rest gives way; 409 when it is old",
  params: z.object({ date: dateSchema }),
  body: dayEditSchema,
  answer: siteDaySchema,
});

export const getSiteDayTable = endpoint({
  method: "get",
  path: "/api/day-plan.csv",
  needs: "see",
  summary: "The pulses of a day as a table, planned and given",
  query: dateQuery,
  answer: z.string(),
  media: "text/csv",
});

export const getWaterCalendarAddress = endpoint({
  method: "get",
  path: "/api/water-calendar-address",
  needs: "see",
  summary: "Where calendars of people and telephones follow the valves of today and tomorrow",
  answer: z.object({ path: z.string() }).meta({ id: "WaterCalendarAddress" }),
});

export const getWaterCalendar = endpoint({
  method: "get",
  path: "/api/water-calendar/:token",
  needs: "open",
  summary: "The valves of today and tomorrow as a calendar, for whoever knows its address",
  params: z.object({ token: labelSchema("The calendar's token") }),
  answer: z.string(),
  media: "text/calendar",
});
