import { WARMTH_METHODS } from "@sprunel/core/crop";
import { z } from "zod";
import { dateSchema, labelSchema, workingStepSchema } from "../basics/basics.ts";

// Ranges are judged by the core, which knows what the other values make possible.
const number = z.number();

const warmthMethodSchema = z.enum(WARMTH_METHODS, {
  error: () => `Warmth is counted by one of ${WARMTH_METHODS.join(", ")}.`,
});

const driverSchema = z.discriminatedUnion(
  "kind",
  [
    z.strictObject({ kind: z.literal("days"), days: number }),
    z.strictObject({
      kind: z.literal("thermal"),
      degreeDays: number.describe("°C·d above the base"),
      baseC: number,
      ceilingC: number.optional(),
      method: warmthMethodSchema.optional().describe("how a day's warmth is counted; 2 when left out"),
    }),
    z.strictObject({
      kind: z.literal("cycles"),
      count: number,
      of: z.enum(["short", "long"]),
      criticalH: number.describe("a day is short under it, and long above"),
    }),
    z.strictObject({ kind: z.literal("date"), monthDay: z.string().max(10).describe("MM-DD") }),
  ],
  { error: () => "A stage's driver must be one of days, thermal, cycles, date." },
);

export const stageDatesRequestSchema = z
  .strictObject({
    startOn: dateSchema,
    stages: z.array(z.strictObject({ id: labelSchema("The stage"), driver: driverSchema })).max(60),
    days: z
      .array(
        z.strictObject({
          date: dateSchema,
          tMinC: number.optional(),
          tMaxC: number.optional(),
          dayLengthH: number.optional(),
        }),
      )
      .describe("one after the other, from the first day or before it"),
    signs: z
      .array(z.strictObject({ stageId: labelSchema("The stage"), on: dateSchema }))
      .max(100)
      .optional()
      .describe("stages that were seen to begin"),
  })
  .meta({ id: "StageDatesRequest" });

export const stageDatesAnswerSchema = z
  .object({
    stages: z.array(
      z.object({
        id: z.string(),
        startsOn: dateSchema.nullable(),
        endsOn: dateSchema.nullable().describe("its last day; null while it goes on"),
        done: number,
        of: number,
        unit: z.string(),
        seen: z.boolean(),
      }),
    ),
    warnings: z.array(z.string()),
    working: z.array(workingStepSchema),
  })
  .meta({ id: "StageDatesAnswer" });
