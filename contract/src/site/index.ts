export { addSite, addZone, archiveZone, copyZone, deleteZone, getSetUp, updateSite, updateZone } from "./endpoints.ts";
export { newSiteSchema, siteSchema, type DateForm, type NewSite, type Site } from "./site.ts";
export {
  SYSTEM_NAMES,
  cropChoiceOf,
  demandChoiceSchema,
  freshPlanting,
  nightProgrammeSchema,
  raisingSchema,
  standStepSchema,
  layoutSchema,
  newZoneSchema,
  zoneSchema,
  type CropChoice,
  type NightProgramme,
  type Layout,
  type NewZone,
  type Planting,
  type SetUp,
  type System,
  type Vessel,
  type Zone,
} from "./zone.ts";
