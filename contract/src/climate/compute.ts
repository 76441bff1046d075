import { endpoint } from "../basics/endpoint.ts";
import { dayLengthAnswerSchema, dayLengthRequestSchema } from "./day-length.ts";
import { demandAnswerSchema, demandRequestSchema } from "./demand.ts";
import { referenceEtAnswerSchema, referenceEtRequestSchema } from "./reference-et.ts";

export const computeReferenceEt = endpoint({
  method: "post",
  path: "/api/compute/reference-et",
  needs: "see",
  summary: "Reference evapotranspiration",
  body: referenceEtRequestSchema,
  answer: referenceEtAnswerSchema,
});

export const computeDemand = endpoint({
  method: "post",
  path: "/api/compute/demand",
  needs: "see",
  summary: "What a crop takes up in a day, by one of eight methods",
  body: demandRequestSchema,
  answer: demandAnswerSchema,
});

export const computeDayLength = endpoint({
  method: "post",
  path: "/api/compute/day-length",
  needs: "see",
  summary: "How long a day is, and when the sun rises and sets",
  body: dayLengthRequestSchema,
  answer: dayLengthAnswerSchema,
});
