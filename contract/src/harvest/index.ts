export { addPick, getZoneHarvest, strikePick } from "./endpoints.ts";
export { newPickSchema, pickSchema, type NewPick, type Pick, type ZoneHarvest } from "./harvest.ts";
