import { z } from "zod";
import { countSchema, dateSchema, idSchema, quantitySchema, textSchema, versionSchema } from "../basics/basics.ts";

const pipeSchema = z.strictObject({
  lengthM: quantitySchema("The pipe's length", 0.1, 20_000, "m"),
  insideDiameterMm: quantitySchema("The pipe's inside diameter", 2, 500, "mm"),
});

/** The lines of a zone: one lateral that stands for all, and the pipe that feeds them. */
export const newDripLinesSchema = z.strictObject({
  laterals: countSchema("The number of laterals", 1, 5000),
  lengthM: quantitySchema("The lateral's length", 0.1, 2000, "m"),
  insideDiameterMm: quantitySchema("The inside diameter", 2, 200, "mm"),
  emitterSpacingM: quantitySchema("The spacing of emitters", 0.02, 50, "m"),
  emitterLh: quantitySchema("The emitter's flow", 0.05, 500, "L/h"),
  emitterKpa: quantitySchema("The pressure of the emitter's flow", 1, 1000, "kPa"),
  exponent: quantitySchema("The emitter's exponent", 0, 1, ""),
  cv: quantitySchema("The emitter's coefficient of variation", 0, 0.5, ""),
  inletKpa: quantitySchema("The pressure at the lateral's inlet", 1, 1000, "kPa"),
  slopePct: quantitySchema("The slope", -50, 50, "%"),
  main: pipeSchema.nullable(),
  /** along which the laterals stand; its head has the lateral's inlet pressure */
  subMain: pipeSchema.nullable().default(null),
});
export type NewDripLines = z.infer<typeof newDripLinesSchema>;
export const dripLinesUpdateSchema = newDripLinesSchema
  .extend({ version: versionSchema.nullable() })
  .meta({ id: "DripLinesUpdate" });

export const newCatchTestSchema = z
  .strictObject({
    /** made by the page, so that a second sending of one test is not a second test */
    key: z.uuid(),
    testedOn: dateSchema,
    minutes: quantitySchema("The minutes of the test", 0.1, 600, "minutes"),
    /** mL, a row for each line from its inlet to its end */
    catchesMl: z
      .array(
        z
          .array(quantitySchema("A catch", 0, 100_000, "mL"))
          .min(2)
          .max(60),
      )
      .min(2)
      .max(40)
      .refine((rows) => rows.every((row) => row.length === rows[0]?.length), {
        error: () => "Every line needs as many catches as the first one.",
      }),
  })
  .meta({ id: "NewCatchTest" });
export type NewCatchTest = z.infer<typeof newCatchTestSchema>;
export const catchTestSchema = newCatchTestSchema
  .omit({ key: true })
  .extend({ id: idSchema, struck: z.string().nullable() });
export type StoredCatchTest = z.infer<typeof catchTestSchema>;
export const catchStrikeSchema = z.strictObject({ reason: textSchema("The reason", 200) }).meta({ id: "CatchStrike" });

export const zoneDripLinesSchema = z
  .object({
    zoneId: idSchema,
    lines: newDripLinesSchema.extend({ version: versionSchema }).nullable(),
    /** L/h in the zone's description, and by the meter over the last week; null when nothing was metered */
    flowLh: z.number(),
    meteredLh: z.number().nullable(),
    /** newest first */
    tests: z.array(catchTestSchema),
  })
  .meta({ id: "ZoneDripLines" });
export type ZoneDripLines = z.infer<typeof zoneDripLinesSchema>;
