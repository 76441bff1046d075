import { SLOT_S, SLOTS, slotsOf, type Job } from "./day-job.ts";
import { Limit } from "./day-limit.ts";
import { asWanted, cheapest, costOf, earliest } from "./day-starts.ts";

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

/** What a day gives at once. */
export interface Shared {
  /** the pump first */
  readonly limits: readonly { readonly maxLh: number; readonly maxOpen: number }[];
  readonly mixers: readonly { readonly maxLh: number; readonly rinseS: number }[];
}

interface Held {
  readonly job: Job;
  readonly placing: Placing;
}

/** What pump, sources, filters, valves, mixers and hands still have to give at every moment of the day. */
export class DayCapacity {
  private readonly limits: readonly Limit[];
  private readonly ofMixers: readonly Limit[];
  private readonly held = new Map<number, Held>();
  private readonly fixed: Fixed[] = [];

  constructor(
    readonly shared: Shared,
    /** from one opening or closing by hand to the next */
    private readonly walkS = 0,
  ) {
    this.limits = shared.limits.map(({ maxLh, maxOpen }) => new Limit(maxLh, maxOpen));
    this.ofMixers = shared.mixers.map(({ maxLh }) => new Limit(maxLh));
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
    const rinse = Math.ceil((this.shared.mixers[mixer]?.rinseS ?? 0) / SLOT_S);
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

/** The first slot of its windows. */
function earliestOf({ windows }: Job): number {
  return Math.ceil(Math.min(...windows.map(({ startS }) => startS)) / SLOT_S);
}

/** Slots that a pulse at any second touches. */
function slotsIn(startS: number, lengthS: number): [from: number, to: number] {
  return [Math.floor(startS / SLOT_S + 1e-9), Math.min(SLOTS, Math.ceil((startS + lengthS) / SLOT_S - 1e-9))];
}
