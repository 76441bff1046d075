import { z } from "zod";

export const markSchema = z.enum(["steady", "watch", "act"]);
export type Mark = z.infer<typeof markSchema>;

export const stationSchema = z.enum(["water", "feed", "run", "roots", "crop", "harvest"]);
export type Station = z.infer<typeof stationSchema>;

export const findingSchema = z.discriminatedUnion("cause", [
  z.object({
    cause: z.enum(["drain-low", "drain-high"]),
    mark: markSchema,
    drainPct: z.number(),
    targetPct: z.number(),
    /** null where only the share was read */
    drainEcMsCm: z.number().nullable(),
  }),
  z.object({ cause: z.literal("salt"), mark: markSchema, drainEcMsCm: z.number(), feedEcMsCm: z.number() }),
  z.object({ cause: z.literal("dosing"), mark: markSchema, dripEcMsCm: z.number(), feedEcMsCm: z.number() }),
  z.object({ cause: z.literal("too-dry"), mark: markSchema, depletionMm: z.number(), triggerMm: z.number() }),
  z.object({ cause: z.literal("delivery"), mark: markSchema, givenL: z.number(), plannedL: z.number() }),
  z.object({ cause: z.literal("window-short"), mark: markSchema, unmetL: z.number() }),
  z.object({ cause: z.literal("no-drain-reading"), mark: markSchema, days: z.number() }),
]);
export type Finding = z.infer<typeof findingSchema>;
export const causeSchema = z.enum([
  "drain-low",
  "drain-high",
  "salt",
  "dosing",
  "too-dry",
  "delivery",
  "window-short",
  "no-drain-reading",
]);
