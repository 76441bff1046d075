export {
  getImports,
  takeImportBack,
  getSiteFile,
  importList,
  importWater,
  previewList,
  previewOrganic,
  previewTissue,
  previewWater,
  readSiteFile,
} from "./endpoints.ts";
export {
  listFileSchema,
  listKindSchema,
  type ListChoices,
  type ListFile,
  type ListKind,
  type ListPreview,
} from "./list-import.ts";
export { SITE_FILE_FORMAT, SITE_FILE_VERSION, siteFileSchema, type SiteFile, type ZoneFile } from "./site-file.ts";
export { waterFileSchema, type WaterFile, type WaterPreview, type WaterSample } from "./water-import.ts";
export type { ImportKind, Imports, PastImport, TakenBack } from "./imports.ts";
export type { AnalysisFile, OrganicPreview, TissueFile, TissuePreview } from "./analysis-file.ts";
