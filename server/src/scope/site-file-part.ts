import type { SiteFile, ZoneFile } from "@sprunel/contract/exchange";
import type { Scope } from "./scope.ts";

type Lists<File> = { [K in keyof File]: File[K] extends readonly unknown[] ? K : never }[keyof File];

export type SiteList = Exclude<Lists<SiteFile>, "zones">;
export type ZoneList = Exclude<Lists<ZoneFile>, "unconfirmed" | "plantings" | "waters">;
export type ZoneValue = "lines" | "target" | "feedSettings";

/** Where a site's rows belong, with the ids that things have in this folder. */
export interface SitePlace {
  readonly siteId: number;
  /** id in the file to id here, of own products; filled as they are read */
  readonly productIds: Map<string, string>;
}

export interface ZonePlace extends SitePlace {
  readonly zoneId: number;
  /** where the zone stands in the file, as `zones.3` */
  readonly path: string;
}

/** One list of the file: written row by row out of the store, read back into it some rows at a time; `first` is the place of the first of them in the list. */
export interface ListPart<Row, Where> {
  out(scope: Scope, where: Where): AsyncIterable<Row>;
  in(scope: Scope, where: Where, rows: readonly Row[], first: number): Promise<void>;
}

export interface ValuePart<Value, Where> {
  out(scope: Scope, where: Where): Promise<Value>;
  in(scope: Scope, where: Where, value: NonNullable<Value>): Promise<void>;
}

/** What a room puts into the file of a whole site, under the names of the contract. */
export interface SiteFilePart {
  readonly ofSite?: { readonly [K in SiteList]?: ListPart<SiteFile[K][number], SitePlace> };
  readonly ofZone?: { readonly [K in ZoneList]?: ListPart<ZoneFile[K][number], ZonePlace> };
  readonly valuesOfZone?: { readonly [K in ZoneValue]?: ValuePart<ZoneFile[K], ZonePlace> };
}

export const iso = (ms: number): string => new Date(ms).toISOString();
