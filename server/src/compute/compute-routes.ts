import { referenceEtRequestSchema } from "@sprunel/contract/climate";
import { recipeRequestSchema } from "@sprunel/contract/feed";
import { lateralRequestSchema, uniformityRequestSchema, zoneWaterRequestSchema } from "@sprunel/contract/irrigation";
import { dayPlanRequestSchema } from "@sprunel/contract/plan";
import { acidRequestSchema } from "@sprunel/contract/water";
import { referenceEt } from "@sprunel/core/climate";
import { recipe } from "@sprunel/core/feed";
import { lateral, uniformity, zoneWater } from "@sprunel/core/irrigation";
import { dayPlan } from "@sprunel/core/plan";
import { acidForWater } from "@sprunel/core/water";
import { Router } from "express";
import type { z } from "zod";
import { withSolver } from "../feed/highs-solver.ts";
import { readBody } from "../http/body.ts";

/** A calculation of the core that a person may want on its own: what it is called, what it takes, what does it. */
function calculation<S extends z.ZodType>(name: string, request: S, compute: (input: z.infer<S>) => unknown) {
  return { name, request, compute: (input: unknown) => compute(input as z.infer<S>) };
}

const CALCULATIONS = [
  calculation("reference-et", referenceEtRequestSchema, referenceEt),
  calculation("zone-water", zoneWaterRequestSchema, zoneWater),
  calculation("day-plan", dayPlanRequestSchema, (input) => dayPlan(input, until(input.timeLimitS))),
  calculation("lateral", lateralRequestSchema, lateral),
  calculation("uniformity", uniformityRequestSchema, uniformity),
  calculation("acid", acidRequestSchema, acidForWater),
  calculation("recipe", recipeRequestSchema, (input) => withSolver((solve) => recipe(input, solve))),
];

/** Half a second finds most of what there is to gain, and nobody else waits long for it. */
const USUAL_LIMIT_S = 0.5;

function until(seconds = USUAL_LIMIT_S): () => boolean {
  const end = performance.now() + seconds * 1000;
  return () => performance.now() < end;
}

export function computeRoutes(): Router {
  const router = Router();
  for (const { name, request, compute } of CALCULATIONS)
    router.post(`/api/compute/${name}`, async (req, res) => {
      res.json(await compute(readBody(req, request)));
    });
  return router;
}
