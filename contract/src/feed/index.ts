export {
  addMix,
  addOwnProduct,
  computeRecipe,
  dropFeedTarget,
  getFeedCosts,
  getFeedStation,
  getProducts,
  getRecipes,
  getZoneFeed,
  keepRecipe,
  putOnShelf,
  saveFeedSettings,
  saveFeedTarget,
  takeOffShelf,
  useRecipe,
} from "./endpoints.ts";
export {
  feedSettingsSchema,
  feedTargetSchema,
  feedWishesSchema,
  keptTargetSchema,
  type KeptTarget,
  newMixSchema,
  shelfUpdateSchema,
  type FeedSettings,
  type FeedTarget,
  type FeedWishes,
  type Mix,
  type NewMix,
  type ShelfItem,
  type ShelfUpdate,
  type ZoneFeed,
} from "./feed.ts";
export type { FedZone, FeedStation, TankState } from "./feed-station.ts";
export {
  askedSchema,
  recipeResultSchema,
  type Asked,
  type FeedCosts,
  type KeptRecipe,
  type NewKeptRecipe,
  type RecipeResult,
  type UseRecipe,
  type ZoneCost,
} from "./kept-recipe.ts";
export { newOwnProductSchema, type NewOwnProduct } from "./own-product.ts";
export type { LibraryProduct } from "./recipe.ts";
