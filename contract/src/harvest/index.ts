export { addPick, addPicks, getDayPicks, getZoneHarvest, strikePick } from "./endpoints.ts";
export {
  newPickSchema,
  newPicksSchema,
  pickSchema,
  type DayPicks,
  type NewPick,
  type NewPicks,
  type Pick,
  type PickedZone,
  type ZoneHarvest,
} from "./harvest.ts";
