import { z } from "zod";
import { listSchema, workingStepSchema } from "../basics/basics.ts";

// Spans are judged by the core, which knows what the other values make possible.
const number = z.number();

const emitterSchema = z.strictObject({
  flowLh: number,
  atKpa: number,
  exponent: number,
  cv: number.optional(),
  minKpa: number.optional(),
  maxKpa: number.optional(),
});

export const lateralRequestSchema = z
  .strictObject({
    lengthM: number,
    insideDiameterMm: number,
    emitterSpacingM: number,
    emitter: emitterSchema,
    inletKpa: number,
    slopePct: number.optional().describe("positive uphill from the inlet"),
    temperatureC: number.optional(),
    minorLossM: number.optional().describe("equivalent length of each emitter's barb"),
  })
  .meta({ id: "LateralRequest" });

export const lateralAnswerSchema = z
  .object({
    inletFlowLh: number,
    minKpa: number,
    maxKpa: number,
    endKpa: number,
    flowVariationPct: number,
    emissionUniformityPct: number,
    profile: z.array(z.object({ xM: number, kPa: number, lh: number })),
    warnings: z.array(z.string()),
    working: z.array(workingStepSchema),
  })
  .meta({ id: "LateralAnswer" });

export const uniformityRequestSchema = z
  .strictObject({ catchesMl: listSchema("Catches", number, 2000), minutes: number })
  .meta({ id: "UniformityRequest" });

export const uniformityAnswerSchema = z
  .object({
    meanLh: number,
    lowQuarterDuPct: number,
    christiansenPct: number,
    cv: number.describe("a fraction"),
    verdict: z.string(),
    warnings: z.array(z.string()),
    working: z.array(workingStepSchema),
  })
  .meta({ id: "UniformityAnswer" });
