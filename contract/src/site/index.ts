export { newSiteSchema, siteSchema, siteUpdateSchema, type NewSite, type Site } from "./site.ts";
export {
  SYSTEMS,
  layoutSchema,
  newZoneSchema,
  setUpSchema,
  zoneSchema,
  zoneUpdateSchema,
  type CropChoice,
  type Layout,
  type NewZone,
  type Planting,
  type SetUp,
  type System,
  type Vessel,
  type Zone,
} from "./zone.ts";
