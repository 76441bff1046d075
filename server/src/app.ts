import { getDescription, getHealth } from "@sprunel/contract/basics";
import compression from "compression";
import express, { type Express } from "express";
import helmet from "helmet";
import { join } from "node:path";
import type { Logger } from "pino";
import { pinoHttp } from "pino-http";
import type { Background } from "./background/background.ts";
import type { Access } from "./http/access.ts";
import { errorHandler } from "./http/error-handler.ts";
import { openApi } from "./http/openapi.ts";
import { notFound } from "./http/problems.ts";
import { routesOf, served, wrongMethods, type Served } from "./http/served.ts";
import type { Module } from "./scope/module.ts";

interface AppOptions {
  readonly modules: readonly Module[];
  readonly log: Logger;
  readonly background: Background;
  readonly access: Access;
  /** that is listened on, once it is */
  readonly port: () => number;
  readonly version: string;
  /** folder of the built web application; without it only the API is served */
  readonly webFolder?: string | undefined;
}

export function createApp({ modules, log, background, access, port, version, webFolder }: AppOptions): Express {
  const app = express();
  app.disable("x-powered-by");
  app.use(access.guard);
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
  // What was written tells that the disk takes it again.
  app.use("/api", (req, res, next) => {
    if (req.method !== "GET") res.once("finish", () => res.statusCode < 300 && background.works("the database"));
    next();
  });
  const all = routesFor(modules, version, background, [access.endpoint(port)]);
  app.use(routesOf(all), wrongMethods(all));
  app.use("/api", (req) => {
    throw notFound(`${req.method} ${req.originalUrl.slice(0, 200)}`);
  });
  if (webFolder) {
    app.use(express.static(webFolder, { index: false }));
    app.use((req, _res, next) => {
      if (req.method === "GET" || req.method === "HEAD") next();
      else throw notFound(`${req.method} ${req.originalUrl.slice(0, 200)}`);
    });
    app.get("/{*path}", (_req, res) => {
      res.setHeader("Cache-Control", "no-cache");
      res.sendFile(join(webFolder, "index.html"));
    });
  }
  app.use((req) => {
    throw notFound(`${req.method} ${req.originalUrl.slice(0, 200)}`);
  });
  app.use(errorHandler(log, (error) => background.trouble("the database", error)));
  return app;
}

/** Everything that is served below `/api`, itself described. */
export function routesFor(
  modules: readonly Module[],
  version: string,
  background: Pick<Background, "told"> = { told: [] },
  beside: readonly Served[] = [],
): readonly Served[] {
  // Worked out when it is asked for first: it takes longer than all else of a start.
  let description: ReturnType<typeof openApi> | undefined;
  const all: Served[] = [
    ...modules.flatMap(({ routes }) => routes),
    ...beside,
    served(getHealth, () => ({
      status: background.told.length === 0 ? ("ok" as const) : ("trouble" as const),
      version,
      troubles: background.told.map(({ what, words, sinceMs }) => ({
        what,
        words,
        since: new Date(sinceMs).toISOString(),
      })),
    })),
    served(
      getDescription,
      () =>
        (description ??= openApi(
          all.map(({ endpoint }) => endpoint),
          version,
        )),
    ),
  ];
  return all;
}
