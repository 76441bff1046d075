import { z } from "zod";
import { workingStepSchema } from "../basics/basics.ts";

// Spans are judged by the core, which knows what the other values make possible.
const number = z.number();

export const acidRequestSchema = z
  .strictObject({
    alkalinityMmolL: number,
    ph: number,
    targetPh: number
      .optional()
      .describe("of the closed line; of the degassed water with `open`; exactly one of this and leaveAlkalinityMmolL"),
    leaveAlkalinityMmolL: number.optional(),
    temperatureC: number.optional(),
    acid: z.enum(["HNO3", "H3PO4", "H2SO4"]),
    acidStrengthPct: number.optional(),
    acidDensityKgL: number.optional(),
    open: z.boolean().optional(),
  })
  .meta({ id: "AcidRequest" });

export const acidAnswerSchema = z
  .object({
    acidMmolL: number,
    phInLine: number,
    phDegassed: number,
    acidMlM3: number.optional(),
    residualAlkalinityMmolL: number,
    addedNutrientMgL: z.object({ N: number.optional(), P: number.optional(), S: number.optional() }),
    warnings: z.array(z.string()),
    working: z.array(workingStepSchema),
  })
  .meta({ id: "AcidAnswer" });
