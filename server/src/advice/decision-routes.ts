import { newDecisionSchema } from "@sprunel/contract/advice";
import { idSchema } from "@sprunel/contract/basics";
import { Router } from "express";
import { readBody } from "../http/body.ts";
import type { PlanService } from "../plan/plan-service.ts";
import type { DecisionService } from "./decision-service.ts";

export function decisionRoutes(decisions: DecisionService, plans: PlanService): Router {
  const router = Router();
  router.post("/api/zones/:id/decisions", async (req, res) => {
    const id = idSchema.parse(req.params.id);
    const decision = readBody(req, newDecisionSchema);
    await decisions.decide(id, decision);
    res.status(201).json(await plans.board(decision.date));
  });
  return router;
}
