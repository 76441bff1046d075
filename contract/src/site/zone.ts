import { CROP_GROUPS, RAISING_WAYS, STAND_STEPS, type Crop } from "@sprunel/core/crop";
import { SYSTEM_NAMES, type System, type ZoneDefinition } from "@sprunel/core/site";
import { fieldsOf, type Field } from "@sprunel/core/systems";
import { ZONE_DEMAND_METHODS, type ZoneDemandMethod } from "@sprunel/core/plan";
import { z } from "zod";
import {
  countSchema,
  dateSchema,
  labelSchema,
  listSchema,
  idSchema,
  quantitySchema,
  textSchema,
  versionSchema,
} from "../basics/basics.ts";
import { soldAsSchema } from "../basics/sold-as.ts";
import { siteSchema } from "./site.ts";

/** The growing systems and their fields are declared once, in the core; what a person types is checked by that list. */
export { SYSTEM_NAMES };
export type { System, ZoneDefinition };

const fieldSchema = ({ name, least, most, unit, whole }: Field) =>
  whole ? countSchema(name, least, most) : quantitySchema(name, least, most, unit);

function definitionOf(system: System) {
  const fields = Object.fromEntries(fieldsOf(system).map((field) => [field.key, fieldSchema(field)]));
  return z.strictObject({ system: z.literal(system), ...fields });
}

const [first, ...others] = SYSTEM_NAMES.map(definitionOf) as [
  ReturnType<typeof definitionOf>,
  ...ReturnType<typeof definitionOf>[],
];
const noSuchSystem = { error: () => `The growing system must be one of ${SYSTEM_NAMES.join(", ")}.` };

export const zoneDefinitionSchema = z.discriminatedUnion(
  "system",
  [first, ...others],
  noSuchSystem,
) as unknown as z.ZodType<ZoneDefinition, ZoneDefinition>;

/** A zone of which only what a sum rests on needs to be there. */
export const partialDefinitionSchema = z.discriminatedUnion(
  "system",
  [loose(first), ...others.map(loose)],
  noSuchSystem,
);

function loose(definition: typeof first) {
  return definition.partial().required({ system: true });
}

const hourSchema = (name: string) =>
  z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, { error: () => `${name} must be a time of day, as 17:30.` });

/** Cloth that is drawn, or lamps that burn, on the nights of a planting. */
export const nightProgrammeSchema = z
  .strictObject({
    kind: z.enum(["cloth", "lamps"], { error: () => "The programme must be one of cloth, lamps." }),
    fromOn: dateSchema,
    /** its last evening; null while it goes on */
    untilOn: dateSchema.nullable(),
    /** clock times; those before noon are of the morning after */
    start: hourSchema("The start"),
    end: hourSchema("The end"),
    wattsM2: quantitySchema("The lamps' power", 0, 500, "W/m²").nullable().default(null),
  })
  .superRefine(({ fromOn, untilOn, start, end }, context) => {
    if (untilOn !== null && untilOn < fromOn)
      context.addIssue({
        code: "custom",
        path: ["untilOn"],
        message: `The last evening, ${untilOn}, must not lie before the first, ${fromOn}.`,
      });
    const ofNight = (clock: string): string => (clock < "12:00" ? `1${clock}` : `0${clock}`);
    if (ofNight(end) <= ofNight(start))
      context.addIssue({
        code: "custom",
        path: ["end"],
        message: `The end must come after the start, ${start}, within one night from noon to noon; it is ${end}.`,
      });
  });

/** How a planting's plants come to be; steps before it are counted back from its date. */
export const raisingSchema = z.strictObject({
  way: z.enum(RAISING_WAYS, { error: () => `Plants come by one of ${RAISING_WAYS.join(", ")}.` }),
  startPct: quantitySchema("What comes up", 5, 100, "%"),
  lossPct: quantitySchema("What is lost on the way", 0, 90, "%"),
  startDays: countSchema("The days until they are up", 0, 120),
  benchDays: countSchema("The days on the bench", 0, 365),
  hardenDays: countSchema("The days of hardening", 0, 60),
  cells: countSchema("The cells of a tray", 1, 1000),
  seedMg: quantitySchema("The weight of a seed", 0.01, 5000, "mg"),
  orderWeeks: countSchema("The weeks from order to delivery", 0, 104),
  stockCuttings: quantitySchema("The cuttings of a stock plant", 0, 500, "").default(0),
  flushWeeks: countSchema("The weeks between flushes", 1, 52).default(3),
  stockWeeks: countSchema("The weeks that a stock plant is cut", 1, 520).default(20),
  coldDays: countSchema("The days in cold store", 0, 120).default(0),
});

/** Rows of a zone that a planting has, of so many. */
export const partSchema = z
  .strictObject({
    from: countSchema("The first row", 1, 10_000),
    to: countSchema("The last row", 1, 10_000),
    of: countSchema("The rows of the zone", 1, 10_000),
  })
  .refine(({ from, to, of }) => from <= to && to <= of, {
    error: ({ input }) => {
      const { from, to, of } = input as { from: number; to: number; of: number };
      return `Rows ${from} to ${to} of ${of} cannot be; give a first and a last row from 1 to ${of}.`;
    },
  });

const stepOn = { on: dateSchema };
const densitySchema = quantitySchema("The plants on a m²", 0.01, 2000, "a m²");
/** What is done to a planting's stand on a date, and holds from then on. */
export const standStepSchema = z.discriminatedUnion(
  "kind",
  [
    z.strictObject({ kind: z.literal("spaced"), ...stepOn, plantsPerM2: densitySchema }),
    z.strictObject({
      kind: z.literal("potted-on"),
      ...stepOn,
      heldLPlant: quantitySchema("The water that a pot holds", 0.01, 100, "L"),
      plantsPerM2: densitySchema.nullable().default(null),
    }),
    z.strictObject({
      kind: z.literal("drippers"),
      ...stepOn,
      fromStemCm: quantitySchema("The drippers' distance from the stem", 0, 100, "cm"),
    }),
    z.strictObject({
      kind: z.literal("cut-back"),
      ...stepOn,
      leafAreaLeft: quantitySchema("The leaf that is left", 0, 5, "m² a m²"),
      regrowthDays: countSchema("The days of regrowth", 0, 365),
    }),
  ],
  { error: () => `What is done to a stand is one of ${STAND_STEPS.join(", ")}.` },
);

/** How a planting stands: its rows, how many, how old, and what a perennial is watered for. */
export const standSchema = z.strictObject({
  /** null: all of the zone */
  part: partSchema.nullable().default(null),
  /** null: as many of the zone's plants as its rows hold */
  plants: countSchema("The plants", 1, 10_000_000).nullable().default(null),
  /** of a perennial's plants when they were planted */
  ageYears: countSchema("The age at planting", 0, 100).default(0),
  /** so many years it is watered to establish */
  establishYears: countSchema("The years to establish", 0, 20).default(2),
  waterAim: z
    .enum(["yield", "keep-alive"], { error: () => "A planting is watered for one of yield, keep-alive." })
    .default("yield"),
});

const plantingSchema = z.strictObject({
  ...standSchema.shape,
  /** changes of its stand, by date */
  steps: listSchema("Changes of the stand", standStepSchema, 60).default([]),
  cropId: labelSchema("The crop"),
  plantedOn: dateSchema,
  /** first day without the crop; null while it stands */
  clearedOn: dateSchema.nullable(),
  signs: listSchema("Signs", z.strictObject({ stageId: labelSchema("The stage"), on: dateSchema }), 100),
  /** in kg or pieces, as the crop is sold */
  targetPerM2: quantitySchema("The yield aimed at", 0.01, 2000, "per m²").nullable().default(null),
  nights: listSchema("Night programmes", nightProgrammeSchema, 20).default([]),
  /** evenings on which the programme was not kept */
  missedNights: listSchema("Missed nights", dateSchema, 400).default([]),
  raising: raisingSchema.nullable().default(null),
});
export type Planting = z.infer<typeof plantingSchema>;
/** A planting of which no more is known than what stands since when. */
export function freshPlanting(cropId: string, plantedOn: string, more: Partial<Planting> = {}): Planting {
  const nothing = {
    ...{ clearedOn: null, signs: [], targetPerM2: null, nights: [], missedNights: [], raising: null },
    ...standSchema.parse({}),
    steps: [],
  };
  return { cropId, plantedOn, ...nothing, ...more };
}
export type NightProgramme = z.infer<typeof nightProgrammeSchema>;

const SUBSTRATE_VESSELS = ["bag", "slab", "pot", "trough", "table", "mat"] as const;
const SOLUTION_VESSELS = ["float", "deep", "film", "channel"] as const;

/** What holds a zone's substrate or solution. */
const vesselSchema = z.discriminatedUnion(
  "kind",
  [
    z.strictObject({
      kind: z.enum(SUBSTRATE_VESSELS),
      substrateL: quantitySchema("The substrate in one", 0.05, 2000, "L"),
      plants: countSchema("The plants in one", 1, 200),
      holdsPct: quantitySchema("What the substrate holds", 10, 95, "%"),
    }),
    z.strictObject({
      kind: z.enum(SOLUTION_VESSELS),
      returnL: quantitySchema("The return tank", 0, 1_000_000, "L"),
    }),
  ],
  { error: () => `The vessel must be one of ${[...SUBSTRATE_VESSELS, ...SOLUTION_VESSELS].join(", ")}.` },
);
export type Vessel = z.infer<typeof vesselSchema>;

/** How a zone is laid out; area, plants and flow follow from it. */
export const layoutSchema = z.strictObject({
  beds: countSchema("The number of beds", 1, 2000),
  lengthM: quantitySchema("The bed's length", 0.2, 1000, "m"),
  widthM: quantitySchema("The bed's width with its path", 0.1, 200, "m"),
  rows: countSchema("The rows on a bed", 1, 60),
  inRowM: quantitySchema("The distance in the row", 0.01, 20, "m"),
  offset: z.boolean(),
  linesPerBed: countSchema("The drip lines on a bed", 0, 20),
  dripperSpacingM: quantitySchema("The spacing of drippers", 0.02, 20, "m"),
  dripperLh: quantitySchema("The dripper's flow", 0, 200, "L/h"),
  drippersPerPlant: countSchema("The drippers at a plant", 0, 10),
  vessel: vesselSchema.nullable().default(null),
});
export type Layout = z.infer<typeof layoutSchema>;

const houseSchema = z.strictObject({
  name: textSchema("The house's name", 60),
  /** 100 is the open field, with its rain and wind */
  transmissionPct: quantitySchema("Light through the cover", 1, 100, "%"),
  /** as nets let through; null: all of it in the open field, none under a cover; left out: as it is known of the house */
  rainThroughPct: quantitySchema("Rain through the cover", 0, 100, "%").nullable().optional(),
  /** null where nothing heats it */
  heatedToC: quantitySchema("The heating's set point", -10, 35, "°C").nullable().optional(),
});

/** How a zone's demand is found, where somebody chose; what a method needs beside the zone's own records stands with it. */
/** What a way to demand needs beside its name, and what is said where it is missing. */
const NEEDED_BY: Readonly<
  Partial<Record<ZoneDemandMethod, readonly (readonly ["mlPerJCm2" | "ownMm" | "panMm" | "panCoefficient", string])[]>>
> = {
  "radiation-sum": [["mlPerJCm2", "The water for a sum of light is needed here; give 0.1 to 10 mL per J/cm²."]],
  own: [["ownMm", "Your own figure is needed here; give 0 to 30 L/m² in a day."]],
  pan: [
    ["panMm", "What evaporated from the pan is needed here; give 0 to 30 mm in a day."],
    ["panCoefficient", "The pan coefficient is needed here; give 0.3 to 1.1."],
  ],
};

export const demandChoiceSchema = z
  .strictObject({
    method: z.enum(ZONE_DEMAND_METHODS, {
      error: () => `The way to demand must be one of ${ZONE_DEMAND_METHODS.join(", ")}.`,
    }),
    mlPerJCm2: quantitySchema("The water for a sum of light", 0.1, 10, "mL per J/cm²").optional(),
    panMm: quantitySchema("The pan's evaporation", 0, 30, "mm in a day").optional(),
    panCoefficient: quantitySchema("The pan coefficient", 0.3, 1.1, "").optional(),
    ownMm: quantitySchema("Your own figure", 0, 30, "L/m² in a day").optional(),
    fittedFactor: quantitySchema("The factor of the zone", 0.2, 5, "").optional(),
  })
  .superRefine((choice, context) => {
    for (const [key, message] of NEEDED_BY[choice.method] ?? [])
      if (choice[key] === undefined) context.addIssue({ code: "custom", path: [key], message });
  });

export const newZoneSchema = z
  .strictObject({
    name: textSchema("The zone's name", 60),
    house: houseSchema,
    definition: zoneDefinitionSchema,
    /** null where area, plants and flow were typed as they are */
    layout: layoutSchema.nullable().default(null),
    /** fields of the definition, or `transmissionPct`, that are defaults nobody has confirmed */
    unconfirmed: listSchema("Unconfirmed fields", labelSchema("A field"), 100),
    /** what it drinks, in shares of its water; empty: all of the site's first source */
    waters: z
      .array(z.strictObject({ sourceId: idSchema, sharePct: quantitySchema("The share of a water", 0, 100, "%") }))
      .max(6)
      .refine(
        (waters) =>
          waters.length === 0 || Math.abs(waters.reduce((sum, { sharePct }) => sum + sharePct, 0) - 100) < 0.01,
        {
          error: () => "The shares of the waters must add up to 100 %.",
        },
      )
      .default([]),
    /** in order of time; none begins in rows in which another stands */
    plantings: z.array(plantingSchema).max(500),
    /** null, or left out: the usual way of its system */
    demand: demandChoiceSchema.nullable().default(null),
    /** as a zone is read; it is changed at an address of its own, and not by this */
    archived: z.boolean().optional(),
  })
  .meta({ id: "NewZone" });
export type NewZone = z.infer<typeof newZoneSchema>;

export const zoneSchema = newZoneSchema
  .extend({
    id: idSchema,
    version: versionSchema,
    /** no longer grown in: it stands on no page, its records are kept */
    archived: z.boolean(),
  })
  .meta({ id: "Zone" });
export type Zone = z.infer<typeof zoneSchema>;

export const archiveZoneSchema = z.strictObject({ archived: z.boolean() }).meta({ id: "ArchiveZone" });
/** Zones like another, each with a name of its own. */
export const copyZoneSchema = z
  .strictObject({
    names: listSchema("Names", textSchema("The zone's name", 60), 100).min(1, {
      error: () => "Name at least one zone to add.",
    }),
  })
  .meta({ id: "CopyZone" });

export const zoneUpdateSchema = newZoneSchema.extend({ version: versionSchema }).meta({ id: "ZoneUpdate" });

/** What forms offer: crops with the names and lengths of their stages. */
const cropChoiceSchema = z.object({
  id: z.string(),
  name: z.string(),
  soldAs: soldAsSchema,
  group: z.enum(CROP_GROUPS),
  stages: z.array(z.object({ id: z.string(), name: z.string(), days: z.number() })),
  removal: z.object({ nKgT: z.number(), pKgT: z.number(), kKgT: z.number() }),
  /** EC of the saturated extract at which yield in soil begins to fall, and at which it is nothing */
  salt: z.object({ thresholdMsCm: z.number(), zeroMsCm: z.number(), source: z.string() }),
});
export type CropChoice = z.infer<typeof cropChoiceSchema>;

/** What forms offer of a crop. */
export function cropChoiceOf({
  id,
  name,
  group,
  soldAs,
  stages,
  removal,
  ecThresholdMsCm,
  ecZeroYieldMsCm,
}: Crop): CropChoice {
  const { nKgT, pKgT, kKgT } = removal;
  return {
    id,
    name,
    group,
    soldAs,
    stages: stages.map((stage) => ({ id: stage.id, name: stage.name, days: stage.days })),
    removal: { nKgT, pKgT, kKgT },
    salt: {
      thresholdMsCm: ecThresholdMsCm.value,
      zeroMsCm: ecZeroYieldMsCm.value,
      source: ecThresholdMsCm.source,
    },
  };
}

export const setUpSchema = z
  .object({
    site: siteSchema.nullable(),
    zones: z.array(zoneSchema),
    crops: z.array(cropChoiceSchema),
    sources: z.array(z.object({ id: idSchema, name: z.string() })),
  })
  .meta({ id: "SetUp" });
export type SetUp = z.infer<typeof setUpSchema>;
