import { z } from "zod";
import { spanSchema, dateSchema, workingStepSchema } from "../basics/basics.ts";

// Spans are judged by the core, which knows what the other values make possible.
const number = z.number();

export const zoneWaterRequestSchema = z
  .strictObject({
    system: z.enum(["substrate", "soil-drip"]),
    date: dateSchema,
    areaM2: number,
    plants: number,
    zoneFlowLh: number,
    uniformityPct: number,
    demandMm: number.optional().describe("either this, or et0Mm with kc"),
    et0Mm: number.optional(),
    kc: number.optional(),
    substrate: z
      .strictObject({
        waterHeldLPlant: number,
        pulseSharePct: number,
        drainTargetPct: number,
        yesterday: z.strictObject({ drainPct: number, drainEcMsCm: number, feedEcMsCm: number }).optional(),
      })
      .optional(),
    soil: z
      .strictObject({
        depletionMm: number,
        totalAvailableMm: number,
        triggerPct: number,
        refillPct: number,
        wettedPct: number,
        ecWaterMsCm: number,
        ecZeroYieldMsCm: number,
        rainMm: number.optional(),
      })
      .optional(),
    window: spanSchema,
    minGapMin: number,
  })
  .meta({ id: "ZoneWaterRequest" });

export const pulseSchema = z.object({ start: z.string(), minutes: number, litres: number });

export const zoneWaterAnswerSchema = z
  .object({
    demandMm: number,
    netMm: number,
    grossMm: number,
    litres: number,
    drainL: number,
    leachingPct: number,
    minutesTotal: number,
    events: z.array(pulseSchema),
    warnings: z.array(z.string()),
    working: z.array(workingStepSchema),
  })
  .meta({ id: "ZoneWaterAnswer" });
