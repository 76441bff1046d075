import { z } from "zod";
import { dateSchema, idSchema, instantSchema, quantitySchema, textSchema } from "../basics.ts";
import { rootsSchema } from "../plan/board.ts";

/** One look at the drain: what was read at one moment. What was not read is left out. */
export const newDrainReadingSchema = z
  .strictObject({
    at: instantSchema,
    drainPct: quantitySchema("Drain share", 0, 95, "% of the water given").optional(),
    drainEcMsCm: quantitySchema("Drain EC", 0, 20, "mS/cm").optional(),
    feedEcMsCm: quantitySchema("Feed EC", 0, 20, "mS/cm").optional(),
    drainPh: quantitySchema("Drain pH", 3, 10, "").optional(),
  })
  .refine(({ at: _at, ...values }) => Object.values(values).some((value) => value !== undefined), {
    error: () => "Type at least one value that was read.",
  });
export type NewDrainReading = z.infer<typeof newDrainReadingSchema>;

export const strikeSchema = z.strictObject({ at: instantSchema, reason: textSchema("The reason", 200) });
export type Strike = z.infer<typeof strikeSchema>;

export const drainReadingSchema = z.object({
  at: instantSchema,
  drainPct: z.number().nullable(),
  drainEcMsCm: z.number().nullable(),
  feedEcMsCm: z.number().nullable(),
  drainPh: z.number().nullable(),
  /** why it was struck out; null while it counts */
  struck: z.string().nullable(),
});
export type DrainReading = z.infer<typeof drainReadingSchema>;

/** The root zone of a zone over the last weeks. */
export const rootHistorySchema = z.object({
  zoneId: idSchema,
  from: dateSchema,
  to: dateSchema,
  now: rootsSchema.nullable(),
  /** newest last */
  readings: z.array(drainReadingSchema),
  /** soil: what was missing each morning */
  mornings: z.array(
    z.object({ date: dateSchema, depletionMm: z.number(), triggerMm: z.number(), givenMm: z.number() }),
  ),
});
export type RootHistory = z.infer<typeof rootHistorySchema>;
