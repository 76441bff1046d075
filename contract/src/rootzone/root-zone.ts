import { z } from "zod";
import { workingStepSchema } from "../basics/basics.ts";
import { partialDefinitionSchema } from "../site/zone.ts";

// Ranges are judged by the core, which knows what the zone holds.
const number = z.number();

export const rootZoneRequestSchema = z
  .strictObject({
    zone: partialDefinitionSchema,
    rootDepthM: number.optional(),
    crop: z.strictObject({ depletionFraction: number }).optional(),
    start: z
      .strictObject({
        depletionMm: number.optional(),
        heldLPlant: number.optional(),
        levelCm: number.optional(),
        ecMsCm: number.optional(),
      })
      .optional(),
    hours: z.array(
      z.strictObject({
        demandMm: number,
        rainMm: number.optional(),
        /** gross, over the zone's area */
        waterMm: number.optional(),
        ecMsCm: number.optional(),
      }),
    ),
  })
  .meta({ id: "RootZoneRequest" });

export const rootZoneAnswerSchema = z
  .object({
    hours: z.array(
      z.object({
        depletionMm: number.optional(),
        heldLPlant: number.optional(),
        levelCm: number.optional(),
        ecMsCm: number,
        takenMm: number,
        drainMm: number,
        lostMm: number,
        overflowMm: number,
        shortMm: number,
      }),
    ),
    balance: z.object({
      water: z.object({ inMm: number, outMm: number, changeMm: number, residualMm: number }),
      salt: z.object({ inEcMm: number, outEcMm: number, changeEcMm: number, residualEcMm: number }),
    }),
    warnings: z.array(z.string()),
    working: z.array(workingStepSchema),
  })
  .meta({ id: "RootZoneAnswer" });
