import { dateSchema, idSchema } from "@sprunel/contract/basics";
import { newKeptRecipeSchema, useRecipeSchema } from "@sprunel/contract/feed";
import { Router } from "express";
import { z } from "zod";
import { readBody } from "../http/body.ts";
import type { RecipeService } from "./recipe-service.ts";

const querySchema = z.object({ date: dateSchema.optional() });

export function recipeRoutes(recipes: RecipeService): Router {
  const router = Router();
  router.get("/api/recipes", async (_req, res) => {
    res.json({ recipes: await recipes.list() });
  });
  router.post("/api/zones/:id/recipes", async (req, res) => {
    const kept = await recipes.keep(idSchema.parse(req.params.id), readBody(req, newKeptRecipeSchema));
    res.status(201).json({ recipes: kept });
  });
  router.put("/api/zones/:id/recipe", async (req, res) => {
    res.json({ recipes: await recipes.use(idSchema.parse(req.params.id), readBody(req, useRecipeSchema)) });
  });
  // One JSON object a line: how far it is, then the answer. The head waits for the first line, so that a refusal is still a problem document.
  router.get("/api/feed-costs", async (req, res) => {
    const { date } = querySchema.parse(req.query);
    const line = (value: object): void => {
      if (!res.headersSent) res.type("application/x-ndjson");
      res.write(`${JSON.stringify(value)}\n`);
      res.flush();
    };
    line(await recipes.costs(date, (done, of) => line({ done, of })));
    res.end();
  });
  return router;
}
