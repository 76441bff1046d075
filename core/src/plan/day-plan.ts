import { clockText } from "../irrigation/clock.ts";
import { fill, Worksheet, type WorkingStep } from "../working.ts";
import { DayBoard, SLOT_S, SLOTS, type Job, type Placing } from "./day-board.ts";
import { checkDayPlan, type DayPlanInput, type DayPlanZone, type Span } from "./day-plan-input.ts";

export interface DayPlanEvent {
  readonly zoneId: string;
  readonly mixerId: string;
  /** 1 for the first */
  readonly pulse: number;
  /** `HH:MM:SS` */
  readonly start: string;
  readonly end: string;
  readonly recipeId: string;
  readonly lh: number;
  readonly litres: number;
}

export interface Unmet {
  readonly zoneId: string;
  readonly litres: number;
  readonly reason: string;
  readonly cheapestWayOut: string;
}

export interface DayPlan {
  readonly status: "optimal" | "feasible" | "partial";
  /** 100 · (bound − litres) / bound; 0 when all is delivered */
  readonly gapPct: number;
  readonly events: readonly DayPlanEvent[];
  readonly peakLh: number;
  readonly unmet: readonly Unmet[];
  readonly warnings: readonly string[];
  readonly working: readonly WorkingStep[];
}

/** A price counts before any nearness to the wanted time: no day's deviation comes near it. */
const PRICE_WEIGHT = 1e9;
const MOST_ROUNDS = 20_000;
const MOST_RUINED = 7;

/**
 * A day of all zones over one pump and its mixers, without a clash.
 *
 * Sought in this order: most litres, the lower priority number first; least pumping cost; nearest to the wanted times,
 * which lie evenly over a zone's windows. Each zone is placed exactly against the present load; then a few zones are
 * lifted and placed again in another order, as long as there is time and something to gain.
 *
 * @param hasTime asked between rounds; time itself stays outside
 * @throws {DomainError} for values that cannot be, all at once
 */
export function dayPlan(input: DayPlanInput, hasTime: () => boolean): DayPlan {
  const { windows, tariff } = checkDayPlan(input);
  const sheet = new Worksheet();
  const { maxLh, maxOpenZones = Infinity, kw = 0 } = input.pump;
  const mixers = input.mixers.map(({ maxLh: mixerLh, rinseMin = 0 }) => ({ maxLh: mixerLh, rinseS: rinseMin * 60 }));
  const newBoard = (): DayBoard => new DayBoard(maxLh, maxOpenZones, mixers);
  const jobs = input.zones.flatMap((zone, at) => jobOf(input, zone, at, windows[at] ?? [], tariff, kw));
  const alone = new Map(jobs.map((job) => [job.at, newBoard().best(job)]));
  const board = firstPlan(input, jobs, newBoard);
  improve(input, board, jobs, alone, hasTime);
  return answerOf(input, board, jobs, alone, sheet);
}

/** Each zone at its wanted times; where not all fits so, packed early, zones of one recipe together. */
function firstPlan(input: DayPlanInput, jobs: readonly Job[], newBoard: () => DayBoard): DayBoard {
  const byPriority = (a: Job, b: Job): number => priorityOf(input, a) - priorityOf(input, b);
  const wanted = [...jobs].sort((a, b) => byPriority(a, b) || tightness(b) - tightness(a) || a.at - b.at);
  const grouped = [...jobs].sort((a, b) => byPriority(a, b) || a.recipe.localeCompare(b.recipe) || a.at - b.at);
  const filled = (order: readonly Job[], packed: boolean): { board: DayBoard; worth: Worth } => {
    const board = newBoard();
    for (const job of order) {
      const placing = board.best(job, packed);
      if (placing) board.place(job, placing);
    }
    return {
      board,
      worth: worth(
        input,
        order.map((job) => ({ job, placing: board.placingOf(job) })),
      ),
    };
  };
  const asWanted = filled(wanted, false);
  if (jobs.every((job) => asWanted.board.placingOf(job)?.starts.length === job.pulses)) return asWanted.board;
  return [filled(grouped, true), filled(wanted, true)].reduce(
    (best, tried) => (isBetter(tried.worth, best.worth) ? tried : best),
    asWanted,
  ).board;
}

/** A zone as a job; none where its flow passes what pump or mixers give, or nothing is asked. */
function jobOf(
  { pump, mixers }: DayPlanInput,
  zone: DayPlanZone,
  at: number,
  windows: readonly Span[],
  tariff: readonly (Span & { price: number })[],
  kw: number,
): Job[] {
  const able = mixers.flatMap(({ id, maxLh }, index) =>
    zone.flowLh <= maxLh && (zone.mixerId === undefined || zone.mixerId === id) ? [index] : [],
  );
  if (zone.litres === 0 || zone.flowLh > pump.maxLh || able.length === 0) return [];
  const pulseS = (zone.litres / zone.pulses / zone.flowLh) * 3600;
  const wanted = wantedStarts(windows, zone.pulses, pulseS);
  const isPriced = kw > 0 && tariff.length > 0;
  const prices = Float64Array.from({ length: isPriced ? SLOTS : 0 }, (_, slot) =>
    priceOf(slot * SLOT_S, pulseS, tariff, kw),
  );
  return [
    {
      at,
      flowLh: zone.flowLh,
      recipe: zone.recipeId,
      pulses: zone.pulses,
      pulseS,
      gapS: zone.minGapMin * 60,
      windows,
      mixers: able,
      cost: (pulse, slot) => PRICE_WEIGHT * (prices[slot] ?? 0) + Math.abs(slot * SLOT_S - (wanted[pulse] ?? 0)),
    },
  ];
}

/** Evenly over the windows: the middle of the k-th of n equal parts of their whole length. */
function wantedStarts(windows: readonly Span[], pulses: number, pulseS: number): number[] {
  const total = windows.reduce((sum, { startS, endS }) => sum + endS - startS, 0);
  return Array.from({ length: pulses }, (_, pulse) => {
    let into = ((pulse + 0.5) / pulses) * total;
    for (const { startS, endS } of windows) {
      if (into <= endS - startS) return startS + into - pulseS / 2;
      into -= endS - startS;
    }
    return windows.at(-1)?.startS ?? 0;
  });
}

/** Cost of the pump over a pulse. A day without a tariff costs the same at any hour: nothing, here. */
function priceOf(startS: number, pulseS: number, tariff: readonly (Span & { price: number })[], kw: number): number {
  return tariff.reduce((sum, span) => {
    const shared = Math.min(span.endS, startS + pulseS) - Math.max(span.startS, startS);
    return shared > 0 ? sum + (kw * span.price * shared) / 3600 : sum;
  }, 0);
}

const priorityOf = (input: DayPlanInput, job: Job): number => input.zones[job.at]?.priority ?? 0;

/** Share of its windows that a job fills: the tighter goes first. */
function tightness({ windows, pulses, pulseS, gapS }: Job): number {
  const room = windows.reduce((sum, { startS, endS }) => sum + endS - startS, 0);
  return (pulses * pulseS + (pulses - 1) * gapS) / room;
}

/** Lifts a few zones and places them in another order, keeping what is no worse. */
function improve(
  input: DayPlanInput,
  board: DayBoard,
  jobs: readonly Job[],
  alone: ReadonlyMap<number, Placing | null>,
  hasTime: () => boolean,
): void {
  const chance = seeded(20);
  const pulsesShort = (job: Job): number =>
    (alone.get(job.at)?.starts.length ?? 0) - (board.placingOf(job)?.starts.length ?? 0);
  const dearer = (job: Job): boolean => (board.placingOf(job)?.cost ?? 0) > (alone.get(job.at)?.cost ?? 0) + 1e-6;
  for (let round = 0; round < MOST_ROUNDS && hasTime(); round++) {
    const short = jobs.filter((job) => pulsesShort(job) > 0);
    const wanting = short.length > 0 ? short : jobs.filter(dearer);
    const first = wanting[Math.floor(chance() * wanting.length)];
    if (!first) return;
    const others = jobs.filter((job) => job !== first && board.placingOf(job));
    const lifted = [first, ...sample(others, 1 + Math.floor(chance() * MOST_RUINED), chance)];
    const before = lifted.map((job) => ({ job, placing: board.lift(job) }));
    const packed = short.length > 0 && chance() < 0.7;
    const order = chance() < 0.5 ? lifted : shuffled(lifted, chance);
    for (const job of order) {
      const placing = board.best(job, packed);
      if (placing) board.place(job, placing);
    }
    const was = worth(
      input,
      before.map(({ job, placing }) => ({ job, placing })),
    );
    const now = worth(
      input,
      lifted.map((job) => ({ job, placing: board.placingOf(job) })),
    );
    if (isBetter(was, now)) {
      lifted.forEach((job) => board.lift(job));
      for (const { job, placing } of before) if (placing) board.place(job, placing);
    }
  }
}

/** Litres by priority, the first the most urgent, and then the cost. */
interface Worth {
  readonly litres: ReadonlyMap<number, number>;
  readonly cost: number;
}

function worth(input: DayPlanInput, placed: readonly { job: Job; placing: Placing | null }[]): Worth {
  const litres = new Map<number, number>();
  let cost = 0;
  for (const { job, placing } of placed) {
    const priority = priorityOf(input, job);
    litres.set(priority, (litres.get(priority) ?? 0) + (placing?.starts.length ?? 0) * job.pulseS * job.flowLh);
    cost += placing?.cost ?? 0;
  }
  return { litres, cost };
}

function isBetter(a: Worth, b: Worth): boolean {
  const priorities = [...new Set([...a.litres.keys(), ...b.litres.keys()])].sort((x, y) => x - y);
  for (const priority of priorities) {
    const more = (a.litres.get(priority) ?? 0) - (b.litres.get(priority) ?? 0);
    if (Math.abs(more) > 1e-6) return more > 0;
  }
  return a.cost < b.cost - 1e-6;
}

function answerOf(
  input: DayPlanInput,
  board: DayBoard,
  jobs: readonly Job[],
  alone: ReadonlyMap<number, Placing | null>,
  sheet: Worksheet,
): DayPlan {
  const events = jobs
    .flatMap((job) => eventsOf(input, job, board.placingOf(job)))
    .sort((a, b) => a.start.localeCompare(b.start) || a.zoneId.localeCompare(b.zoneId));
  const litres = events.reduce((sum, event) => sum + event.litres, 0);
  const unmet = input.zones.flatMap((zone, at) => {
    const job = jobs.find((candidate) => candidate.at === at);
    return unmetOf(input, zone, job, board, alone.get(at) ?? null);
  });
  const boundL = boundOf(input, jobs, alone);
  sheet.note(
    "Bound of the litres",
    "the less of what every zone could have alone and what the pump gives while any window is open",
    fill`${boundL}`,
    boundL,
    "L",
    "each zone by exact dynamic programming over its starts; the pump by its flow",
  );
  sheet.note(
    "Litres planned",
    "Σ of the pulses",
    fill`${events.length} pulses`,
    litres,
    "L",
    "starts on a grid of 15 s, lengths exact",
  );
  const asAlone = jobs.every((job) => {
    const [have, could] = [board.placingOf(job), alone.get(job.at)];
    return have?.starts.length === could?.starts.length && (have?.cost ?? 0) <= (could?.cost ?? 0) + 1e-6;
  });
  const missing = unmet.some((entry) => entry.litres > 0);
  if (missing)
    sheet.warn(`Not all fits: ${Math.round(unmet.reduce((sum, entry) => sum + entry.litres, 0))} L stay undone.`);
  return {
    status: missing ? "partial" : asAlone ? "optimal" : "feasible",
    gapPct: missing && boundL > 0 ? Math.max(0, (100 * (boundL - litres)) / boundL) : 0,
    events,
    peakLh: peakOf(events),
    unmet,
    warnings: sheet.warnings,
    working: sheet.steps,
  };
}

function eventsOf(input: DayPlanInput, job: Job, placing: Placing | null): DayPlanEvent[] {
  const zone = input.zones[job.at];
  if (!zone || !placing) return [];
  return placing.starts.map((slot, pulse) => ({
    zoneId: zone.id,
    mixerId: input.mixers[placing.mixer]?.id ?? "",
    pulse: pulse + 1,
    start: clockText(slot * SLOT_S),
    // To the nearest second, which never passes the slots that were kept for it.
    end: clockText(slot * SLOT_S + job.pulseS),
    recipeId: zone.recipeId,
    lh: zone.flowLh,
    litres: zone.litres / zone.pulses,
  }));
}

function unmetOf(
  input: DayPlanInput,
  zone: DayPlanZone,
  job: Job | undefined,
  board: DayBoard,
  alone: Placing | null,
): Unmet[] {
  if (zone.litres === 0) return [];
  const unmet = (litres: number, reason: string, cheapestWayOut: string): Unmet[] => [
    { zoneId: zone.id, litres, reason, cheapestWayOut },
  ];
  if (!job) {
    const isPump = zone.flowLh > input.pump.maxLh;
    const most = isPump ? input.pump.maxLh : Math.max(...ableMixers(input, zone).map(({ maxLh }) => maxLh));
    return unmet(
      zone.litres,
      `Its flow of ${zone.flowLh} L/h is more than the ${isPump ? "pump" : "mixer"} gives (${most} L/h).`,
      `Split the zone into ${Math.ceil(zone.flowLh / most)} valves, or take ${isPump ? "a pump" : "a mixer"} of at least ${zone.flowLh} L/h.`,
    );
  }
  const have = board.placingOf(job)?.starts.length ?? 0;
  if (have === zone.pulses) return [];
  const litres = (zone.litres * (zone.pulses - have)) / zone.pulses;
  const could = alone?.starts.length ?? 0;
  if (could <= have)
    return unmet(
      litres,
      `Its windows hold only ${could} of ${zone.pulses} pulses with ${zone.minGapMin} min between them.`,
      `Open its window ${minutesMore(job, have)} min longer, or give fewer and larger pulses.`,
    );
  return unmet(
    litres,
    "Pump, valves and mixers are taken by other zones while its windows are open.",
    wayOut(job, board, zone),
  );
}

function ableMixers(input: DayPlanInput, zone: DayPlanZone): DayPlanInput["mixers"] {
  return input.mixers.filter(({ id }) => zone.mixerId === undefined || zone.mixerId === id);
}

/** How much longer its last window must be for the pulses that are missing, were the zone alone. */
function minutesMore({ pulses, pulseS, gapS }: Job, have: number): number {
  return Math.ceil(((pulses - have) * (pulseS + gapS)) / 60);
}

/** The least that its last window must be opened for all of it to fit beside the rest. */
function wayOut(job: Job, board: DayBoard, zone: DayPlanZone): string {
  const held = board.lift(job);
  const last = job.windows.at(-1);
  let answer = "Raise the pump's flow, or move another zone's window.";
  if (last)
    for (let endS = last.endS + 900; endS <= SLOTS * SLOT_S; endS += 900) {
      const wider = { ...job, windows: [...job.windows.slice(0, -1), { ...last, endS }] };
      if (board.best(wider)?.starts.length !== zone.pulses) continue;
      answer = `Let its window end at ${clockText(endS).slice(0, 5)}: then all of it fits.`;
      break;
    }
  if (held) board.place(job, held);
  return answer;
}

function boundOf(input: DayPlanInput, jobs: readonly Job[], alone: ReadonlyMap<number, Placing | null>): number {
  const each = jobs.reduce((sum, job) => {
    const zone = input.zones[job.at];
    return zone ? sum + (zone.litres * (alone.get(job.at)?.starts.length ?? 0)) / zone.pulses : sum;
  }, 0);
  const open = new Uint8Array(SLOTS);
  for (const { windows } of jobs)
    for (const { startS, endS } of windows) open.fill(1, Math.floor(startS / SLOT_S), Math.ceil(endS / SLOT_S));
  const hours = (open.reduce((sum, slot) => sum + slot, 0) * SLOT_S) / 3600;
  return Math.min(each, hours * input.pump.maxLh);
}

function peakOf(events: readonly DayPlanEvent[]): number {
  const changes = events
    .flatMap(({ start, end, lh }) => [
      { at: start, by: lh },
      { at: end, by: -lh },
    ])
    .sort((a, b) => a.at.localeCompare(b.at) || a.by - b.by);
  let [now, peak] = [0, 0];
  for (const { by } of changes) {
    now += by;
    peak = Math.max(peak, now);
  }
  return peak;
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
