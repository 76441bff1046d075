import { idSchema } from "@sprunel/contract/basics";
import { listFileSchema, siteFileSchema } from "@sprunel/contract/exchange";
import { newSiteSchema, newZoneSchema, siteUpdateSchema, zoneUpdateSchema } from "@sprunel/contract/site";
import { Router } from "express";
import { readBody } from "../http/body.ts";
import type { ListImportService } from "./list-import-service.ts";
import type { SiteFileService } from "./site-file-service.ts";
import type { SetUpService } from "./set-up-service.ts";

/** HTTP only: read the request through the contract, ask the service, answer. */
export function siteRoutes(setUp: SetUpService, files: SiteFileService, lists: ListImportService): Router {
  const router = Router();
  router.get("/api/site-file", async (_req, res) => {
    const file = await files.write();
    res.setHeader("Content-Disposition", `attachment; filename="${fileName(file.site.name, file.exportedAt)}"`);
    res.json(file);
  });
  router.post("/api/site-file", async (req, res) => {
    await files.read(readBody(req, siteFileSchema));
    res.status(201).json(await setUp.overview());
  });
  router.get("/api/set-up", async (_req, res) => {
    res.json(await setUp.overview());
  });
  router.post("/api/site", async (req, res) => {
    res.status(201).json(await setUp.addSite(readBody(req, newSiteSchema)));
  });
  router.put("/api/site/:id", async (req, res) => {
    const { version, ...site } = readBody(req, siteUpdateSchema);
    res.json(await setUp.updateSite(idSchema.parse(req.params.id), version, site));
  });
  router.post("/api/zones", async (req, res) => {
    res.status(201).json(await setUp.addZone(readBody(req, newZoneSchema)));
  });
  router.put("/api/zones/:id", async (req, res) => {
    const { version, ...zone } = readBody(req, zoneUpdateSchema);
    res.json(await setUp.updateZone(idSchema.parse(req.params.id), version, zone));
  });
  router.post("/api/lists/previews", async (req, res) => {
    res.json(await lists.preview(readBody(req, listFileSchema)));
  });
  router.post("/api/lists/imports", async (req, res) => {
    res.status(201).json(await lists.commit(readBody(req, listFileSchema)));
  });
  return router;
}

/** What every file system takes: plain letters and digits. */
function fileName(site: string, exportedAt: string): string {
  const plain = site
    .normalize("NFKD")
    .replace(/[^A-Za-z0-9]+/g, "-")
    .replace(/^-|-$/g, "")
    .toLowerCase();
  return `${plain || "site"}-${exportedAt.slice(0, 10)}.json`;
}
