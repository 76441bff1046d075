import { DomainError } from "@sprunel/core/working";
import { Piscina } from "piscina";
import { badInput } from "../http/problems.ts";
import type { Outcome } from "./job.ts";
import type { ListKind } from "@sprunel/contract/exchange";
import type { JobName, Jobs, ListJob, ReadList } from "./jobs.ts";

/** From sources the worker is run by tsx, as the server itself is; built, it is plain JavaScript. */
const FROM_SOURCE = import.meta.url.endsWith(".ts");
/** Nothing that a request may ask for takes longer, however it is made up; what does is broken off and told. */
const MOST_MS = 30_000;

type Input<N extends JobName> = Parameters<Jobs[N]>[0];
type Output<N extends JobName> = Awaited<ReturnType<Jobs[N]>>;

/** Sums that would hold up everybody else's requests. */
export interface Pool {
  /**
   * @param mostMs after so long the work is broken off
   * @throws {DomainError} as the sum itself would
   * @throws 422 when the time was not enough
   */
  run<N extends Exclude<JobName, "list">>(name: N, input: Input<N>, mostMs?: number): Promise<Output<N>>;
  /** The same for what is looked for beside everything else: nobody's request waits behind it. */
  search<N extends Exclude<JobName, "list">>(name: N, input: Input<N>, mostMs?: number): Promise<Output<N>>;
  readList<K extends ListKind>(job: ListJob<K>): Promise<ReadList<K>>;
  close(): Promise<void>;
}

/** A worker that nothing was asked of for so long ends; a new one takes a moment to start. */
const IDLE_MS = 10 * 60_000;

function oneWorker(): Piscina {
  return new Piscina({
    filename: new URL(FROM_SOURCE ? "./job.ts" : "./job.js", import.meta.url).href,
    minThreads: 0,
    maxThreads: 1,
    idleTimeout: IDLE_MS,
    ...(FROM_SOURCE && { execArgv: ["--import", "tsx", "--conditions=source"] }),
  });
}

/** One worker for requests: on a small machine a second one would take the main thread's core. Another for searches of seconds. */
export function createPool(): Pool {
  const [workers, searchers] = [oneWorker(), oneWorker()];
  async function run(among: Piscina, name: JobName, input: unknown, mostMs = MOST_MS): Promise<unknown> {
    const signal = AbortSignal.timeout(mostMs);
    let outcome: Outcome;
    try {
      outcome = (await among.run({ name, input }, { signal })) as Outcome;
    } catch (error) {
      if (signal.aborted)
        throw badInput([
          {
            path: "",
            message: `This is too much to work out in ${Math.round(mostMs / 1000)} s. Ask for less at a time; nothing was stored.`,
          },
        ]);
      throw error;
    }
    if (outcome.ok) return outcome.value;
    throw new DomainError(...(outcome.faults as [(typeof outcome.faults)[0]]));
  }
  return {
    run: (name, input, mostMs) => run(workers, name, input, mostMs) as never,
    search: (name, input, mostMs) => run(searchers, name, input, mostMs) as never,
    readList: (job) => run(workers, "list", job) as never,
    async close() {
      await Promise.all([workers.destroy(), searchers.destroy()]);
    },
  };
}
