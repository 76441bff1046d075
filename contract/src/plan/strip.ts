import { z } from "zod";
import { instantSchema } from "../basics/basics.ts";

/** Why a figure is not there. */
export const missingSchema = z.enum(["not-planted", "no-weather", "no-reading"]);

export const stripPulseSchema = z.object({
  startUtc: instantSchema,
  endUtc: instantSchema,
  litres: z.number(),
  state: z.enum(["planned", "logged"]),
});
