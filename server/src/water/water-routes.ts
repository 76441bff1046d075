import { waterFileSchema } from "@sprunel/contract";
import { Router } from "express";
import { readBody } from "../http/body.ts";
import type { WaterImportService } from "./water-import-service.ts";

export function waterRoutes(imports: WaterImportService): Router {
  const router = Router();
  router.post("/api/water/previews", async (req, res) => {
    res.json(await imports.preview(readBody(req, waterFileSchema)));
  });
  router.post("/api/water/imports", async (req, res) => {
    res.status(201).json(await imports.commit(readBody(req, waterFileSchema)));
  });
  return router;
}
