import { DEMAND_METHODS } from "@sprunel/core/demand";
import { z } from "zod";
import { dateSchema, workingStepSchema } from "../basics/basics.ts";

// Spans are judged by the core, which knows what the other values make possible.
const number = z.number();
const air = {
  hour: z.number().int().describe("14 means 14:00–15:00 of the standard clock"),
  airC: number,
  rhPct: number,
};

export const demandRequestSchema = z
  .strictObject({
    method: z.enum(DEMAND_METHODS),
    date: dateSchema,
    latitudeDeg: number.describe("north positive"),
    longitudeDeg: number.describe("east positive"),
    elevationM: number,
    timeZone: z.string(),
    transmissionPct: number.describe("100 in the open"),
    hours: z
      .array(z.strictObject({ ...air, solarMjM2: number, windMs: number.optional() }))
      .describe("outside, all 24"),
    insideHours: z.array(z.strictObject(air)).optional(),
    leafAreaIndex: number.optional(),
    kc: number.optional(),
    dual: z
      .strictObject({
        kcb: number,
        wettedPct: number,
        coverPct: number,
        irrigationMm: number.optional(),
        rainMm: number.optional(),
      })
      .optional(),
    radiationSum: z.strictObject({ mlPerJCm2: number }).optional(),
    pan: z.strictObject({ evaporationMm: number, panCoefficient: number, kc: number }).optional(),
    ownMm: number.optional(),
    fittedFactor: number.optional(),
  })
  .meta({ id: "DemandRequest" });

export const demandAnswerSchema = z
  .object({
    demandMm: number,
    hourlyMm: z.array(number),
    et0Mm: number.optional(),
    warnings: z.array(z.string()),
    working: z.array(workingStepSchema),
  })
  .meta({ id: "DemandAnswer" });
