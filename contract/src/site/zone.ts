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

const basics = {
  areaM2: quantitySchema("Area", 0.5, 1_000_000, "m²"),
  plants: countSchema("Plants", 1, 10_000_000),
  flowLh: quantitySchema("Flow of the zone", 1, 500_000, "L/h"),
  uniformityPct: quantitySchema("Uniformity", 30, 100, "%"),
  startAfterSunriseMin: quantitySchema("First water after sunrise", 0, 480, "minutes"),
  endBeforeSunsetMin: quantitySchema("Last water before sunset", 0, 480, "minutes"),
  minGapMin: quantitySchema("Gap between pulses", 0, 240, "minutes"),
};

const pots = {
  waterHeldLPlant: quantitySchema("Water held per plant", 0.05, 500, "L"),
  easilyAvailablePct: quantitySchema("Easily available share", 5, 95, "%"),
};
const drippedSoil = {
  availableMmM: quantitySchema("Available water in 1 m of soil", 20, 300, "mm"),
  wettedPct: quantitySchema("Wetted share of the ground", 5, 100, "%"),
  refillPct: quantitySchema("Refill", 50, 100, "%"),
  triggerPct: quantitySchema("Trigger", 2, 80, "%"),
  ecWaterMsCm: quantitySchema("EC of the water", 0, 10, "mS/cm"),
  mulchSavesPct: quantitySchema("What a mulch saves", 0, 40, "%"),
};
const zoneOf = <S extends string, F extends z.ZodRawShape>(system: S, fields: F) =>
  z.strictObject({ system: z.literal(system), ...basics, ...fields });

export const SYSTEMS = [
  "substrate",
  "soil-drip",
  "solution-tank",
  "sub-irrigated-bench",
  "buried-drip",
  "basin",
] as const;
export const systemSchema = z.enum(SYSTEMS);
export type System = z.infer<typeof systemSchema>;

const zoneDefinitionSchema = z.discriminatedUnion(
  "system",
  [
    zoneOf("substrate", { ...pots, pulseSharePct: quantitySchema("Share of a pulse", 1, 30, "%") }),
    zoneOf("soil-drip", drippedSoil),
    zoneOf("solution-tank", {
      fullLevelCm: quantitySchema("Level when full", 0.1, 200, "cm"),
      topUpAtCm: quantitySchema("Level at which it is topped up", 0.05, 200, "cm"),
    }),
    zoneOf("sub-irrigated-bench", {
      ...pots,
      floodAtPct: quantitySchema("Water left when the bench is flooded", 10, 98, "%"),
      floodDepthMm: quantitySchema("Depth of a flood", 3, 150, "mm"),
    }),
    zoneOf("buried-drip", {
      ...drippedSoil,
      lineDepthCm: quantitySchema("Depth of the lines", 2, 100, "cm"),
      daysAWeek: countSchema("Watering days in a week", 1, 7),
    }),
    zoneOf("basin", {
      floodDepthMm: quantitySchema("Depth of a flood", 5, 300, "mm"),
      bundCm: quantitySchema("Height of the bund", 5, 150, "cm"),
      refloodAtCm: quantitySchema("Water in the tube at the next flood", 1, 60, "cm below the soil"),
      percolationMmDay: quantitySchema("Percolation", 0, 100, "mm in the day"),
      drainablePct: quantitySchema("Drainable share of the soil", 1, 40, "%"),
    }),
  ],
  { error: () => `The growing system must be one of ${SYSTEMS.join(", ")}.` },
);
export type ZoneDefinition = z.infer<typeof zoneDefinitionSchema>;

const plantingSchema = z.strictObject({
  cropId: labelSchema("The crop"),
  plantedOn: dateSchema,
  /** first day without the crop; null while it stands */
  clearedOn: dateSchema.nullable(),
  signs: listSchema("Signs", z.strictObject({ stageId: labelSchema("The stage"), on: dateSchema }), 100),
  /** in kg or pieces, as the crop is sold */
  targetPerM2: quantitySchema("The yield aimed at", 0.01, 2000, "per m²").nullable().default(null),
});
export type Planting = z.infer<typeof plantingSchema>;

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
    /** in order of time, none beginning before the one before it is cleared */
    plantings: z.array(plantingSchema).max(500),
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
  stages: z.array(z.object({ id: z.string(), name: z.string(), days: z.number() })),
});
export type CropChoice = z.infer<typeof cropChoiceSchema>;

export const setUpSchema = z
  .object({
    site: siteSchema.nullable(),
    zones: z.array(zoneSchema),
    crops: z.array(cropChoiceSchema),
    sources: z.array(z.object({ id: idSchema, name: z.string() })),
  })
  .meta({ id: "SetUp" });
export type SetUp = z.infer<typeof setUpSchema>;
