import { dateSchema, idSchema } from "@sprunel/contract/basics";
import { Router } from "express";
import { z } from "zod";
import type { PlanService } from "./plan-service.ts";

const querySchema = z.object({ date: dateSchema.optional() });

export function planRoutes(plans: PlanService): Router {
  const router = Router();
  router.get("/api/board", async (req, res) => {
    res.json(await plans.board(querySchema.parse(req.query).date));
  });
  router.get("/api/zones/:id/day", async (req, res) => {
    res.json(await plans.zoneDay(idSchema.parse(req.params.id), querySchema.parse(req.query).date));
  });
  return router;
}
