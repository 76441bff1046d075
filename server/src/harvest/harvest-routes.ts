import { dateSchema, idSchema } from "@sprunel/contract/basics";
import { newPickSchema, pickStrikeSchema } from "@sprunel/contract/harvest";
import { Router } from "express";
import { z } from "zod";
import { readBody } from "../http/body.ts";
import type { HarvestService } from "./harvest-service.ts";

const querySchema = z.object({ date: dateSchema.optional() });

export function harvestRoutes(harvest: HarvestService): Router {
  const router = Router();
  router.get("/api/zones/:id/harvest", async (req, res) => {
    res.json(await harvest.zoneHarvest(idSchema.parse(req.params.id), querySchema.parse(req.query).date));
  });
  router.post("/api/zones/:id/picks", async (req, res) => {
    const id = idSchema.parse(req.params.id);
    await harvest.addPick(id, readBody(req, newPickSchema));
    res.status(201).json(await harvest.zoneHarvest(id, undefined));
  });
  router.post("/api/zones/:id/picks/:pickId/strikes", async (req, res) => {
    const id = idSchema.parse(req.params.id);
    await harvest.strikePick(id, idSchema.parse(req.params.pickId), readBody(req, pickStrikeSchema).reason);
    res.status(201).json(await harvest.zoneHarvest(id, undefined));
  });
  return router;
}
