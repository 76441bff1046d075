export { seedlingsFor, standOf, type Stand } from "./stand.ts";
export { OPEN_FIELD_PCT, type Place, type StoreZone, type SubstrateZone, type ZoneField } from "./zone.ts";
