export {
  newPickSchema,
  pickSchema,
  pickStrikeSchema,
  zoneHarvestSchema,
  type NewPick,
  type Pick,
  type ZoneHarvest,
} from "./harvest.ts";
