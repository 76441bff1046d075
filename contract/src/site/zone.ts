import { z } from "zod";
import { dateSchema, idSchema, quantitySchema, textSchema, versionSchema } from "../basics.ts";
import { siteSchema } from "./site.ts";

const basics = {
  areaM2: quantitySchema("Area", 0.5, 1_000_000, "m²"),
  plants: quantitySchema("Plants", 1, 10_000_000, "").int({ error: () => "Plants are counted in whole numbers." }),
  flowLh: quantitySchema("Flow of the zone", 1, 500_000, "L/h"),
  uniformityPct: quantitySchema("Uniformity", 30, 100, "%"),
  startAfterSunriseMin: quantitySchema("First water after sunrise", 0, 480, "minutes"),
  endBeforeSunsetMin: quantitySchema("Last water before sunset", 0, 480, "minutes"),
  minGapMin: quantitySchema("Gap between pulses", 0, 240, "minutes"),
};

export const substrateZoneSchema = z.strictObject({
  system: z.literal("substrate"),
  ...basics,
  waterHeldLPlant: quantitySchema("Water held per plant", 0.05, 500, "L"),
  easilyAvailablePct: quantitySchema("Easily available share", 5, 95, "%"),
  pulseSharePct: quantitySchema("Share of a pulse", 1, 30, "%"),
});

export const soilDripZoneSchema = z.strictObject({
  system: z.literal("soil-drip"),
  ...basics,
  availableMmM: quantitySchema("Available water in 1 m of soil", 20, 300, "mm"),
  wettedPct: quantitySchema("Wetted share of the ground", 5, 100, "%"),
  refillPct: quantitySchema("Refill", 50, 100, "%"),
  triggerPct: quantitySchema("Trigger", 2, 80, "%"),
  ecWaterMsCm: quantitySchema("EC of the water", 0, 10, "mS/cm"),
});

export const zoneDefinitionSchema = z.discriminatedUnion("system", [substrateZoneSchema, soilDripZoneSchema], {
  error: () => "The growing system must be substrate or soil-drip; others are not built yet.",
});
export type ZoneDefinition = z.infer<typeof zoneDefinitionSchema>;

export const plantingSchema = z.strictObject({
  cropId: z.string().min(1),
  plantedOn: dateSchema,
  signs: z.array(z.strictObject({ stageId: z.string(), on: dateSchema })),
});
export type Planting = z.infer<typeof plantingSchema>;

export const houseSchema = z.strictObject({
  name: textSchema("The house's name", 60),
  // The open field is not built yet: its demand and its rain need another sum.
  transmissionPct: quantitySchema("Light through the cover", 1, 95, "%"),
});

export const newZoneSchema = z.strictObject({
  name: textSchema("The zone's name", 60),
  house: houseSchema,
  definition: zoneDefinitionSchema,
  /** fields of the definition, or `transmissionPct`, that are defaults nobody has confirmed */
  unconfirmed: z.array(z.string()),
  planting: plantingSchema.nullable(),
});
export type NewZone = z.infer<typeof newZoneSchema>;

export const zoneSchema = newZoneSchema.extend({ id: idSchema, version: versionSchema });
export type Zone = z.infer<typeof zoneSchema>;

export const zoneUpdateSchema = newZoneSchema.extend({ version: versionSchema });
export type ZoneUpdate = z.infer<typeof zoneUpdateSchema>;

/** What forms offer: crops with the names and lengths of their stages. */
export const cropChoiceSchema = z.object({
  id: z.string(),
  name: z.string(),
  stages: z.array(z.object({ id: z.string(), name: z.string(), days: z.number() })),
});
export type CropChoice = z.infer<typeof cropChoiceSchema>;

export const setUpSchema = z.object({
  site: siteSchema.nullable(),
  zones: z.array(zoneSchema),
  crops: z.array(cropChoiceSchema),
});
export type SetUp = z.infer<typeof setUpSchema>;
