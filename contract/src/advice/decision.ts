import { z } from "zod";
import { dateSchema, idSchema, labelSchema, instantSchema, quantitySchema, textSchema } from "../basics/basics.ts";
import { causeSchema, findingSchema, stationSchema } from "./finding.ts";

/** How a zone differs from the model: times the modelled demand, and a drain share against salt. */
export const correctionSchema = z.strictObject({
  demandFactor: quantitySchema("Demand against the model", 0.5, 2, "times"),
  drainSharePct: quantitySchema("Drain share", 0, 60, "%").nullable(),
});
export type Correction = z.infer<typeof correctionSchema>;

const dayOfWaterSchema = z.object({ litres: z.number(), pulses: z.number(), minutes: z.number() });

/** A computed cure: what it would change on the first day that it is in force. */
const proposalSchema = z.object({
  correction: correctionSchema,
  fromDate: dateSchema,
  before: dayOfWaterSchema.nullable(),
  after: dayOfWaterSchema.nullable(),
});
export type Proposal = z.infer<typeof proposalSchema>;

export const verdictSchema = z.enum(["accepted", "changed", "dismissed"]);

export const decisionSchema = z.object({
  id: idSchema,
  verdict: verdictSchema,
  decidedAt: instantSchema,
  fromDate: dateSchema,
  correction: correctionSchema.nullable(),
  reason: z.string().nullable(),
});
export type Decision = z.infer<typeof decisionSchema>;

/** What deviates at a station, what would put it right, and what was decided about it. */
export const openFindingSchema = z.object({
  station: stationSchema,
  finding: findingSchema,
  /** what it rests on: the instant of a reading, or a date. A finding of something newer is decided anew. */
  about: z.string(),
  proposal: proposalSchema.nullable(),
  decision: decisionSchema.nullable(),
});
export type OpenFinding = z.infer<typeof openFindingSchema>;

const found = {
  /** made by the page, so that a second sending of one decision is not a second one */
  key: z.uuid(),
  cause: causeSchema,
  about: labelSchema("What it is about"),
  date: dateSchema,
};
export const newDecisionSchema = z
  .discriminatedUnion(
    "verdict",
    [
      z.strictObject({ verdict: z.literal("accepted"), ...found }),
      z.strictObject({ verdict: z.literal("changed"), ...found, correction: correctionSchema }),
      z.strictObject({ verdict: z.literal("dismissed"), ...found, reason: textSchema("The reason", 200) }),
    ],
    { error: () => "A decision is accepted, changed or dismissed." },
  )
  .meta({ id: "NewDecision" });
export type NewDecision = z.infer<typeof newDecisionSchema>;
