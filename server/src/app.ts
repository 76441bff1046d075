import { getDescription, getHealth } from "@sprunel/contract/basics";
import compression from "compression";
import express, { type Express } from "express";
import helmet from "helmet";
import { join } from "node:path";
import type { Logger } from "pino";
import { pinoHttp } from "pino-http";
import type { Background } from "./background/background.ts";
import type { Access } from "./http/access.ts";
import { PROGRAM, type Caller } from "./http/caller.ts";
import { errorHandler } from "./http/error-handler.ts";
import { openApi } from "./http/openapi.ts";
import { notFound } from "./http/problems.ts";
import { routesOf, served, wrongMethods, type Served } from "./http/served.ts";
import type { Module } from "./scope/module.ts";

interface AppOptions {
  /** the rooms, made for whoever asks */
  readonly modulesFor: (caller: Caller) => readonly Module[];
  readonly log: Logger;
  readonly background: Background;
  readonly access: Access;
  /** that is listened on, once it is */
  readonly port: () => number;
  readonly version: string;
  /** folder of the built web application; without it only the API is served */
  readonly webFolder?: string | undefined;
}

export function createApp({ modulesFor, log, background, access, port, version, webFolder }: AppOptions): Express {
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
  const ofProgram = routesOfProgram({
    version,
    background,
    beside: [access.endpoint(port)],
    rooms: modulesFor(PROGRAM),
  });
  const servedTo = (caller: Caller): readonly Served[] => [
    ...modulesFor(caller).flatMap(({ routes }) => routes),
    ...ofProgram,
  ];
  const all = servedTo(PROGRAM);
  app.use(routesOf(all, servedTo), wrongMethods(all));
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

/** What the program itself answers, whoever asks: how it is, and what all is served below `/api`. */
export function routesOfProgram({
  version,
  background,
  beside,
  rooms,
}: Pick<AppOptions, "version"> & {
  readonly background: Pick<Background, "told">;
  readonly beside: readonly Served[];
  readonly rooms: readonly Module[];
}): readonly Served[] {
  // Worked out when it is asked for first: it takes longer than all else of a start.
  let description: ReturnType<typeof openApi> | undefined;
  const all: Served[] = [
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
          [...rooms.flatMap(({ routes }) => routes), ...all].map(({ endpoint }) => endpoint),
          version,
        )),
    ),
  ];
  return all;
}
