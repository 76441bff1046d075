import { endpoint } from "../basics/endpoint.ts";
import { stageDatesAnswerSchema, stageDatesRequestSchema } from "./stage-dates.ts";

export const computeStageDates = endpoint({
  method: "post",
  path: "/api/compute/stage-dates",
  needs: "see",
  summary: "When the stages of a planting begin and end, by days, warmth, day length, date or what was seen",
  body: stageDatesRequestSchema,
  takesFiles: true,
  answer: stageDatesAnswerSchema,
});
