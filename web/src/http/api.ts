import { addressOf, FOLLOWED, problemSchema, type Endpoint, type Problem } from "@sprunel/contract/basics";
import { z } from "zod";

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

/** Hears "lost" whenever no answer came. */
export const serverSigns = new EventTarget();

/** Beyond this a server is frozen; only what takes whole files may take longer. */
const MOST_WAIT_MS = 10_000;

/** What a call sends: what its path names, what its address asks, what its body holds; only what the endpoint takes. */
type Needs<Name extends string, Keys, Value> = [Keys] extends [never] ? object : Readonly<Record<Name, Value>>;
type Asking<P extends z.ZodObject, Q extends z.ZodObject, B extends z.ZodType> = Needs<
  "params",
  keyof P["shape"],
  Readonly<Record<keyof P["shape"] & string, string | number>>
> &
  (B extends z.ZodUndefined ? object : { readonly body: z.input<B> }) & {
    readonly query?: Readonly<Partial<Record<keyof Q["shape"] & string, string | null>>>;
    readonly signal?: AbortSignal;
  };

/** Asks the server through an endpoint of the contract, and reads its answer by it. */
export async function ask<P extends z.ZodObject, Q extends z.ZodObject, B extends z.ZodType, A extends z.ZodType>(
  endpoint: Endpoint<P, Q, B, A>,
  asking: Asking<P, Q, B>,
): Promise<z.output<A>> {
  refuseUnreadable(asking);
  return answerIn(endpoint, await reach(endpoint, asking));
}

/** What one that tells its steps sends: as many as it likes, then how it ended. */
const followedLine = z.union([
  z.strictObject({ step: z.string() }),
  z.strictObject({ answer: z.unknown() }),
  z.strictObject({ problem: problemSchema }),
]);

/** Asks for what may take long, and hears what is being done. */
export async function askFollowed<
  P extends z.ZodObject,
  Q extends z.ZodObject,
  B extends z.ZodType,
  A extends z.ZodType,
>(endpoint: Endpoint<P, Q, B, A>, asking: Asking<P, Q, B>, onStep: (words: string) => void): Promise<z.output<A>> {
  refuseUnreadable(asking);
  const response = await reach(endpoint, { ...asking, accept: FOLLOWED });
  if (!response.headers.get("Content-Type")?.startsWith(FOLLOWED)) return answerIn(endpoint, response);
  let ended: { readonly answer: unknown } | undefined;
  await linesOf(response, (line) => {
    const told = followedLine.parse(line);
    if ("step" in told) onStep(told.step);
    else if ("problem" in told) throw new ApiError(told.problem);
    else ended = told;
  });
  if (!ended) throw new LostServerError(new Error("the answer broke off"));
  return endpoint.answer.parse(ended.answer);
}

/** Sends a file from the disk as it is, however large: its text never stands in the page. */
export async function sendFile<A extends z.ZodType>(
  endpoint: Endpoint<z.ZodObject, z.ZodObject, z.ZodType, A>,
  file: Blob,
): Promise<z.output<A>> {
  return answerIn(endpoint, await reach(endpoint, { body: file }));
}

async function answerIn<A extends z.ZodType>(
  { answer }: Pick<Endpoint<z.ZodObject, z.ZodObject, z.ZodType, A>, "answer">,
  response: Response,
): Promise<z.output<A>> {
  const body: unknown = await response.json().catch(() => undefined);
  if (response.ok) return answer.parse(body);
  throw problemOf(response, body);
}

/** An answer that comes line by line, one JSON object each. */
export async function askLines<P extends z.ZodObject, Q extends z.ZodObject, B extends z.ZodType, A extends z.ZodType>(
  endpoint: Endpoint<P, Q, B, A>,
  asking: Asking<P, Q, B>,
  onLine: (line: z.output<A>) => void,
): Promise<void> {
  const response = await reach(endpoint, asking);
  if (!response.ok) throw problemOf(response, await response.json().catch(() => undefined));
  await linesOf(response, (line) => onLine(endpoint.answer.parse(line)));
}

async function linesOf({ body }: Response, onLine: (line: unknown) => void): Promise<void> {
  if (!body) return;
  const reader = body.pipeThrough(new TextDecoderStream()).getReader();
  let rest = "";
  for (;;) {
    const { done, value = "" } = await reader.read();
    const lines = (rest + value).split("\n");
    rest = lines.pop() ?? "";
    for (const line of lines) onLine(JSON.parse(line));
    if (done) return;
  }
}

interface Sent {
  readonly params?: Readonly<Record<string, unknown>>;
  readonly query?: Readonly<Record<string, unknown>>;
  readonly body?: unknown;
  readonly signal?: AbortSignal;
  readonly accept?: string;
}

/** JSON would make a number that is none into nothing, and what was typed would be stored as unknown. */
function refuseUnreadable({ body }: Sent): void {
  JSON.stringify(body, (key, value: unknown) => {
    if (typeof value === "number" && !Number.isFinite(value))
      throw new ApiError({
        type: "/problems/bad-input",
        title: "Please check the values",
        status: 422,
        detail: `${key} is no number yet; nothing was saved.`,
      });
    return value;
  });
}

async function reach(
  endpoint: Pick<Endpoint, "method" | "path" | "takesFiles" | "media">,
  { params, query, body, signal, accept }: Sent,
): Promise<Response> {
  const isLong =
    endpoint.takesFiles || endpoint.media !== "application/json" || endpoint.path.startsWith("/api/compute");
  const frozen = isLong ? null : AbortSignal.timeout(MOST_WAIT_MS);
  const signals = [signal, frozen].filter((one) => one !== undefined && one !== null);
  try {
    return await fetch(addressOf(endpoint, params, query), {
      method: endpoint.method.toUpperCase(),
      ...(signals.length > 0 && { signal: AbortSignal.any(signals) }),
      headers: {
        ...(body !== undefined && { "Content-Type": "application/json" }),
        ...(accept !== undefined && { Accept: accept }),
      },
      ...(body !== undefined && {
        body: body instanceof Blob ? body : JSON.stringify(body),
      }),
    });
  } catch (cause) {
    if (signal?.aborted || (cause instanceof DOMException && cause.name === "AbortError")) throw cause;
    serverSigns.dispatchEvent(new Event("lost"));
    throw new LostServerError(cause);
  }
}

function problemOf(response: Response, body: unknown): Error {
  const problem = problemSchema.safeParse(body);
  return problem.success ? new ApiError(problem.data) : new LostServerError(new Error(`status ${response.status}`));
}
