import { z } from "zod";
import { dateSchema, idSchema, instantSchema } from "../basics.ts";
import { siteSchema } from "../site/site.ts";

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
    drainEcMsCm: z.number(),
  }),
  z.object({ cause: z.literal("salt"), mark: markSchema, drainEcMsCm: z.number(), feedEcMsCm: z.number() }),
  z.object({ cause: z.literal("too-dry"), mark: markSchema, depletionMm: z.number(), triggerMm: z.number() }),
  z.object({ cause: z.literal("delivery"), mark: markSchema, givenL: z.number(), plannedL: z.number() }),
  z.object({ cause: z.literal("window-short"), mark: markSchema, unmetL: z.number() }),
  z.object({ cause: z.literal("no-drain-reading"), mark: markSchema, days: z.number() }),
]);
export type Finding = z.infer<typeof findingSchema>;

/** Why a figure is not there. */
export const missingSchema = z.enum(["not-planted", "no-weather", "no-reading"]);

export const rootsSchema = z.discriminatedUnion("kind", [
  z.object({
    kind: z.literal("substrate"),
    heldPct: z.number().nullable().describe("share of the water held at container capacity, now"),
    drain: z
      .object({
        on: dateSchema,
        sharePct: z.number(),
        ecMsCm: z.number(),
        feedEcMsCm: z.number(),
        ph: z.number().nullable(),
      })
      .nullable(),
    drainTargetPct: z.number(),
  }),
  z.object({ kind: z.literal("soil-drip"), depletionMm: z.number(), triggerMm: z.number(), availableMm: z.number() }),
]);
export type Roots = z.infer<typeof rootsSchema>;

export const stripPulseSchema = z.object({
  startUtc: instantSchema,
  endUtc: instantSchema,
  litres: z.number(),
  state: z.enum(["planned", "logged"]),
});

export const boardZoneSchema = z.object({
  id: idSchema,
  name: z.string(),
  house: z.string(),
  system: z.enum(["substrate", "soil-drip"]),
  mark: markSchema,
  missing: missingSchema.nullable(),
  run: z
    .object({
      litres: z.number(),
      grossMm: z.number(),
      litresPerPlant: z.number(),
      minutes: z.number(),
      pulses: z.number(),
      mark: markSchema,
    })
    .nullable(),
  roots: rootsSchema.nullable(),
  rootsMark: markSchema,
  crop: z.object({ name: z.string(), stage: z.string(), day: z.number(), days: z.number() }).nullable(),
  findings: z.array(z.object({ station: stationSchema, finding: findingSchema })),
  pulses: z.array(stripPulseSchema),
});
export type BoardZone = z.infer<typeof boardZoneSchema>;

export const boardSchema = z.object({
  now: instantSchema,
  today: dateSchema,
  date: dateSchema,
  site: siteSchema.nullable(),
  sun: z.object({ riseUtc: instantSchema, setUtc: instantSchema }).nullable(),
  /** hours of the local day; null where nothing is known */
  hours: z.array(
    z.object({
      startUtc: instantSchema,
      radiationMjM2: z.number().nullable(),
      rainMm: z.number().nullable(),
      origin: z.string().nullable(),
    }),
  ),
  zones: z.array(boardZoneSchema),
});
export type Board = z.infer<typeof boardSchema>;
