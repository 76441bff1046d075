import { idSchema } from "@sprunel/contract/basics";
import { catchStrikeSchema, linesUpdateSchema, newCatchTestSchema } from "@sprunel/contract/irrigation";
import { Router } from "express";
import { readBody } from "../http/body.ts";
import type { LinesService } from "./lines-service.ts";

export function linesRoutes(lines: LinesService): Router {
  const router = Router();
  router.get("/api/zones/:id/lines", async (req, res) => {
    res.json(await lines.zoneLines(idSchema.parse(req.params.id)));
  });
  router.put("/api/zones/:id/lines", async (req, res) => {
    const id = idSchema.parse(req.params.id);
    const { version, ...record } = readBody(req, linesUpdateSchema);
    await lines.saveLines(id, version, record);
    res.json(await lines.zoneLines(id));
  });
  router.post("/api/zones/:id/catch-tests", async (req, res) => {
    const id = idSchema.parse(req.params.id);
    await lines.addTest(id, readBody(req, newCatchTestSchema));
    res.status(201).json(await lines.zoneLines(id));
  });
  router.post("/api/zones/:id/catch-tests/:testId/strikes", async (req, res) => {
    const id = idSchema.parse(req.params.id);
    await lines.strikeTest(id, idSchema.parse(req.params.testId), readBody(req, catchStrikeSchema).reason);
    res.status(201).json(await lines.zoneLines(id));
  });
  return router;
}
