import compression from "compression";
import express, { type Express } from "express";
import helmet from "helmet";
import { join } from "node:path";
import type { Logger } from "pino";
import { pinoHttp } from "pino-http";
import { decisionRoutes } from "./advice/decision-routes.ts";
import { harvestRoutes } from "./harvest/harvest-routes.ts";
import { linesRoutes } from "./irrigation/lines-routes.ts";
import { weatherRoutes } from "./climate/weather-routes.ts";
import { computeRoutes } from "./compute/compute-routes.ts";
import { feedRoutes } from "./feed/feed-routes.ts";
import { productRoutes } from "./feed/product-routes.ts";
import { recipeRoutes } from "./feed/recipe-routes.ts";
import { errorHandler } from "./http/error-handler.ts";
import { openApi } from "./http/openapi.ts";
import { notFound } from "./http/problems.ts";
import { planRoutes } from "./plan/plan-routes.ts";
import { readingRoutes } from "./rootzone/reading-routes.ts";
import type { Services } from "./services.ts";
import { waterRoutes } from "./water/water-routes.ts";
import { siteRoutes } from "./site/site-routes.ts";

/** Weather files travel as base64 inside JSON: 60 MB hold a year of one-minute rows, or a site with years of hours. */
const FILE_LIMIT = "60mb";

export interface AppOptions {
  readonly services: Services;
  readonly log: Logger;
  readonly version: string;
  /** folder of the built web application; without it only the API is served */
  readonly webFolder?: string | undefined;
}

export function createApp({ services, log, version, webFolder }: AppOptions): Express {
  const app = express();
  app.disable("x-powered-by");
  app.use(
    helmet({
      // Everything comes from this server over plain HTTP on the loopback address; the solver is WebAssembly.
      contentSecurityPolicy: {
        directives: {
          "script-src": ["'self'", "'wasm-unsafe-eval'"],
          "worker-src": ["'self'"],
          "style-src": ["'self'", "'unsafe-inline'"],
          "connect-src": ["'self'"],
          "upgrade-insecure-requests": null,
        },
      },
      strictTransportSecurity: false,
    }),
  );
  // Before compression: on the loopback address packing the scripts anew for every visit takes longer than sending them.
  if (webFolder)
    app.use(
      "/assets",
      express.static(join(webFolder, "assets"), { immutable: true, maxAge: "1y", fallthrough: false }),
    );
  app.use(compression());
  app.use(
    "/api",
    pinoHttp({
      logger: log,
      customLogLevel: (_req, res, error) => (error || res.statusCode >= 500 ? "error" : "debug"),
    }),
  );
  app.use(["/api/weather", "/api/water", "/api/site-file", "/api/lists"], express.json({ limit: FILE_LIMIT }));
  app.use("/api", express.json({ limit: "1mb", strict: false }));
  app.get("/api/health", (_req, res) => {
    res.json({ status: "ok", version });
  });
  const description = openApi(version);
  app.get("/api/openapi.json", (_req, res) => {
    res.json(description);
  });
  app.use(computeRoutes());
  app.use(productRoutes());
  app.use(recipeRoutes(services.recipes));
  app.use(waterRoutes(services.waterImports, services.water, services.doses));
  app.use(readingRoutes(services.readings, services.zoneReports));
  app.use(linesRoutes(services.lines));
  app.use(harvestRoutes(services.harvest));
  app.use(decisionRoutes(services.decisions, services.plans));
  app.use(feedRoutes(services.feed));
  app.use(siteRoutes(services.setUp, services.siteFiles, services.listImports));
  app.use(planRoutes(services.plans));
  app.use(weatherRoutes(services.imports));
  app.use("/api", (req) => {
    throw notFound(`${req.method} ${req.originalUrl}`);
  });
  if (webFolder) {
    app.use(express.static(webFolder, { index: false }));
    app.get("/{*path}", (_req, res) => {
      res.setHeader("Cache-Control", "no-cache");
      res.sendFile(join(webFolder, "index.html"));
    });
  }
  app.use(errorHandler(log));
  return app;
}
