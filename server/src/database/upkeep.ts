import { Piscina } from "piscina";

/** What is done to the database beside requests, in a thread of its own. */
export type Upkeep =
  | { readonly kind: "check"; readonly dataFolder: string }
  | { readonly kind: "backup"; readonly dataFolder: string; readonly to: string; readonly nowMs: number };
export type UpkeepOutcome =
  { readonly ok: true } | { readonly ok: false; readonly code: string; readonly message: string };

/** From sources the worker is run by tsx, as the server itself is. */
const FROM_SOURCE = import.meta.url.endsWith(".ts");

/** @throws as the work itself did, with its code; broken off by the signal it says nothing */
export async function upkeep(work: Upkeep, signal: AbortSignal = new AbortController().signal): Promise<void> {
  const worker = new Piscina({
    filename: new URL(FROM_SOURCE ? "./upkeep-job.ts" : "./upkeep-job.js", import.meta.url).href,
    maxThreads: 1,
    ...(FROM_SOURCE && { execArgv: ["--import", "tsx", "--conditions=source"] }),
  });
  try {
    const outcome = (await worker.run(work, { signal })) as UpkeepOutcome;
    if (!outcome.ok) throw Object.assign(new Error(outcome.message), { code: outcome.code });
  } catch (error) {
    if (!signal.aborted) throw error;
  } finally {
    await worker.destroy();
  }
}
