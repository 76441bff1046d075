import "./words.ts";

export { issueWords } from "./words.ts";
export { dateSchema, idSchema, problemSchema, workingStepSchema, type Problem, type WorkingStep } from "./basics.ts";
export { referenceEtAnswerSchema, referenceEtRequestSchema } from "./climate/reference-et.ts";
export {
  lateralAnswerSchema,
  lateralRequestSchema,
  uniformityAnswerSchema,
  uniformityRequestSchema,
} from "./irrigation/lines.ts";
export { zoneWaterAnswerSchema, zoneWaterRequestSchema } from "./irrigation/zone-water.ts";
export {
  newSiteSchema,
  siteSchema,
  siteUpdateSchema,
  unitSystemSchema,
  type NewSite,
  type Site,
  type SiteUpdate,
} from "./site/site.ts";
export {
  cropChoiceSchema,
  layoutSchema,
  vesselSchema,
  newZoneSchema,
  plantingSchema,
  setUpSchema,
  systemSchema,
  SYSTEMS,
  zoneDefinitionSchema,
  zoneSchema,
  zoneUpdateSchema,
  type CropChoice,
  type Layout,
  type Vessel,
  type NewZone,
  type Planting,
  type SetUp,
  type System,
  type Zone,
  type ZoneDefinition,
  type ZoneUpdate,
} from "./site/zone.ts";
export {
  columnKindSchema,
  weatherChoicesSchema,
  weatherFileSchema,
  weatherImportAnswerSchema,
  weatherKindSchema,
  weatherPreviewSchema,
  type WeatherChoices,
  type WeatherFile,
  type WeatherImportAnswer,
  type WeatherPreview,
} from "./climate/weather-import.ts";
export {
  newPickSchema,
  pickStrikeSchema,
  pickSchema,
  zoneHarvestSchema,
  type NewPick,
  type Pick,
  type ZoneHarvest,
} from "./harvest/harvest.ts";
export {
  newSourceSchema,
  sourceSchema,
  sourceUpdateSchema,
  sourceKindSchema,
  waterStationSchema,
  type NewSource,
  type Source,
  type SourceKind,
  type SourceState,
  type WaterStation,
} from "./water/source.ts";
export {
  catchStrikeSchema,
  linesUpdateSchema,
  newCatchTestSchema,
  newLinesSchema,
  zoneLinesSchema,
  catchTestSchema,
  type NewCatchTest,
  type NewLines,
  type StoredCatchTest,
  type ZoneLines,
} from "./irrigation/zone-lines.ts";
export { SITE_FILE_FORMAT, SITE_FILE_VERSION, siteFileSchema, type SiteFile, type ZoneFile } from "./site/site-file.ts";
export { dayPlanAnswerSchema, dayPlanRequestSchema } from "./plan/day-plan.ts";
export { newOwnProductSchema, type NewOwnProduct } from "./feed/own-product.ts";
export { boardSchema, type Board, type BoardZone, type Roots } from "./plan/board.ts";
export { findingSchema, markSchema, stationSchema, type Finding, type Mark, type Station } from "./advice/finding.ts";
export {
  correctionSchema,
  newDecisionSchema,
  type Correction,
  type Decision,
  type NewDecision,
  type OpenFinding,
  type Proposal,
} from "./advice/decision.ts";
export {
  figureSchema,
  zoneDaySchema,
  type Explanation,
  type Figure,
  type Origin,
  type WorkingInput,
  type ZoneDayAnswer,
} from "./plan/zone-day.ts";
export { acidAnswerSchema, acidRequestSchema } from "./water/acid.ts";
export {
  inlineProductSchema,
  ionSchema,
  ionsSchema,
  productListSchema,
  recipeAnswerSchema,
  recipeRequestSchema,
  tankSchema,
  type LibraryProduct,
  type RecipeAnswer,
  type RecipeRequest,
} from "./feed/recipe.ts";
export {
  feedTargetSchema,
  feedSettingsSchema,
  feedWishesSchema,
  type FeedWishes,
  feedSettingsUpdateSchema,
  feedTargetUpdateSchema,
  newMixSchema,
  newWaterReportSchema,
  shelfItemSchema,
  shelfUpdateSchema,
  waterReportSchema,
  waterReportsSchema,
  zoneFeedSchema,
  type FeedSettings,
  type FeedTarget,
  type NewMix,
  type NewWaterReport,
  type ShelfItem,
  type ShelfUpdate,
  type WaterReport,
  type ZoneFeed,
} from "./feed/feed.ts";
export type { Ion } from "./feed/recipe.ts";
export {
  newReadingSchema,
  rootHistorySchema,
  strikeSchema,
  type Reading,
  type NewReading,
  type RootHistory,
  type Strike,
} from "./rootzone/readings.ts";
export {
  waterFileSchema,
  waterPreviewSchema,
  type WaterFile,
  type WaterPreview,
  type WaterSample,
} from "./water/water-import.ts";
export {
  newZoneReportSchema,
  reportStrikeSchema,
  zoneReportSchema,
  zoneReportsSchema,
  type NewZoneReport,
  type SoilReport,
  type SolutionReport,
  type ZoneReport,
} from "./rootzone/zone-report.ts";
export {
  listFileSchema,
  listKindSchema,
  listPreviewSchema,
  type ListChoices,
  type ListFile,
  type ListKind,
  type ListPreview,
} from "./site/list-import.ts";
export { doseSchema, dosesSchema, doseStrikeSchema, newDoseSchema, type Dose, type NewDose } from "./water/dose.ts";
export {
  askedSchema,
  feedCostsLineSchema,
  keptRecipeSchema,
  keptRecipesSchema,
  newKeptRecipeSchema,
  recipeResultSchema,
  useRecipeSchema,
  zoneCostSchema,
  type Asked,
  type FeedCosts,
  type KeptRecipe,
  type NewKeptRecipe,
  type RecipeResult,
  type UseRecipe,
  type ZoneCost,
} from "./feed/kept-recipe.ts";
