import type { Leaning } from "./clock-turns.ts";
import { ClockDay, type Step, type Way } from "./clock-way.ts";
import type { Placing, Shared } from "./day-capacity.ts";
import type { Job } from "./day-job.ts";

/** Choices of what opens that are followed from each way that is kept. */
const BRANCHES = 2;
/** Ways are compared whenever so much of the day has gone, s. */
const STRIDE = 60;

/**
 * A day by the clock: whenever something closes, those zones open that fill pump and mixers best. Each recipe keeps to one mixer,
 * which changes when none of its zones has a pulse left. It fills a pump that is loaded to the brim, where one zone after the other
 * leaves gaps. Beam search: of all ways through the day that were begun, so many go on as are best so far, by what has run and by
 * how evenly it leaves the zones (a few that are left with many pulses each cannot fill a pump).
 *
 * Source: P. S. Ow and T. E. Morton (1988), Filtered beam search in scheduling, International Journal of Production Research 26,
 * 35–62; what an even rest counts is assumed.
 *
 * @param width ways that go on, at least 1: one alone is quick, a hundred fill some per cent more
 * @param hasTime asked for every minute of the day; once it says no, the best way goes on alone
 * @returns the pulses of each job that found their time; others may still find room beside them
 */
export function byTheClock(
  jobs: readonly Job[],
  shared: Shared,
  leaning: Leaning,
  width: number,
  hasTime: () => boolean,
): ReadonlyMap<Job, Placing> {
  const day = new ClockDay(jobs, shared, leaning);
  let best: Step | null = null;
  const soon: Step[][] = [];
  let ways: readonly Way[] = [day.begin()];
  for (let wave = 0; day.first + wave * STRIDE < day.last; wave++) {
    const end = day.first + (wave + 1) * STRIDE;
    if (wave > 0) {
      const going = width === 1 || hasTime() ? width : 1;
      ways = bestOf(soon[wave] ?? [], going, end).map((step) => day.wayOf(step));
      soon[wave] = [];
    }
    // Within a minute each way goes on by itself.
    for (let branches = Math.min(width, BRANCHES); ways.length > 0; branches = 1) {
      const within: Way[] = [];
      for (const way of ways)
        for (const step of day.after(way, branches))
          if (step.at >= day.last) best = !best || step.given > best.given ? step : best;
          else if (step.at < end) within.push(day.wayOf(step));
          else (soon[Math.floor((step.at - day.first) / STRIDE)] ??= []).push(step);
      ways = within;
    }
  }
  return day.placings(best);
}

/** Those that come furthest, of alike ones only one. */
function bestOf(steps: readonly Step[], width: number, end: number): Step[] {
  const worth = ({ given, giving, uneven, at }: Step): number => given + giving * (end - at) - uneven;
  const ranked = steps.map((step) => ({ step, worth: worth(step) })).sort((a, b) => b.worth - a.worth);
  const kept: Step[] = [];
  let before = Infinity;
  for (const { step, worth } of ranked) {
    if (kept.length === width) break;
    if (before - worth < ALIKE) continue;
    kept.push(step);
    before = worth;
  }
  return kept;
}
/** L/h × s */
const ALIKE = 5;
