export { LAYOUT_STARTS, VESSEL_STARTS } from "./layout-starts.ts";
export { seedlingsFor, standOf, type Stand } from "./stand.ts";
export { COVER_START, RETURN_TANK_TOPPED_UP_AT, ZONE_STARTS, type ZoneStart } from "./zone-starts.ts";
export { OPEN_FIELD_PCT, type Place, type StoreZone, type SubstrateZone, type ZoneField } from "./zone.ts";
