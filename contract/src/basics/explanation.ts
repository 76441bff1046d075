import { z } from "zod";
import { workingStepSchema } from "./basics.ts";

const originSchema = z.discriminatedUnion("kind", [
  z.object({
    kind: z.enum(["imported", "measured", "simulated", "forecast", "filled", "again", "carried", "heated", "outside"]),
    hours: z.number().optional(),
    at: z.string().optional(),
  }),
  z.object({ kind: z.literal("entered") }),
  z.object({ kind: z.literal("default") }),
  z.object({ kind: z.literal("library"), source: z.string(), assumed: z.boolean() }),
  z.object({ kind: z.literal("decided"), at: z.string() }),
  z.object({ kind: z.literal("computed") }),
]);
export type Origin = z.infer<typeof originSchema>;

const workingInputSchema = z.object({
  name: z.string(),
  value: z.number(),
  unit: z.string(),
  origins: z.array(originSchema),
});
export type WorkingInput = z.infer<typeof workingInputSchema>;

export const explanationSchema = z.object({ steps: z.array(workingStepSchema), inputs: z.array(workingInputSchema) });
export type Explanation = z.infer<typeof explanationSchema>;
