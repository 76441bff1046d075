import { newDecisionSchema } from "../advice/decision.ts";
import { dateQuery, endpoint, oneParams } from "../basics/endpoint.ts";
import { boardSchema } from "./board.ts";

export const getBoard = endpoint({
  method: "get",
  path: "/api/board",
  summary: "Every zone at every station on a date, with the day's radiation and pulses",
  query: dateQuery,
  answer: boardSchema,
});

export const decide = endpoint({
  method: "post",
  path: "/api/zones/:id/decisions",
  summary: "Accept or change a computed correction, or dismiss a finding with a reason",
  params: oneParams,
  body: newDecisionSchema,
  answer: boardSchema,
  status: 201,
});
