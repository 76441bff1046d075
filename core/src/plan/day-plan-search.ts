import { byTheClock } from "./clock-forward.ts";
import { clockSeconds } from "../time/clock.ts";
import type { Alone } from "./day-alone.ts";
import { SLOT_S, slotsOf, type DayCapacity, type Job, type Placing } from "./day-capacity.ts";
import type { DayPlanInput } from "./day-plan-input.ts";
import { inRecipeBlocks } from "./recipe-blocks.ts";

const MOST_ROUNDS = 20_000;
const MOST_RUINED = 7;

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

/** How much more the most important zones count, in shares of their flow. */
const IMPORTANT = 0.1;

/** Most L/h of what all zones pass beside the pump. */
function sharedByAll({ limits = [], zones }: DayPlanInput, jobs: readonly Job[]): number[] {
  return limits.flatMap(({ id, maxLh }) =>
    maxLh !== undefined && jobs.every((job) => zones[job.at]?.limitIds?.includes(id)) ? [maxLh] : [],
  );
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

/** The day by the clock, and about it what found no time there. */
function forward(
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
    const starts = before?.starts.map((start) => Math.round(clockSeconds(start, "before") / SLOT_S)) ?? [];
    const placing = starts.length > 0 ? capacity.asFarAs(job, { mixer, starts, cost: 0 }) : null;
    had.set(job, starts.length);
    const stays = placing?.starts.length === starts.length;
    if (placing && stays) capacity.place(job, placing);
    if (!stays || starts.length < job.pulses) moved.push(job);
  }
  if (moved.length === jobs.length) return null;
  for (const job of moved) {
    const held = capacity.lift(job);
    const best = capacity.best(job, !mayBeExact());
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
function anotherOrder(
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
  if (!isBetter(was, now)) return;
  lifted.forEach((job) => capacity.lift(job));
  for (const { job, placing } of before) if (placing) capacity.place(job, placing);
}

/** Litres, each zone's counted by its priority, and then the cost. */
interface Worth {
  readonly litres: number;
  readonly cost: number;
}

/** A litre of one priority counts as many of the next: the first are served first, and the rest do not go dry for a last drop. Assumed. */
const A_PRIORITY = 8;
const MOST_RANKS = 12;

function worth(input: DayPlanInput, placed: readonly { job: Job; placing: Placing | null }[]): Worth {
  const ranks = [...new Set(input.zones.map(({ priority }) => priority))].sort((a, b) => b - a);
  let [litres, cost] = [0, 0];
  for (const { job, placing } of placed) {
    const counts = A_PRIORITY ** Math.min(MOST_RANKS, ranks.indexOf(priorityOf(input, job)));
    litres += (counts * (placing?.starts.length ?? 0) * job.pulseS * job.flowLh) / 3600;
    cost += placing?.cost ?? 0;
  }
  return { litres, cost };
}

/** Of a whole plan. */
function worthOf(input: DayPlanInput, jobs: readonly Job[], capacity: DayCapacity): Worth {
  return worth(
    input,
    jobs.map((job) => ({ job, placing: capacity.placingOf(job) })),
  );
}

function isBetter(a: Worth, b: Worth): boolean {
  const more = a.litres - b.litres;
  return Math.abs(more) > 1e-6 * Math.max(1, b.litres) ? more > 0 : a.cost < b.cost - 1e-6;
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

/** Those that run while one pulse of a job might, at some moment of its windows. */
function inTheWay(job: Job, others: readonly Job[], capacity: DayCapacity, chance: () => number): readonly Job[] {
  const { startS = 0, endS = 0 } = job.windows[Math.floor(chance() * job.windows.length)] ?? {};
  const from = (startS + chance() * Math.max(0, endS - startS - job.pulseS)) / SLOT_S;
  const to = from + slotsOf(job);
  return others
    .filter((other) => {
      const length = slotsOf(other);
      return capacity.placingOf(other)?.starts.some((start) => start < to && start + length > from);
    })
    .slice(0, MOST_IN_THE_WAY);
}
const MOST_IN_THE_WAY = 24;

function sample<T>(values: readonly T[], count: number, chance: () => number): T[] {
  return shuffled(values, chance).slice(0, count);
}
