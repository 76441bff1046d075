import { weatherFileSchema } from "@sprunel/contract/climate";
import { Router } from "express";
import { readBody } from "../http/body.ts";
import type { WeatherImportService } from "./weather-import-service.ts";

export function weatherRoutes(imports: WeatherImportService): Router {
  const router = Router();
  router.post("/api/weather/previews", async (req, res) => {
    res.json(await imports.preview(readBody(req, weatherFileSchema)));
  });
  router.post("/api/weather/imports", async (req, res) => {
    res.status(201).json(await imports.commit(readBody(req, weatherFileSchema)));
  });
  return router;
}
