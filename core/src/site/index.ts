export { rainThrough } from "./rain-through.ts";
export { VESSEL_STARTS, type LayoutStart } from "./layout-starts.ts";
export { seedlingsFor, standOf, type Stand } from "./stand.ts";
export { COVER_START, RETURN_TANK_TOPPED_UP_AT, type ZoneStart } from "./zone-starts.ts";
export {
  OPEN_FIELD_PCT,
  SYSTEM_NAMES,
  type Place,
  type StoreZone,
  type SubstrateZone,
  type System,
  type ZoneDefinition,
  type ZoneField,
} from "./zone.ts";
