export { granularDressing } from "./granular.ts";
export { SEASON_POLICIES, seasonStrength, type SeasonPolicy, type SeasonRule } from "./season-strength.ts";
export { coatedOut, slowRelease } from "./slow-release.ts";
export { doseCalendar } from "./calendar.ts";
export { doseNeed } from "./need.ts";
export type { DoseCalendar, Dose } from "./calendar.ts";
export type { DoseCalendarInput } from "./calendar-input.ts";
export { MOST_STEP_PCT, stepFor, UNCHANGED, type DoseChange } from "./changes.ts";
export { CLASS_FACTOR, classOf, SOIL_CLASSES, type SoilClass } from "./soil-class.ts";
export { readTissueSheet, TISSUE_ROWS, type TissueRow, type TissueLine, type TissueSheet } from "./tissue-file.ts";
export { ecWith, injection, type Injection } from "./injection.ts";
export { contentOf, ionsMgL, NONE, ofWater, plus, scaled, type MainAmounts } from "./nutrients.ts";
export {
  SCHOOLS,
  checkDressings,
  litresMixedFor,
  scheduleOf,
  USUAL_EFFICIENCY,
  usualProgramme,
  plainDressing,
  type School,
} from "./programme.ts";
export { seasonLitres, WATER_TELLS_FROM, type DosedSeason } from "./season.ts";
export type { DressingDay } from "./dressing-times.ts";
export { datesBetween, mostAhead, nitrogenDays, uptakeDone, type UptakeDay } from "./uptake-curve.ts";
export { bandSalt, type BandSalt } from "./band-salt.ts";
export { LIME_T_HA_PER_PH, LIMESTONE_NV_PCT, phChange, TEXTURES, type PhChange, type Texture } from "./ph-change.ts";
export { freedShare, heldBy } from "./coated-grains.ts";
export { ownAimTHa, pickedKg } from "./crop-mass.ts";
export { digestateCaps, type DigestateGiven } from "./digestate.ts";
export { OLD_DAYS, OLD_SHARE, plantingNeed, type SeasonWater } from "./planting-need.ts";
export { lastDayOf, seasonOf } from "./planting-season.ts";
export { newestLayers, rootedShare } from "./soil-tests.ts";
