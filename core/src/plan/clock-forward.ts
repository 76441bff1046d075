import { type Placing } from "./day-capacity.ts";
import { SLOT_S, slotsOf, type Job } from "./day-job.ts";

/** What a day gives at once. */
interface Shared {
  readonly pumpLh: number;
  readonly mixers: readonly { readonly maxLh: number; readonly rinseS: number }[];
}

/** What counts beside the flow that fills the pump. */
interface Leaning {
  /** how much whoever has most of its time still to go through counts, in shares of its flow */
  readonly urgent: number;
  /** what a zone counts for more, in shares of its flow */
  valued(job: Job): number;
  /** what the litres of a recipe are taken for, in shares of them: who goes first, and on which mixer */
  prefers(recipe: string): number;
}

/** A zone on its way through the day. */
interface Going {
  readonly job: Job;
  readonly mixer: number;
  readonly length: number;
  readonly gap: number;
  readonly starts: number[];
  /** the first slot from which it may run again */
  ready: number;
}

/** Flows are summed in steps of so much, L/h: enough to fill a pump to the last drop that matters. */
const STEP_LH = 100;

/**
 * A day by the clock: whenever something closes, those zones open that fill the pump best, the more urgent first. Each recipe
 * keeps to one mixer, which changes when none of its zones has a pulse left. It fills a pump that is loaded to the brim, where
 * one zone after the other leaves gaps.
 *
 * @returns the pulses of each job that found their time; others may still find room beside them
 */
export function byTheClock(
  jobs: readonly Job[],
  { pumpLh, mixers }: Shared,
  leaning: Leaning = { urgent: 1, valued: () => 0, prefers: () => 1 },
): ReadonlyMap<Job, Placing> {
  const onMixer = recipesOn(jobs, mixers, leaning);
  const going = jobs.flatMap((job): Going[] => {
    const mixer = onMixer.get(job.recipe);
    if (mixer === undefined || !job.mixers.includes(mixer)) return [];
    return [{ job, mixer, length: slotsOf(job), gap: Math.ceil(job.gapS / SLOT_S), starts: [], ready: 0 }];
  });
  const turns = mixers.map(() => ({ recipe: null as string | null, free: 0 }));
  let running: { readonly of: Going; readonly end: number }[] = [];
  const first = Math.min(...jobs.flatMap(({ windows }) => windows.map(({ startS }) => Math.ceil(startS / SLOT_S))));
  const last = Math.max(...jobs.flatMap(({ windows }) => windows.map(({ endS }) => Math.floor(endS / SLOT_S))));
  for (let at = first; at < last;) {
    running = running.filter(({ end }) => end > at);
    turns.forEach((turn, mixer) => takeTurn(turn, mixer, going, running, at, mixers[mixer]?.rinseS ?? 0, leaning));
    const left = (mixer: number): number =>
      (mixers[mixer]?.maxLh ?? 0) -
      sumOf(running.filter(({ of }) => of.mixer === mixer).map(({ of }) => of.job.flowLh));
    const room = pumpLh - sumOf(running.map(({ of }) => of.job.flowLh));
    const may = going.filter(
      (one) =>
        one.starts.length < one.job.pulses &&
        one.ready <= at &&
        turns[one.mixer]?.recipe === one.job.recipe &&
        (turns[one.mixer]?.free ?? 0) <= at &&
        one.job.windows.some(({ startS, endS }) => at * SLOT_S >= startS && (at + one.length) * SLOT_S <= endS),
    );
    const lefts = mixers.map((_, mixer) => left(mixer));
    for (const one of fullest(may, room, at, lefts, leaning)) {
      one.starts.push(at);
      one.ready = at + one.length + one.gap;
      running.push({ of: one, end: at + one.length });
    }
    at = nextTurn(
      at,
      going,
      running,
      turns.map(({ free }) => free),
      last,
    );
  }
  return new Map(
    going.flatMap(({ job, mixer, starts }) => (starts.length > 0 ? [[job, { mixer, starts, cost: 0 }] as const] : [])),
  );
}

/** Each recipe on the mixer that would be done soonest with it, the one with most to give first. */
function recipesOn(jobs: readonly Job[], mixers: Shared["mixers"], { prefers }: Leaning): ReadonlyMap<string, number> {
  const litres = new Map<string, number>();
  for (const { recipe, pulses, pulseS, flowLh } of jobs)
    litres.set(recipe, (litres.get(recipe) ?? 0) + pulses * pulseS * flowLh);
  const hours = mixers.map(() => 0);
  const found = new Map<string, number>();
  for (const [recipe, of] of [...litres].sort(([x, a], [y, b]) => b * prefers(y) - a * prefers(x))) {
    const able = mixers
      .map((_, mixer) => mixer)
      .filter((mixer) => jobs.every((job) => job.recipe !== recipe || job.mixers.includes(mixer)))
      .sort((a, b) => (hours[a] ?? 0) - (hours[b] ?? 0));
    const [mixer] = able;
    if (mixer === undefined) continue;
    found.set(recipe, mixer);
    hours[mixer] = (hours[mixer] ?? 0) + of / (mixers[mixer]?.maxLh ?? 1);
  }
  return found;
}

/** A mixer keeps its recipe while a zone of it has a pulse left that its window still holds; then it takes the next. */
function takeTurn(
  turn: { recipe: string | null; free: number },
  mixer: number,
  going: readonly Going[],
  running: readonly { readonly of: Going; readonly end: number }[],
  at: number,
  rinseS: number,
  { prefers }: Leaning,
): void {
  const open = going.filter(
    (one) =>
      one.mixer === mixer &&
      one.starts.length < one.job.pulses &&
      one.job.windows.some(({ endS }) => (Math.max(at, one.ready) + one.length) * SLOT_S <= endS),
  );
  if (turn.recipe !== null && open.some(({ job }) => job.recipe === turn.recipe)) return;
  if (running.some(({ of }) => of.mixer === mixer)) return;
  const left = new Map<string, number>();
  for (const { job, starts } of open)
    left.set(job.recipe, (left.get(job.recipe) ?? 0) + (job.pulses - starts.length) * job.pulseS * job.flowLh);
  const [next] = [...left].sort(([x, a], [y, b]) => b * prefers(y) - a * prefers(x));
  if (!next) return;
  if (turn.recipe !== null) turn.free = at + Math.ceil(rinseS / SLOT_S);
  turn.recipe = next[0];
}

/** Those of some zones that fill what is left of pump and mixers best; of ways that fill them alike the more urgent. */
function fullest(
  may: readonly Going[],
  roomLh: number,
  at: number,
  leftLh: readonly number[],
  { urgent, valued }: Leaning,
): readonly Going[] {
  const size = Math.floor(roomLh / STEP_LH);
  if (size <= 0 || may.length === 0) return [];
  // Who has most of its time still to go through counts more than its flow: all are to be done together.
  const urgency = (one: Going): number => {
    const left = one.job.pulses - one.starts.length;
    const end = (one.job.windows.at(-1)?.endS ?? 0) / SLOT_S;
    return (left * (one.length + one.gap)) / Math.max(1, end - at);
  };
  const most = Math.max(...may.map(urgency));
  let best: Filled = { worth: new Float64Array(size + 1), chosen: Array.from({ length: size + 1 }, () => []) };
  leftLh.forEach((left, mixer) => {
    const own = may.filter((one) => one.mixer === mixer);
    if (own.length === 0) return;
    const filled = subsets(
      own,
      Math.min(size, Math.floor(left / STEP_LH)),
      (one) => one.job.flowLh * (1 + (urgent * urgency(one)) / most + valued(one.job)),
    );
    best = beside(best, filled, size);
  });
  return best.chosen[size] ?? [];
}

/** By what is taken of the room, in steps: the most that it is worth, and by whom. */
interface Filled {
  readonly worth: Float64Array;
  readonly chosen: readonly (readonly Going[])[];
}

/** Every room up to a size filled best with some zones. */
function subsets(zones: readonly Going[], size: number, valueOf: (one: Going) => number): Filled {
  const worth = new Float64Array(size + 1);
  const chosen: (readonly Going[])[] = Array.from({ length: size + 1 }, () => []);
  for (const one of zones) {
    const weight = Math.ceil(one.job.flowLh / STEP_LH - 1e-9);
    const value = valueOf(one);
    for (let room = size; room >= weight; room--) {
      const withIt = (worth[room - weight] ?? 0) + value;
      if (withIt <= (worth[room] ?? 0)) continue;
      worth[room] = withIt;
      chosen[room] = [...(chosen[room - weight] ?? []), one];
    }
  }
  return { worth, chosen };
}

/** Two mixers beside each other on one pump. */
function beside(a: Filled, b: Filled, size: number): Filled {
  const worth = new Float64Array(size + 1);
  const chosen: (readonly Going[])[] = [];
  for (let room = 0; room <= size; room++) {
    let [most, split] = [-1, 0];
    for (let part = Math.min(room, b.worth.length - 1); part >= 0; part--) {
      const both = (a.worth[room - part] ?? 0) + (b.worth[part] ?? 0);
      if (both > most) [most, split] = [both, part];
    }
    worth[room] = most;
    chosen.push([...(a.chosen[room - split] ?? []), ...(b.chosen[split] ?? [])]);
  }
  return { worth, chosen };
}

/** The next moment at which anything may open. */
function nextTurn(
  at: number,
  going: readonly Going[],
  running: readonly { readonly end: number }[],
  free: readonly number[],
  last: number,
): number {
  const turns = [
    ...running.map(({ end }) => end),
    ...free,
    ...going.flatMap(({ job, starts, ready }) =>
      starts.length < job.pulses ? [ready, ...job.windows.map(({ startS }) => Math.ceil(startS / SLOT_S))] : [],
    ),
  ].filter((turn) => turn > at);
  return turns.length > 0 ? Math.min(...turns) : last;
}

function sumOf(flows: readonly number[]): number {
  return flows.reduce((sum, lh) => sum + lh, 0);
}
