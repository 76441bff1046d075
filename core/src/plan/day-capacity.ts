import type { Span } from "./day-plan-input.ts";

/** Starts stand on this grid, s; lengths are exact and take up every slot that they touch. */
export const SLOT_S = 15;
export const SLOTS = 86_400 / SLOT_S;

/** One zone as it is placed: the same pulse so many times, on a mixer of its own choice. */
export interface Job {
  readonly at: number;
  readonly flowLh: number;
  readonly recipe: string;
  readonly pulses: number;
  readonly pulseS: number;
  readonly gapS: number;
  readonly windows: readonly Span[];
  /** mixers that may serve it */
  readonly mixers: readonly number[];
  /** when the k-th pulse would best start, s; nearness to it is what a start costs */
  readonly wantedS: readonly number[];
  /** what the pump costs from each slot on, in the same measure; empty where it costs the same all day */
  readonly priceAt: Float64Array;
  /** what its water passes and whom its valve shares with: the pump first */
  readonly limits: readonly number[];
  /** whose pulses keep apart */
  readonly valve: string;
  /** somebody has to walk to its valve */
  readonly byHand: boolean;
}

/** A pulse that stands as it is: it ran, or somebody locked it. */
export interface Fixed {
  readonly job: Job;
  readonly mixer: number;
  readonly startS: number;
  readonly lengthS: number;
}

export interface Placing {
  readonly mixer: number;
  /** slots, in order */
  readonly starts: readonly number[];
  readonly cost: number;
}

interface Held {
  readonly job: Job;
  readonly placing: Placing;
}

/** Most that a pump, a source, a filter, a mixer or a group of valves carries at once. */
class Limit {
  private readonly load = new Float64Array(SLOTS);
  private readonly open = new Uint16Array(SLOTS);
  /** what would pass if all that is placed ran at once */
  private readonly all = { lh: 0, open: 0 };

  constructor(
    private readonly maxLh: number,
    private readonly maxOpen = Infinity,
  ) {}

  /** A job more, or one less. */
  count({ flowLh }: Job, sign: 1 | -1): void {
    this.all.lh += sign * flowLh;
    this.all.open += sign;
  }

  carry({ flowLh }: Job, from: number, to: number, sign: 1 | -1): void {
    const { load, open } = this;
    for (let slot = from; slot < to; slot++) {
      load[slot] = (load[slot] as number) + sign * flowLh;
      open[slot] = (open[slot] as number) + sign;
    }
  }

  /** Marks the slots that have no room for a job. */
  block({ flowLh }: Job, blocked: Uint8Array, from: number, to: number): void {
    const [mostLh, mostOpen] = [this.maxLh - flowLh + TINY, this.maxOpen - 1];
    if (this.all.lh <= mostLh && this.all.open <= mostOpen) return;
    const { load, open } = this;
    for (let slot = from; slot < to; slot++)
      if ((load[slot] as number) > mostLh || (open[slot] as number) > mostOpen) blocked[slot] = 1;
  }
}
const TINY = 1e-9;

/** What pump, sources, filters, valves, mixers and hands still have to give at every moment of the day. */
export class DayCapacity {
  private readonly limits: readonly Limit[];
  private readonly ofMixers: readonly Limit[];
  private readonly held = new Map<number, Held>();
  private readonly fixed: Fixed[] = [];

  constructor(
    /** the pump first */
    limits: readonly { readonly maxLh: number; readonly maxOpen: number }[],
    private readonly mixers: readonly { readonly maxLh: number; readonly rinseS: number }[],
    /** from one opening or closing by hand to the next */
    private readonly walkS = 0,
  ) {
    this.limits = limits.map(({ maxLh, maxOpen }) => new Limit(maxLh, maxOpen));
    this.ofMixers = mixers.map(({ maxLh }) => new Limit(maxLh));
  }

  /** A pulse that stands as it is, whatever it takes of the others. */
  fix(fixed: Fixed): void {
    this.fixed.push(fixed);
    const [from, to] = slotsIn(fixed.startS, fixed.lengthS);
    for (const limit of this.passedBy(fixed.job, fixed.mixer)) {
      limit.count(fixed.job, 1);
      limit.carry(fixed.job, from, to, 1);
    }
  }

  /**
   * The best that a job can have beside what is placed: most pulses, then least cost; null when not even one fits.
   *
   * @param packed as early as can be instead of as cheap: leaves more room for those that come after
   */
  best(job: Job, packed = false): Placing | null {
    let best: { readonly placing: Placing; readonly rank: number } | null = null;
    for (const mixer of job.mixers) {
      const placing = this.bestOn(job, mixer, packed);
      if (!placing) continue;
      const rank = packed ? (placing.starts.at(-1) ?? 0) : placing.cost;
      const more = placing.starts.length - (best?.placing.starts.length ?? 0);
      if (!best || more > 0 || (more === 0 && rank < best.rank)) best = { placing, rank };
      // As early as can be on an idle mixer: no other one serves better.
      if (packed && placing.starts.length === job.pulses && placing.starts[0] === earliestOf(job)) break;
    }
    return best?.placing ?? null;
  }

  place(job: Job, placing: Placing): void {
    this.held.set(job.at, { job, placing });
    this.add(job, placing, 1);
  }

  lift(job: Job): Placing | null {
    const held = this.held.get(job.at);
    if (!held) return null;
    this.held.delete(job.at);
    this.add(job, held.placing, -1);
    return held.placing;
  }

  placingOf(job: Job): Placing | null {
    return this.held.get(job.at)?.placing ?? null;
  }

  private add(job: Job, { mixer, starts }: Placing, sign: 1 | -1): void {
    const length = slotsOf(job);
    for (const limit of this.passedBy(job, mixer)) {
      limit.count(job, sign);
      for (const start of starts) limit.carry(job, start, start + length, sign);
    }
  }

  /** What the water of a job passes. */
  private passedBy(job: Job, mixer: number): readonly Limit[] {
    return [this.ofMixers[mixer], ...job.limits.map((at) => this.limits[at])].filter((limit) => limit !== undefined);
  }

  /** Slots in which the job cannot run: pump, valves or mixer full, or another recipe too near. */
  private blocked(job: Job, mixer: number, from: number, to: number): Uint8Array {
    const blocked = BLOCKED.fill(1);
    for (const { startS, endS } of job.windows) blocked.fill(0, Math.ceil(startS / SLOT_S), Math.floor(endS / SLOT_S));
    for (const limit of this.passedBy(job, mixer)) limit.block(job, blocked, from, to);
    const rinse = Math.ceil((this.mixers[mixer]?.rinseS ?? 0) / SLOT_S);
    const gap = Math.ceil(job.gapS / SLOT_S);
    this.eachRun((other, onMixer, start, end) => {
      const apart = other.valve === job.valve ? gap : -1;
      const rinsed = onMixer === mixer && other.recipe !== job.recipe ? rinse : -1;
      const room = Math.max(apart, rinsed);
      if (room >= 0) blocked.fill(1, Math.max(0, start - room), end + room);
    });
    return blocked;
  }

  /** Every pulse that is placed or stands, by its slots. */
  private eachRun(look: (job: Job, mixer: number, from: number, to: number) => void): void {
    for (const { job, placing } of this.held.values()) {
      const length = slotsOf(job);
      for (const start of placing.starts) look(job, placing.mixer, start, start + length);
    }
    for (const { job, mixer, startS, lengthS } of this.fixed) look(job, mixer, ...slotsIn(startS, lengthS));
  }

  /** Starts at which somebody would have to be at two valves at once. */
  private withoutWalks(job: Job, free: Uint8Array, first: number, length: number): void {
    const walk = Math.ceil(this.walkS / SLOT_S);
    if (!job.byHand || walk === 0) return;
    const clear = (action: number): void => {
      // Neither its opening nor its closing lies too near to another one.
      for (const at of [action, action - length])
        free.fill(0, Math.max(0, at - walk + 1 - first), Math.max(0, at + walk - first));
    };
    this.eachRun((other, _mixer, start, end) => {
      if (!other.byHand || other.valve === job.valve) return;
      clear(start);
      clear(end);
    });
  }

  /** As many of some starts as can be, in order. */
  asFarAs(job: Job, { mixer, starts }: Placing): Placing | null {
    if (!job.mixers.includes(mixer)) return null;
    const step = slotsOf(job) + Math.ceil(job.gapS / SLOT_S);
    const { free, first } = this.freeOn(job, mixer);
    const kept: number[] = [];
    for (const start of starts)
      if (free[start - first] === 1 && start >= (kept.at(-1) ?? -Infinity) + step) kept.push(start);
    if (kept.length === 0) return null;
    return { mixer, starts: kept, cost: kept.reduce((sum, start, pulse) => sum + costOf(job, pulse, start), 0) };
  }

  /** Slots at which a pulse of the job could begin on a mixer, from its first window on; good until the next job is asked for. */
  private freeOn(job: Job, mixer: number): { readonly free: Uint8Array; readonly first: number } {
    const first = Math.floor(Math.min(...job.windows.map(({ startS }) => startS)) / SLOT_S);
    const size = Math.ceil(Math.max(...job.windows.map(({ endS }) => endS)) / SLOT_S) - first;
    const blocked = this.blocked(job, mixer, first, first + size);
    const length = slotsOf(job);
    // A start is free when none of the slots after it, for the pulse's length, is blocked.
    const free = FREE.subarray(0, size).fill(0);
    let run = 0;
    for (let at = size - 1; at >= 0; at--) {
      run = blocked[first + at] === 1 ? 0 : run + 1;
      if (run >= length) free[at] = 1;
    }
    this.withoutWalks(job, free, first, length);
    return { free, first };
  }

  /** The best on one mixer, exactly: the k-th pulse no earlier than a gap after the one before. */
  private bestOn(job: Job, mixer: number, packed: boolean): Placing | null {
    const { free, first } = this.freeOn(job, mixer);
    const step = slotsOf(job) + Math.ceil(job.gapS / SLOT_S);
    const relative = packed
      ? earliest(free, job.pulses, step)
      : (asWanted(free, job, step, first) ?? cheapest(free, job, step, first));
    if (relative.length === 0) return null;
    const starts = relative.map((at) => first + at);
    return { mixer, starts, cost: starts.reduce((sum, start, pulse) => sum + costOf(job, pulse, start), 0) };
  }
}

/** Room to reckon in: a job is looked at and forgotten before the next one. */
const BLOCKED = new Uint8Array(SLOTS);
const FREE = new Uint8Array(SLOTS);
const REACHED: Reached[] = [];

/** Of the pulses so far: what they cost at the least when the last begins no later than at each slot, and where it then does. */
interface Reached {
  readonly cost: Float64Array;
  readonly from: Int16Array;
}

/** The first slot of its windows. */
function earliestOf({ windows }: Job): number {
  return Math.ceil(Math.min(...windows.map(({ startS }) => startS)) / SLOT_S);
}

function costOf({ priceAt, wantedS }: Job, pulse: number, slot: number): number {
  return (priceAt[slot] ?? 0) + Math.abs(slot * SLOT_S - (wantedS[pulse] ?? 0));
}

/** Each pulse as soon as it may be: equal pulses fit no more often than so, and none of them can end earlier. */
function earliest(free: Uint8Array, pulses: number, step: number): number[] {
  const starts: number[] = [];
  for (let at = free.indexOf(1); at >= 0 && starts.length < pulses; at = free.indexOf(1, at + step)) starts.push(at);
  return starts;
}

/** Each pulse at the slot nearest to where it is wanted, where all of these are free: nothing can be nearer. */
function asWanted(free: Uint8Array, job: Job, step: number, first: number): number[] | null {
  if (job.priceAt.length > 0) return null;
  const starts: number[] = [];
  for (let pulse = 0; pulse < job.pulses; pulse++) {
    const at = Math.ceil((job.wantedS[pulse] ?? 0) / SLOT_S - 0.5) - first;
    if (free[at] !== 1 || at < (starts.at(-1) ?? -Infinity) + step) return null;
    starts.push(at);
  }
  return starts;
}

/** Dynamic program over start slots: most pulses, then least cost. */
function cheapest(free: Uint8Array, { pulses, wantedS, priceAt }: Job, step: number, first: number): number[] {
  const size = free.length;
  const isPriced = priceAt.length > 0;
  let reached = 0;
  for (; reached < pulses; reached++) {
    const before = REACHED[reached - 1]?.cost;
    const { cost, from } = (REACHED[reached] ??= { cost: new Float64Array(SLOTS), from: new Int16Array(SLOTS) });
    const wanted = wantedS[reached] ?? 0;
    let best = Infinity;
    let bestAt = -1;
    const least = Math.min(size, reached * step);
    cost.fill(Infinity, 0, least);
    for (let at = least; at < size; at++) {
      if (free[at] === 1) {
        const total =
          (before ? (before[at - step] as number) : 0) +
          (isPriced ? (priceAt[first + at] as number) : 0) +
          Math.abs((first + at) * SLOT_S - wanted);
        if (total < best) {
          best = total;
          bestAt = at;
        }
      }
      cost[at] = best;
      from[at] = bestAt;
    }
    if (bestAt < 0) break;
  }
  const starts: number[] = [];
  let at = size - 1;
  for (let pulse = reached - 1; pulse >= 0; pulse--) {
    const start = REACHED[pulse]?.from[at] ?? -1;
    starts.unshift(start);
    at = start - step;
  }
  return starts;
}

/** Slots that a pulse at any second touches. */
function slotsIn(startS: number, lengthS: number): [from: number, to: number] {
  return [Math.floor(startS / SLOT_S + 1e-9), Math.min(SLOTS, Math.ceil((startS + lengthS) / SLOT_S - 1e-9))];
}

/** Slots that a pulse takes up. */
export function slotsOf({ pulseS }: Pick<Job, "pulseS">): number {
  return Math.max(1, Math.ceil(pulseS / SLOT_S - 1e-9));
}
