import type { Span } from "../time/clock.ts";

export interface Pulse {
  /** seconds from midnight */
  readonly startS: number;
  readonly minutes: number;
  readonly litres: number;
}

/** When, inside the window, which share of the day's demand has arisen; shares rise from 0 to 1. */
export type DemandCurve = (secondsFromMidnight: number) => number;

interface PulseRequest {
  readonly litres: number;
  readonly zoneFlowLh: number;
  /** How many pulses are wanted; fewer are given when the window is too short for so many gaps. */
  readonly wanted: number;
  /** From one pulse's end to the next one's start. */
  readonly minGapMin: number;
  /** in which the zone may be watered */
  readonly window: Span;
  /** Without it, starts are spread evenly. */
  readonly demand?: DemandCurve | undefined;
}

interface PulsePlan {
  readonly pulses: readonly Pulse[];
  /** What the window cannot hold at this flow. */
  readonly unmetL: number;
}

/**
 * Cuts a zone's litres into equal pulses inside a window.
 *
 * Each pulse starts once the demand curve has reached its share (the k-th of n at k/n), as early as gaps allow; when
 * that would run over the window's end, the last pulses are drawn forward. All pulses lie in the window, none overlap,
 * and litres given and unmet add up to the litres asked for.
 */
export function planPulses({ litres, zoneFlowLh, wanted, minGapMin, window, demand }: PulseRequest): PulsePlan {
  const roomS = window.endS - window.startS;
  const givenL = Math.min(litres, (zoneFlowLh * roomS) / 3600);
  if (givenL <= 0) return { pulses: [], unmetL: litres };
  const runS = (givenL / zoneFlowLh) * 3600;
  const gapS = minGapMin * 60;
  // Starts stand on whole seconds, so that clocks can be set to them: a pulse and its gap take up whole seconds.
  const fits = (count: number): boolean => (count - 1) * Math.ceil(runS / count + gapS) + runS / count <= roomS;
  let count = Math.max(1, Math.floor(wanted));
  while (count > 1 && !fits(count)) count--;
  const lengthS = runS / count;
  const stepS = count > 1 ? Math.ceil(lengthS + gapS) : 0;
  const latest = (k: number): number => Math.floor(window.endS - lengthS) - (count - 1 - k) * stepS;
  const pulses: Pulse[] = [];
  let earliest = window.startS;
  for (let k = 0; k < count; k++) {
    const wish = demand
      ? reached(demand, k / count, window)
      : window.startS + (k * (roomS - lengthS)) / Math.max(1, count - 1);
    const startS = Math.max(Math.min(Math.round(wish), latest(k)), Math.ceil(earliest));
    pulses.push({ startS, minutes: lengthS / 60, litres: givenL / count });
    earliest = startS + stepS;
  }
  return { pulses, unmetL: litres - givenL };
}

/** First second of the window at which the demand has reached a share, by bisection: the curve never falls. */
function reached(demand: DemandCurve, share: number, { startS, endS }: Span): number {
  const [from, to] = [demand(startS), demand(endS)];
  const goal = from + share * (to - from);
  let [low, high] = [startS, endS];
  while (high - low > 1) {
    const middle = (low + high) / 2;
    if (demand(middle) >= goal) high = middle;
    else low = middle;
  }
  return share === 0 ? startS : high;
}
