import { DomainError } from "@sprunel/core/working";
import type { MessagePort } from "node:worker_threads";
import { JOBS, type JobName, type Step } from "./jobs.ts";
import { BEGUN, type Outcome } from "./message.ts";

interface Task {
  readonly name: JobName;
  readonly input: never;
  /** to whoever hears what is being done */
  readonly port: MessagePort;
}

/** What a worker thread of the pool does with each task. */
export default async function job({ name, input, port }: Task): Promise<Outcome> {
  port.postMessage(BEGUN);
  try {
    const work = JOBS[name] as (input: never, step: Step) => unknown;
    return { ok: true, value: await work(input, (words) => port.postMessage(words)) };
  } catch (error) {
    if (error instanceof DomainError) return { ok: false, faults: [...error.faults] };
    throw error;
  }
}
