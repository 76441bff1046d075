import { newLeafTakenSchema } from "./leaf-taken.ts";
import { dosePlanSchema, newDoseRecordSchema, savedProgrammeSchema, weekOfDosesSchema } from "./dose-plan.ts";
import { keptProgrammesSchema, newKeptProgrammeSchema } from "./dose-programme.ts";
import {
  doseCalendarAnswerSchema,
  doseCalendarRequestSchema,
  doseNeedAnswerSchema,
  doseNeedRequestSchema,
} from "./doses.ts";
import { z } from "zod";
import { idParamSchema } from "../basics/basics.ts";
import { dateQuery, endpoint, oneParams } from "../basics/endpoint.ts";
import { nutrientBooksSchema, nutrientRulesUpdateSchema } from "./nutrient-books.ts";

export const computeDoseNeed = endpoint({
  method: "post",
  path: "/api/compute/dose-need",
  needs: "see",
  summary: "What a field is to be given of N, P and K for a yield",
  body: doseNeedRequestSchema,
  answer: doseNeedAnswerSchema,
});

export const computeDoseCalendar = endpoint({
  method: "post",
  path: "/api/compute/dose-calendar",
  needs: "see",
  summary: "What is to be given, on dates and in products",
  body: doseCalendarRequestSchema,
  answer: doseCalendarAnswerSchema,
});

export const getDosePlan = endpoint({
  method: "get",
  path: "/api/zones/:id/dose-plan",
  needs: "see",
  summary: "A planting's need of N, P and K, its calendar of doses, and its books",
  params: oneParams,
  query: dateQuery,
  answer: dosePlanSchema,
});

export const saveProgramme = endpoint({
  method: "put",
  path: "/api/zones/:id/dose-programme",
  needs: "plan",
  summary: "How the planting that stands is fed in doses; 409 when the version is old",
  params: oneParams,
  body: savedProgrammeSchema,
  answer: dosePlanSchema,
});

export const getKeptProgrammes = endpoint({
  method: "get",
  path: "/api/dose-programmes",
  needs: "see",
  summary: "Programmes of doses that were kept under a name, with the zones that they are in force in",
  answer: keptProgrammesSchema,
});

export const keepProgramme = endpoint({
  method: "post",
  path: "/api/zones/:id/dose-programmes",
  needs: "plan",
  summary: "Keep a programme of doses under a name, as the next version",
  params: oneParams,
  body: newKeptProgrammeSchema,
  answer: keptProgrammesSchema,
  status: 201,
});

export const recordDose = endpoint({
  method: "post",
  path: "/api/zones/:id/dose-records",
  needs: "feed.dose",
  summary: "A dose was given, with what it really was, or skipped, with why; its key makes it count once",
  params: oneParams,
  body: newDoseRecordSchema,
  answer: dosePlanSchema,
  status: 201,
});

export const takeDoseBack = endpoint({
  method: "delete",
  path: "/api/zones/:id/dose-records/:record",
  needs: "feed.dose",
  summary: "What was noted of a dose does not count; the stock is as it was before it",
  params: oneParams.extend({ record: idParamSchema }),
  answer: dosePlanSchema,
});

export const noteLeafTaken = endpoint({
  method: "post",
  path: "/api/zones/:id/leaf-taken",
  needs: "work",
  summary: "Leaf was carried away beside what was picked; its key makes it count once",
  params: oneParams,
  body: newLeafTakenSchema,
  answer: dosePlanSchema,
  status: 201,
});

export const strikeLeafTaken = endpoint({
  method: "delete",
  path: "/api/zones/:id/leaf-taken/:record",
  needs: "work",
  summary: "A note of leaf that was carried away does not count",
  params: oneParams.extend({ record: idParamSchema }),
  answer: dosePlanSchema,
});

export const getWeekOfDoses = endpoint({
  method: "get",
  path: "/api/doses",
  needs: "see",
  summary: "What is to be given in all zones in the week from a date on, and what is overdue",
  query: dateQuery,
  answer: weekOfDosesSchema,
});

export const getDoseTable = endpoint({
  method: "get",
  path: "/api/zones/:id/doses.csv",
  needs: "see",
  summary: "A planting's calendar of doses as a table",
  params: oneParams,
  query: dateQuery,
  answer: z.string(),
  media: "text/csv",
});

export const getNutrientBooks = endpoint({
  method: "get",
  path: "/api/nutrient-books",
  needs: "see",
  summary: "N, P and K of every zone by calendar year and source, against the rules of the place",
  answer: nutrientBooksSchema,
});

export const saveNutrientRules = endpoint({
  method: "put",
  path: "/api/nutrient-rules",
  needs: "set-up",
  summary: "What the rules of the place allow in a year; 409 when the version is old",
  body: nutrientRulesUpdateSchema,
  answer: nutrientBooksSchema,
});

export const getNutrientTable = endpoint({
  method: "get",
  path: "/api/nutrient-books.csv",
  needs: "see",
  summary: "Everything that came to a hectare or was taken off it, a row each, as elements and as oxides",
  answer: z.string(),
  media: "text/csv",
});
