import { endpoint } from "../basics/endpoint.ts";
import { setUpSchema } from "../site/zone.ts";
import { listFileSchema, listPreviewSchema } from "./list-import.ts";
import { siteFileSchema } from "./site-file.ts";
import { waterFileSchema, waterPreviewSchema } from "./water-import.ts";

export const previewList = endpoint({
  method: "post",
  path: "/api/lists/previews",
  summary: "What an import of a list would do: notebook, soil tests, picks or shelf",
  body: listFileSchema,
  answer: listPreviewSchema,
  takesFiles: true,
});

export const importList = endpoint({
  method: "post",
  path: "/api/lists/imports",
  summary: "Import a list; a second time adds nothing",
  body: listFileSchema,
  answer: listPreviewSchema,
  status: 201,
  takesFiles: true,
});

export const previewWater = endpoint({
  method: "post",
  path: "/api/water/previews",
  summary: "What an import of a lab file would do; stores nothing",
  body: waterFileSchema,
  answer: waterPreviewSchema,
  takesFiles: true,
});

export const importWater = endpoint({
  method: "post",
  path: "/api/water/imports",
  summary: "Import a lab file as its preview showed; a second time adds nothing",
  body: waterFileSchema,
  answer: waterPreviewSchema,
  status: 201,
  takesFiles: true,
});

export const getSiteFile = endpoint({
  method: "get",
  path: "/api/site-file",
  summary: "The whole site as one file",
  answer: siteFileSchema,
});

export const readSiteFile = endpoint({
  method: "post",
  path: "/api/site-file",
  summary: "Read a whole site into an empty folder, all of it or nothing",
  body: siteFileSchema,
  answer: setUpSchema,
  status: 201,
  takesFiles: true,
});
