import { z } from "zod";
import { clockSchema, labelSchema, listSchema, workingStepSchema } from "../basics/basics.ts";

// Spans are judged by the core, which knows what the other values make possible.
const number = z.number();
const span = { start: clockSchema, end: clockSchema };

export const dayPlanRequestSchema = z
  .strictObject({
    pump: z.strictObject({ maxLh: number, maxOpenZones: number.optional(), kw: number.optional() }),
    mixers: listSchema(
      "Mixers",
      z.strictObject({ id: labelSchema("The mixer"), maxLh: number, rinseMin: number.optional() }),
      50,
    ),
    zones: listSchema(
      "Zones",
      z.strictObject({
        id: labelSchema("The zone"),
        mixerId: labelSchema("The mixer").optional(),
        litres: number.describe("the zone's total for the day"),
        flowLh: number,
        recipeId: z.string().max(80),
        windows: listSchema("Windows", z.strictObject(span), 24),
        pulses: number,
        minGapMin: number,
        priority: number.describe("the lower is served first when not all fit"),
      }),
      500,
    ),
    tariff: listSchema("Tariff", z.strictObject({ ...span, pricePerKwh: number }), 96).optional(),
    timeLimitS: number.optional(),
  })
  .meta({ id: "DayPlanRequest" });
export type DayPlanRequest = z.output<typeof dayPlanRequestSchema>;

export const dayPlanAnswerSchema = z
  .object({
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
  })
  .meta({ id: "DayPlanAnswer" });
export type DayPlanAnswer = z.input<typeof dayPlanAnswerSchema>;
