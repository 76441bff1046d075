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
  /** what the pump costs from each slot on, in the same measure */
  readonly priceAt: Float64Array;
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

/** What pump, valves and mixers still have to give at every moment of the day. */
export class DayCapacity {
  private readonly load = new Float64Array(SLOTS);
  private readonly open = new Uint16Array(SLOTS);
  private readonly mixerLoad: Float64Array[];
  private readonly held = new Map<number, Held>();

  constructor(
    private readonly pumpLh: number,
    private readonly mostOpen: number,
    private readonly mixers: readonly { readonly maxLh: number; readonly rinseS: number }[],
  ) {
    this.mixerLoad = mixers.map(() => new Float64Array(SLOTS));
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
    const mixerLoad = this.mixerLoad[mixer];
    for (const start of starts)
      for (let slot = start; slot < start + length; slot++) {
        this.load[slot] = (this.load[slot] ?? 0) + sign * job.flowLh;
        this.open[slot] = (this.open[slot] ?? 0) + sign;
        if (mixerLoad) mixerLoad[slot] = (mixerLoad[slot] ?? 0) + sign * job.flowLh;
      }
  }

  /** Slots in which the job cannot run: pump, valves or mixer full, or another recipe too near. */
  private blocked(job: Job, mixer: number, from: number, to: number): Uint8Array {
    const blocked = new Uint8Array(SLOTS).fill(1);
    for (const { startS, endS } of job.windows) blocked.fill(0, Math.ceil(startS / SLOT_S), Math.floor(endS / SLOT_S));
    const mixerLoad = this.mixerLoad[mixer];
    const maxLh = this.mixers[mixer]?.maxLh ?? 0;
    const tiny = 1e-9;
    for (let slot = from; slot < to; slot++)
      if (
        (this.load[slot] ?? 0) + job.flowLh > this.pumpLh + tiny ||
        (this.open[slot] ?? 0) + 1 > this.mostOpen ||
        (mixerLoad?.[slot] ?? 0) + job.flowLh > maxLh + tiny
      )
        blocked[slot] = 1;
    const rinse = Math.ceil((this.mixers[mixer]?.rinseS ?? 0) / SLOT_S);
    for (const { job: other, placing } of this.held.values()) {
      if (placing.mixer !== mixer || other.recipe === job.recipe) continue;
      const length = slotsOf(other);
      for (const start of placing.starts) blocked.fill(1, Math.max(0, start - rinse), start + length + rinse);
    }
    return blocked;
  }

  /** The best on one mixer, exactly: the k-th pulse no earlier than a gap after the one before. */
  private bestOn(job: Job, mixer: number, packed: boolean): Placing | null {
    const first = Math.floor(Math.min(...job.windows.map(({ startS }) => startS)) / SLOT_S);
    const size = Math.ceil(Math.max(...job.windows.map(({ endS }) => endS)) / SLOT_S) - first;
    const blocked = this.blocked(job, mixer, first, first + size);
    const length = slotsOf(job);
    const step = length + Math.ceil(job.gapS / SLOT_S);
    // A start is free when none of the slots after it, for the pulse's length, is blocked.
    const free = new Uint8Array(size);
    let run = 0;
    for (let at = size - 1; at >= 0; at--) {
      run = blocked[first + at] === 1 ? 0 : run + 1;
      if (run >= length) free[at] = 1;
    }
    const relative = packed ? earliest(free, job.pulses, step) : cheapest(free, job, step, first);
    if (relative.length === 0) return null;
    const starts = relative.map((at) => first + at);
    return { mixer, starts, cost: starts.reduce((sum, start, pulse) => sum + costOf(job, pulse, start), 0) };
  }
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

/** Dynamic program over start slots: most pulses, then least cost. */
function cheapest(free: Uint8Array, job: Job, step: number, first: number): number[] {
  const size = free.length;
  const reach: { readonly cost: Float64Array; readonly from: Int16Array }[] = [];
  for (let pulse = 0; pulse < job.pulses; pulse++) {
    const before = reach[pulse - 1]?.cost;
    const cost = new Float64Array(size).fill(Infinity);
    const from = new Int16Array(size).fill(-1);
    let best = Infinity;
    let bestAt = -1;
    const wantedS = job.wantedS[pulse] ?? 0;
    for (let at = pulse * step; at < size; at++) {
      if (free[at] === 1) {
        const total =
          (before ? (before[at - step] ?? Infinity) : 0) +
          (job.priceAt[first + at] ?? 0) +
          Math.abs((first + at) * SLOT_S - wantedS);
        if (total < best) {
          best = total;
          bestAt = at;
        }
      }
      cost[at] = best;
      from[at] = bestAt;
    }
    if (bestAt < 0) break;
    reach.push({ cost, from });
  }
  const starts: number[] = [];
  let at = size - 1;
  for (let pulse = reach.length - 1; pulse >= 0; pulse--) {
    const start = reach[pulse]?.from[at] ?? -1;
    starts.unshift(start);
    at = start - step;
  }
  return starts;
}

/** Slots that a pulse takes up. */
function slotsOf({ pulseS }: Pick<Job, "pulseS">): number {
  return Math.max(1, Math.ceil(pulseS / SLOT_S - 1e-9));
}
