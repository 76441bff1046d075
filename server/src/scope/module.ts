import type { Served } from "../http/served.ts";
import type { SiteFilePart } from "./site-file-part.ts";

/** A room of the server as the application mounts it. */
export interface Module {
  readonly routes: readonly Served[];
  /** what it puts into the file of a whole site */
  readonly siteFile?: SiteFilePart;
}
