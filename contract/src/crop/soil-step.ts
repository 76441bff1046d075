import { SOIL_STEPS } from "@sprunel/core/crop";
import { z } from "zod";
import { countSchema, dateSchema, idSchema, textSchema } from "../basics/basics.ts";

/** What is done to a zone's soil on a day, and how long nothing may be planted after it. */
export const newSoilStepSchema = z
  .strictObject({
    /** made by the page, so that a second sending is not a second step */
    key: z.uuid({ error: () => "The key is no UUID." }),
    kind: z.enum(SOIL_STEPS, { error: () => `What is done to a soil is one of ${SOIL_STEPS.join(", ")}.` }),
    on: dateSchema,
    waitDays: countSchema("The days until something is planted", 0, 730),
    /** as "ground limestone, 4.1 t/ha" */
    note: textSchema("What it is", 120).nullable(),
  })
  .meta({ id: "NewSoilStep" });
export type NewSoilStep = z.infer<typeof newSoilStepSchema>;

/** In order of time; those whose wait was over long ago are not told. */
export const soilStepsSchema = z
  .object({
    zoneId: idSchema,
    steps: z.array(newSoilStepSchema.omit({ key: true }).extend({ id: idSchema, readyOn: dateSchema })),
  })
  .meta({ id: "SoilSteps" });
export type SoilSteps = z.infer<typeof soilStepsSchema>;
