import type { Logger } from "pino";
import { diskFault } from "../database/disk-fault.ts";

/** Something that goes on beside requests and does not work. */
export interface Trouble {
  /** what does not work, as "the weather station" */
  readonly what: string;
  readonly words: string;
  readonly sinceMs: number;
}

/** @param signal is aborted when the program stops: what takes long then ends at once */
type Work = (signal: AbortSignal) => Promise<void>;

/** Work that goes on beside requests: what fails is logged and told, and done again at its next turn. */
export class Background {
  private readonly troubles = new Map<string, Trouble>();
  private readonly timers = new Set<NodeJS.Timeout>();
  private readonly running = new Set<Promise<void>>();
  private readonly stopping = new AbortController();

  constructor(
    private readonly log: Logger,
    private readonly now: () => number = Date.now,
  ) {}

  /** Does something again and again until all is stopped; a turn that takes long is not overtaken by the next. */
  every(what: string, ms: number, work: Work): void {
    let turn: Promise<void> | null = null;
    const timer = setInterval(() => {
      turn ??= this.once(what, work).finally(() => {
        turn = null;
      });
    }, ms);
    this.timers.add(timer.unref());
  }

  /** Does something now, beside everything else. @returns when it is done or has failed; it never rejects */
  once(what: string, work: Work): Promise<void> {
    const run = this.attempt(what, work).finally(() => {
      this.running.delete(run);
    });
    this.running.add(run);
    return run;
  }

  /** The same, without anybody who waits for it. */
  beside(what: string, work: Work): void {
    this.running.add(this.once(what, work));
  }

  /** Never rejects: what goes wrong is told of. */
  private async attempt(what: string, work: Work): Promise<void> {
    try {
      await work(this.stopping.signal);
      this.troubles.delete(what);
    } catch (error) {
      this.trouble(what, error);
    }
  }

  /** Notes that something does not work, from now until it does or, in the database, until the program starts anew. */
  trouble(what: string, error: unknown): void {
    this.log.error({ err: error }, what);
    const words = diskFault(error)?.words ?? "An unexpected error; it is in the log.";
    const sinceMs = this.troubles.get(what)?.sinceMs ?? this.now();
    this.troubles.set(what, { what, words, sinceMs });
  }

  /** Notes that something works again. */
  works(what: string): void {
    this.troubles.delete(what);
  }

  /** What does not work now. */
  get told(): readonly Trouble[] {
    return [...this.troubles.values()];
  }

  /** Starts nothing any more, and waits for what is under way. */
  async stop(): Promise<void> {
    for (const timer of this.timers) clearInterval(timer);
    this.stopping.abort();
    await Promise.all(this.running);
  }
}
