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
export { cropStateOn, stagePeriods, type CropState, type StagePeriod, type StageSign } from "./crop/stage-on.ts";
export { canopyTranspirationMm } from "./irrigation/canopy-transpiration.ts";
export { clockSeconds, clockText } from "./irrigation/clock.ts";
export { planPulses, type Pulse } from "./irrigation/pulses.ts";
export type { ZoneWaterInput } from "./irrigation/zone-water-input.ts";
export { zoneWater, type ZoneWater } from "./irrigation/zone-water.ts";
export { dayDemand, type Demand } from "./plan/demand.ts";
export type { Origin, WorkingInput } from "./plan/origin.ts";
export { FIGURES, planZoneDay, type Figure, type YesterdayDrain, type ZoneDay } from "./plan/zone-day.ts";
export { depletionFractionAt, stepSoil, type SoilState } from "./rootzone/soil-drip.ts";
export { stepSubstrate, type SubstrateState } from "./rootzone/substrate.ts";
export type { Place, SoilDripZone, SubstrateZone, Zone, ZoneField } from "./site/zone.ts";
export { addDays, daysBetween, instantsOf, localDate, startOfLocalDay, utcOffsetMin } from "./table/local-time.ts";
export { SOIL_AT_FIELD_CAPACITY, soilNextMorning, waterHeldPct, type SoilDay } from "./plan/root-course.ts";
export { Checks } from "./checks.ts";
export { judgeDelivery, judgeDepletion, judgeDrain, worstMark, type Finding, type Mark } from "./advice/judge.ts";
export { insideLightSum, morningDepletion, outsideEt, type Explained } from "./plan/explained.ts";
export { IONS, MACRO_IONS, TRACE_IONS, CHARGE, chargeBalance, isTrace, type Ion, type Ions } from "./chemistry/ions.ts";
export { ecMsCm } from "./chemistry/solution.ts";
export { molarMassG } from "./chemistry/formula.ts";
export { acidForWater, ACIDS, type AcidAnswer, type AcidInput } from "./water/acid.ts";
export type { LinearProgram, LpAnswer, SolveLp } from "./feed/linear-program.ts";
export { libraryProduct, PRODUCTS } from "./feed/library.ts";
export type { LibraryProduct, Product } from "./feed/product.ts";
export { recipe, type Recipe } from "./feed/recipe.ts";
export { bringsPerGram } from "./feed/recipe-lp.ts";
export type { RecipeInput } from "./feed/recipe-input.ts";
export { lpSolver } from "./feed/highs-lp.ts";
export { stageTarget, type FeedTarget } from "./feed/targets.ts";
export { readWaterTable, type WaterSample, type WaterTable } from "./water/water-table.ts";
export { checkReport, type ReportCheck } from "./water/report-check.ts";
