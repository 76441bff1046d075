import { problemSchema, type Problem } from "@sprunel/contract";
import type { z } from "zod";

/** The server answered that it cannot do this, and why. */
export class ApiError extends Error {
  override readonly name = "ApiError";
  readonly problem: Problem;

  constructor(problem: Problem) {
    super(problem.detail);
    this.problem = problem;
  }
}

/** No answer came at all: the server is down or out of reach. */
export class LostServerError extends Error {
  override readonly name = "LostServerError";

  constructor(cause: unknown) {
    super("The server does not answer. What you typed is still here; try again when it is back.", { cause });
  }
}

export function getJson<S extends z.ZodType>(path: string, schema: S, signal?: AbortSignal): Promise<z.infer<S>> {
  return request(path, { signal: signal ?? null }, schema);
}

export function sendJson<S extends z.ZodType>(
  method: "POST" | "PUT" | "DELETE",
  path: string,
  body: unknown,
  schema: S,
): Promise<z.infer<S>> {
  return request(path, { method, headers: { "Content-Type": "application/json" }, body: JSON.stringify(body) }, schema);
}

async function request<S extends z.ZodType>(path: string, init: RequestInit, schema: S): Promise<z.infer<S>> {
  let response: Response;
  try {
    response = await fetch(path, init);
  } catch (cause) {
    if (cause instanceof DOMException && cause.name === "AbortError") throw cause;
    throw new LostServerError(cause);
  }
  const body: unknown = await response.json().catch(() => undefined);
  if (response.ok) return schema.parse(body);
  const problem = problemSchema.safeParse(body);
  if (!problem.success) throw new LostServerError(new Error(`status ${response.status}`));
  throw new ApiError(problem.data);
}
