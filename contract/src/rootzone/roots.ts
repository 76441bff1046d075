import { z } from "zod";
import { dateSchema, instantSchema } from "../basics/basics.ts";
import { systemSchema } from "../site/system.ts";

export const rootsSchema = z.discriminatedUnion("kind", [
  z.object({
    /** what is over runs out below, and is read there */
    kind: z.literal("drained"),
    system: systemSchema,
    heldPct: z.number().nullable().describe("share of the water held at container capacity, now"),
    drain: z
      .object({
        on: dateSchema,
        at: instantSchema,
        sharePct: z.number(),
        /** null where only the share was read */
        ecMsCm: z.number().nullable(),
        feedEcMsCm: z.number().nullable(),
        ph: z.number().nullable(),
      })
      .nullable(),
    drainTargetPct: z.number(),
  }),
  z.object({
    /** filled again once enough is missing */
    kind: z.literal("stored"),
    system: systemSchema,
    /** missing from field capacity, or from the tank's, pots' or pond's mark */
    depletionMm: z.number(),
    triggerMm: z.number(),
    availableMm: z.number(),
    /** tank: depth of solution; basin: above the soil, or below it as the tube shows */
    levelCm: z.number().nullable(),
    levelAtTriggerCm: z.number().nullable(),
    ecMsCm: z.number().nullable(),
    ph: z.number().nullable(),
    readAt: instantSchema.nullable(),
  }),
]);
export type Roots = z.infer<typeof rootsSchema>;
