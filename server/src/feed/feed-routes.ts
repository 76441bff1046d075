import { dateSchema, idSchema } from "@sprunel/contract/basics";
import {
  feedSettingsUpdateSchema,
  feedTargetUpdateSchema,
  newMixSchema,
  newOwnProductSchema,
  shelfUpdateSchema,
} from "@sprunel/contract/feed";
import { newWaterReportSchema } from "@sprunel/contract/water";
import { Router } from "express";
import { z } from "zod";
import { IONS, isTrace } from "@sprunel/core/chemistry";
import { sendCsv } from "../http/csv.ts";
import { readBody } from "../http/body.ts";
import type { FeedService } from "./feed-service.ts";

const querySchema = z.object({ date: dateSchema.optional() });

export function feedRoutes(feed: FeedService): Router {
  const router = Router();
  router.get("/api/water-reports", async (_req, res) => {
    res.json({ reports: await feed.reports() });
  });
  router.get("/api/water-reports.csv", async (_req, res) => {
    const rows = (await feed.reports()).map(({ sourceName, takenOn, ph, ecMsCm, ions }) => ({
      source: sourceName,
      taken_on: takenOn,
      ph,
      ec_mS_cm: ecMsCm,
      ...Object.fromEntries(
        IONS.map((ion) => [`${ion}_${isTrace(ion) ? "umol_L" : "mmol_L"}`, ions[ion] ?? null] as const),
      ),
    }));
    sendCsv(res, "water-reports.csv", rows);
  });
  router.post("/api/water-reports", async (req, res) => {
    res.status(201).json({ reports: await feed.addReport(readBody(req, newWaterReportSchema)) });
  });
  router.get("/api/zones/:id/feed", async (req, res) => {
    res.json(await feed.zoneFeed(idSchema.parse(req.params.id), querySchema.parse(req.query).date));
  });
  router.put("/api/zones/:id/feed-target", async (req, res) => {
    const { version, ...target } = readBody(req, feedTargetUpdateSchema);
    const id = idSchema.parse(req.params.id);
    await feed.saveTarget(id, version, target);
    res.json(await feed.zoneFeed(id, undefined));
  });
  router.put("/api/zones/:id/feed-settings", async (req, res) => {
    const { version, ...settings } = readBody(req, feedSettingsUpdateSchema);
    const id = idSchema.parse(req.params.id);
    await feed.saveSettings(id, version, settings);
    res.json(await feed.zoneFeed(id, undefined));
  });
  router.delete("/api/zones/:id/feed-target", async (req, res) => {
    const id = idSchema.parse(req.params.id);
    await feed.dropTarget(id);
    res.json(await feed.zoneFeed(id, undefined));
  });
  router.post("/api/zones/:id/mixes", async (req, res) => {
    const id = idSchema.parse(req.params.id);
    await feed.logMix(id, readBody(req, newMixSchema));
    res.status(201).json(await feed.zoneFeed(id, undefined));
  });
  router.post("/api/own-products", async (req, res) => {
    await feed.addOwnProduct(readBody(req, newOwnProductSchema));
    res.status(201).json({});
  });
  router.put("/api/shelf/:productId", async (req, res) => {
    await feed.putOnShelf(req.params.productId, readBody(req, shelfUpdateSchema));
    res.json({});
  });
  router.delete("/api/shelf/:productId", async (req, res) => {
    await feed.takeOffShelf(req.params.productId);
    res.json({});
  });
  return router;
}
