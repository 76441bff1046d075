import {
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
} from "@sprunel/contract/exchange";
import { Readable } from "node:stream";
import { pipeline } from "node:stream/promises";
import { followed, received, served, written } from "../http/served.ts";
import type { Module } from "../scope/module.ts";
import type { Scope } from "../scope/scope.ts";
import type { SetUpService } from "../site/set-up-service.ts";
import { analysisFiles } from "./analysis-files.ts";
import type { Incoming } from "./site-file/incoming.ts";
import { listImportService } from "./lists/list-import-service.ts";
import { siteFileService } from "./site-file/site-file-service.ts";
import { pastImports } from "./past-imports.ts";
import { waterImportService } from "./water-import-service.ts";

/** What comes from files and goes into them: lists, lab files, the whole site. `modules` bring their parts of it. */
export function exchangeModule(
  scope: Scope,
  {
    setUp,
    modules,
    incoming,
  }: { readonly setUp: SetUpService; readonly modules: readonly Module[]; readonly incoming: Incoming },
): Module {
  const lists = listImportService(scope);
  const waters = waterImportService(scope);
  const analyses = analysisFiles(scope);
  const past = pastImports(scope);
  const files = siteFileService(scope, modules, incoming);
  return {
    routes: [
      followed(previewList, ({ body }, follower) => lists.preview(body, follower)),
      served(importList, ({ body }) => lists.commit(body)),
      followed(previewWater, ({ body }, follower) => waters.preview(body, follower)),
      served(importWater, ({ body }) => waters.commit(body)),
      followed(previewOrganic, ({ body }, follower) => analyses.organic(body, follower)),
      followed(previewTissue, ({ body }, follower) => analyses.tissue(body, follower)),
      served(getImports, () => past.list()),
      served(takeImportBack, ({ params }) => past.takeBack(params.id)),
      written(getSiteFile, async (_asked, res) => {
        const { fileName, text } = await files.write();
        res.type("application/json").setHeader("Content-Disposition", `attachment; filename="${fileName}"`);
        await pipeline(Readable.from(text), res);
      }),
      received(readSiteFile, async (sent) => {
        await files.read(sent);
        return setUp.overview();
      }),
    ],
  };
}
