import { dateSchema, idSchema, newDrainReadingSchema, strikeSchema } from "@sprunel/contract";
import { Router } from "express";
import { z } from "zod";
import { readBody } from "../http/body.ts";
import type { ReadingService } from "./reading-service.ts";

const querySchema = z.object({ date: dateSchema.optional() });

export function readingRoutes(readings: ReadingService): Router {
  const router = Router();
  router.get("/api/zones/:id/roots", async (req, res) => {
    res.json(await readings.history(idSchema.parse(req.params.id), querySchema.parse(req.query).date));
  });
  router.post("/api/zones/:id/readings", async (req, res) => {
    const id = idSchema.parse(req.params.id);
    await readings.add(id, readBody(req, newDrainReadingSchema));
    res.status(201).json(await readings.history(id, undefined));
  });
  router.post("/api/zones/:id/strikes", async (req, res) => {
    const id = idSchema.parse(req.params.id);
    await readings.strike(id, readBody(req, strikeSchema));
    res.status(201).json(await readings.history(id, undefined));
  });
  return router;
}
