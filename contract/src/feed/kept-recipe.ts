import { z } from "zod";
import { idSchema, instantSchema, textSchema, versionSchema } from "../basics/basics.ts";
import { feedTargetSchema, feedWishesSchema } from "./feed.ts";
import { ionsSchema } from "../basics/ions.ts";

/** What a recipe was asked for: put into a zone, it is solved anew with that zone's water. */
export const askedSchema = z.strictObject({ target: feedTargetSchema, wishes: feedWishesSchema });
export type Asked = z.infer<typeof askedSchema>;

export const newKeptRecipeSchema = askedSchema
  .extend({
    /** made by the page, so that a second sending is not a second version */
    key: z.uuid(),
    name: textSchema("The recipe's name", 60),
  })
  .meta({ id: "NewKeptRecipe" });
export type NewKeptRecipe = z.infer<typeof newKeptRecipeSchema>;

/** A recipe as it was solved on the day it was kept. */
export const recipeResultSchema = z.object({
  status: z.enum(["met", "closest", "infeasible"]),
  lines: z.array(
    z.object({
      productId: z.string(),
      name: z.string(),
      gM3: z.number(),
      tankId: z.string(),
      kgPerTank: z.number(),
    }),
  ),
  delivered: z.object({ ions: ionsSchema, ecMsCm: z.number(), ph: z.number() }),
  costPerM3: z.number(),
  nh4SharePct: z.number(),
});
export type RecipeResult = z.infer<typeof recipeResultSchema>;

const keptRecipeSchema = askedSchema.extend({
  id: idSchema,
  name: z.string(),
  /** counted up under one name */
  version: versionSchema,
  keptAt: instantSchema,
  /** the zone that it was made in */
  madeIn: z.string(),
  result: recipeResultSchema,
  /** zones whose target and limits are this recipe's now */
  usedBy: z.array(z.object({ id: idSchema, name: z.string() })),
});
export type KeptRecipe = z.infer<typeof keptRecipeSchema>;
export const keptRecipesSchema = z.object({ recipes: z.array(keptRecipeSchema) }).meta({ id: "KeptRecipes" });

/** Takes a kept recipe's target and limits over into a zone; the versions are those that the person saw. */
export const useRecipeSchema = z
  .strictObject({
    recipeId: idSchema,
    targetVersion: versionSchema.nullable(),
    settingsVersion: versionSchema.nullable(),
  })
  .meta({ id: "UseRecipe" });
export type UseRecipe = z.infer<typeof useRecipeSchema>;

/** One zone's feed in money and mass; what it lacks is null. */
const zoneCostSchema = z.object({
  zoneId: idSchema,
  name: z.string(),
  status: recipeResultSchema.shape.status.nullable().describe("null: no target, water or shelf"),
  costPerM3: z.number().nullable(),
  /** products of its recipe that have no price: with one of them nothing is said of cost */
  unpriced: z.array(z.string()),
  /** feed that its plan gives on the date, m³ */
  m3Day: z.number(),
  lines: recipeResultSchema.shape.lines,
});
export type ZoneCost = z.infer<typeof zoneCostSchema>;

/** Lines of the answer, one JSON object each: how far it is, then all of it. */
export const feedCostsLineSchema = z
  .union([
    z.strictObject({ done: z.number(), of: z.number() }),
    z.strictObject({ zones: z.array(zoneCostSchema), stockKg: z.record(z.string(), z.number().nullable()) }),
  ])
  .meta({ id: "FeedCostsLine" });
export type FeedCosts = Extract<z.infer<typeof feedCostsLineSchema>, { zones: unknown }>;
