import { z } from "zod";
import { workingStepSchema } from "../basics/basics.ts";
import { ionsSchema } from "../basics/ions.ts";
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
        ionsMmolL: ionsSchema.optional(),
      }),
    ),
    /** asks for single ions and pH */
    ions: z
      .strictObject({
        startMmolL: ionsSchema.optional(),
        uptakeMmolL: ionsSchema.optional(),
        stayingUptakeShare: number.optional(),
        co2Pct: number.optional(),
        temperatureC: number.optional(),
      })
      .optional(),
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
        ionsMmolL: ionsSchema.optional(),
        ph: number.nullable().optional(),
      }),
    ),
    balance: z.object({
      water: z.object({ inMm: number, outMm: number, changeMm: number, residualMm: number }),
      salt: z.object({ inEcMm: number, outEcMm: number, changeEcMm: number, residualEcMm: number }),
      ions: z
        .record(
          z.string(),
          z.object({
            inMmolM2: number,
            takenMmolM2: number,
            outMmolM2: number,
            changeMmolM2: number,
            residualMmolM2: number,
          }),
        )
        .optional(),
    }),
    warnings: z.array(z.string()),
    working: z.array(workingStepSchema),
  })
  .meta({ id: "RootZoneAnswer" });
