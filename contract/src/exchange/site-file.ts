import { mainSchema } from "../plan/main.ts";
import { z } from "zod";
import { correctionSchema, verdictSchema } from "../advice/decision.ts";
import { causeSchema } from "../advice/finding.ts";
import { labelSchema, dateSchema, instantSchema, textSchema } from "../basics/basics.ts";
import { writtenChangeSchema } from "../changes/changes.ts";
import { cropDefinitionSchema } from "../crop/crop-definition.ts";
import { weatherChoicesSchema, weatherKindSchema } from "../climate/weather-import.ts";
import { newSoilStepSchema } from "../crop/soil-step.ts";
import { newDoseRecordSchema } from "../feed/dose-plan.ts";
import { newLeafTakenSchema } from "../feed/leaf-taken.ts";
import { nutrientRulesSchema } from "../feed/nutrient-books.ts";
import { newKeptProgrammeSchema, programmeSchema } from "../feed/dose-programme.ts";
import { newOwnProductSchema } from "../feed/own-product.ts";
import { feedSettingsSchema, keptTargetSchema, newMixSchema } from "../feed/feed.ts";
import { askedSchema, recipeResultSchema } from "../feed/kept-recipe.ts";
import { notedPickSchema } from "../harvest/harvest.ts";
import { newCatchTestSchema, newDripLinesSchema } from "../irrigation/drip-lines.ts";
import { newWaterReportSchema } from "../water/report.ts";
import { newSourceSchema } from "../water/source.ts";
import { newDoseSchema } from "../water/dose.ts";
import { newZoneReportSchema } from "../rootzone/zone-report.ts";
import { newSiteSchema } from "../site/site.ts";
import { newZoneSchema } from "../site/zone.ts";

export const SITE_FILE_FORMAT = "sprunel-site";
/** What is written today. Every version since the first is read. */
export const SITE_FILE_VERSION = 3;

const nameSchema = labelSchema("A name");
const reasonSchema = z.string().max(200);
const struck = reasonSchema.nullable();
const readingSchema = z.strictObject({
  kind: textSchema("The kind of reading", 40),
  at: instantSchema,
  source: textSchema("The reading's source", 40),
  value: z.number(),
});
const hourSchema = z.strictObject({
  kind: weatherKindSchema,
  hour: instantSchema,
  source: textSchema("The weather's source", 40),
  value: z.number(),
  doubtful: z.boolean(),
  /** place in `weatherImports`; null: by a connected station */
  import: z.number().int().nullable().default(null),
});

const zoneFileSchema = newZoneSchema.omit({ waters: true }).extend({
  archived: z.boolean().default(false),
  /** shares by the source's name */
  waters: z.array(z.strictObject({ source: nameSchema, sharePct: z.number() })),
  lines: newDripLinesSchema.nullable(),
  catchTests: z.array(newCatchTestSchema.extend({ struck })),
  target: keptTargetSchema.nullable(),
  feedSettings: feedSettingsSchema.nullable(),
  readings: z.array(readingSchema),
  /** readings that do not count, by their instant */
  strikes: z.array(z.strictObject({ at: instantSchema, reason: reasonSchema, struckAt: instantSchema.optional() })),
  waterings: z.array(
    z.strictObject({
      start: instantSchema,
      minutes: z.number(),
      litres: z.number(),
      source: nameSchema,
      struck: struck.default(null),
      struckAt: instantSchema.nullable().default(null),
    }),
  ),
  picks: z.array(notedPickSchema.extend({ struck, struckAt: instantSchema.nullable().default(null) })),
  /** soil tests, extracts and drain reports */
  reports: z.array(z.strictObject({ report: newZoneReportSchema, struck })).default([]),
  /** doses of digestate or reclaimed water, by the source's name */
  doses: z.array(newDoseSchema.omit({ sourceId: true }).extend({ source: nameSchema, struck })).default([]),
  /** how plantings are fed in doses, by the planting's key, and what became of each dose */
  doseProgrammes: z.array(z.strictObject({ planting: nameSchema, programme: programmeSchema })).default([]),
  doseRecords: z
    .array(z.strictObject({ planting: nameSchema, record: newDoseRecordSchema, struck: z.boolean() }))
    .default([]),
  /** leaf that was carried away, by the planting's key */
  leafTaken: z
    .array(z.strictObject({ planting: nameSchema, leaf: newLeafTakenSchema, struck: z.boolean() }))
    .default([]),
  /** what was done to the soil before planting */
  soilSteps: z.array(newSoilStepSchema.extend({ struck: z.boolean() })).default([]),
  mixes: z.array(newMixSchema.extend({ mixedAt: instantSchema })),
  decisions: z.array(
    z.strictObject({
      cause: causeSchema,
      about: nameSchema,
      verdict: verdictSchema,
      fromDate: dateSchema,
      correction: correctionSchema.nullable(),
      reason: reasonSchema.nullable(),
      decidedAt: instantSchema,
      takenBackAt: instantSchema.nullable().default(null),
    }),
  ),
});

const byName = z.array(nameSchema).max(500);
const filedMainSchema = mainSchema.extend({
  limits: z.array(mainSchema.shape.limits.element.extend({ zoneIds: byName.nullable() })).max(40),
  mixers: z.array(mainSchema.shape.mixers.element.extend({ zoneIds: byName.nullable() })).max(20),
  hands: mainSchema.shape.hands.unwrap().extend({ zoneIds: byName }).nullable(),
  rules: z.array(mainSchema.shape.rules.element.extend({ zoneId: nameSchema })).max(500),
});

/** A whole site in one file: everything that was typed, read, imported and decided. */
export const siteFileSchema = z
  .strictObject({
    format: z.literal(SITE_FILE_FORMAT, { error: () => "This is no site file of this program." }),
    version: z
      .number()
      .int()
      .min(1)
      .max(SITE_FILE_VERSION, {
        error: ({ input }) =>
          `The file is of version ${String(input)}, and this program reads those up to ${SITE_FILE_VERSION}: update it.`,
      }),
    exportedAt: instantSchema,
    site: newSiteSchema,
    sources: z.array(newSourceSchema),
    reports: z.array(newWaterReportSchema),
    /** bags by their label, under the ids that the shelf and mixes name */
    ownProducts: z.array(newOwnProductSchema.extend({ id: nameSchema })),
    shelf: z.array(
      z.strictObject({ productId: nameSchema, priceKg: z.number().nullable(), stockKg: z.number().nullable() }),
    ),
    /** kept recipes, the oldest first; versions are counted anew under each name */
    recipes: z
      .array(
        z.strictObject({
          key: z.uuid(),
          name: textSchema("The recipe's name", 60),
          keptAt: instantSchema,
          madeIn: nameSchema,
          asked: askedSchema,
          result: recipeResultSchema,
        }),
      )
      .default([]),
    /** programmes of doses under a name, the oldest first; versions are counted anew */
    programmes: z.array(newKeptProgrammeSchema.extend({ keptAt: instantSchema, madeIn: nameSchema })).default([]),
    /** what the rules of the place allow of nutrients in a year; one at most */
    nutrientRules: z.array(nutrientRulesSchema).max(1).default([]),
    /** crops of one's own, under the ids that plantings name */
    ownCrops: z
      .array(
        z.strictObject({
          id: nameSchema,
          basedOn: nameSchema.nullable(),
          crop: cropDefinitionSchema,
        }),
      )
      .default([]),
    zones: z.array(zoneFileSchema),
    /** what the zones share, which go by their names; one at most */
    main: z.array(filedMainSchema).max(1).default([]),
    /** files of weather that were imported, how each was read, and what in it spoke against what stood there */
    weatherImports: z
      .array(
        z.strictObject({
          fileName: textSchema("The file's name", 200),
          header: z.string().max(10_000),
          choices: weatherChoicesSchema,
          importedAt: instantSchema,
          conflicts: z.array(z.strictObject({ kind: weatherKindSchema, hour: instantSchema, value: z.number() })),
        }),
      )
      .default([]),
    weather: z.array(z.strictObject({ house: z.string().nullable(), hours: z.array(hourSchema) })),
    /** who changed what, the oldest first, with the name that its zone goes by in this file */
    changes: z.array(z.strictObject({ zone: nameSchema.nullable(), change: writtenChangeSchema })).default([]),
  })
  .meta({ id: "SiteFile" });
export type SiteFile = z.infer<typeof siteFileSchema>;
export type ZoneFile = z.infer<typeof zoneFileSchema>;
