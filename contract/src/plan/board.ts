import { z } from "zod";
import { dateSchema, idSchema, instantSchema } from "../basics.ts";
import { openFindingSchema } from "../advice/decision.ts";
import { markSchema } from "../advice/finding.ts";
import { systemSchema } from "../site/zone.ts";
import { siteSchema } from "../site/site.ts";

/** Why a figure is not there. */
export const missingSchema = z.enum(["not-planted", "no-weather", "no-reading"]);

export const rootsSchema = z.discriminatedUnion("kind", [
  z.object({
    kind: z.literal("substrate"),
    heldPct: z.number().nullable().describe("share of the water held at container capacity, now"),
    drain: z
      .object({
        on: dateSchema,
        at: instantSchema,
        sharePct: z.number(),
        ecMsCm: z.number(),
        feedEcMsCm: z.number(),
        ph: z.number().nullable(),
      })
      .nullable(),
    drainTargetPct: z.number(),
  }),
  z.object({
    kind: z.enum(["soil-drip", "buried-drip", "solution-tank", "sub-irrigated-bench", "basin"]),
    /** missing from field capacity, or from the tank's, pots' or pond's mark */
    depletionMm: z.number(),
    triggerMm: z.number(),
    availableMm: z.number(),
    /** tank: depth of solution; basin: above the soil, or below it as the tube shows */
    levelCm: z.number().nullable(),
    levelAtTriggerCm: z.number().nullable(),
    ecMsCm: z.number().nullable(),
    ph: z.number().nullable(),
    readAt: instantSchema.nullable(),
  }),
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
  system: systemSchema,
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
  /** what it drinks, and the days that the scarcest of it lasts; null while no source is described */
  water: z
    .object({
      waters: z.array(z.object({ name: z.string(), sharePct: z.number() })),
      stored: z.boolean(),
      daysLeft: z.number().nullable(),
    })
    .nullable(),
  /** null until something was picked of what stands, without a target */
  harvest: z.object({ pickedKgM2: z.number(), pathKgM2: z.number().nullable(), picking: z.boolean() }).nullable(),
  findings: z.array(openFindingSchema),
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
