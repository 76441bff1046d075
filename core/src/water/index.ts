export { acidForWater, type AcidAnswer, type AcidInput } from "./acid.ts";
export { relativeYieldPct, waterHazards, type Hazard, type HazardClass } from "./hazards.ts";
export { largestSharePct, mixWaters, type MixLimit } from "./mix-waters.ts";
export { readOrganicTable } from "./organic-table.ts";
export { checkReport } from "./report-check.ts";
export { isTurn, nextTurn, projectStorage } from "./supply.ts";
export { organicDosing, type OrganicDosing } from "./wastewater.ts";
export { readWaterTable, type WaterSample } from "./water-table.ts";
