export { advance, correctWater, ecIn, missingIn, reach, stateOf } from "./advance.ts";
export {
  growCrop,
  LEAF_AREA,
  PICKING_THERMAL,
  STAGE,
  STANDING,
  standingShare,
  THERMAL,
  type CropChange,
} from "./crop-slots.ts";
export { balanceOf, type Balance, type Books, type DayOfBalance } from "./balance.ts";
export { dayHours, giveWater, type GivenMm, type HourlyMm, type Uptake } from "./day-hours.ts";
export { fullState, rootsOf, storeOn, walkDay } from "./day-walk.ts";
export { follow, goThrough, type CourseDay, type NitrogenDay } from "./follow.ts";
export { nitrogenWith, uptakeOf } from "./uptake.ts";
export { engineOf } from "./engine.ts";
export { rootZone, type RootZoneAnswer, type RootZoneInput } from "./root-zone.ts";
