export { againstBands, BAND_KINDS, consequence, lampsFor, USUAL_LAMPS, type BandDay, type BandKind } from "./bands.ts";
export { CROP_GROUPS, type Bands, type Crop, type CropGroup, type SoldAs, type Stage } from "./crop.ts";
export { cropById, CROPS } from "./library/library.ts";
export { duskAndDawn, programmesOn, programmeSpan, unbrokenDarkH, type NightProgramme, type Nights } from "./night.ts";
export { plantingOn, standingOn, type Planting, type Standing } from "./planting.ts";
export {
  driverOf,
  grow,
  signsOfSeason,
  yearBegan,
  grownByDays,
  type CropClimate,
  type Grown,
  type StagePeriod,
} from "./grown.ts";
export { steadilyOff, type StageFit } from "./stage-fit.ts";
export {
  RAISING_STARTS,
  RAISING_WAYS,
  raisingPlan,
  type Raising,
  type RaisingStep,
  type RaisingStepKind,
  type RaisingWay,
} from "./raising.ts";
export { signFault, type CropState } from "./stage-on.ts";
export { stageDates } from "./stage-dates.ts";
