export { readReadingList, type NotedReading } from "./reading-list.ts";
export { readSoilList, type SoilTest } from "./soil-list.ts";
export {
  DEMAND_MM,
  DRAIN_MM,
  DRAIN_SALT,
  figuresOf,
  FLUX_SLOTS,
  FULL,
  GIVEN_EC,
  NITROGEN,
  GIVEN_MM,
  HOUR_SLOTS,
  LOST_MM,
  RAIN_MM,
  SALT,
  stepStore,
  UPTAKE_EC,
  WATER,
  type Store,
} from "./store.ts";
export { farFromPast, type Usual } from "./far-from-past.ts";
export { READING_KINDS, type ReadingKind } from "./reading-kinds.ts";
