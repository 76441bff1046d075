import { endpoint } from "../basics/endpoint.ts";
import { setUpSchema } from "../site/zone.ts";
import { listFileSchema, listPreviewSchema } from "./list-import.ts";
import { oneParams } from "../basics/endpoint.ts";
import { analysisFileSchema, organicPreviewSchema, tissueFileSchema, tissuePreviewSchema } from "./analysis-file.ts";
import { importsSchema, takenBackSchema } from "./imports.ts";
import { siteFileSchema } from "./site-file.ts";
import { waterFileSchema, waterPreviewSchema } from "./water-import.ts";

export const previewList = endpoint({
  method: "post",
  path: "/api/lists/previews",
  needs: "import",
  summary: "What an import of a list would do: notebook, soil tests, picks or shelf",
  body: listFileSchema,
  answer: listPreviewSchema,
  takesFiles: true,
});

export const importList = endpoint({
  method: "post",
  path: "/api/lists/imports",
  needs: "import",
  summary: "Import a list; a second time adds nothing",
  body: listFileSchema,
  answer: listPreviewSchema,
  status: 201,
  takesFiles: true,
});

export const previewWater = endpoint({
  method: "post",
  path: "/api/water/previews",
  needs: "import",
  summary: "What an import of a lab file would do; stores nothing",
  body: waterFileSchema,
  answer: waterPreviewSchema,
  takesFiles: true,
});

export const importWater = endpoint({
  method: "post",
  path: "/api/water/imports",
  needs: "import",
  summary: "Import a lab file as its preview showed; a second time adds nothing",
  body: waterFileSchema,
  answer: waterPreviewSchema,
  status: 201,
  takesFiles: true,
});

export const previewOrganic = endpoint({
  method: "post",
  path: "/api/organic-analyses/previews",
  needs: "import",
  summary: "What a laboratory's file tells of a digestate or reclaimed water; stores nothing",
  body: analysisFileSchema,
  answer: organicPreviewSchema,
  takesFiles: true,
});

export const previewTissue = endpoint({
  method: "post",
  path: "/api/tissue-analyses/previews",
  needs: "import",
  summary: "What a laboratory's file tells of leaf, sap or extract; stores nothing",
  body: tissueFileSchema,
  answer: tissuePreviewSchema,
  takesFiles: true,
});

export const getImports = endpoint({
  method: "get",
  path: "/api/imports",
  needs: "see",
  summary: "Files that were imported, the newest first",
  answer: importsSchema,
});

export const takeImportBack = endpoint({
  method: "post",
  path: "/api/imports/:id/take-back",
  needs: "import",
  summary: "Take an import back as a whole; what somebody changed since stays",
  params: oneParams,
  answer: takenBackSchema,
});

export const getSiteFile = endpoint({
  method: "get",
  path: "/api/site-file",
  needs: "backup",
  summary: "The whole site as one file",
  answer: siteFileSchema,
});

export const readSiteFile = endpoint({
  method: "post",
  path: "/api/site-file",
  needs: "import",
  summary: "Read a whole site into an empty folder, all of it or nothing",
  body: siteFileSchema,
  answer: setUpSchema,
  status: 201,
  takesFiles: true,
});
