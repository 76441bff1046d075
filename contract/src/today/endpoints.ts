import { newDecisionSchema } from "../advice/decision.ts";
import { idParamSchema } from "../basics/basics.ts";
import { dateQuery, endpoint, oneParams } from "../basics/endpoint.ts";
import { boardSchema } from "./board.ts";

export const getBoard = endpoint({
  method: "get",
  path: "/api/board",
  needs: "see",
  summary: "Every zone at every station on a date, with the day's radiation and pulses",
  query: dateQuery,
  answer: boardSchema,
});

export const takeBackDecision = endpoint({
  method: "post",
  path: "/api/zones/:id/decisions/:decisionId/retractions",
  needs: "decide",
  summary: "Take a decision back: the plans are as if it had not been taken; it stays on record",
  params: oneParams.extend({ decisionId: idParamSchema }),
  query: dateQuery,
  answer: boardSchema,
  status: 201,
});

export const decide = endpoint({
  method: "post",
  path: "/api/zones/:id/decisions",
  needs: "decide",
  summary: "Accept or change a computed correction, or dismiss a finding with a reason",
  params: oneParams,
  body: newDecisionSchema,
  answer: boardSchema,
  status: 201,
});
