import { dateSchema, idSchema } from "@sprunel/contract/basics";
import { newReadingSchema, newZoneReportSchema, reportStrikeSchema, strikeSchema } from "@sprunel/contract/rootzone";
import { Router } from "express";
import { z } from "zod";
import { sendCsv } from "../http/csv.ts";
import { readBody } from "../http/body.ts";
import type { ReadingService } from "./reading-service.ts";
import type { ZoneReportService } from "./zone-report-service.ts";

const querySchema = z.object({ date: dateSchema.optional() });

export function readingRoutes(readings: ReadingService, reports: ZoneReportService): Router {
  const router = Router();
  router.get("/api/zones/:id/roots", async (req, res) => {
    res.json(await readings.history(idSchema.parse(req.params.id), querySchema.parse(req.query).date));
  });
  router.get("/api/zones/:id/readings.csv", async (req, res) => {
    const id = idSchema.parse(req.params.id);
    sendCsv(res, `readings-zone-${id}.csv`, await readings.table(id));
  });
  router.post("/api/zones/:id/readings", async (req, res) => {
    const id = idSchema.parse(req.params.id);
    await readings.add(id, readBody(req, newReadingSchema));
    res.status(201).json(await readings.history(id, undefined));
  });
  router.post("/api/zones/:id/strikes", async (req, res) => {
    const id = idSchema.parse(req.params.id);
    await readings.strike(id, readBody(req, strikeSchema));
    res.status(201).json(await readings.history(id, undefined));
  });
  const reportsOf = async (zoneId: number): Promise<object> => ({ zoneId, reports: await reports.list(zoneId) });
  router.get("/api/zones/:id/reports", async (req, res) => {
    res.json(await reportsOf(idSchema.parse(req.params.id)));
  });
  router.post("/api/zones/:id/reports", async (req, res) => {
    const id = idSchema.parse(req.params.id);
    await reports.add(id, readBody(req, newZoneReportSchema));
    res.status(201).json(await reportsOf(id));
  });
  router.post("/api/zones/:id/reports/:reportId/strikes", async (req, res) => {
    const id = idSchema.parse(req.params.id);
    await reports.strike(id, idSchema.parse(req.params.reportId), readBody(req, reportStrikeSchema).reason);
    res.status(201).json(await reportsOf(id));
  });
  return router;
}
