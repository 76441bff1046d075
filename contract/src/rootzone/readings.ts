import { z } from "zod";
import { dateSchema, idSchema, instantSchema, quantitySchema, textSchema } from "../basics/basics.ts";
import { rootsSchema } from "./roots.ts";

/** One look at a root zone: what was read at one moment. What was not read is left out. */
export const newReadingSchema = z
  .strictObject({
    at: instantSchema,
    dripEcMsCm: quantitySchema("Drip EC", 0, 20, "mS/cm").optional(),
    dripPh: quantitySchema("Drip pH", 3, 10, "").optional(),
    drainPct: quantitySchema("Drain share", 0, 95, "% of the water given").optional(),
    drainEcMsCm: quantitySchema("Drain EC", 0, 20, "mS/cm").optional(),
    feedEcMsCm: quantitySchema("Feed EC", 0, 20, "mS/cm").optional(),
    drainPh: quantitySchema("Drain pH", 3, 10, "").optional(),
    tankEcMsCm: quantitySchema("EC of the solution", 0, 20, "mS/cm").optional(),
    tankPh: quantitySchema("pH of the solution", 3, 10, "").optional(),
    levelCm: quantitySchema("The level", -100, 200, "cm").optional(),
  })
  .refine(({ at: _at, ...values }) => Object.values(values).some((value) => value !== undefined), {
    error: () => "Type at least one value that was read.",
  })
  .meta({ id: "NewReading" });
export type NewReading = z.infer<typeof newReadingSchema>;

export const strikeSchema = z
  .strictObject({ at: instantSchema, reason: textSchema("The reason", 200) })
  .meta({ id: "Strike" });
export type Strike = z.infer<typeof strikeSchema>;

const readingSchema = z.object({
  at: instantSchema,
  dripEcMsCm: z.number().nullable(),
  dripPh: z.number().nullable(),
  drainPct: z.number().nullable(),
  drainEcMsCm: z.number().nullable(),
  feedEcMsCm: z.number().nullable(),
  drainPh: z.number().nullable(),
  tankEcMsCm: z.number().nullable(),
  tankPh: z.number().nullable(),
  levelCm: z.number().nullable(),
  /** why it was struck out; null while it counts */
  struck: z.string().nullable(),
});
export type Reading = z.infer<typeof readingSchema>;

/** The root zone of a zone over the last weeks. */
export const rootHistorySchema = z
  .object({
    zoneId: idSchema,
    from: dateSchema,
    to: dateSchema,
    now: rootsSchema.nullable(),
    /** newest last */
    readings: z.array(readingSchema),
    /** soil: what was missing each morning */
    mornings: z.array(
      z.object({ date: dateSchema, depletionMm: z.number(), triggerMm: z.number(), givenMm: z.number() }),
    ),
  })
  .meta({ id: "RootHistory" });
export type RootHistory = z.infer<typeof rootHistorySchema>;
