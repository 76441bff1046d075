export {
  computeDoseCalendar,
  computeDoseNeed,
  getDosePlan,
  getDoseTable,
  getKeptProgrammes,
  getNutrientBooks,
  getNutrientTable,
  getWeekOfDoses,
  keepProgramme,
  noteLeafTaken,
  recordDose,
  saveNutrientRules,
  saveProgramme,
  strikeLeafTaken,
  takeDoseBack,
} from "./dose-endpoints.ts";
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
export { newLeafTakenSchema, type NewLeafTaken } from "./leaf-taken.ts";
export { newOwnProductSchema, type NewOwnProduct } from "./own-product.ts";
export type { LibraryProduct } from "./recipe.ts";
export {
  newDoseRecordSchema,
  savedProgrammeSchema,
  type DoseInjection,
  type DosePlan,
  type NewDoseRecord,
  type PlannedDose,
  type WeekOfDoses,
} from "./dose-plan.ts";
export {
  newKeptProgrammeSchema,
  programmeSchema,
  USUAL_WORK_MIN,
  type DoseProgramme,
  type KeptProgramme,
  type NewKeptProgramme,
} from "./dose-programme.ts";
export {
  nutrientRulesSchema,
  nutrientRulesUpdateSchema,
  type NutrientBooks,
  type NutrientRules,
  type NutrientYear,
} from "./nutrient-books.ts";
