import { z } from "zod";
import { dateSchema, idSchema, quantitySchema, textSchema } from "../basics/basics.ts";

/** Digestate or reclaimed water that a zone got, and the fresh water that flushed the lines after it: booked apart. */
export const newDoseSchema = z
  .strictObject({
    /** made by the page, so that a second sending of one dose is not a second dose */
    key: z.uuid(),
    sourceId: idSchema,
    givenOn: dateSchema,
    litres: quantitySchema("The dose", 1, 10_000_000, "L"),
    flushL: quantitySchema("The fresh water after it", 0, 10_000_000, "L"),
  })
  .meta({ id: "NewDose" });
export type NewDose = z.infer<typeof newDoseSchema>;
export const doseSchema = newDoseSchema.omit({ key: true }).extend({
  id: idSchema,
  /** why it was struck out; null while it counts */
  struck: z.string().nullable(),
});
export type Dose = z.infer<typeof doseSchema>;
/** Newest first. */
export const dosesSchema = z.object({ zoneId: idSchema, doses: z.array(doseSchema) }).meta({ id: "Doses" });
export const doseStrikeSchema = z.strictObject({ reason: textSchema("The reason", 200) }).meta({ id: "DoseStrike" });
