export { acidForWater, type AcidAnswer } from "./acid.ts";
export { relativeYieldPct, waterHazards, type Hazard, type HazardClass } from "./hazards.ts";
export { largestSharePct, mixWaters, type MixLimit } from "./mix-waters.ts";
export { readOrganicTable } from "./organic-table.ts";
export { checkReport } from "./report-check.ts";
export { isTurn, nextTurn, projectStorage } from "./supply.ts";
export { ACIDS_SOLD, USUAL_MIX_LIMITS, USUAL_WATER_TEMPERATURE_C, type AcidSold } from "./usual-waters.ts";
export { organicDosing, type OrganicDosing } from "./wastewater.ts";
export { readWaterTable, type WaterSample, type WaterTable } from "./water-table.ts";
