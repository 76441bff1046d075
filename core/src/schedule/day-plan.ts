import { Worksheet } from "../working/working.ts";
import type { Span } from "../time/clock.ts";
import { Alone } from "./day-alone.ts";
import { DayCapacity, type Fixed } from "./day-capacity.ts";
import { DAY_S, GRID_S, type Job } from "./day-job.ts";
import { answerOf, limitsOf, mayServe, type DayPlan } from "./day-plan-answer.ts";
import { joined } from "./spans.ts";
import { checkDayPlan, type DayPlanInput, type DayPlanZone } from "./day-plan-input.ts";
import { restarted } from "./day-by-clock.ts";
import { firstPlans } from "./day-first-plan.ts";
import { improve } from "./day-plan-search.ts";

/** A price counts before any nearness to the wanted time: no day's deviation comes near it. */
const PRICE_WEIGHT = 1e9;

/**
 * A day of all zones over one pump and its mixers, without a clash.
 *
 * Sought in this order: most litres, those of a lower priority number counting eight times those of the next; least pumping
 * cost; nearest to the wanted times, which lie evenly over a zone's windows. Each zone is placed exactly against the present
 * load; where not all fits so, the day is filled by the clock; then a few zones are lifted and placed again in another order,
 * as long as there is time and something to gain.
 *
 * @param hasTime asked between rounds of the search; time itself stays outside
 * @param mayBeExact asked before each placing of the first plan: once it says no, what is left is placed as early as can be, which
 *   is quick and fits as many pulses
 * @throws {DomainError} for values that cannot be, all at once
 */
export function dayPlan(input: DayPlanInput, hasTime: () => boolean, mayBeExact: () => boolean = () => true): DayPlan {
  const windows = checkDayPlan(input);
  const sheet = new Worksheet();
  const { maxLh, maxOpenZones = Infinity, kw = 0 } = input.pump;
  const mixers = input.mixers.map(({ maxLh: mixerLh, rinseMin = 0 }) => ({ maxLh: mixerLh, rinseS: rinseMin * 60 }));
  const limits = [
    { maxLh, maxOpen: maxOpenZones },
    ...(input.limits ?? []).map((limit) => ({ maxLh: limit.maxLh ?? Infinity, maxOpen: limit.maxOpen ?? Infinity })),
  ];
  const jobs = input.zones.flatMap((zone, at) => jobOf(input, zone, at, joined(windows[at] ?? []), zone.kw ?? kw));
  const fixed = input.zones.flatMap((zone, at) => fixedOf(input, zone, at));
  const newCapacity = (): DayCapacity => {
    const capacity = new DayCapacity({ limits, mixers }, (input.walkMin ?? 0) * 60);
    for (const pulse of fixed) capacity.fix(pulse);
    return capacity;
  };
  const alone = new Alone(newCapacity());
  const first = firstPlans(input, jobs, newCapacity, mayBeExact);
  if (first.settled) return answerOf(input, first.capacity, jobs, alone, sheet);
  const best = restarted(input, jobs, newCapacity, first.capacity, alone, hasTime);
  improve(input, best, jobs, alone, hasTime);
  return answerOf(input, best, jobs, alone, sheet);
}

/** A zone as a job; none where its flow passes what pump or mixers give, or nothing is asked. */
function jobOf(input: DayPlanInput, zone: DayPlanZone, at: number, windows: readonly Span[], kw: number): Job[] {
  const { pump, mixers, tariff = [] } = input;
  const able = mixers.flatMap(({ id, maxLh }, index) => (zone.flowLh <= maxLh && mayServe(zone, id) ? [index] : []));
  const most = Math.min(pump.maxLh, ...limitsOf(input, zone).map(({ maxLh = Infinity }) => maxLh));
  if (zone.litres === 0 || zone.flowLh > most || able.length === 0) return [];
  const pulseS = (zone.litres / zone.pulses / zone.flowLh) * 3600;
  return [
    {
      at,
      flowLh: zone.flowLh,
      recipe: zone.recipeId,
      pulses: zone.pulses,
      pulseS,
      gapS: 60 * Math.max(zone.minGapMin, zone.byHand ? (input.walkMin ?? 0) : 0),
      windows,
      mixers: able,
      wantedS: zone.wantedS ?? wantedStarts(windows, zone.pulses, pulseS),
      priceAt: kw > 0 && tariff.length > 0 ? pricesOf(pulseS, tariff, kw) : NO_PRICES,
      ...sharedBy(input, zone),
    },
  ];
}

/** What of the limits a zone's water passes, the pump first. */
function sharedBy(
  { limits = [] }: DayPlanInput,
  { id: zoneId, limitIds = [], valve = zoneId, byHand = false }: DayPlanZone,
) {
  return { limits: [0, ...limitIds.map((id) => 1 + limits.findIndex((limit) => limit.id === id))], valve, byHand };
}

function fixedOf(input: DayPlanInput, zone: DayPlanZone, at: number): Fixed[] {
  return (zone.fixed ?? []).map(({ startS, minutes, mixerId }) => ({
    job: {
      ...{ at, flowLh: zone.flowLh, recipe: zone.recipeId, pulses: 1, pulseS: minutes * 60, gapS: 0, windows: [] },
      ...{ mixers: [], wantedS: [], priceAt: new Float64Array(0), ...sharedBy(input, zone) },
    },
    mixer: input.mixers.findIndex(({ id }) => id === mixerId),
    startS,
    lengthS: minutes * 60,
  }));
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

const NO_PRICES = new Float64Array(0);

/** What the pump costs over a pulse from each point of the grid on. A day without a tariff costs the same at any hour: nothing, here. */
function pricesOf(pulseS: number, tariff: NonNullable<DayPlanInput["tariff"]>, kw: number): Float64Array {
  const prices = new Float64Array(DAY_S / GRID_S + 1);
  for (const { startS, endS, pricePerKwh } of tariff) {
    const weight = (PRICE_WEIGHT * kw * pricePerKwh) / 3600;
    const from = Math.max(0, Math.floor((startS - pulseS) / GRID_S));
    for (let point = from; point < prices.length && point * GRID_S < endS; point++) {
      const shared = Math.min(endS, point * GRID_S + pulseS) - Math.max(startS, point * GRID_S);
      if (shared > 0) prices[point] = (prices[point] as number) + weight * shared;
    }
  }
  return prices;
}
