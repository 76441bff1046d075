import { type DayCapacity } from "./day-capacity.ts";
import { type Job } from "./day-job.ts";

/** What each zone could have were it alone; found out when it is asked for. */
export class Alone {
  private readonly pulses = new Map<Job, number>();
  private readonly costs = new Map<Job, number>();

  constructor(private readonly empty: DayCapacity) {}

  pulsesOf(job: Job): number {
    // As early as can be they are as many as anyhow.
    return found(this.pulses, job, () => this.empty.best(job, "early")?.starts.length ?? 0);
  }

  costOf(job: Job): number {
    return found(this.costs, job, () => this.empty.best(job)?.cost ?? 0);
  }
}

function found(known: Map<Job, number>, job: Job, look: () => number): number {
  const value = known.get(job) ?? look();
  known.set(job, value);
  return value;
}
