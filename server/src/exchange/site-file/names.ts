import type { SiteFile } from "@sprunel/contract/exchange";
import type {
  ListPart,
  SiteList,
  SitePlace,
  ValuePart,
  ZoneList,
  ZonePlace,
  ZoneValue,
} from "../../scope/site-file-part.ts";

/** What every room brings to the file, put together. */
export interface FileRooms {
  readonly ofSite: Readonly<Record<SiteList, ListPart<unknown, SitePlace>>>;
  readonly ofZone: Readonly<Record<ZoneList, ListPart<unknown, ZonePlace>>>;
  readonly valuesOfZone: Readonly<Record<ZoneValue, ValuePart<unknown, ZonePlace>>>;
}

/** What the file says of itself and of its site, before all else. */
export const HEAD = ["format", "version", "exportedAt", "site"] as const satisfies readonly (keyof SiteFile)[];

/** In this order the file is written and read: what is named stands before what names it. */
export const ORDER: readonly (SiteList | "zones")[] = [
  "sources",
  "reports",
  "ownProducts",
  "shelf",
  "recipes",
  "programmes",
  "nutrientRules",
  "ownCrops",
  "zones",
  "main",
  "weatherImports",
  "weather",
  "changes",
];

/** A zone's own words and plantings, before its lists. */
export const ZONE_VALUES: readonly ZoneValue[] = ["lines", "target", "feedSettings"];
export const ZONE_LISTS: readonly ZoneList[] = [
  "catchTests",
  "readings",
  "strikes",
  "waterings",
  "picks",
  "reports",
  "doses",
  "doseProgrammes",
  "doseRecords",
  "leafTaken",
  "soilSteps",
  "mixes",
  "decisions",
];
