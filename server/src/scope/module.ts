import type { Served } from "../http/served.ts";
import type { Table } from "../database/tables.ts";
import type { SiteFilePart } from "./site-file-part.ts";

/** Tables that hold rows of a zone, by what becomes of them with it. */
export interface TablesOfZone {
  /** what was noted there: never erased, so that a zone with such rows is put aside instead */
  readonly noted?: readonly Table[];
  /** what is set for it, a row each: a zone like it gets the same, and it goes with the zone */
  readonly set?: readonly Table[];
  /** what goes with the zone, and is no other zone's */
  readonly gone?: readonly Table[];
}

/** A room of the server as the application mounts it. */
export interface Module {
  readonly routes: readonly Served[];
  /** what it puts into the file of a whole site */
  readonly siteFile?: SiteFilePart;
  /** its tables that hold rows of a zone */
  readonly ofZone?: TablesOfZone;
}

/** The tables of all rooms that hold rows of a zone. */
export function tablesOfZone(rooms: readonly Module[]): Required<TablesOfZone> {
  const all = (kind: keyof TablesOfZone): Table[] => rooms.flatMap(({ ofZone }) => ofZone?.[kind] ?? []);
  return { noted: all("noted"), set: all("set"), gone: all("gone") };
}
