import { FOLLOWED, type Endpoint } from "@sprunel/contract/basics";
import express, { Router, type Request, type RequestHandler, type Response } from "express";
import type { Readable } from "node:stream";
import type { z } from "zod";
import { callerAt, type Caller } from "./caller.ts";
import { badInput, notAllowed, packed, wrongMethod } from "./problems.ts";

/** What a request asks, read through its endpoint's schemas. */
export interface Asked<Params extends z.ZodType, Query extends z.ZodType, Body extends z.ZodType> {
  readonly params: z.output<Params>;
  readonly query: z.output<Query>;
  readonly body: z.output<Body>;
}

/** An endpoint of the contract with what answers it. */
export interface Served {
  readonly endpoint: Endpoint;
  /** whether it reads its body itself, as it comes */
  readonly streams?: boolean;
  answer(req: Request, res: Response): Promise<void>;
}

/** Files travel as base64 inside JSON: 60 MB hold a year of one-minute rows. A whole site is read as it comes, however long. */
const FILE_LIMIT = "60mb";
const TYPED_LIMIT = "1mb";

/** What is answered is only read. */
type Answer<T> = T extends readonly (infer Item)[]
  ? readonly Answer<Item>[]
  : T extends object
    ? { readonly [K in keyof T]: Answer<T[K]> }
    : T;

/** Answers an endpoint with one JSON object. */
export function served<P extends z.ZodObject, Q extends z.ZodObject, B extends z.ZodType, A extends z.ZodType>(
  endpoint: Endpoint<P, Q, B, A>,
  answer: (asked: Asked<P, Q, B>) => Answer<z.input<A>> | Promise<Answer<z.input<A>>>,
): Served {
  return written(endpoint, async (asked, res) => {
    res.json(await answer(asked));
  });
}

/** Whoever asked for what takes long: hears how far it is, and may have it broken off. */
export interface Follower {
  readonly signal: AbortSignal;
  step(words: string): void;
}

/** Answers an endpoint that may take long: it ends when nobody waits any more, and tells its steps to who asks for them. */
export function followed<P extends z.ZodObject, Q extends z.ZodObject, B extends z.ZodType, A extends z.ZodType>(
  endpoint: Endpoint<P, Q, B, A>,
  answer: (asked: Asked<P, Q, B>, follower: Follower) => Promise<Answer<z.input<A>>>,
): Served {
  return written(endpoint, async (asked, res) => {
    const gone = new AbortController();
    res.on("close", () => gone.abort());
    if (res.req.accepts("application/json", FOLLOWED) !== FOLLOWED) {
      res.json(await answer(asked, { signal: gone.signal, step: () => undefined }));
      return;
    }
    res.setHeader("Content-Type", FOLLOWED);
    const line = (told: object): void => void res.write(`${JSON.stringify(told)}\n`);
    const answered = await answer(asked, { signal: gone.signal, step: (step) => line({ step }) });
    line({ answer: answered });
    res.end();
  });
}

/** Answers an endpoint by writing itself: a table, lines as they come, a file too long to hold. */
export function written<P extends z.ZodObject, Q extends z.ZodObject, B extends z.ZodType, A extends z.ZodType>(
  endpoint: Endpoint<P, Q, B, A>,
  write: (asked: Asked<P, Q, B>, res: Response) => Promise<void>,
): Served {
  return {
    endpoint,
    async answer(req, res) {
      const asked = {
        params: endpoint.params.parse(req.params),
        query: endpoint.query.parse(req.query),
        body: (endpoint.body ? endpoint.body.parse(objectIn(req)) : undefined) as z.output<B>,
      };
      res.status(endpoint.status);
      await write(asked, res);
    },
  };
}

/** Answers an endpoint that reads a JSON body of any length as it comes. */
export function received<B extends z.ZodType, A extends z.ZodType>(
  endpoint: Endpoint<z.ZodObject, z.ZodObject, B, A>,
  answer: (sent: Readable) => Promise<Answer<z.input<A>>>,
): Served {
  return {
    endpoint,
    streams: true,
    async answer(req, res) {
      if (req.headers["content-encoding"] !== undefined && req.headers["content-encoding"] !== "identity")
        throw packed();
      const answered = await answer(req);
      res.status(endpoint.status).json(answered);
    },
  };
}

/**
 * The routes of a list of endpoints, each with the size that it takes.
 *
 * @param servedTo the same list, made for whoever asks
 */
export function routesOf(
  all: readonly Pick<Served, "endpoint" | "streams">[],
  servedTo: (caller: Caller) => readonly Served[],
  callerOf: (req: Request) => Omit<Caller, "endpoint"> = (req) => callerAt(req.socket.remoteAddress),
): Router {
  const router = Router();
  for (const [at, { endpoint, streams }] of all.entries()) {
    const read: RequestHandler[] =
      endpoint.body && !streams
        ? [express.json({ limit: endpoint.takesFiles ? FILE_LIMIT : TYPED_LIMIT, strict: false })]
        : [];
    const refuseUnlessAllowed: RequestHandler = (req, _res, next) => {
      if (!callerOf(req).rights.has(endpoint.needs)) throw notAllowed(endpoint);
      next();
    };
    const asked = `${endpoint.method.toUpperCase()} ${endpoint.path}`;
    router[endpoint.method](endpoint.path, refuseUnlessAllowed, ...read, (req, res) =>
      servedTo({ ...callerOf(req), endpoint: asked })[at]?.answer(req, res),
    );
  }
  return router;
}

/** What stands at an address is said to whoever asks in another way. */
export function wrongMethods(all: readonly Served[]): Router {
  const router = Router();
  for (const path of new Set(all.map(({ endpoint }) => endpoint.path))) {
    const methods = all.flatMap(({ endpoint }) => (endpoint.path === path ? [endpoint.method.toUpperCase()] : []));
    router.all(path, (req, res) => {
      res.setHeader("Allow", methods.join(", "));
      throw wrongMethod(req.method, methods);
    });
  }
  return router;
}

/** An absent or non-object body is bad input in plain words. */
function objectIn(req: Request): object {
  const body: unknown = req.body;
  if (body === undefined || body === null)
    throw badInput([
      { path: "", message: "The request is empty; send the values as JSON (content type application/json)." },
    ]);
  if (typeof body !== "object" || Array.isArray(body))
    throw badInput([
      {
        path: "",
        message: `The request must be an object with named values, not ${Array.isArray(body) ? "a list" : "a bare value"}.`,
      },
    ]);
  return body;
}
