import type { Shared } from "./day-capacity.ts";
import type { Job } from "./day-job.ts";
import { litresOf } from "./day-worth.ts";

/** What counts beside the flow that fills the pump. */
export interface Leaning {
  /** how much whoever has most of its time still to go through counts, in shares of its flow */
  readonly urgent: number;
  /** what a zone counts for more, in shares of its flow */
  valued(job: Job): number;
  /** what the litres of a recipe are taken for, in shares of them: who goes first, and on which mixer */
  prefers(recipe: string): number;
}

/** Each recipe on the mixer that would be done soonest with it, the one with most to give first. */
export function recipesOn(
  jobs: readonly Job[],
  mixers: Shared["mixers"],
  leaning: Leaning,
): ReadonlyMap<string, number> {
  const litres = litresByRecipe(jobs.map((job) => ({ job, left: job.pulses })));
  const hours = mixers.map(() => 0);
  const found = new Map<string, number>();
  for (const [recipe, of] of inOrder(litres, leaning)) {
    const able = mixers
      .map((_, mixer) => mixer)
      .filter((mixer) => jobs.every((job) => job.recipe !== recipe || job.mixers.includes(mixer)))
      .sort((a, b) => (hours[a] ?? 0) - (hours[b] ?? 0));
    const [mixer] = able;
    if (mixer === undefined) continue;
    found.set(recipe, mixer);
    hours[mixer] = (hours[mixer] ?? 0) + of / (mixers[mixer]?.maxLh ?? 1);
  }
  return found;
}

/** Recipes by what is left of them, the most first. */
export function inOrder(litres: ReadonlyMap<string, number>, { prefers }: Leaning): [recipe: string, litres: number][] {
  return [...litres].sort(([x, a], [y, b]) => b * prefers(y) - a * prefers(x));
}

export function litresByRecipe(
  zones: readonly { readonly job: Job; readonly left: number }[],
): ReadonlyMap<string, number> {
  const litres = new Map<string, number>();
  for (const { job, left } of zones) litres.set(job.recipe, (litres.get(job.recipe) ?? 0) + litresOf(job, left));
  return litres;
}
