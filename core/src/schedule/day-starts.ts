import { DAY_S, GRID_S, stepOf, type Job } from "./day-job.ts";
import type { Starts } from "./day-shut.ts";

const POINTS = DAY_S / GRID_S + 1;
/** Room to reckon in: a job is looked at and forgotten before the next one. */
const FREE = new Uint8Array(POINTS);
const REACHED: Reached[] = [];

/** Of the pulses so far: what they cost at the least when the last begins no later than at each point, and where it then does. */
interface Reached {
  readonly cost: Float64Array;
  readonly from: Int16Array;
}

/** What a pulse costs that begins at a second: the pump, and how far it is from where it is wanted. */
export function costOf({ priceAt, wantedS }: Job, pulse: number, startS: number): number {
  const point = Math.floor(startS / GRID_S);
  const [price, next] = [priceAt[point] ?? 0, priceAt[point + 1] ?? priceAt[point] ?? 0];
  return price + (next - price) * (startS / GRID_S - point) + Math.abs(startS - (wantedS[pulse] ?? 0));
}

/** Each pulse as soon as it may be: equal pulses fit no more often than so, and none of them can end earlier. */
export function earliest(open: readonly Starts[], job: Job): number[] {
  const step = stepOf(job);
  const starts: number[] = [];
  let next = 0;
  for (const { from, to } of open)
    for (let at = Math.max(from, next); at <= to && starts.length < job.pulses; at = next) {
      starts.push(at);
      next = at + step;
    }
  return starts;
}

/** Each pulse at the point of the grid nearest to where it is wanted, where all of these are free: nothing can be nearer. */
export function asWanted(open: readonly Starts[], job: Job): number[] | null {
  if (job.priceAt.length > 0) return null;
  const step = stepOf(job);
  const starts: number[] = [];
  for (let pulse = 0; pulse < job.pulses; pulse++) {
    const at = Math.ceil((job.wantedS[pulse] ?? 0) / GRID_S - 0.5) * GRID_S;
    if (at < (starts.at(-1) ?? -Infinity) + step || !mayStart(open, at)) return null;
    starts.push(at);
  }
  return starts;
}

export function mayStart(open: readonly Starts[], at: number): boolean {
  return open.some(({ from, to }) => from <= at && at <= to);
}

/** Dynamic program over the points of the grid: most pulses, then least cost. */
export function cheapest(open: readonly Starts[], job: Job): number[] {
  const { pulses, wantedS, priceAt } = job;
  const step = Math.ceil(stepOf(job) / GRID_S);
  const first = Math.floor((open[0]?.from ?? 0) / GRID_S);
  const size = Math.floor((open.at(-1)?.to ?? -1) / GRID_S) + 1 - first;
  if (size <= 0) return [];
  const free = FREE.subarray(0, size).fill(0);
  for (const { from, to } of open) free.fill(1, Math.ceil(from / GRID_S) - first, Math.floor(to / GRID_S) + 1 - first);
  const isPriced = priceAt.length > 0;
  let reached = 0;
  for (; reached < pulses; reached++) {
    const before = REACHED[reached - 1]?.cost;
    const { cost, from } = (REACHED[reached] ??= { cost: new Float64Array(POINTS), from: new Int16Array(POINTS) });
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
          Math.abs((first + at) * GRID_S - wanted);
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
    starts.unshift((first + start) * GRID_S);
    at = start - step;
  }
  return starts;
}
