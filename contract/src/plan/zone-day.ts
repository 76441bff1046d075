import { z } from "zod";
import { dateSchema, idSchema, instantSchema } from "../basics/basics.ts";
import { explanationSchema } from "../basics/explanation.ts";
import { pulseSchema } from "../irrigation/zone-water.ts";
import { decisionSchema, openFindingSchema } from "../advice/decision.ts";
import { rootsSchema } from "../rootzone/roots.ts";
import { missingSchema, stripPulseSchema } from "./strip.ts";

export const figureSchema = z.enum([
  "demand",
  "gross",
  "litres",
  "minutes",
  "pulse",
  "drainOut",
  "perPlant",
  "solar",
  "airOutside",
  "drain",
  "feedEc",
  "stage",
  "correction",
  "et0Outside",
  "lightSum",
  "depletion",
]);
export type Figure = z.infer<typeof figureSchema>;

const hourSchema = z.object({
  startUtc: instantSchema,
  radiationMjM2: z.number().nullable(),
  airTemperatureC: z.number().nullable(),
  humidityPct: z.number().nullable(),
  windMs: z.number().nullable(),
  rainMm: z.number().nullable(),
  insideTemperatureC: z.number().nullable(),
  insideVpdKpa: z.number().nullable(),
  demandMm: z.number().nullable(),
  origin: z.string().nullable(),
});

export const zoneDaySchema = z
  .object({
    zoneId: idSchema,
    date: dateSchema,
    now: instantSchema,
    missing: missingSchema.nullable(),
    /** outside, in the whole day */
    et0OutsideMm: z.number().nullable(),
    hours: z.array(hourSchema),
    pulses: z.array(stripPulseSchema),
    roots: rootsSchema.nullable(),
    findings: z.array(openFindingSchema),
    /** the decision whose correction the plan counts on */
    inForce: decisionSchema.nullable(),
    /** how each figure arose; a figure that the day does not have is absent */
    workings: z.partialRecord(figureSchema, explanationSchema),
    plan: z
      .object({
        demandMm: z.number(),
        demandPerPlantL: z.number(),
        et0Mm: z.number().nullable(),
        kc: z.number(),
        leafAreaIndex: z.number(),
        solarOutsideMjM2: z.number(),
        lightSumMolM2: z.number(),
        netMm: z.number(),
        grossMm: z.number(),
        litres: z.number(),
        litresPerPlant: z.number(),
        drainL: z.number(),
        leachingPct: z.number(),
        minutesTotal: z.number(),
        window: z.object({ start: z.string(), end: z.string() }),
        events: z.array(pulseSchema),
        warnings: z.array(z.string()),
      })
      .nullable(),
  })
  .meta({ id: "ZoneDay" });
export type ZoneDayAnswer = z.infer<typeof zoneDaySchema>;
