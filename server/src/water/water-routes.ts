import { dateSchema, idSchema } from "@sprunel/contract/basics";
import { waterFileSchema } from "@sprunel/contract/exchange";
import { doseStrikeSchema, newDoseSchema, newSourceSchema, sourceUpdateSchema } from "@sprunel/contract/water";
import { Router } from "express";
import { z } from "zod";
import { readBody } from "../http/body.ts";
import type { WaterImportService } from "./water-import-service.ts";
import type { DoseService } from "./dose-service.ts";
import type { WaterService } from "./water-service.ts";

const querySchema = z.object({ date: dateSchema.optional() });

export function waterRoutes(imports: WaterImportService, water: WaterService, doses: DoseService): Router {
  const router = Router();
  router.get("/api/water", async (req, res) => {
    res.json(await water.station(querySchema.parse(req.query).date));
  });
  router.post("/api/sources", async (req, res) => {
    await water.addSource(readBody(req, newSourceSchema));
    res.status(201).json(await water.station(undefined));
  });
  router.put("/api/sources/:id", async (req, res) => {
    const { version, ...source } = readBody(req, sourceUpdateSchema);
    await water.updateSource(idSchema.parse(req.params.id), version, source);
    res.json(await water.station(undefined));
  });
  router.post("/api/water/previews", async (req, res) => {
    res.json(await imports.preview(readBody(req, waterFileSchema)));
  });
  router.post("/api/water/imports", async (req, res) => {
    res.status(201).json(await imports.commit(readBody(req, waterFileSchema)));
  });
  const dosesOf = async (zoneId: number): Promise<object> => ({ zoneId, doses: await doses.list(zoneId) });
  router.get("/api/zones/:id/doses", async (req, res) => {
    res.json(await dosesOf(idSchema.parse(req.params.id)));
  });
  router.post("/api/zones/:id/doses", async (req, res) => {
    const id = idSchema.parse(req.params.id);
    await doses.add(id, readBody(req, newDoseSchema));
    res.status(201).json(await dosesOf(id));
  });
  router.post("/api/zones/:id/doses/:doseId/strikes", async (req, res) => {
    const id = idSchema.parse(req.params.id);
    await doses.strike(id, idSchema.parse(req.params.doseId), readBody(req, doseStrikeSchema).reason);
    res.status(201).json(await dosesOf(id));
  });
  return router;
}
