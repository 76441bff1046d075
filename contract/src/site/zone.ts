import { CROP_GROUPS, type Crop } from "@sprunel/core/crop";
import { SYSTEM_NAMES, type System, type ZoneDefinition } from "@sprunel/core/site";
import { fieldsOf, type Field } from "@sprunel/core/systems";
import { ZONE_DEMAND_METHODS, type ZoneDemandMethod } from "@sprunel/core/plan";
import { z } from "zod";
import {
  countSchema,
  labelSchema,
  listSchema,
  idSchema,
  quantitySchema,
  textSchema,
  versionSchema,
} from "../basics/basics.ts";
import { soldAsSchema } from "../basics/sold-as.ts";
import { layoutSchema } from "./layout.ts";
import { plantingSchema } from "./planting.ts";
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

const houseSchema = z.strictObject({
  name: textSchema("The house's name", 60),
  /** 100 is the open field, with its rain and wind */
  transmissionPct: quantitySchema("Light through the cover", 1, 100, "%"),
  /** as nets let through; null: all of it in the open field, none under a cover; left out: as it is known of the house */
  rainThroughPct: quantitySchema("Rain through the cover", 0, 100, "%").nullable().optional(),
  /** null where nothing heats it */
  heatedToC: quantitySchema("The heating's set point", -10, 35, "°C").nullable().optional(),
});

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

/** How a zone's demand is found, where somebody chose; what a method needs beside the zone's own records stands with it. */
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
