import { DomainError, type Fault } from "@sprunel/core/working";
import { JOBS, type JobName } from "./jobs.ts";

/** Errors lose their class between threads, so a fault of the input comes back as data. */
export type Outcome = { readonly ok: true; readonly value: unknown } | { readonly ok: false; readonly faults: Fault[] };

/** What a worker thread of the pool does with each task. */
export default async function job({ name, input }: { name: JobName; input: never }): Promise<Outcome> {
  try {
    return { ok: true, value: await (JOBS[name] as (input: never) => unknown)(input) };
  } catch (error) {
    if (error instanceof DomainError) return { ok: false, faults: [...error.faults] };
    throw error;
  }
}
