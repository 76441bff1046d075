export { USUAL_LOOP, closedLoop, freshTarget, type LoopAnswer } from "./closed-loop.ts";
export { compareRecipes, type ComparedRecipe, type RecipeDifference } from "./compare-recipes.ts";
export { granularDressing } from "./granular.ts";
export { lpSolver } from "./highs-lp.ts";
export { LABEL_PARTS, compositionOfLabel, labelByMass, type LabelPart } from "./label.ts";
export { PRODUCTS, libraryProduct } from "./library.ts";
export type { LinearProgram, LpAnswer, SolveLp } from "./linear-program.ts";
export { libraryProductLike } from "./match-product.ts";
export { meterCheck, type MeterCheck } from "./meter-check.ts";
export { orderList, type OrderRow } from "./order-list.ts";
export { solubilityAt, type LibraryProduct } from "./product.ts";
export { atStrength } from "./strength.ts";
export { PUBLISHED_TARGETS, checkTarget, type PublishedTarget } from "./published-targets.ts";
export { USUAL_TANK_TEMPERATURE_C, type RecipeInput } from "./recipe-input.ts";
export { recipe, recipeCost, type Recipe, type RecipeCost } from "./recipe.ts";
export { SEASON_POLICIES, seasonStrength, type SeasonPolicy, type SeasonRule } from "./season-strength.ts";
export { readShelfList, type ListedProduct } from "./shelf-list.ts";
export { singleGrade, wallTable } from "./single-grade.ts";
export { coatedOut, slowRelease } from "./slow-release.ts";
export { tankDaysLeft, tankLeftL } from "./tank-level.ts";
export { tankTopUp } from "./tank-top-up.ts";
export { GENERAL_TARGET, stageTarget } from "./targets.ts";
export { mayStandTogether } from "./together.ts";
export { uptakeTarget } from "./uptake-target.ts";
export { withoutPrice } from "./without-price.ts";
export { STARTER_SHELF, USUAL_STARTS } from "./usual-starts.ts";
export { weighOut, type Scales, type Weighing } from "./weigh.ts";
export { zoneQuestion, type Draft } from "./zone-question.ts";
export { doseCalendar } from "./programme/calendar.ts";
export { doseNeed } from "./programme/need.ts";
export type { DoseCalendar, Dose } from "./programme/calendar.ts";
export type { DoseCalendarInput } from "./programme/calendar-input.ts";
export { MOST_STEP_PCT, stepFor, UNCHANGED, type DoseChange } from "./programme/changes.ts";
export { CLASS_FACTOR, classOf, SOIL_CLASSES, type SoilClass } from "./programme/soil-class.ts";
export {
  readTissueSheet,
  TISSUE_ROWS,
  type TissueRow,
  type TissueLine,
  type TissueSheet,
} from "./programme/tissue-file.ts";
export { ecWith, injection, type Injection } from "./programme/injection.ts";
export {
  AS_OXIDE,
  checkRules,
  NO_RULES,
  NUTRIENT_SOURCES,
  yearBooks,
  type NutrientEntry,
  type NutrientSource,
} from "./ledger/year-books.ts";
export { freedOn } from "./ledger/mineralisation.ts";
export { bedsOf, entriesOn, holds, type Bed, type PlacedEntry } from "./ledger/beds.ts";
export { inLeaf, USUAL_LEAF, type LeafTaken } from "./ledger/leaf-taken.ts";
export { ledger } from "./ledger/planting-ledger.ts";
export { contentOf, ionsMgL, NONE, type MainAmounts } from "./programme/nutrients.ts";
export {
  ofWater,
  plus,
  SCHOOLS,
  checkDressings,
  litresMixedFor,
  scheduleOf,
  USUAL_EFFICIENCY,
  usualProgramme,
  plainDressing,
  type School,
} from "./programme/programme.ts";
export { seasonLitres, WATER_TELLS_FROM, type DosedSeason } from "./programme/season.ts";
export type { DressingDay } from "./programme/dressing-times.ts";
export { datesBetween, mostAhead, nitrogenDays, uptakeDone, type UptakeDay } from "./programme/uptake-curve.ts";
export { bandSalt, type BandSalt } from "./soil/band-salt.ts";
export {
  LIME_T_HA_PER_PH,
  LIMESTONE_NV_PCT,
  phChange,
  TEXTURES,
  type PhChange,
  type Texture,
} from "./soil/ph-change.ts";
