import { idSchema, newSiteSchema, newZoneSchema, siteUpdateSchema, zoneUpdateSchema } from "@sprunel/contract";
import { Router } from "express";
import { readBody } from "../http/body.ts";
import type { SetUpService } from "./set-up-service.ts";

/** HTTP only: read the request through the contract, ask the service, answer. */
export function siteRoutes(setUp: SetUpService): Router {
  const router = Router();
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
  return router;
}
