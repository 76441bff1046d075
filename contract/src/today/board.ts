import { BAND_KINDS } from "@sprunel/core/crop";
import { z } from "zod";
import { dateSchema, idSchema, instantSchema, versionSchema } from "../basics/basics.ts";
import { soldAsSchema } from "../basics/sold-as.ts";
import { openFindingSchema } from "../advice/decision.ts";
import { markSchema } from "../advice/finding.ts";
import { missingSchema, stripPulseSchema } from "../plan/strip.ts";
import { rootsSchema } from "../rootzone/roots.ts";
import { systemSchema } from "../site/system.ts";
import { siteSchema } from "../site/site.ts";

const boardZoneSchema = z.object({
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
  crop: z
    .object({
      name: z.string(),
      stage: z.string(),
      day: z.number(),
      days: z.number(),
      /** of the zone's record, at which a stage that is seen is noted */
      version: versionSchema,
      /** the stage after this one, and when it is foreseen */
      next: z.object({ stageId: z.string(), name: z.string(), on: dateSchema }).nullable(),
      /** what lay far outside the crop's bands on each of the last three days */
      outside: z.array(z.object({ kind: z.enum(BAND_KINDS), side: z.union([z.literal(-1), z.literal(1)]) })),
    })
    .nullable(),
  /** what it drinks, and the days that the scarcest of it lasts; null while no source is described */
  water: z
    .object({
      waters: z.array(z.object({ name: z.string(), sharePct: z.number() })),
      stored: z.boolean(),
      daysLeft: z.number().nullable(),
    })
    .nullable(),
  /** null until something was picked of what stands, without a target */
  harvest: z
    .object({ soldAs: soldAsSchema, pickedPerM2: z.number(), pathPerM2: z.number().nullable(), picking: z.boolean() })
    .nullable(),
  findings: z.array(openFindingSchema),
  pulses: z.array(stripPulseSchema),
  /** when cloth is drawn and lamps burn, of the night that ends with the date's morning and of the one that begins in its evening */
  nights: z.array(z.object({ kind: z.enum(["cloth", "lamps"]), fromUtc: instantSchema, toUtc: instantSchema })),
});
export type BoardZone = z.infer<typeof boardZoneSchema>;

export const boardSchema = z
  .object({
    now: instantSchema,
    today: dateSchema,
    date: dateSchema,
    site: siteSchema.nullable(),
    /** whether the plans of the date rest on weather that nobody measured: a simulated station's */
    weatherSimulated: z.boolean(),
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
  })
  .meta({ id: "Board" });
export type Board = z.infer<typeof boardSchema>;
