import { z } from "zod";
import { dateSchema, workingStepSchema } from "../basics/basics.ts";

// Spans are judged by the core, which knows what the other values make possible.
const number = z.number();

export const referenceEtRequestSchema = z
  .strictObject({
    method: z.enum([
      "penman-monteith-daily",
      "penman-monteith-hourly",
      "hargreaves-daily",
      "greenhouse-radiation",
      "greenhouse-penman-monteith",
    ]),
    latitudeDeg: number.describe("north positive"),
    longitudeDeg: number.optional().describe("east positive"),
    elevationM: number,
    date: dateSchema,
    hourStart: z.number().int().optional().describe("14 means 14:00–15:00"),
    zoneMeridianDeg: number.optional().describe("longitude of the time zone's centre, east positive"),
    weather: z.strictObject({
      tMaxC: number.optional(),
      tMinC: number.optional(),
      tMeanC: number.optional(),
      rhMaxPct: number.optional(),
      rhMinPct: number.optional(),
      rhMeanPct: number.optional(),
      vapourPressureKpa: number.optional(),
      windMs: number.optional(),
      windHeightM: number.optional(),
      sunshineH: number.optional(),
      solarMjM2: number.optional(),
    }),
    transmissionPct: number.optional(),
    soilHeatMjM2: number.optional(),
    clearnessBeforeSunset: number.optional().describe("Rs/Rso before sunset, for hours of night"),
  })
  .meta({ id: "ReferenceEtRequest" });

export const referenceEtAnswerSchema = z
  .object({
    value: number,
    unit: z.enum(["mm/day", "mm/hour"]),
    parts: z.object({
      raMjM2: number.optional(),
      rsMjM2: number.optional(),
      rnMjM2: number.optional(),
      vpdKpa: number.optional(),
      daylightH: number.optional(),
    }),
    warnings: z.array(z.string()),
    working: z.array(workingStepSchema),
  })
  .meta({ id: "ReferenceEtAnswer" });
