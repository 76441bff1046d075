export {
  againstBands,
  BAND_KINDS,
  co2Hours,
  consequence,
  lampsFor,
  readAgainstBands,
  USUAL_LAMPS,
  type AirHour,
  type BandDay,
  type BandKind,
} from "./bands.ts";
export { CROP_GROUPS, type Bands, type Crop, type CropGroup, type SoldAs, type Stage } from "./crop.ts";
export { cropById, CROPS } from "./library/library.ts";
export { duskAndDawn, programmesOn, programmeSpan, unbrokenDarkH, type NightProgramme, type Nights } from "./night.ts";
export {
  cameOff,
  followedFrom,
  pickedOn,
  plantingKey,
  plantingOn,
  plantingsOn,
  standingOn,
  standingsOn,
  type Planting,
  type Standing,
} from "./planting.ts";
export { ownStageId, seasonStages, signsOfSeason, yearBegan, yearOf } from "./season.ts";
export {
  overlap,
  partShare,
  spreadState,
  STAND_STEPS,
  standFault,
  standOn,
  type Part,
  type Stand,
  type StandStep,
  type WaterAim,
} from "./stand.ts";
export { driverOf, grow, grownByDays, type CropClimate, type Grown, type StagePeriod } from "./grown.ts";
export { steadilyOff, type StageFit } from "./stage-fit.ts";
export {
  RAISING_STARTS,
  RAISING_STEPS,
  RAISING_WAYS,
  raisingPlan,
  type RampDay,
  type Raising,
  type RaisingStep,
  type RaisingStepKind,
  type RaisingWay,
} from "./raising.ts";
export { cropStateOn, signFault, type CropState } from "./stage-on.ts";
export { practicesOf, type DatedPractice, type PondRule, type Practice } from "./practice.ts";
export { isUnusual, usualRange, type Ranged, type UsualRange } from "./usual-range.ts";
export { WARMTH_METHODS, type WarmthMethod } from "./stage-driver.ts";
export { stageDates } from "./stage-dates.ts";
export { readyAfter, SOIL_STEPS, USUAL_WAIT_DAYS, waitsFor, type SoilStep, type SoilStepKind } from "./soil-step.ts";
