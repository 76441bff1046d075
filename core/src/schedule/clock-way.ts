import { fullest, hasRoom, take, type Room } from "./clock-fill.ts";
import { inOrder, litresByRecipe, recipesOn, type Leaning } from "./clock-turns.ts";
import type { Placing, Shared } from "./day-capacity.ts";
import { secondsOf, type Job } from "./day-job.ts";

/** A zone on its way through the day. */
interface Going {
  readonly zone: number;
  readonly job: Job;
  readonly flowLh: number;
  readonly mixer: number;
  /** whole s */
  readonly length: number;
  readonly gap: number;
  /** seconds at which it may open */
  readonly spans: readonly { readonly from: number; readonly to: number }[];
  /** places of what its water passes: the pump first, other limits, then mixers */
  readonly passes: readonly number[];
  /** what its litres count */
  readonly worth: number;
  /** by the pulses it has left: how much less uneven the rest is with one less */
  readonly evens: readonly number[];
}

/** A day until some moment. */
export interface Way {
  /** s */
  readonly at: number;
  /** pulses that each zone has left */
  readonly left: readonly number[];
  /** second from which each zone may open again */
  readonly ready: readonly number[];
  readonly running: readonly Running[];
  readonly turns: readonly Turn[];
  readonly last: Step | null;
}

/** What opens at a moment of a way, and how it is at the next. */
export interface Step {
  readonly from: Way;
  readonly turns: readonly Turn[];
  readonly opened: readonly number[];
  /** second at which something may open again */
  readonly at: number;
  /** what has run until then, L/h × s, each zone's by what its litres count */
  readonly given: number;
  /** what runs from then on, L/h, likewise */
  readonly giving: number;
  /** how much less even than at first the rest is, likewise: what is left of each zone, by the share of its pulses that is left */
  readonly uneven: number;
}

interface Running {
  readonly zone: number;
  /** s */
  readonly end: number;
}

interface Turn {
  readonly recipe: string | null;
  /** second from which the mixer is rinsed */
  readonly free: number;
}

/** A day by the clock, as it may go on from any moment. */
export class ClockDay {
  readonly first: number;
  readonly last: number;
  private readonly going: readonly Going[];
  /** what there is to give, and room to reckon in */
  private readonly all: Room;
  private readonly room: Room;
  /** zones by mixer */
  private readonly on: readonly (readonly Going[])[];

  constructor(
    jobs: readonly Job[],
    private readonly shared: Shared,
    private readonly leaning: Leaning,
  ) {
    const onMixer = recipesOn(jobs, shared.mixers, leaning);
    this.going = jobs
      .filter(({ recipe, mixers }) => mixers.includes(onMixer.get(recipe) ?? -1))
      .map((job, zone) => this.goingOf(job, zone, onMixer.get(job.recipe) ?? 0));
    this.all = roomOf(shared);
    this.room = roomOf(shared);
    this.on = shared.mixers.map((_, mixer) => this.going.filter((one) => one.mixer === mixer));
    const spans = this.going.flatMap((one) => one.spans.map(({ from, to }) => ({ from, to: to + one.length })));
    this.first = Math.min(...spans.map(({ from }) => from));
    this.last = Math.max(...spans.map(({ to }) => to));
  }

  private goingOf(job: Job, zone: number, mixer: number): Going {
    const length = secondsOf(job);
    const worth = 1 + this.leaning.valued(job);
    const uneven = (left: number): number => (left * left * length * job.flowLh * worth) / job.pulses;
    return {
      ...{ zone, job, mixer, length, flowLh: job.flowLh, gap: Math.ceil(job.gapS) },
      spans: job.windows.flatMap(({ startS, endS }) => {
        const [from, to] = [Math.ceil(startS), Math.floor(endS) - length];
        return from <= to ? [{ from, to }] : [];
      }),
      passes: [...job.limits, this.shared.limits.length + mixer],
      worth,
      evens: Array.from({ length: job.pulses + 1 }, (_, left) => uneven(left) - uneven(left - 1)),
    };
  }

  begin(): Way {
    return {
      at: this.first,
      left: this.going.map(({ job }) => job.pulses),
      ready: this.going.map(() => 0),
      running: [],
      turns: this.shared.mixers.map(() => ({ recipe: null, free: 0 })),
      last: null,
    };
  }

  /** How a way may go on: so many choices of what opens now. */
  after(way: Way, most: number): Step[] {
    const { at, left } = way;
    const turns = way.turns.map((turn, mixer) => this.turned(turn, mixer, way));
    const room = this.roomAt(way);
    const may: Going[] = [];
    for (let mixer = 0; mixer < turns.length; mixer++) {
      const { recipe, free } = turns[mixer] as Turn;
      if (free > at) continue;
      for (const one of this.on[mixer] as readonly Going[]) {
        if (one.job.recipe !== recipe || left[one.zone] === 0 || (way.ready[one.zone] as number) > at) continue;
        if (hasRoom(one, room) && isOpen(one, at)) may.push(one);
      }
    }
    // The next moment: a valve closes, a mixer is rinsed, or a gap or a window lets one open that the pump has room for.
    let until = this.last;
    for (const { end } of way.running) if (end < until) until = end;
    for (const { free } of turns) if (free > at && free < until) until = free;
    return this.choices(may, way, room, most).map((opened) => {
      for (const zone of opened) take(this.going[zone] as Going, room, 1);
      const next = this.nextReady(way, until);
      for (const zone of opened) take(this.going[zone] as Going, room, -1);
      return this.step(way, turns, opened, next);
    });
  }

  private choices(may: readonly Going[], way: Way, room: Room, most: number): readonly (readonly number[])[] {
    if (may.length === 0) return NOTHING;
    const urgency = may.map((one) => this.urgency(one, way));
    const urgent = this.leaning.urgent / Math.max(Number.MIN_VALUE, ...urgency);
    return fullest(
      may.map(({ zone, flowLh, passes, worth }, index) => ({
        zone,
        flowLh,
        passes,
        counts: worth + urgent * (urgency[index] as number),
      })),
      room,
      most,
    );
  }

  private step(from: Way, turns: readonly Turn[], opened: readonly number[], until: number): Step {
    const { at, left, running, last } = from;
    let next = until;
    let giving = last?.giving ?? 0;
    let uneven = last?.uneven ?? 0;
    for (const zone of opened) {
      const one = this.going[zone] as Going;
      if (at + one.length < next) next = at + one.length;
      giving += one.flowLh * one.worth;
      uneven -= one.evens[left[zone] as number] as number;
    }
    const given = (last?.given ?? 0) + giving * (next - at);
    for (const zone of opened) giving -= this.endingBy(next, zone, at + (this.going[zone] as Going).length);
    for (const { zone, end } of running) giving -= this.endingBy(next, zone, end);
    return { from, turns, opened, at: next, given, giving, uneven };
  }

  private endingBy(next: number, zone: number, end: number): number {
    const { flowLh, worth } = this.going[zone] as Going;
    return end <= next ? flowLh * worth : 0;
  }

  /** A way as it is after a step. */
  wayOf(step: Step): Way {
    const { from, opened, at, turns } = step;
    const [left, ready] = [from.left.slice(), from.ready.slice()];
    const running = from.running.filter(({ end }) => end > at);
    for (const zone of opened) {
      const { length, gap } = this.going[zone] as Going;
      left[zone] = (left[zone] as number) - 1;
      ready[zone] = from.at + length + gap;
      if (from.at + length > at) running.push({ zone, end: from.at + length });
    }
    return { at, left, ready, running, turns, last: step };
  }

  /** The pulses of each job on the way to a step. */
  placings(step: Step | null): ReadonlyMap<Job, Placing> {
    const starts = this.going.map((): number[] => []);
    for (let one = step; one; one = one.from.last) for (const zone of one.opened) starts[zone]?.unshift(one.from.at);
    return new Map(
      this.going.flatMap(({ zone, job, mixer }) => {
        const own = starts[zone] ?? [];
        return own.length > 0 ? [[job, { mixer, starts: own, cost: 0 }] as const] : [];
      }),
    );
  }

  private roomAt({ running }: Way): Room {
    const { lh, valves } = this.all;
    this.room.lh.set(lh);
    this.room.valves.set(valves);
    for (const { zone } of running) take(this.going[zone] as Going, this.room, 1);
    return this.room;
  }

  /** Who has most of its time still to go through is to begin: all are to be done together. */
  private urgency({ zone, length, gap, spans }: Going, { at, left }: Way): number {
    return ((left[zone] as number) * (length + gap)) / Math.max(1, (spans.at(-1)?.to ?? 0) + length - at);
  }

  /** When the next zone may open that there is room for, before some second. */
  private nextReady({ at, left, ready }: Way, until: number): number {
    let next = until;
    for (let zone = 0; zone < this.going.length; zone++) {
      const from = ready[zone] as number;
      if (left[zone] === 0 || from >= next) continue;
      const one = this.going[zone] as Going;
      if (!hasRoom(one, this.room)) continue;
      for (const span of one.spans) {
        const opens = Math.max(from, span.from);
        if (opens <= span.to && opens > at && opens < next) next = opens;
      }
    }
    return next;
  }

  /** A mixer keeps its recipe while a zone of it has a pulse left that its window still holds; then it takes the next. */
  private turned(turn: Turn, mixer: number, { at, left, ready, running }: Way): Turn {
    const has = (one: Going): boolean =>
      left[one.zone] !== 0 && Math.max(at, ready[one.zone] as number) <= (one.spans.at(-1)?.to ?? -1);
    const own = this.on[mixer] as readonly Going[];
    for (const one of own) if (one.job.recipe === turn.recipe && has(one)) return turn;
    if (running.some(({ zone }) => this.going[zone]?.mixer === mixer)) return turn;
    const litres = litresByRecipe(own.filter(has).map(({ job, zone }) => ({ job, left: left[zone] as number })));
    const [next] = inOrder(litres, this.leaning);
    if (!next) return turn;
    const rinse = Math.ceil(this.shared.mixers[mixer]?.rinseS ?? 0);
    return { recipe: next[0], free: turn.recipe === null ? 0 : at + rinse };
  }
}

const NOTHING = [[]];

function roomOf({ limits, mixers }: Shared): Room {
  return {
    lh: Float64Array.from([...limits, ...mixers], ({ maxLh }) => maxLh),
    valves: Float64Array.from([...limits.map(({ maxOpen }) => maxOpen), ...mixers.map(() => Infinity)]),
  };
}

function isOpen({ spans }: Going, at: number): boolean {
  for (const { from, to } of spans) if (from <= at && at <= to) return true;
  return false;
}
