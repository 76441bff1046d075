import {
  addSite,
  addZone,
  archiveZone,
  copyZone,
  deleteZone,
  getSetUp,
  updateSite,
  updateZone,
} from "@sprunel/contract/site";
import { served } from "../http/served.ts";
import { tablesOfZone, type Module } from "../scope/module.ts";
import type { Scope } from "../scope/scope.ts";
import { setUpService, type SetUpService } from "./set-up-service.ts";

/**
 * @param placed is done once a site has been described
 * @param rooms whose tables hold rows of zones
 */
export function siteModule(
  scope: Scope,
  { placed, rooms }: { placed(): Promise<void>; readonly rooms: readonly Module[] },
): Module & { readonly setUp: SetUpService } {
  const setUp = setUpService(scope, placed, tablesOfZone(rooms));
  return {
    setUp,
    routes: [
      served(getSetUp, () => setUp.overview()),
      served(addSite, ({ body }) => setUp.addSite(body)),
      served(updateSite, ({ params: { id }, body: { version, ...site } }) => setUp.updateSite(id, version, site)),
      served(copyZone, ({ params: { id }, body: { names } }) => setUp.copyZone(id, names)),
      served(archiveZone, ({ params: { id }, body: { archived } }) => setUp.archiveZone(id, archived)),
      served(deleteZone, ({ params: { id } }) => setUp.deleteZone(id)),
      served(addZone, ({ body }) => setUp.addZone(body)),
      served(updateZone, ({ params: { id }, body: { version, ...zone } }) => setUp.updateZone(id, version, zone)),
    ],
  };
}
