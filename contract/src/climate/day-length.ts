import { z } from "zod";
import { dateSchema, instantSchema, workingStepSchema } from "../basics/basics.ts";

export const dayLengthRequestSchema = z
  .strictObject({
    latitudeDeg: z.number().describe("north positive"),
    longitudeDeg: z.number().describe("east positive"),
    date: dateSchema.describe("the local day around that longitude's noon"),
    twilight: z
      .enum(["none", "civil"], { error: () => "The twilight must be one of none, civil." })
      .optional()
      .describe("none: the sun's upper rim; civil: its centre 6° below the horizon"),
  })
  .meta({ id: "DayLengthRequest" });

export const dayLengthAnswerSchema = z
  .object({
    dayLengthH: z.number(),
    riseUtc: instantSchema.nullable(),
    setUtc: instantSchema.nullable(),
    polar: z.enum(["day", "night"]).nullable(),
    working: z.array(workingStepSchema),
  })
  .meta({ id: "DayLengthAnswer" });
