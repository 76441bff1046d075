import "./words.ts";

export { issueWords } from "./words.ts";
export { dateSchema, idSchema, problemSchema, workingStepSchema, type Problem, type WorkingStep } from "./basics.ts";
export { referenceEtAnswerSchema, referenceEtRequestSchema } from "./climate/reference-et.ts";
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
  newZoneSchema,
  plantingSchema,
  setUpSchema,
  zoneDefinitionSchema,
  zoneSchema,
  zoneUpdateSchema,
  type CropChoice,
  type NewZone,
  type Planting,
  type SetUp,
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
  boardSchema,
  findingSchema,
  markSchema,
  stationSchema,
  type Board,
  type BoardZone,
  type Finding,
  type Mark,
  type Roots,
  type Station,
} from "./plan/board.ts";
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
  feedTargetUpdateSchema,
  newMixSchema,
  newWaterReportSchema,
  shelfItemSchema,
  shelfUpdateSchema,
  waterReportSchema,
  waterReportsSchema,
  zoneFeedSchema,
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
  newDrainReadingSchema,
  rootHistorySchema,
  strikeSchema,
  type DrainReading,
  type NewDrainReading,
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
