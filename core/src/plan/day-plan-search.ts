import { clockSeconds } from "../time/clock.ts";
import { SLOT_S, type DayCapacity, type Job, type Placing } from "./day-capacity.ts";
import type { DayPlanInput } from "./day-plan-input.ts";
import { inRecipeBlocks } from "./recipe-blocks.ts";

const MOST_ROUNDS = 20_000;
const MOST_RUINED = 7;

interface Plans {
  /** by priority, then cost */
  readonly best: DayCapacity;
  /** the most litres of all: the easier one to make better */
  readonly fullest: DayCapacity;
  /** all of it fits where the earlier plan had it: nothing is moved for a little gain */
  readonly settled: boolean;
}

/** Each zone at its wanted times; where not all fits so, packed early, zones of one recipe together or in blocks of the day. */
export function firstPlans(
  input: DayPlanInput,
  jobs: readonly Job[],
  newCapacity: () => DayCapacity,
  mayBeExact: () => boolean,
): Plans {
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
      const early = packed || !mayBeExact();
      const placing = inBlock ? capacity.best(inBlock, early) : blocks ? null : capacity.best(job, early);
      if (placing) capacity.place(job, placing);
    }
    // What its block did not hold may still find room elsewhere.
    if (blocks)
      for (const job of order) {
        const held = capacity.lift(job);
        const placing = held?.starts.length === job.pulses ? held : capacity.best(job, packed || !mayBeExact());
        if (placing) capacity.place(job, placing);
      }
    return {
      capacity,
      worth: worth(
        input,
        order.map((job) => ({ job, placing: capacity.placingOf(job) })),
      ),
    };
  };
  const again = asBefore(input, wanted, newCapacity(), mayBeExact);
  if (again) return { best: again, fullest: again, settled: true };
  const asWanted = filled(wanted, false);
  if (jobs.every((job) => asWanted.capacity.placingOf(job)?.starts.length === job.pulses))
    return { best: asWanted.capacity, fullest: asWanted.capacity, settled: false };
  // Out of time: other ways to begin are not tried.
  if (!mayBeExact()) return { best: asWanted.capacity, fullest: asWanted.capacity, settled: false };
  const blocks = inRecipeBlocks(
    jobs,
    input.mixers.map(({ maxLh }) => maxLh),
  );
  const byFlow = [...jobs].sort((a, b) => byPriority(a, b) || b.flowLh - a.flowLh || a.at - b.at);
  const plans = [asWanted, filled(grouped, true), filled(wanted, true), filled(byFlow, true, blocks)];
  const litres = ({ worth: { litres: of } }: (typeof plans)[number]): number =>
    [...of.values()].reduce((sum, each) => sum + each, 0);
  return {
    best: plans.reduce((best, tried) => (isBetter(tried.worth, best.worth) ? tried : best)).capacity,
    fullest: plans.reduce((best, tried) => (litres(tried) > litres(best) ? tried : best)).capacity,
    settled: false,
  };
}

/**
 * The earlier plan, as far as it still can be: every zone that has room where it was stays there, the others are placed about
 * them. Nothing where no zone had a plan, or where not all fits so.
 */
function asBefore(
  { zones, mixers }: DayPlanInput,
  jobs: readonly Job[],
  capacity: DayCapacity,
  mayBeExact: () => boolean,
): DayCapacity | null {
  const moved: Job[] = [];
  for (const job of jobs) {
    const before = zones[job.at]?.before;
    const mixer = mixers.findIndex(({ id }) => id === before?.mixerId);
    const starts = before?.starts.map((start) => Math.round(clockSeconds(start, "before") / SLOT_S)) ?? [];
    const placing = starts.length === job.pulses ? capacity.asBefore(job, mixer, starts) : null;
    if (placing) capacity.place(job, placing);
    else moved.push(job);
  }
  if (moved.length === jobs.length) return null;
  for (const job of moved) {
    const placing = capacity.best(job, !mayBeExact());
    if (placing) capacity.place(job, placing);
  }
  return jobs.every((job) => capacity.placingOf(job)?.starts.length === job.pulses) ? capacity : null;
}

const priorityOf = (input: DayPlanInput, job: Job): number => input.zones[job.at]?.priority ?? 0;

/** Share of its windows that a job fills: the tighter goes first. */
function tightness({ windows, pulses, pulseS, gapS }: Job): number {
  const room = windows.reduce((sum, { startS, endS }) => sum + endS - startS, 0);
  return (pulses * pulseS + (pulses - 1) * gapS) / room;
}

/** Lifts a few zones and places them in another order, keeping what is no worse. */
export function improve(
  input: DayPlanInput,
  capacity: DayCapacity,
  jobs: readonly Job[],
  alone: ReadonlyMap<number, Placing | null>,
  hasTime: () => boolean,
): void {
  const chance = seeded(20);
  const pulsesShort = (job: Job): number =>
    (alone.get(job.at)?.starts.length ?? 0) - (capacity.placingOf(job)?.starts.length ?? 0);
  const dearer = (job: Job): boolean => (capacity.placingOf(job)?.cost ?? 0) > (alone.get(job.at)?.cost ?? 0) + 1e-6;
  for (let round = 0; round < MOST_ROUNDS && hasTime(); round++) {
    const short = jobs.filter((job) => pulsesShort(job) > 0);
    const wanting = short.length > 0 ? short : jobs.filter(dearer);
    const first = wanting[Math.floor(chance() * wanting.length)];
    if (!first) return;
    const others = jobs.filter((job) => job !== first && capacity.placingOf(job));
    const lifted = [first, ...sample(others, 1 + Math.floor(chance() * MOST_RUINED), chance)];
    const before = lifted.map((job) => ({ job, placing: capacity.lift(job) }));
    const packed = short.length > 0 && chance() < 0.9;
    const order = chance() < 0.5 ? lifted : shuffled(lifted, chance);
    for (const job of order) {
      const placing = capacity.best(job, packed);
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
    if (isBetter(was, now)) {
      lifted.forEach((job) => capacity.lift(job));
      for (const { job, placing } of before) if (placing) capacity.place(job, placing);
    }
  }
}

/** Litres by priority, the first the most urgent, and then the cost. */
export interface Worth {
  readonly litres: ReadonlyMap<number, number>;
  readonly cost: number;
}

export function worth(input: DayPlanInput, placed: readonly { job: Job; placing: Placing | null }[]): Worth {
  const litres = new Map<number, number>();
  let cost = 0;
  for (const { job, placing } of placed) {
    const priority = priorityOf(input, job);
    litres.set(priority, (litres.get(priority) ?? 0) + (placing?.starts.length ?? 0) * job.pulseS * job.flowLh);
    cost += placing?.cost ?? 0;
  }
  return { litres, cost };
}

export function isBetter(a: Worth, b: Worth): boolean {
  const priorities = [...new Set([...a.litres.keys(), ...b.litres.keys()])].sort((x, y) => x - y);
  for (const priority of priorities) {
    const more = (a.litres.get(priority) ?? 0) - (b.litres.get(priority) ?? 0);
    if (Math.abs(more) > 1e-6) return more > 0;
  }
  return a.cost < b.cost - 1e-6;
}

/** Chance that comes out the same every time: a linear congruential generator, Numerical Recipes' constants. */
function seeded(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
    return state / 2 ** 32;
  };
}

function shuffled<T>(values: readonly T[], chance: () => number): T[] {
  return values
    .map((value) => ({ value, key: chance() }))
    .sort((a, b) => a.key - b.key)
    .map(({ value }) => value);
}

function sample<T>(values: readonly T[], count: number, chance: () => number): T[] {
  return shuffled(values, chance).slice(0, count);
}
