import type { DayCapacity, Placing } from "./day-capacity.ts";
import type { Job } from "./day-job.ts";
import type { DayPlanInput } from "./day-plan-input.ts";

export const priorityOf = (input: DayPlanInput, job: Job): number => input.zones[job.at]?.priority ?? 0;

/** Litres, each zone's counted by its priority, and then the cost. */
export interface Worth {
  readonly litres: number;
  readonly cost: number;
}

/** A litre of one priority counts as many of the next: the first are served first, and the rest do not go dry for a last drop. Assumed. */
const A_PRIORITY = 8;
const MOST_RANKS = 12;

/** What a litre of each zone counts: 1 for those that come last. */
export function counted(input: DayPlanInput): (job: Job) => number {
  const ranks = [...new Set(input.zones.map(({ priority }) => priority))].sort((a, b) => b - a);
  return (job) => A_PRIORITY ** Math.min(MOST_RANKS, ranks.indexOf(priorityOf(input, job)));
}

/** What a job gets with some pulses, L. */
export function litresOf({ pulseS, flowLh }: Job, pulses: number): number {
  return (pulses * pulseS * flowLh) / 3600;
}

export function worth(input: DayPlanInput, placed: readonly { job: Job; placing: Placing | null }[]): Worth {
  const counts = counted(input);
  let [litres, cost] = [0, 0];
  for (const { job, placing } of placed) {
    litres += counts(job) * litresOf(job, placing?.starts.length ?? 0);
    cost += placing?.cost ?? 0;
  }
  return { litres, cost };
}

/** Of a whole plan. */
export function worthOf(input: DayPlanInput, jobs: readonly Job[], capacity: DayCapacity): Worth {
  return worth(
    input,
    jobs.map((job) => ({ job, placing: capacity.placingOf(job) })),
  );
}

export function isBetter(a: Worth, b: Worth): boolean {
  const more = a.litres - b.litres;
  return Math.abs(more) > 1e-6 * Math.max(1, b.litres) ? more > 0 : a.cost < b.cost - 1e-6;
}
