export { addSite, addZone, archiveZone, copyZone, deleteZone, getSetUp, updateSite, updateZone } from "./endpoints.ts";
export { layoutSchema, type Layout, type Vessel } from "./layout.ts";
export {
  freshPlanting,
  nightProgrammeSchema,
  raisingSchema,
  standStepSchema,
  type NightProgramme,
  type Planting,
} from "./planting.ts";
export { newSiteSchema, siteSchema, type DateForm, type NewSite, type Site } from "./site.ts";
export {
  SYSTEM_NAMES,
  cropChoiceOf,
  demandChoiceSchema,
  newZoneSchema,
  zoneSchema,
  type CropChoice,
  type NewZone,
  type SetUp,
  type System,
  type Zone,
} from "./zone.ts";
