import { z } from "zod";
import {
  labelSchema,
  dateSchema,
  idSchema,
  instantSchema,
  quantitySchema,
  textSchema,
  versionSchema,
} from "../basics/basics.ts";
import { ionSchema, ionsSchema } from "../basics/ions.ts";
import { libraryProductSchema } from "./recipe.ts";

const amountSchema = quantitySchema("An ion", 0, 2000, "mmol/L (µmol/L for trace elements)");

export const feedTargetSchema = z.strictObject({
  ions: z.partialRecord(ionSchema, amountSchema),
  ph: quantitySchema("The target pH", 4, 8, ""),
  /** what it is called: the published solution or the recipe that it was taken from, or a grower's own name */
  name: textSchema("The target's name", 120).optional(),
});
/** A zone's own target belongs to one planting: the next crop starts from its library's. */
export const keptTargetSchema = feedTargetSchema.extend({
  /** null where nothing stood when it was kept */
  plantedOn: dateSchema.nullable().default(null),
  /** the stage in which it was kept */
  stageId: labelSchema("The stage").nullable().default(null),
});
export type KeptTarget = z.infer<typeof keptTargetSchema>;
export type FeedTarget = z.infer<typeof feedTargetSchema>;
export const feedTargetUpdateSchema = feedTargetSchema
  .extend({ version: versionSchema.nullable() })
  .meta({ id: "FeedTargetUpdate" });

export const shelfUpdateSchema = z
  .strictObject({
    priceKg: quantitySchema("The price per kg", 0, 10_000, "").nullable(),
    /** null where nobody counts it */
    stockKg: quantitySchema("The stock", 0, 1_000_000, "kg").nullable(),
    /** null for what is not on the shelf yet */
    version: versionSchema.nullable(),
  })
  .meta({ id: "ShelfItemUpdate" });
export type ShelfUpdate = z.infer<typeof shelfUpdateSchema>;
export const shelfItemSchema = z.object({
  product: libraryProductSchema,
  priceKg: z.number().nullable(),
  stockKg: z.number().nullable(),
  version: versionSchema,
});
export type ShelfItem = z.infer<typeof shelfItemSchema>;

const mixLineSchema = z.strictObject({
  productId: labelSchema("The product"),
  tankId: labelSchema("The tank"),
  kg: quantitySchema("The mass weighed in", 0, 100_000, "kg"),
  /** of the bag, as printed on it */
  lot: textSchema("The lot", 40).nullable().default(null),
});
const tankLevelSchema = z.strictObject({
  tankId: labelSchema("The tank"),
  litres: quantitySchema("What stands in the tank", 0, 100_000, "L"),
});
export const newMixSchema = z
  .strictObject({
    /** made by the page, so that a second sending of one mix is not a second mix */
    key: z.uuid(),
    mixedAt: instantSchema,
    /** what stands in each tank once it is mixed; a tank that is left out counts as full */
    levels: z.array(tankLevelSchema).max(3).default([]),
    lines: z
      .array(mixLineSchema)
      .min(1, { error: () => "A mix holds at least one product." })
      .max(60),
  })
  .meta({ id: "NewMix" });
export type NewMix = z.infer<typeof newMixSchema>;
export type Mix = z.infer<typeof mixSchema>;
const mixSchema = z.object({
  id: idSchema,
  mixedAt: instantSchema,
  lines: z.array(mixLineSchema),
  levels: z.array(tankLevelSchema),
});

const tankPlanSchema = z.strictObject({
  id: textSchema("The tank's name", 12),
  volumeL: quantitySchema("The tank's volume", 1, 100_000, "L"),
  dilution: quantitySchema("The dilution", 1, 1000, "litres of feed from one of concentrate"),
});

/** What a recipe must keep beside its target. */
export const feedWishesSchema = z.strictObject({
  nh4ShareMostPct: quantitySchema("The share of ammonium", 0, 100, "% of all N").nullable(),
  /** most of an ion in the feed */
  limits: z.partialRecord(ionSchema, quantitySchema("A limit", 0, 2000, "mmol/L (µmol/L for trace elements)")),
  /** g/m³ that a person has settled, by product */
  locks: z.record(z.string().min(1).max(80), quantitySchema("A settled amount", 0, 100_000, "g/m³")),
});
export type FeedWishes = z.infer<typeof feedWishesSchema>;
const NO_WISHES: FeedWishes = { nh4ShareMostPct: null, limits: {}, locks: {} };

/** What a zone's feed is made in and weighed on. */
export const feedSettingsSchema = z.strictObject({
  tanks: z
    .array(tankPlanSchema)
    .min(1, { error: () => "At least one tank is needed; feed mixed directly is a tank of dilution 1." })
    .max(3, { error: () => "Up to three tanks are planned." })
    .refine((tanks) => new Set(tanks.map(({ id }) => id)).size === tanks.length, {
      error: () => "Two tanks have the same name.",
    }),
  coarseG: quantitySchema("The step of the scale for bags", 0.1, 1000, "g"),
  fineG: quantitySchema("The step of the fine scale", 0.001, 100, "g"),
  wishes: feedWishesSchema.default(NO_WISHES),
  /** false where nothing is mixed into the zone's water: it is fed with manure or dressings, or not at all */
  mixed: z.boolean().default(true),
});
export type FeedSettings = z.infer<typeof feedSettingsSchema>;
export const feedSettingsUpdateSchema = feedSettingsSchema
  .extend({ version: versionSchema.nullable() })
  .meta({ id: "FeedSettingsUpdate" });

/** All that the Feed station of a zone needs: target, water, shelf, tanks, what was mixed. */
export const zoneFeedSchema = z
  .object({
    zoneId: idSchema,
    stage: z.string().nullable(),
    library: z
      .object({ name: z.string(), ions: ionsSchema, ph: z.number(), source: z.string(), assumed: z.boolean() })
      .nullable(),
    /** the one that was kept for the planting of the date, with the name of the stage in which it was kept */
    own: feedTargetSchema.extend({ version: versionSchema, keptIn: z.string().nullable() }).nullable(),
    /** the waters of the zone mixed, by their reports in force; null while one has none */
    water: z
      .object({
        ions: ionsSchema,
        /** left out where bicarbonate is not known of every water of a mix */
        ph: z.number().optional(),
        /** what some report leaves out: counted as none, and bicarbonate of a mix not at all */
        unmeasured: z.array(ionSchema),
      })
      .nullable(),
    waters: z.array(
      z.object({ sourceId: idSchema, name: z.string(), sharePct: z.number(), takenOn: dateSchema.nullable() }),
    ),
    shelf: z.array(shelfItemSchema),
    settings: feedSettingsSchema.extend({ version: versionSchema.nullable() }),
    tanks: z.array(tankPlanSchema),
    mixes: z.array(mixSchema),
    /** L of feed that the zone is to get on the date; null without a plan */
    litresToday: z.number().nullable(),
  })
  .meta({ id: "ZoneFeed" });
export type ZoneFeed = z.infer<typeof zoneFeedSchema>;
