import { seeded } from "../working/seeded.ts";
import type { Alone } from "./day-alone.ts";
import type { DayCapacity } from "./day-capacity.ts";
import { secondsOf, type Job } from "./day-job.ts";
import type { DayPlanInput } from "./day-plan-input.ts";
import { isBetter, worth } from "./day-worth.ts";

const MOST_ROUNDS = 20_000;
const MOST_RUINED = 7;

/** Lifts a few zones and places them in another order, keeping what is no worse. */
export function improve(
  input: DayPlanInput,
  capacity: DayCapacity,
  jobs: readonly Job[],
  alone: Alone,
  hasTime: () => boolean,
): void {
  const chance = seeded(20);
  const pulsesShort = (job: Job): number => alone.pulsesOf(job) - (capacity.placingOf(job)?.starts.length ?? 0);
  const dearer = (job: Job): boolean => (capacity.placingOf(job)?.cost ?? 0) > alone.costOf(job) + 1e-6;
  for (let round = 0; round < MOST_ROUNDS && hasTime(); round++) {
    const short = jobs.filter((job) => pulsesShort(job) > 0);
    const wanting = short.length > 0 ? short : jobs.filter(dearer);
    if (wanting.length === 0) return;
    anotherOrder(input, capacity, jobs, wanting, chance, short.length > 0 && chance() < 0.9);
  }
}

/** Lifts one of those that want more and a few others, and places them in another order; what is worse is undone. */
export function anotherOrder(
  input: DayPlanInput,
  capacity: DayCapacity,
  jobs: readonly Job[],
  wanting: readonly Job[],
  chance: () => number,
  packed: boolean,
): void {
  const first = wanting[Math.floor(chance() * wanting.length)];
  if (!first) return;
  const others = jobs.filter((job) => job !== first && capacity.placingOf(job));
  const giveWay =
    chance() < 0.5
      ? sample(others, 1 + Math.floor(chance() * MOST_RUINED), chance)
      : inTheWay(first, others, capacity, chance);
  const lifted = [first, ...giveWay];
  const before = lifted.map((job) => ({ job, placing: capacity.lift(job) }));
  const order = chance() < 0.5 ? lifted : shuffled(lifted, chance);
  for (const job of order) {
    const placing = capacity.best(job, packed ? (chance() < SPREAD ? spread(job, chance) : "early") : "cheap");
    if (placing) capacity.place(job, placing);
  }
  const was = worth(
    input,
    before.map(({ job, placing }) => ({ job, placing })),
  );
  const now = worth(
    input,
    lifted.map((job) => ({ job, placing: capacity.placingOf(job) })),
  );
  if (!isBetter(was, now)) return;
  lifted.forEach((job) => capacity.lift(job));
  for (const { job, placing } of before) if (placing) capacity.place(job, placing);
}

/** How often a job that is to give way is spread evenly over some of its day, instead of early: room between its pulses is left for others'. */
const SPREAD = 0.5;

/** Evenly from a moment of its windows to another. */
function spread({ windows, pulses, pulseS }: Job, chance: () => number): number[] {
  const [first, last] = [windows[0]?.startS ?? 0, (windows.at(-1)?.endS ?? 0) - pulseS];
  const from = first + 0.5 * chance() * (last - first);
  const to = last - 0.5 * chance() * (last - first);
  return Array.from({ length: pulses }, (_, at) => from + (at * (to - from)) / Math.max(1, pulses - 1));
}

function shuffled<T>(values: readonly T[], chance: () => number): T[] {
  return values
    .map((value) => ({ value, key: chance() }))
    .sort((a, b) => a.key - b.key)
    .map(({ value }) => value);
}

/** Those that run while one pulse of a job might, at some moment of its windows. */
function inTheWay(job: Job, others: readonly Job[], capacity: DayCapacity, chance: () => number): readonly Job[] {
  const { startS = 0, endS = 0 } = job.windows[Math.floor(chance() * job.windows.length)] ?? {};
  const from = startS + chance() * Math.max(0, endS - startS - job.pulseS);
  const to = from + secondsOf(job);
  return others
    .filter((other) => {
      const length = secondsOf(other);
      return capacity.placingOf(other)?.starts.some((start) => start < to && start + length > from);
    })
    .slice(0, MOST_IN_THE_WAY);
}
const MOST_IN_THE_WAY = 24;

function sample<T>(values: readonly T[], count: number, chance: () => number): T[] {
  return shuffled(values, chance).slice(0, count);
}
