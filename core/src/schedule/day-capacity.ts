import { DAY_S, secondsOf, stepOf, type Job } from "./day-job.ts";
import { Limit } from "./day-limit.ts";
import { Shut, type Starts } from "./day-shut.ts";
import { asWanted, cheapest, costOf, earliest, mayStart } from "./day-starts.ts";

/** A pulse that stands as it is: it ran, or somebody locked it. */
export interface Fixed {
  readonly job: Job;
  readonly mixer: number;
  readonly startS: number;
  readonly lengthS: number;
}

export interface Placing {
  readonly mixer: number;
  /** s, in order */
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
    const [from, to] = secondsIn(fixed.startS, fixed.lengthS);
    for (const limit of this.passedBy(fixed.job, fixed.mixer)) {
      limit.count(fixed.job, 1);
      limit.carry(fixed.job, from, to, 1);
    }
  }

  /**
   * The best that a job can have beside what is placed: most pulses, then least cost; null when not even one fits.
   *
   * @param aim as early as can be instead of as cheap, which leaves more room for those that come after; or near some other times
   */
  best(job: Job, aim: "cheap" | "early" | readonly number[] = "cheap"): Placing | null {
    const packed = aim === "early";
    let best: { readonly placing: Placing; readonly rank: number } | null = null;
    for (const mixer of job.mixers) {
      const placing = this.bestOn(job, mixer, aim);
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
    const length = secondsOf(job);
    for (const limit of this.passedBy(job, mixer)) {
      limit.count(job, sign);
      for (const start of starts) limit.carry(job, start, start + length, sign);
    }
  }

  /** What the water of a job passes. */
  private passedBy(job: Job, mixer: number): readonly Limit[] {
    return [this.ofMixers[mixer], ...job.limits.map((at) => this.limits[at])].filter((limit) => limit !== undefined);
  }

  /** When a pulse of the job could begin on a mixer: pump, valves or mixer full, another recipe too near, or nobody to walk there. */
  private openOn(job: Job, mixer: number): Starts[] {
    const shut = new Shut(secondsOf(job));
    for (const limit of this.passedBy(job, mixer)) limit.shut(job, shut);
    const rinseS = Math.ceil(this.shared.mixers[mixer]?.rinseS ?? 0);
    const gapS = Math.ceil(job.gapS);
    this.eachRun((other, onMixer, start, end) => {
      const apart = other.valve === job.valve ? gapS : -1;
      const rinsed = onMixer === mixer && other.recipe !== job.recipe ? rinseS : -1;
      const room = Math.max(apart, rinsed);
      if (room >= 0) shut.add(start - room, end + room);
    });
    this.shutWalks(job, shut);
    return shut.open(job.windows);
  }

  /** Every pulse that is placed or stands, by its seconds. */
  private eachRun(look: (job: Job, mixer: number, from: number, to: number) => void): void {
    for (const { job, placing } of this.held.values()) {
      const length = secondsOf(job);
      for (const start of placing.starts) look(job, placing.mixer, start, start + length);
    }
    for (const { job, mixer, startS, lengthS } of this.fixed) look(job, mixer, ...secondsIn(startS, lengthS));
  }

  /** Starts at which somebody would have to be at two valves at once. */
  private shutWalks(job: Job, shut: Shut): void {
    const walkS = Math.ceil(this.walkS);
    if (!job.byHand || walkS === 0) return;
    const length = secondsOf(job);
    this.eachRun((other, _mixer, start, end) => {
      if (!other.byHand || other.valve === job.valve) return;
      // Neither its opening nor its closing lies too near to another one.
      for (const action of [start, end])
        for (const at of [action, action - length]) shut.addStarts(at - walkS + 1, at + walkS);
    });
  }

  /** As many of some starts as can be, in order. */
  asFarAs(job: Job, { mixer, starts }: Placing): Placing | null {
    if (!job.mixers.includes(mixer)) return null;
    const step = stepOf(job);
    const open = this.openOn(job, mixer);
    const kept: number[] = [];
    for (const start of starts)
      if (start >= (kept.at(-1) ?? -Infinity) + step && mayStart(open, start)) kept.push(start);
    return kept.length > 0 ? placed(job, mixer, kept) : null;
  }

  /** The best on one mixer: the k-th pulse no earlier than a gap after the one before. */
  private bestOn(job: Job, mixer: number, aim: "cheap" | "early" | readonly number[]): Placing | null {
    const open = this.openOn(job, mixer);
    const aimed = typeof aim === "string" ? job : { ...job, wantedS: aim, priceAt: NO_PRICES };
    let starts = aim === "early" ? [] : (asWanted(open, aimed) ?? cheapest(open, aimed));
    // What is open for less than a step of the grid may hold more pulses than the grid does.
    if (starts.length < job.pulses) {
      const soonest = earliest(open, job);
      if (soonest.length > starts.length) starts = soonest;
    }
    return starts.length > 0 ? placed(job, mixer, starts) : null;
  }
}

const NO_PRICES = new Float64Array(0);

function placed(job: Job, mixer: number, starts: readonly number[]): Placing {
  return { mixer, starts, cost: starts.reduce((sum, start, pulse) => sum + costOf(job, pulse, start), 0) };
}

/** The first second of its windows. */
function earliestOf({ windows }: Job): number {
  return Math.ceil(Math.min(...windows.map(({ startS }) => startS)));
}

/** Whole seconds that a pulse touches. */
function secondsIn(startS: number, lengthS: number): [from: number, to: number] {
  return [Math.floor(startS + 1e-9), Math.min(DAY_S, Math.ceil(startS + lengthS - 1e-9))];
}
