import { CROP_GROUPS, WARMTH_METHODS, type Crop } from "@sprunel/core/crop";
import { z } from "zod";
import {
  countSchema,
  idSchema,
  labelSchema,
  listSchema,
  quantitySchema,
  textSchema,
  versionSchema,
} from "../basics/basics.ts";
import { soldAsSchema } from "../basics/sold-as.ts";

const noted = {
  source: textSchema("The source", 400),
  assumed: z.literal(true, { error: () => "Whether it is assumed is true, or left out." }).optional(),
};
const figure = (name: string, least: number, most: number, unit = "") =>
  z.strictObject({ value: quantitySchema(name, least, most, unit), ...noted });
const span = (name: string, least: number, most: number, unit: string) =>
  z
    .tuple([quantitySchema(`${name}, least,`, least, most, unit), quantitySchema(`${name}, most,`, least, most, unit)])
    .refine(([from, to]) => from < to, { error: () => `${name}: the first figure must be smaller than the second.` });

const warmthMethodSchema = z.enum(WARMTH_METHODS, {
  error: () => `Warmth is counted by one of ${WARMTH_METHODS.join(", ")}.`,
});

const driverSchema = z.discriminatedUnion(
  "kind",
  [
    z.strictObject({ kind: z.literal("days"), days: countSchema("The days of a stage", 1, 1000) }),
    z.strictObject({
      kind: z.literal("thermal"),
      degreeDays: quantitySchema("The warmth of a stage", 1, 10_000, "°C·d"),
      baseC: quantitySchema("The base temperature", -5, 25, "°C"),
      ceilingC: quantitySchema("The ceiling", 10, 50, "°C").optional(),
      method: warmthMethodSchema.optional(),
    }),
    z.strictObject({
      kind: z.literal("cycles"),
      count: countSchema("The days to be counted", 1, 400),
      of: z.enum(["short", "long"], { error: () => "Counted are short or long days." }),
      criticalH: quantitySchema("The critical day length", 4, 20, "h"),
    }),
    z.strictObject({
      kind: z.literal("date"),
      monthDay: z
        .string()
        .regex(/^(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/, { error: () => "A date in the year is written as 03-21." }),
    }),
  ],
  { error: () => "A stage is driven by one of days, thermal, cycles, date." },
);

const stageSchema = z.strictObject({
  id: labelSchema("The stage's id"),
  name: textSchema("The stage's name", 60),
  days: countSchema("The days of the stage", 1, 1000),
  driver: driverSchema.optional(),
  kcEnd: quantitySchema("Kc at the end of the stage", 0.1, 1.6, ""),
  leafAreaEnd: quantitySchema("The leaf area at the end of the stage", 0, 10, "m² a m²"),
  rootDepthEndM: quantitySchema("The root depth at the end of the stage", 0.03, 3, "m"),
  drainTargetPct: quantitySchema("The drain of the stage", 0, 60, "%"),
  drierPct: quantitySchema("How much drier the stage is kept", 0, 60, "% of available water"),
  feed: labelSchema("The stage's feed").optional(),
  picking: z.literal(true).optional(),
});

const stageDaySchema = z.strictObject({
  stage: labelSchema("The stage of a practice"),
  at: z.enum(["start", "end"], { error: () => "A practice is counted from the start or the end of a stage." }),
  days: quantitySchema("The days from there", -400, 400, "").int({ error: () => "The days are whole." }),
});

const practiceSchema = z.strictObject({
  id: labelSchema("The practice's id"),
  name: textSchema("What is done", 120),
  from: stageDaySchema,
  until: stageDaySchema.optional(),
  pond: z
    .discriminatedUnion(
      "kind",
      [
        z.strictObject({ kind: z.literal("pond"), cm: quantitySchema("The depth that is kept", 1, 40, "cm") }),
        z.strictObject({ kind: z.literal("tube") }),
        z.strictObject({ kind: z.literal("drain") }),
      ],
      { error: () => "A basin's water is kept by one of pond, tube, drain." },
    )
    .optional(),
  sign: textSchema("The sign", 200).optional(),
  ...noted,
});

/** A crop in full: the library's entries, a person's own, and what travels as a file. */
export const cropDefinitionSchema = z
  .strictObject({
    name: textSchema("The crop's name", 60),
    group: z.enum(CROP_GROUPS, { error: () => `The group must be one of ${CROP_GROUPS.join(", ")}.` }),
    soldAs: soldAsSchema,
    perennial: z.literal(true).optional(),
    kcStart: quantitySchema("Kc at planting", 0.1, 1.6, ""),
    leafAreaStart: quantitySchema("The leaf area at planting", 0, 10, "m² a m²"),
    rootDepthStartM: quantitySchema("The root depth at planting", 0.03, 3, "m"),
    stages: listSchema("Stages", stageSchema, 20).min(1, { error: () => "A crop needs at least one stage." }),
    practices: listSchema("Practices", practiceSchema, 40).optional(),
    flushes: z
      .strictObject({
        from: labelSchema("The first stage of a flush"),
        to: labelSchema("The last stage of a flush"),
        times: countSchema("The flushes of a season", 1, 60),
      })
      .optional(),
    kcPeakUnderCover: figure("The highest Kc under cover", 0.1, 1.8).optional(),
    baseC: figure("The base temperature", -5, 20, "°C"),
    warmthBy: warmthMethodSchema.optional(),
    usualC: figure("The usual temperature", 5, 40, "°C"),
    canopy: z.strictObject({
      radiationShare: quantitySchema("The share of light that evaporates water", 0.05, 1, ""),
      vpdDay: quantitySchema("The canopy's answer to dry air by day", 0, 60, "W/m² and kPa"),
      vpdNight: quantitySchema("The canopy's answer to dry air by night", 0, 40, "W/m² and kPa"),
      extinction: quantitySchema("The extinction of light", 0.2, 1.2, ""),
    }),
    depletionFraction: figure("The easy share of the available water", 0.05, 0.9),
    ecThresholdMsCm: figure("The EC at which yield begins to fall", 0.1, 20, "mS/cm"),
    ecZeroYieldMsCm: figure("The EC at which nothing is left", 0.5, 60, "mS/cm"),
    removal: z.strictObject({
      nKgT: quantitySchema("Nitrogen taken off", 0, 120, "kg/t"),
      pKgT: quantitySchema("Phosphorus taken off", 0, 30, "kg/t"),
      kKgT: quantitySchema("Potassium taken off", 0, 120, "kg/t"),
      ...noted,
    }),
    dilution: z
      .strictObject({
        aPct: quantitySchema("Nitrogen of young growth", 0.5, 10, "%"),
        b: quantitySchema("The dilution of nitrogen", 0.05, 0.8, ""),
        source: textSchema("The source", 300),
      })
      .optional(),
    bands: z.strictObject({
      dayC: span("The band by day", -5, 45, "°C"),
      nightC: span("The band by night", -5, 40, "°C"),
      lightMolM2: span("The light of a day", 0.5, 70, "mol/m²"),
      mostRhPct: quantitySchema("The most humid air", 40, 100, "%"),
      rootC: span("The band of the roots", 0, 40, "°C").optional(),
      co2Ppm: span("The band of CO₂", 200, 3000, "ppm").optional(),
      ...noted,
    }),
    sources: z.strictObject(
      Object.fromEntries(
        (["stages", "kc", "leafArea", "rootDepth", "drainTarget", "canopy"] as const).map((key) => [
          key,
          z.strictObject(noted),
        ]),
      ) as Record<"stages" | "kc" | "leafArea" | "rootDepth" | "drainTarget" | "canopy", z.ZodObject<typeof noted>>,
    ),
  })
  .superRefine(({ stages, flushes, practices = [], baseC, usualC, ecThresholdMsCm, ecZeroYieldMsCm }, context) => {
    const fault = (path: PropertyKey[], message: string): void => context.addIssue({ code: "custom", path, message });
    stages.forEach(({ id }, at) => {
      if (stages.findIndex((stage) => stage.id === id) !== at)
        fault(["stages", at, "id"], `Two stages have the id ${id}.`);
      if (id.includes("#")) fault(["stages", at, "id"], `A stage's id has no #; ${id} cannot be told from a flush.`);
    });
    practices.forEach(({ from, until }, at) => {
      for (const [key, day] of [
        ["from", from],
        ["until", until],
      ] as const)
        if (day && !stages.some(({ id }) => id === day.stage))
          fault(["practices", at, key, "stage"], `No stage is called ${day.stage}.`);
    });
    if (flushes) {
      const [from, to] = [flushes.from, flushes.to].map((id) => stages.findIndex((stage) => stage.id === id)) as [
        number,
        number,
      ];
      if (from === -1) fault(["flushes", "from"], `No stage is called ${flushes.from}.`);
      else if (to < from)
        fault(["flushes", "to"], `A flush goes from ${flushes.from} to a stage after it, not to ${flushes.to}.`);
    }
    if (usualC.value <= baseC.value)
      fault(
        ["usualC", "value"],
        `The usual temperature, ${usualC.value} °C, must lie above the base, ${baseC.value} °C.`,
      );
    if (ecZeroYieldMsCm.value <= ecThresholdMsCm.value)
      fault(
        ["ecZeroYieldMsCm", "value"],
        `Nothing is left at ${ecZeroYieldMsCm.value} mS/cm, but yield begins to fall at ${ecThresholdMsCm.value} mS/cm only.`,
      );
  });
export type CropDefinition = z.infer<typeof cropDefinitionSchema>;

export const cropIdSchema = labelSchema("The crop's id");

/** A crop of the library or of one's own, with the library's entry that it came from. */
export const libraryCropSchema = z
  .object({
    id: cropIdSchema,
    crop: cropDefinitionSchema,
    /** of one's own: its version; null in the library, which nobody changes */
    version: versionSchema.nullable(),
    basedOn: z.object({ id: cropIdSchema, crop: cropDefinitionSchema }).nullable(),
    /** zones in which it stands or has stood */
    zones: z.array(z.object({ id: idSchema, name: z.string() })),
    /** name of the feed of each stage; null where none is known */
    feeds: z.array(z.string().nullable()),
  })
  .meta({ id: "LibraryCrop" });
export type LibraryCrop = z.infer<typeof libraryCropSchema>;

export const cropLibrarySchema = z
  .object({
    crops: z.array(
      z.object({
        id: cropIdSchema,
        name: z.string(),
        group: z.enum(CROP_GROUPS),
        own: z.boolean(),
        days: z.number(),
        zones: z.number(),
        /** figures of it that nobody has published */
        assumed: z.number(),
        figures: z.number(),
      }),
    ),
  })
  .meta({ id: "CropLibrary" });
export type CropLibrary = z.infer<typeof cropLibrarySchema>;

export const CROP_FILE_FORMAT = "sprunel-crop";
/** A crop as it travels: read whole or not at all. */
export const cropFileSchema = z
  .strictObject({
    format: z.literal(CROP_FILE_FORMAT, { error: () => "This is no crop file of this program." }),
    version: z.literal(1, { error: () => "The crop file is of another version than 1." }),
    basedOn: cropIdSchema.nullable(),
    crop: cropDefinitionSchema,
  })
  .meta({ id: "CropFile" });
export type CropFile = z.infer<typeof cropFileSchema>;

export const newOwnCropSchema = z
  .strictObject({ basedOn: cropIdSchema, name: textSchema("The crop's name", 60) })
  .meta({ id: "NewOwnCrop" });
export const changedOwnCropSchema = z
  .strictObject({ version: versionSchema, crop: cropDefinitionSchema })
  .meta({ id: "ChangedOwnCrop" });

/** A crop without the name by which records know it. */
export function definitionOf({ id: _id, ...crop }: Crop): CropDefinition {
  return cropDefinitionSchema.parse(crop);
}
