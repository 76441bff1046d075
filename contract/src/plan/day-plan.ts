import { z } from "zod";
import { workingStepSchema } from "../basics/basics.ts";

// Spans are judged by the core, which knows what the other values make possible.
const number = z.number();
const span = { start: z.string(), end: z.string() };

export const dayPlanRequestSchema = z.strictObject({
  pump: z.strictObject({ maxLh: number, maxOpenZones: number.optional(), kw: number.optional() }),
  mixers: z.array(z.strictObject({ id: z.string().min(1), maxLh: number, rinseMin: number.optional() })),
  zones: z.array(
    z.strictObject({
      id: z.string().min(1),
      mixerId: z.string().optional(),
      litres: number.describe("the zone's total for the day"),
      flowLh: number,
      recipeId: z.string(),
      windows: z.array(z.strictObject(span)),
      pulses: number,
      minGapMin: number,
      priority: number.describe("the lower is served first when not all fit"),
    }),
  ),
  tariff: z.array(z.strictObject({ ...span, pricePerKwh: number })).optional(),
  timeLimitS: number.optional(),
});

export const dayPlanAnswerSchema = z.object({
  status: z.enum(["optimal", "feasible", "partial"]),
  gapPct: number,
  events: z.array(
    z.object({
      zoneId: z.string(),
      mixerId: z.string(),
      pulse: number,
      start: z.string(),
      end: z.string(),
      recipeId: z.string(),
      lh: number,
      litres: number,
    }),
  ),
  peakLh: number,
  unmet: z.array(z.object({ zoneId: z.string(), litres: number, reason: z.string(), cheapestWayOut: z.string() })),
  warnings: z.array(z.string()),
  working: z.array(workingStepSchema),
});
