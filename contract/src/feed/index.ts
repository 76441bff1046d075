export {
  feedSettingsSchema,
  feedSettingsUpdateSchema,
  feedTargetSchema,
  feedTargetUpdateSchema,
  newMixSchema,
  shelfUpdateSchema,
  zoneFeedSchema,
  type FeedSettings,
  type FeedTarget,
  type FeedWishes,
  type NewMix,
  type ShelfItem,
  type ShelfUpdate,
  type ZoneFeed,
} from "./feed.ts";
export {
  askedSchema,
  feedCostsLineSchema,
  keptRecipesSchema,
  newKeptRecipeSchema,
  recipeResultSchema,
  useRecipeSchema,
  type Asked,
  type FeedCosts,
  type KeptRecipe,
  type NewKeptRecipe,
  type RecipeResult,
  type UseRecipe,
  type ZoneCost,
} from "./kept-recipe.ts";
export { newOwnProductSchema, type NewOwnProduct } from "./own-product.ts";
export { productListSchema, recipeAnswerSchema, recipeRequestSchema, type LibraryProduct } from "./recipe.ts";
