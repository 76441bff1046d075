export {
  listFileSchema,
  listKindSchema,
  listPreviewSchema,
  type ListChoices,
  type ListFile,
  type ListKind,
  type ListPreview,
} from "./list-import.ts";
export { SITE_FILE_FORMAT, SITE_FILE_VERSION, siteFileSchema, type SiteFile, type ZoneFile } from "./site-file.ts";
export {
  waterFileSchema,
  waterPreviewSchema,
  type WaterFile,
  type WaterPreview,
  type WaterSample,
} from "./water-import.ts";
