import { SLOT_S, SLOTS, type Job } from "./day-job.ts";

/** Room to reckon in: a job is looked at and forgotten before the next one. */
const REACHED: Reached[] = [];

/** Of the pulses so far: what they cost at the least when the last begins no later than at each slot, and where it then does. */
interface Reached {
  readonly cost: Float64Array;
  readonly from: Int16Array;
}

/** What a pulse costs that begins at a slot: the pump, and how far it is from where it is wanted. */
export function costOf({ priceAt, wantedS }: Job, pulse: number, slot: number): number {
  return (priceAt[slot] ?? 0) + Math.abs(slot * SLOT_S - (wantedS[pulse] ?? 0));
}

/** Each pulse as soon as it may be: equal pulses fit no more often than so, and none of them can end earlier. */
export function earliest(free: Uint8Array, pulses: number, step: number): number[] {
  const starts: number[] = [];
  for (let at = free.indexOf(1); at >= 0 && starts.length < pulses; at = free.indexOf(1, at + step)) starts.push(at);
  return starts;
}

/** Each pulse at the slot nearest to where it is wanted, where all of these are free: nothing can be nearer. */
export function asWanted(free: Uint8Array, job: Job, step: number, first: number): number[] | null {
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
export function cheapest(free: Uint8Array, { pulses, wantedS, priceAt }: Job, step: number, first: number): number[] {
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
