import { FOLLOWED, type Endpoint, type Problem } from "@sprunel/contract/basics";
import { vi } from "vitest";
import type { z } from "zod";

interface Call {
  readonly endpoint: Endpoint;
  readonly params: Readonly<Record<string, string>>;
  readonly query: Readonly<Record<string, string>>;
  readonly body: unknown;
}

/** An answer that is no answer: what the server says when it cannot. */
class Refusal {
  constructor(readonly problem: Problem) {}
}

export function refusal(status: number, detail: string, more: Partial<Problem> = {}): Refusal {
  return new Refusal({ type: "/problems/test", title: "Please check the values", status, detail, ...more });
}

type Answer<A extends z.ZodType> = z.input<A> | Refusal | ((call: Call) => z.input<A> | Refusal);

/**
 * A server made of the contract's endpoint objects: what is asked is read by their schemas, and what a test lets it answer
 * must fit them, so that a test cannot rest on an answer that the real one would never give.
 */
export class FakeServer {
  readonly calls: Call[] = [];
  private readonly answers: { readonly endpoint: Endpoint; readonly answer: unknown }[] = [];
  private lost = false;
  private readonly held = new Set<Endpoint>();
  private readonly steps = new Map<Endpoint, readonly string[]>();

  constructor() {
    vi.stubGlobal("fetch", (address: string, init: RequestInit = {}) => this.fetch(address, init));
  }

  /** A later answer of an endpoint stands over an earlier one. */
  on<P extends z.ZodObject, Q extends z.ZodObject, B extends z.ZodType, A extends z.ZodType>(
    endpoint: Endpoint<P, Q, B, A>,
    answer: Answer<A>,
  ): this {
    this.answers.unshift({ endpoint, answer });
    return this;
  }

  /** What an endpoint tells of its work before it answers, where that is asked for. */
  inSteps(endpoint: object, words: readonly string[]): this {
    this.steps.set(endpoint as Endpoint, words);
    return this;
  }

  /** From now on nothing comes back. */
  lose(): void {
    this.lost = true;
  }

  /** It answers again. */
  find(): void {
    this.lost = false;
  }

  /** Lets an endpoint wait for its answer as long as the test lasts. */
  hold(endpoint: object): this {
    this.held.add(endpoint as Endpoint);
    return this;
  }

  /** What was sent to an endpoint, in order. */
  sent(endpoint: Pick<Endpoint, "method" | "path">): unknown[] {
    return this.calls
      .filter((call) => call.endpoint.method === endpoint.method && call.endpoint.path === endpoint.path)
      .map(({ body }) => body);
  }

  private async fetch(address: string, init: RequestInit): Promise<Response> {
    await Promise.resolve();
    if (this.lost) throw new TypeError("Failed to fetch");
    const url = new URL(address, "http://127.0.0.1");
    const method = (init.method ?? "GET").toLowerCase();
    for (const { endpoint, answer } of this.answers) {
      const params = endpoint.method === method ? paramsOf(endpoint.path, url.pathname) : null;
      if (!params) continue;
      if (this.held.has(endpoint)) return held(this.steps.get(endpoint) ?? [], init.signal);
      endpoint.params.parse(params);
      const query = Object.fromEntries(url.searchParams);
      endpoint.query.parse(query);
      // A file on its way is not looked into.
      const isFile = init.body instanceof Blob;
      const body: unknown = typeof init.body === "string" ? JSON.parse(init.body) : isFile ? init.body : undefined;
      if (endpoint.body && !isFile) endpoint.body.parse(body);
      const call = { endpoint, params, query, body };
      this.calls.push(call);
      const given: unknown = typeof answer === "function" ? (answer as (call: Call) => unknown)(call) : answer;
      const told = new Headers(init.headers).get("Accept") === FOLLOWED ? this.steps.get(endpoint) : undefined;
      if (told) {
        const end = given instanceof Refusal ? { problem: given.problem } : { answer: given };
        const lines = [...told.map((step) => ({ step })), end];
        return new Response(lines.map((line) => `${JSON.stringify(line)}\n`).join(""), {
          headers: { "Content-Type": FOLLOWED },
        });
      }
      if (given instanceof Refusal) return json(given.problem, given.problem.status, "application/problem+json");
      if (endpoint.media === "application/x-ndjson")
        return new Response((given as unknown[]).map((line) => `${JSON.stringify(line)}\n`).join(""));
      endpoint.answer.parse(given);
      return json(given, endpoint.status, "application/json");
    }
    return json(refusal(404, `${method} ${address} does not exist here.`).problem, 404, "application/problem+json");
  }
}

/** Tells its steps and never ends, unless it is broken off. */
function held(steps: readonly string[], signal: AbortSignal | null | undefined): Promise<Response> {
  if (steps.length === 0)
    return new Promise<Response>((_, fail) => signal?.addEventListener("abort", () => fail(signal.reason as Error)));
  const body = new ReadableStream<Uint8Array>({
    start(sink) {
      for (const step of steps) sink.enqueue(new TextEncoder().encode(`${JSON.stringify({ step })}\n`));
      signal?.addEventListener("abort", () => sink.error(signal.reason));
    },
  });
  return Promise.resolve(new Response(body, { headers: { "Content-Type": FOLLOWED } }));
}

function paramsOf(path: string, asked: string): Record<string, string> | null {
  const names = [...path.matchAll(/:(\w+)/g)].map(([, name]) => name ?? "");
  const pattern = new RegExp(`^${path.replace(/[.]/g, "\\.").replace(/:\w+/g, "([^/]+)")}$`);
  const found = pattern.exec(asked);
  return found && Object.fromEntries(names.map((name, at) => [name, decodeURIComponent(found[at + 1] ?? "")]));
}

function json(value: unknown, status: number, type: string): Response {
  return new Response(JSON.stringify(value), { status, headers: { "Content-Type": type } });
}
