import { DomainError } from "@sprunel/core/working";
import { MessageChannel, receiveMessageOnPort } from "node:worker_threads";
import pLimit, { type LimitFunction } from "p-limit";
import { Piscina } from "piscina";
import { badInput } from "../http/problems.ts";
import { BEGUN, type Outcome } from "./message.ts";
import type { ListKind } from "@sprunel/contract/exchange";
import type { JobName, Jobs, ListJob, ReadList } from "./jobs.ts";

/** From sources the worker is run by tsx, as the server itself is; built, it is plain JavaScript. */
const JOB = new URL(import.meta.url.endsWith(".ts") ? "./job.ts" : "./job.js", import.meta.url).href;
/** Nothing that a request may ask for takes longer, however it is made up; what does is broken off and told. */
const MOST_MS = 30_000;

/** What a long work is bound to. */
export interface Bound {
  /** after so long it is broken off */
  readonly mostMs?: number | undefined;
  /** breaks it off */
  readonly signal?: AbortSignal | undefined;
  /** hears what is being done */
  readonly step?: ((words: string) => void) | undefined;
}

type Input<N extends JobName> = Parameters<Jobs[N]>[0];
type Output<N extends JobName> = Awaited<ReturnType<Jobs[N]>>;

/** Sums that would hold up everybody else's requests. */
export interface Pool {
  /**
   * @throws {DomainError} as the sum itself would
   * @throws 422 when the time was not enough
   */
  run<N extends Exclude<JobName, "list">>(name: N, input: Input<N>, bound?: Bound): Promise<Output<N>>;
  /** The same for what is looked for beside everything else: nobody's request waits behind it. */
  search<N extends Exclude<JobName, "list">>(name: N, input: Input<N>, bound?: Bound): Promise<Output<N>>;
  readList<K extends ListKind>(job: ListJob<K>, bound?: Bound): Promise<ReadList<K>>;
  close(): Promise<void>;
}

/** A worker that nothing was asked of for so long ends; a new one takes a moment to start. */
const IDLE_MS = 10 * 60_000;

/** A long file makes many small texts: with room for them a worker takes half the time of the first one. */
const YOUNG_MB = 128;

/** One worker, and the queue before it: its own one leaves what waits in it when what runs is broken off. */
interface Workplace {
  readonly worker: Piscina;
  readonly turn: LimitFunction;
}

/** @param isReady whether its worker stands ready from the start: whoever asks first waits no longer for it than others */
function workplace(job: string, isReady: boolean): Workplace {
  const worker = new Piscina({
    filename: job,
    minThreads: isReady ? 1 : 0,
    maxThreads: 1,
    idleTimeout: IDLE_MS,
    resourceLimits: { maxYoungGenerationSizeMb: YOUNG_MB },
    // Named in both cases: what this process was started with is not what the module needs.
    execArgv: isSource(job) ? ["--import", "tsx", "--conditions=source"] : [],
  });
  return { worker, turn: pLimit(1) };
}

const isSource = (job: string): boolean => job.endsWith(".ts");

/**
 * One worker for requests: on a small machine a second one would take the main thread's core. Another for searches of seconds.
 *
 * @param job address of the module that does the work
 */
export function createPool(job = JOB): Pool {
  // From sources a worker takes seconds to start.
  const [workers, searchers] = [workplace(job, !isSource(job)), workplace(job, false)];
  const run = ({ turn, worker }: Workplace, name: JobName, input: unknown, bound?: Bound): Promise<unknown> =>
    turn(() => runNow(worker, name, input, bound));
  async function runNow(worker: Piscina, name: JobName, input: unknown, bound: Bound = {}): Promise<unknown> {
    const { mostMs = MOST_MS, signal, step } = bound;
    signal?.throwIfAborted();
    const tooLong = new AbortController();
    let timer: NodeJS.Timeout | undefined;
    const hear = (said: string | typeof BEGUN): void => {
      if (said !== BEGUN) step?.(said);
      else timer = setTimeout(() => tooLong.abort(), mostMs);
    };
    const { port1, port2 } = new MessageChannel();
    port1.on("message", hear);
    port1.unref();
    let outcome: Outcome;
    try {
      outcome = (await worker.run(
        { name, input, port: port2 },
        { signal: AbortSignal.any(signal ? [tooLong.signal, signal] : [tooLong.signal]), transferList: [port2] },
      )) as Outcome;
    } catch (error) {
      signal?.throwIfAborted();
      if (tooLong.signal.aborted)
        throw badInput([
          {
            path: "",
            message: `This is too much to work out in ${Math.round(mostMs / 1000)} s. Ask for less at a time; nothing was stored.`,
          },
        ]);
      throw error;
    } finally {
      // What was told just before the end is heard, too.
      for (let told = receiveMessageOnPort(port1); told; told = receiveMessageOnPort(port1))
        hear(told.message as string | typeof BEGUN);
      port1.close();
      clearTimeout(timer);
    }
    if (outcome.ok) return outcome.value;
    throw new DomainError(...(outcome.faults as [(typeof outcome.faults)[0]]));
  }
  return {
    run: (name, input, bound) => run(workers, name, input, bound) as never,
    search: (name, input, bound) => run(searchers, name, input, bound) as never,
    readList: (job, bound) => run(workers, "list", job, bound) as never,
    async close() {
      await Promise.all([workers.worker.destroy(), searchers.worker.destroy()]);
    },
  };
}
