import { onlineManager, type Mutation, type MutationState, type QueryClient } from "@tanstack/react-query";
import { ApiError, ask, LostServerError, serverSigns } from "./api.ts";

/** The endpoints come after the first screen, before anybody has typed anything. */
const endpoints = () => import("./kept-endpoints.ts");
export type KeptKind = keyof Awaited<ReturnType<typeof endpoints>>["KEPT"];

/** As it is sent: what its path names, and what its body holds. */
export interface KeptCall {
  readonly params?: Readonly<Record<string, number>>;
  readonly body: unknown;
}

const WORDS: Readonly<Record<KeptKind, readonly [one: string, many: string]>> = {
  reading: ["reading", "readings"],
  round: ["round of readings", "rounds of readings"],
  pick: ["pick", "picks"],
  picks: ["sheet of picks", "sheets of picks"],
  waterings: ["watering", "waterings"],
  mix: ["mix", "mixes"],
  decision: ["decision", "decisions"],
};

export const KEPT_KEY = "kept";

/** @returns as "2 readings and 1 mix" */
export function keptWords(kinds: readonly KeptKind[]): string {
  const counts = new Map<KeptKind, number>();
  for (const kind of kinds) counts.set(kind, (counts.get(kind) ?? 0) + 1);
  return [...counts].map(([kind, count]) => `${count} ${WORDS[kind][count === 1 ? 0 : 1]}`).join(" and ");
}

export function kindOf(mutation: Pick<Mutation, "options">): KeptKind | null {
  const [key, kind] = mutation.options.mutationKey ?? [];
  return key === KEPT_KEY && typeof kind === "string" && kind in WORDS ? (kind as KeptKind) : null;
}

/**
 * Lets what is kept wait for the server: one after the other, in the order in which it was said, again after the page was closed.
 * The server is what it waits for, not a network: a nursery's machine answers without one.
 */
export function waitsForServer(client: QueryClient): void {
  for (const kind of Object.keys(WORDS) as KeptKind[])
    client.setMutationDefaults([KEPT_KEY, kind], {
      mutationFn: (call: KeptCall) => send(kind, call),
      networkMode: "online",
      scope: { id: KEPT_KEY },
      retry: (_failures, error) => error instanceof LostServerError,
      retryDelay: 0,
      gcTime: Infinity,
      onSuccess: () => askAnew(client),
    });
}

/**
 * What was sent may have changed anything. A page's first question that is still under way was asked before: its answer would
 * be taken for a fresh one, so it is broken off and asked again.
 */
async function askAnew(client: QueryClient): Promise<void> {
  await client.cancelQueries();
  await client.invalidateQueries();
}

/**
 * Sends what was still to be sent when the page was closed. A call that was under way then is sent once more: whether it arrived
 * is not known, and each is written once however often it comes. Left as it was, it would hold up all that is said later.
 */
export async function resumeKept(client: QueryClient): Promise<void> {
  for (const mutation of client.getMutationCache().getAll())
    if (kindOf(mutation) !== null && mutation.state.status === "pending" && !mutation.state.isPaused)
      mutation.state = { ...mutation.state, isPaused: true };
  await client.resumePausedMutations();
}

async function send(kind: KeptKind, call: KeptCall): Promise<unknown> {
  const { KEPT } = await endpoints().catch((cause: unknown) => {
    serverSigns.dispatchEvent(new Event("lost"));
    throw new LostServerError(cause);
  });
  return ask(KEPT[kind] as never, call as never);
}

/** Fetches what a later call is sent with: when it is needed, the server may be away. */
export async function readyToKeep(): Promise<void> {
  await endpoints();
}

/** What the server has refused of what had waited: nobody stands at its form any more. */
export interface RefusedCall {
  readonly kind: KeptKind;
  readonly call: KeptCall;
  readonly words: string;
}

const REFUSED = "sprunel.refused";
const listeners = new Set<() => void>();
let refused: readonly RefusedCall[] | null = null;

/** Kept in this browser until somebody has seen it. */
export const refusedCalls = {
  list(): readonly RefusedCall[] {
    if (refused === null) {
      try {
        refused = JSON.parse(localStorage.getItem(REFUSED) ?? "[]") as RefusedCall[];
      } catch {
        refused = [];
      }
    }
    return refused;
  },
  set(next: readonly RefusedCall[]): void {
    refused = next;
    if (next.length === 0) localStorage.removeItem(REFUSED);
    else localStorage.setItem(REFUSED, JSON.stringify(next));
    for (const listener of listeners) listener();
  },
  subscribe(listener: () => void): () => void {
    listeners.add(listener);
    return () => listeners.delete(listener);
  },
};

/** Notes what is refused after it has waited; what is refused at once is told by its form. */
export function keepsRefused(client: QueryClient): () => void {
  const waited = new Set<number>();
  return client.getMutationCache().subscribe(({ mutation }) => {
    const kind = mutation && kindOf(mutation);
    if (!mutation || !kind) return;
    const { status, isPaused, error, variables } = mutation.state as MutationState<unknown, unknown, KeptCall>;
    if (isPaused) waited.add(mutation.mutationId);
    if (status !== "error" || !(error instanceof ApiError) || !waited.delete(mutation.mutationId)) return;
    const words = error.problem.errors?.map(({ message }) => message).join(" ") ?? error.problem.detail;
    refusedCalls.set([...refusedCalls.list(), { kind, call: variables ?? { body: null }, words }]);
  });
}

const PING_MS = 3000;
let pinging: ReturnType<typeof setInterval> | null = null;

/** Whether the server answers is told by it alone; while it does not, it is asked again and again. */
export function watchServer(lost: EventTarget): () => void {
  onlineManager.setEventListener(() => () => undefined);
  const onLost = (): void => {
    onlineManager.setOnline(false);
    pinging ??= setInterval(() => {
      fetch("/api/health", { signal: AbortSignal.timeout(PING_MS) }).then(
        ({ ok }) => ok && answered(),
        () => undefined,
      );
    }, PING_MS);
  };
  lost.addEventListener("lost", onLost);
  return () => lost.removeEventListener("lost", onLost);
}

function answered(): void {
  if (pinging !== null) clearInterval(pinging);
  pinging = null;
  onlineManager.setOnline(true);
}
