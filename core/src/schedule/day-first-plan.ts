import { seeded } from "../working/seeded.ts";
import { forward } from "./day-by-clock.ts";
import type { DayCapacity } from "./day-capacity.ts";
import type { Job } from "./day-job.ts";
import type { DayPlanInput } from "./day-plan-input.ts";
import { anotherOrder } from "./day-plan-search.ts";
import { isBetter, priorityOf, worthOf, type Worth } from "./day-worth.ts";
import { inRecipeBlocks } from "./recipe-blocks.ts";

interface FirstPlan {
  readonly capacity: DayCapacity;
  /** it is the earlier plan as far as that still can be: nothing is moved for a little gain */
  readonly settled: boolean;
}

/** Each zone at its wanted times; where not all fits so, packed early, zones of one recipe together or in blocks of the day. */
export function firstPlans(
  input: DayPlanInput,
  jobs: readonly Job[],
  newCapacity: () => DayCapacity,
  mayBeExact: () => boolean,
): FirstPlan {
  const byPriority = (a: Job, b: Job): number => priorityOf(input, a) - priorityOf(input, b);
  const wanted = [...jobs].sort((a, b) => byPriority(a, b) || tightness(b) - tightness(a) || a.at - b.at);
  const grouped = [...jobs].sort((a, b) => byPriority(a, b) || a.recipe.localeCompare(b.recipe) || a.at - b.at);
  const filled = (
    order: readonly Job[],
    packed: boolean,
    blocks?: ReadonlyMap<Job, Job>,
  ): { capacity: DayCapacity; worth: Worth } => {
    const capacity = newCapacity();
    for (const job of order) {
      const inBlock = blocks?.get(job);
      const aim = packed || !mayBeExact() ? "early" : "cheap";
      const placing = inBlock ? capacity.best(inBlock, aim) : blocks ? null : capacity.best(job, aim);
      if (placing) capacity.place(job, placing);
    }
    // What its block did not hold may still find room elsewhere.
    if (blocks)
      for (const job of order) {
        const held = capacity.lift(job);
        const placing =
          held?.starts.length === job.pulses ? held : capacity.best(job, packed || !mayBeExact() ? "early" : "cheap");
        if (placing) capacity.place(job, placing);
      }
    return { capacity, worth: worthOf(input, order, capacity) };
  };
  const stood = asBefore(input, wanted, newCapacity(), mayBeExact);
  if (stood) return { capacity: stood.capacity, settled: mended(input, stood, jobs, mayBeExact) };
  const asWanted = filled(wanted, false);
  if (jobs.every((job) => asWanted.capacity.placingOf(job)?.starts.length === job.pulses))
    return { capacity: asWanted.capacity, settled: false };
  // Out of time: other ways to begin are not tried.
  if (!mayBeExact()) return { capacity: asWanted.capacity, settled: false };
  const blocks = inRecipeBlocks(
    jobs,
    input.mixers.map(({ maxLh }) => maxLh),
  );
  const byFlow = [...jobs].sort((a, b) => byPriority(a, b) || b.flowLh - a.flowLh || a.at - b.at);
  const plans = [
    asWanted,
    forward(input, wanted, newCapacity(), mayBeExact),
    filled(grouped, true),
    filled(wanted, true),
    filled(byFlow, true, blocks),
  ];
  const { capacity } = plans.reduce((best, tried) => (isBetter(tried.worth, best.worth) ? tried : best));
  return { capacity, settled: false };
}

/** An earlier plan as far as it still can be, and how many pulses each zone had in it. */
interface Stood {
  readonly capacity: DayCapacity;
  readonly had: ReadonlyMap<Job, number>;
}

/**
 * The earlier plan, as far as it still can be: every zone that has room where it was stays there, the others are placed about
 * them. Nothing where none could stay.
 */
function asBefore(
  { zones, mixers }: DayPlanInput,
  jobs: readonly Job[],
  capacity: DayCapacity,
  mayBeExact: () => boolean,
): Stood | null {
  const moved: Job[] = [];
  const had = new Map<Job, number>();
  for (const job of jobs) {
    const before = zones[job.at]?.before;
    const mixer = mixers.findIndex(({ id }) => id === before?.mixerId);
    const starts = before?.startsS ?? [];
    const placing = starts.length > 0 ? capacity.asFarAs(job, { mixer, starts, cost: 0 }) : null;
    had.set(job, starts.length);
    const stays = placing?.starts.length === starts.length;
    if (placing && stays) capacity.place(job, placing);
    if (!stays || starts.length < job.pulses) moved.push(job);
  }
  if (moved.length === jobs.length) return null;
  for (const job of moved) {
    const held = capacity.lift(job);
    const best = capacity.best(job, mayBeExact() ? "cheap" : "early");
    const placing = (best?.starts.length ?? 0) > (held?.starts.length ?? 0) ? best : held;
    if (placing) capacity.place(job, placing);
  }
  return { capacity, had };
}

/**
 * Whoever lost a pulse gets it back by a few others that give way. Whoever did not fit before may still not.
 *
 * @returns whether nobody lost a pulse in the end
 */
function mended(
  input: DayPlanInput,
  { capacity, had }: Stood,
  jobs: readonly Job[],
  mayBeExact: () => boolean,
): boolean {
  const chance = seeded(11);
  const lost = (): Job[] => jobs.filter((job) => (capacity.placingOf(job)?.starts.length ?? 0) < (had.get(job) ?? 0));
  for (let round = 0; round < MOST_MENDING && mayBeExact(); round++) {
    const wanting = lost();
    if (wanting.length === 0) return true;
    anotherOrder(input, capacity, jobs, wanting, chance, chance() < 0.5);
  }
  return lost().length === 0;
}
const MOST_MENDING = 40;

/** Share of its windows that a job fills: the tighter goes first. */
function tightness({ windows, pulses, pulseS, gapS }: Job): number {
  const room = windows.reduce((sum, { startS, endS }) => sum + endS - startS, 0);
  return (pulses * pulseS + (pulses - 1) * gapS) / room;
}
