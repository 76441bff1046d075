import { z } from "zod";
import { countSchema, dateSchema, idSchema, quantitySchema, textSchema } from "../basics/basics.ts";
import { explanationSchema } from "../basics/explanation.ts";

/** What came off in one pick, as weighed. What was not noted is null. */
export const newPickSchema = z
  .strictObject({
    /** made by the page, so that a second sending of one pick is not a second pick */
    key: z.uuid(),
    pickedOn: dateSchema,
    massKg: quantitySchema("The mass picked", 0.01, 100_000, "kg"),
    count: countSchema("The count of fruit", 1, 10_000_000).nullable(),
    grade: textSchema("The grade", 40).nullable(),
    brixPct: quantitySchema("Brix", 0, 35, "%").nullable(),
  })
  .meta({ id: "NewPick" });
export type NewPick = z.infer<typeof newPickSchema>;

export const pickSchema = newPickSchema.omit({ key: true }).extend({
  id: idSchema,
  /** why it was struck out; null while it counts */
  struck: z.string().nullable(),
});
export type Pick = z.infer<typeof pickSchema>;
export const pickStrikeSchema = z.strictObject({ reason: textSchema("The reason", 200) }).meta({ id: "PickStrike" });

/** One planting's picks against the yield aimed at. */
export const zoneHarvestSchema = z
  .object({
    zoneId: idSchema,
    date: dateSchema,
    crop: z.string().nullable(),
    areaM2: z.number(),
    targetKgM2: z.number().nullable(),
    pickedKgM2: z.number(),
    /** null without a target, or for a crop without picking stages */
    pathKgM2: z.number().nullable(),
    litresPerKg: z.number().nullable(),
    /** corners of the target's path, kg/m² */
    path: z.array(z.object({ date: dateSchema, kgM2: z.number() })),
    /** of the planting that stands on the date, newest first */
    picks: z.array(pickSchema),
    workings: z.object({ picked: explanationSchema, path: explanationSchema.nullable() }),
  })
  .meta({ id: "ZoneHarvest" });
export type ZoneHarvest = z.infer<typeof zoneHarvestSchema>;
