export { DomainError, type Fault } from "./domain-error.ts";
export { showNumber, type WorkingStep } from "./working.ts";
export {
  UNITS,
  fromCanonical,
  toCanonical,
  unitFor,
  type Quantity,
  type UnitOf,
  type UnitSystem,
} from "./units/units.ts";
export {
  airPressureKpa,
  degreeDays,
  dewPointC,
  lightSumMolM2,
  saturationVapourPressureKpa,
  vapourPressureDeficitKpa,
} from "./climate/air.ts";
export { clearSkyMjM2, dayOfYear, periodExtraterrestrialMjM2 } from "./climate/solar-geometry.ts";
export { REFERENCE_ET_METHODS, type ReferenceEtInput } from "./climate/reference-et-input.ts";
export { referenceEt, type ReferenceEt } from "./climate/reference-et.ts";
export { sunTimes, type SunTimes } from "./climate/sun-times.ts";
export {
  KIND_RULES,
  WEATHER_KINDS,
  type ColumnKind,
  type WeatherColumn,
  type WeatherKind,
} from "./climate/weather-columns.ts";
export { readWeatherTable, type WeatherTable, type WeatherTableChoices } from "./climate/weather-table.ts";
export {
  houseAir,
  weatherHours,
  SAMPLE_ORIGINS,
  type HourValue,
  type HouseAir,
  type SampleOrigin,
  type WeatherHour,
  type WeatherSample,
} from "./climate/weather-hours.ts";
export type { Crop, Stage } from "./crop/crop.ts";
export { CROPS, cropById } from "./crop/library.ts";
export { standingOn, type Planting, type Standing } from "./crop/planting.ts";
export { stagePeriods, type CropState, type StagePeriod, type StageSign } from "./crop/stage-on.ts";
export { canopyTranspirationMm } from "./irrigation/canopy-transpiration.ts";
export { clockSeconds, clockText } from "./irrigation/clock.ts";
export { emitterFlowLh, type Emitter } from "./irrigation/emitter.ts";
export { lateral, lateralTimes, longestLateralM, type Lateral, type LateralInput } from "./irrigation/lateral.ts";
export { catchTest, type CatchTest } from "./irrigation/catch-can.ts";
export { uniformity, uniformityClass, type Uniformity } from "./irrigation/uniformity.ts";
export { planPulses, type Pulse } from "./irrigation/pulses.ts";
export { NO_CORRECTION, type Correction, type ZoneWaterInput } from "./irrigation/zone-water-input.ts";
export { zoneWater } from "./irrigation/zone-water.ts";
export type { ZoneWater } from "./irrigation/deliver.ts";
export { dayPlan } from "./plan/day-plan.ts";
export type { DayPlan } from "./plan/day-plan-answer.ts";
export type { DayPlanInput } from "./plan/day-plan-input.ts";
export { dayDemand, type Demand } from "./plan/demand.ts";
export { pickedSoFar, pickingTime, yieldPath, type PickingTime } from "./harvest/yield-path.ts";
export type { Origin, WorkingInput } from "./plan/origin.ts";
export { FIGURES, planZoneDay, type Figure, type AcceptedCorrection, type ZoneDay } from "./plan/zone-day.ts";
export { stepStore, type StoreState } from "./rootzone/water-store.ts";
export { depletionAtLevelMm, FREEBOARD_MM, levelOfCm, rootStore, type RootStore } from "./rootzone/root-store.ts";
export { stepSubstrate, type SubstrateState } from "./rootzone/substrate.ts";
export {
  OPEN_FIELD_PCT,
  type Place,
  type StoreZone,
  type SubstrateZone,
  type System,
  type Zone,
  type ZoneField,
} from "./site/zone.ts";
export { addDays, daysBetween, instantsOf, localDate, startOfLocalDay, utcOffsetMin } from "./table/local-time.ts";
export { FULL_STORE, nextMorning, waterHeldPct } from "./plan/root-course.ts";
export { Checks } from "./checks.ts";
export {
  adviseDrain,
  LEAST_DEMAND_FACTOR,
  MOST_DEMAND_FACTOR,
  type DrainAdvice,
  type MeteredDay,
} from "./advice/drain-advice.ts";
export { judgeDelivery, judgeDepletion, judgeDosing, worstMark, type Finding, type Mark } from "./advice/judge.ts";
export { airSpan, asRead, insideLightSum, morningDepletion, solarSum, stageDay } from "./plan/explained.ts";
export { outsideEt, type Explained } from "./plan/outside-et.ts";
export { IONS, MACRO_IONS, TRACE_IONS, CHARGE, chargeBalance, isTrace, type Ion, type Ions } from "./chemistry/ions.ts";
export { ecMsCm } from "./chemistry/solution.ts";
export { molarMassG } from "./chemistry/formula.ts";
export { acidForWater, ACIDS, type AcidAnswer, type AcidInput } from "./water/acid.ts";
export type { LinearProgram, LpAnswer, SolveLp } from "./feed/linear-program.ts";
export { libraryProduct, PRODUCTS } from "./feed/library.ts";
export type { LibraryProduct, Product } from "./feed/product.ts";
export { recipe, recipeCost, type Recipe, type RecipeCost } from "./feed/recipe.ts";
export { bringsPerGram } from "./feed/recipe-lp.ts";
export type { RecipeInput } from "./feed/recipe-input.ts";
export { weighOut, type Scales, type Weighing } from "./feed/weigh.ts";
export { compositionOfLabel, labelByMass, LABEL_PARTS, massPctOf, type Label, type LabelPart } from "./feed/label.ts";
export { mayStandTogether } from "./feed/together.ts";
export { lpSolver } from "./feed/highs-lp.ts";
export { stageTarget, type FeedTarget } from "./feed/targets.ts";
export { readWaterTable, type WaterSample, type WaterTable } from "./water/water-table.ts";
export { largestSharePct, mixWaters, type MixLimit, type ReportedWater } from "./water/mix-waters.ts";
export { relativeYieldPct, waterHazards, type Hazard, type HazardClass } from "./water/hazards.ts";
export { kcAhead, zoneUseAheadL, type ZoneUse } from "./plan/use-ahead.ts";
export { readOrganicTable } from "./water/organic-table.ts";
export { compareRecipes, type ComparedRecipe, type RecipeDifference } from "./feed/compare-recipes.ts";
export { closedLoop, freshTarget, type LoopAnswer, type LoopInput, type StayingIon } from "./feed/closed-loop.ts";
export { granularDressing, type GranularInput } from "./feed/granular.ts";
export { orderList, type OrderLine, type ZoneNeed } from "./feed/order-list.ts";
export { checkTarget, PUBLISHED_TARGETS, type PublishedTarget } from "./feed/published-targets.ts";
export { seasonStrength, SEASON_POLICIES, type SeasonInput, type SeasonPolicy } from "./feed/season-strength.ts";
export { singleGrade, wallTable, type SingleGrade, type WallRow } from "./feed/single-grade.ts";
export { slowRelease, type SlowReleaseInput } from "./feed/slow-release.ts";
export { tankTopUp, type TankTopUpInput } from "./feed/tank-top-up.ts";
export { uptakeTarget, type UptakeTargetInput } from "./feed/uptake-target.ts";
export { TANK_TEMPERATURE_C, zoneQuestion, type Draft } from "./feed/zone-question.ts";
export { projectStorage, type Supply } from "./water/supply.ts";
export { seedlingsFor, standOf, type Layout, type Stand, type Vessel } from "./site/stand.ts";
export { checkReport, type ReportCheck } from "./water/report-check.ts";
export { readReadingList, type NotedReading, type ReadingList } from "./rootzone/reading-list.ts";
export { readSoilList, type SoilList, type SoilTest } from "./rootzone/soil-list.ts";
export { readPickList, type NotedPick, type PickList } from "./harvest/pick-list.ts";
export { readShelfList, type ListedProduct, type ShelfList } from "./feed/shelf-list.ts";
export { libraryProductLike } from "./feed/match-product.ts";
export { type ListFlag, type ListRow, type ListTable } from "./table/list.ts";
export { organicDosing, type OrganicDosing } from "./water/wastewater.ts";
export { assumedRemoval } from "./crop/removal.ts";
export { isTurn, nextTurn } from "./water/supply.ts";
export { pipeLossKpa, subMain, type SubMain } from "./irrigation/sub-main.ts";
export { matchZone } from "./table/zone-name.ts";
export { meterCheck, type MeterCheck } from "./feed/meter-check.ts";
