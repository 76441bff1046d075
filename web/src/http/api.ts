import { problemSchema, type Problem } from "@sprunel/contract/basics";
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

/** An answer that comes line by line, one JSON object each. */
export async function getLines<S extends z.ZodType>(
  path: string,
  schema: S,
  signal: AbortSignal,
  onLine: (line: z.infer<S>) => void,
): Promise<void> {
  const response = await reach(path, { signal });
  if (!response.ok || !response.body) throw problemOf(response, await response.json().catch(() => undefined));
  const reader = response.body.pipeThrough(new TextDecoderStream()).getReader();
  let rest = "";
  for (;;) {
    const { done, value = "" } = await reader.read();
    const lines = (rest + value).split("\n");
    rest = lines.pop() ?? "";
    for (const line of lines) onLine(schema.parse(JSON.parse(line)));
    if (done) return;
  }
}

async function request<S extends z.ZodType>(path: string, init: RequestInit, schema: S): Promise<z.infer<S>> {
  const response = await reach(path, init);
  const body: unknown = await response.json().catch(() => undefined);
  if (response.ok) return schema.parse(body);
  throw problemOf(response, body);
}

async function reach(path: string, init: RequestInit): Promise<Response> {
  try {
    return await fetch(path, init);
  } catch (cause) {
    if (cause instanceof DOMException && cause.name === "AbortError") throw cause;
    throw new LostServerError(cause);
  }
}

function problemOf(response: Response, body: unknown): Error {
  const problem = problemSchema.safeParse(body);
  return problem.success ? new ApiError(problem.data) : new LostServerError(new Error(`status ${response.status}`));
}
