import { z } from "zod";
import { idSchema, instantSchema, listSchema, quantitySchema, textSchema } from "../basics/basics.ts";

/** Water that a person says was given: where, from when, how long and how much. */
const newWateringSchema = z.strictObject({
  zoneId: idSchema,
  startUtc: instantSchema,
  minutes: quantitySchema("The time that the valve was open", 0.1, 1440, "minutes"),
  litres: quantitySchema("The litres given", 0.1, 10_000_000, "L"),
});
export type NewWatering = z.infer<typeof newWateringSchema>;

/** One start of one zone counts once, however often it is said. */
export const newWateringsSchema = z
  .strictObject({ waterings: listSchema("Waterings", newWateringSchema, 2000) })
  .meta({ id: "NewWaterings" });

export const wateringStrikeSchema = z
  .strictObject({ startUtc: instantSchema, reason: textSchema("The reason", 200) })
  .meta({ id: "WateringStrike" });
