export { getSiteFile, importList, importWater, previewList, previewWater, readSiteFile } from "./endpoints.ts";
export { listKindSchema, type ListChoices, type ListFile, type ListKind, type ListPreview } from "./list-import.ts";
export { SITE_FILE_FORMAT, SITE_FILE_VERSION, siteFileSchema, type SiteFile, type ZoneFile } from "./site-file.ts";
export type { WaterFile, WaterPreview, WaterSample } from "./water-import.ts";
