import { byTheClock } from "./clock-forward.ts";
import type { DayCapacity } from "./day-capacity.ts";
import type { Job } from "./day-job.ts";
import type { DayPlanInput } from "./day-plan-input.ts";
import { seeded } from "../working/seeded.ts";
import { priorityOf, worth, type Worth } from "./day-worth.ts";

/** How much more the most important zones count, in shares of their flow. */
const IMPORTANT = 0.1;

/** Most L/h of what all zones pass beside the pump. */
function sharedByAll({ limits = [], zones }: DayPlanInput, jobs: readonly Job[]): number[] {
  return limits.flatMap(({ id, maxLh }) =>
    maxLh !== undefined && jobs.every((job) => zones[job.at]?.limitIds?.includes(id)) ? [maxLh] : [],
  );
}

/** The day by the clock, and about it what found no time there. */
export function forward(
  input: DayPlanInput,
  jobs: readonly Job[],
  capacity: DayCapacity,
  mayBeExact: () => boolean,
  chance: (() => number) | null = null,
): { capacity: DayCapacity; worth: Worth } {
  const priorities = [...new Set(jobs.map((job) => priorityOf(input, job)))].sort((a, b) => b - a);
  const noise = new Map(jobs.map((job) => [job, chance ? 0.3 * chance() : 0]));
  const turns = new Map(jobs.map(({ recipe }) => [recipe, chance ? 0.5 + chance() : 1]));
  const placings = byTheClock(
    jobs,
    {
      // Everything that every zone passes is as narrow as the narrowest of it.
      pumpLh: Math.min(input.pump.maxLh, ...sharedByAll(input, jobs)),
      mixers: input.mixers.map(({ maxLh, rinseMin = 0 }) => ({ maxLh, rinseS: rinseMin * 60 })),
    },
    {
      urgent: chance ? 3 * chance() : 1,
      prefers: (recipe) => turns.get(recipe) ?? 1,
      valued: (job) =>
        (IMPORTANT * priorities.indexOf(priorityOf(input, job))) / Math.max(1, priorities.length - 1) +
        (noise.get(job) ?? 0),
    },
  );
  for (const job of jobs) {
    const asked = placings.get(job);
    const placing = asked ? capacity.asFarAs(job, asked) : null;
    if (placing) capacity.place(job, placing);
  }
  for (const job of jobs) {
    const held = capacity.lift(job);
    const best = held?.starts.length === job.pulses ? held : capacity.best(job, !mayBeExact());
    const placing = (best?.starts.length ?? 0) >= (held?.starts.length ?? 0) ? best : held;
    if (placing) capacity.place(job, placing);
  }
  return {
    capacity,
    worth: worth(
      input,
      jobs.map((job) => ({ job, placing: capacity.placingOf(job) })),
    ),
  };
}

/** Days by the clock of other leanings, as long as there is time and something to gain; the best of them. */
export function restarted(
  input: DayPlanInput,
  jobs: readonly Job[],
  newCapacity: () => DayCapacity,
  best: DayCapacity,
  hasTime: () => boolean,
): DayCapacity {
  const chance = seeded(7);
  let found = best;
  const plain = (capacity: DayCapacity): number =>
    jobs.reduce((sum, job) => sum + (capacity.placingOf(job)?.starts.length ?? 0) * job.pulseS * job.flowLh, 0);
  const isShort = (capacity: DayCapacity): boolean =>
    jobs.some((job) => capacity.placingOf(job)?.starts.length !== job.pulses);
  for (let round = 0; round < MOST_RESTARTS && isShort(found) && hasTime(); round++) {
    const tried = forward(input, jobs, newCapacity(), () => false, chance);
    // Whoever was served too little is served afterwards, out of a pump that is full.
    if (plain(tried.capacity) > plain(found) + 1e-6) found = tried.capacity;
  }
  return found;
}
const MOST_RESTARTS = 200;
