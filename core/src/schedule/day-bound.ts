import { fill, type Worksheet } from "../working/working.ts";
import type { Alone } from "./day-alone.ts";
import type { DayCapacity } from "./day-capacity.ts";
import type { Job } from "./day-job.ts";
import type { DayPlanInput } from "./day-plan-input.ts";
import { joined } from "./spans.ts";
import { counted, litresOf, worthOf } from "./day-worth.ts";

/**
 * How far a plan may be from the best one, % of a bound of its litres, counted as the search counts them: a relaxation in which
 * every zone has what it could have alone, and no more passes the pump, or any other limit, than while a window of those that it
 * serves is open, those that count most first.
 */
export function gapOf(
  input: DayPlanInput,
  jobs: readonly Job[],
  capacity: DayCapacity,
  alone: Alone,
  sheet: Worksheet,
): number {
  const counts = counted(input);
  const mostLh = [input.pump.maxLh, ...(input.limits ?? []).map(({ maxLh = Infinity }) => maxLh)];
  const bounds = mostLh.map((lh, at) => {
    let left = lh * hoursOpen(jobs.filter(({ limits }) => limits.includes(at)));
    return [...jobs]
      .sort((a, b) => counts(b) - counts(a))
      .reduce((sum, job) => {
        const could = litresOf(job, alone.pulsesOf(job));
        const passes = job.limits.includes(at) ? Math.min(could, left) : could;
        if (job.limits.includes(at)) left -= passes;
        return sum + counts(job) * passes;
      }, 0);
  });
  const bound = Math.min(...bounds);
  const { litres } = worthOf(input, jobs, capacity);
  sheet.note(
    "Bound of the litres, counted by priority",
    "the less of what every zone could have alone and what pump and limits pass while a window is open, those that count most first",
    fill`${bound}`,
    bound,
    "L",
    "each zone by exact dynamic programming over its starts; a litre counts eight times one of the next priority (assumed)",
  );
  return bound > 0 ? Math.max(0, (100 * (bound - litres)) / bound) : 0;
}

/** Hours in which a window of any of some jobs is open. */
function hoursOpen(jobs: readonly Job[]): number {
  const open = joined(jobs.flatMap(({ windows }) => windows));
  return open.reduce((sum, { startS, endS }) => sum + endS - startS, 0) / 3600;
}
