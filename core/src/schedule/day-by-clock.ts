import { byTheClock } from "./clock-beam.ts";
import type { Alone } from "./day-alone.ts";
import type { DayCapacity } from "./day-capacity.ts";
import type { Job } from "./day-job.ts";
import type { DayPlanInput } from "./day-plan-input.ts";
import { seeded } from "../working/seeded.ts";
import { isBetter, litresOf, priorityOf, worth, worthOf, type Worth } from "./day-worth.ts";

/** How much more the most important zones count, in shares of their flow. */
const IMPORTANT = 0.1;

/** How a day is looked for. */
interface Beam {
  /** pulses of each job */
  readonly asked: ReadonlyMap<Job, number>;
  /** ways at once */
  readonly width: number;
  readonly chance: () => number;
  readonly hasTime: () => boolean;
}

/** The day by the clock, and about it what found no time there. */
export function forward(
  input: DayPlanInput,
  jobs: readonly Job[],
  capacity: DayCapacity,
  mayBeExact: () => boolean,
  beam: Beam | null = null,
): { capacity: DayCapacity; worth: Worth } {
  const priorities = [...new Set(jobs.map((job) => priorityOf(input, job)))].sort((a, b) => b - a);
  const turns = new Map(jobs.map(({ recipe }) => [recipe, beam ? 0.5 + beam.chance() : 1]));
  const asked = jobs.map((job) => ({ ...job, pulses: beam?.asked.get(job) ?? job.pulses }));
  const placings = byTheClock(
    asked.filter(({ pulses }) => pulses > 0),
    capacity.shared,
    {
      urgent: beam ? 0.1 : 1,
      prefers: (recipe) => turns.get(recipe) ?? 1,
      valued: (job) => (IMPORTANT * priorities.indexOf(priorityOf(input, job))) / Math.max(1, priorities.length - 1),
    },
    beam?.width ?? 1,
    beam?.hasTime ?? (() => true),
  );
  jobs.forEach((job, at) => {
    const found = placings.get(asked[at] as Job);
    const placing = found ? capacity.asFarAs(job, found) : null;
    if (placing) capacity.place(job, placing);
  });
  for (const job of [...jobs].sort((a, b) => priorityOf(input, a) - priorityOf(input, b))) {
    const held = capacity.lift(job);
    const best = held?.starts.length === job.pulses ? held : capacity.best(job, mayBeExact() ? "cheap" : "early");
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

/**
 * Days by the clock of more and more ways at once, recipes in other orders, as long as there is time and something to gain; the
 * best of them. Whoever comes last is asked no more of than the pump was found to give: else it fills what the first would need.
 */
export function restarted(
  input: DayPlanInput,
  jobs: readonly Job[],
  newCapacity: () => DayCapacity,
  best: DayCapacity,
  alone: Alone,
  hasTime: () => boolean,
): DayCapacity {
  const chance = seeded(7);
  let found = { capacity: best, worth: worthOf(input, jobs, best) };
  let mostL: number | null = null;
  let surplus = SURPLUS;
  const last = Math.max(...jobs.map((job) => priorityOf(input, job)));
  const isShort = ({ capacity }: { capacity: DayCapacity }, counts: (job: Job) => boolean = () => true): boolean =>
    jobs.some((job) => counts(job) && (capacity.placingOf(job)?.starts.length ?? 0) < alone.pulsesOf(job));
  for (let round = 0; round < MOST_ROUNDS && isShort(found) && hasTime(); round++) {
    const width = WIDTHS[Math.min(round, WIDTHS.length - 1)] as number;
    const asked = withoutTheLast(input, jobs, (mostL ?? Infinity) * (1 + surplus));
    const tried = forward(input, jobs, newCapacity(), () => false, { asked, width, chance, hasTime });
    if (mostL !== null && isShort(tried, (job) => priorityOf(input, job) < last)) surplus -= GIVES_WAY;
    mostL = Math.max(mostL ?? 0, givenL(jobs, tried.capacity));
    if (isBetter(tried.worth, found.worth)) found = tried;
  }
  return found.capacity;
}
const WIDTHS = [8, 40, 160];
const MOST_ROUNDS = 12;

function givenL(jobs: readonly Job[], capacity: DayCapacity): number {
  return jobs.reduce((sum, job) => sum + litresOf(job, capacity.placingOf(job)?.starts.length ?? 0), 0);
}

/** How many pulses are asked for each job so that all are no more than some litres: those that come last give way, evenly. */
function withoutTheLast(input: DayPlanInput, jobs: readonly Job[], litres: number): ReadonlyMap<Job, number> {
  const asked = new Map(jobs.map((job) => [job, job.pulses]));
  const last = Math.max(...jobs.map((job) => priorityOf(input, job)));
  if (jobs.every((job) => priorityOf(input, job) === last)) return asked;
  let over = jobs.reduce((sum, job) => sum + litresOf(job, job.pulses), 0) - litres;
  const share = (job: Job): number => (asked.get(job) ?? 0) / job.pulses;
  const inOrder = [...jobs].sort((a, b) => priorityOf(input, b) - priorityOf(input, a));
  while (over > 0) {
    const rank = inOrder.find((job) => share(job) > 0);
    if (!rank) break;
    const [most] = inOrder
      .filter((job) => priorityOf(input, job) === priorityOf(input, rank))
      .sort((a, b) => share(b) - share(a));
    if (!most) break;
    asked.set(most, (asked.get(most) ?? 0) - 1);
    over -= litresOf(most, 1);
  }
  return asked;
}
/** What is asked beyond what the pump was found to give, as a share: something to choose from. */
const SURPLUS = 0.005;
/** What the last give up for the others, share of the litres, each time that others were short. */
const GIVES_WAY = 0.01;
