import type { Job } from "./day-job.ts";

/**
 * The jobs with their windows cut to a block of the day on one mixer for each recipe, long as the recipe's litres ask:
 * a mixer that changes its recipe seldom rinses seldom, and zones of one recipe run beside each other.
 *
 * @param mixerLh what each mixer gives, L/h
 * @returns none for a job that its block does not reach
 */
export function inRecipeBlocks(jobs: readonly Job[], mixerLh: readonly number[]): ReadonlyMap<Job, Job> {
  const litresOf = (of: readonly Job[]): number =>
    of.reduce((sum, { pulses, pulseS, flowLh }) => sum + (pulses * pulseS * flowLh) / 3600, 0);
  const recipes = [...new Set(jobs.map(({ recipe }) => recipe))]
    .map((recipe) => jobs.filter((job) => job.recipe === recipe))
    .sort((a, b) => litresOf(b) - litresOf(a));
  const onMixer = mixerLh.map((): (readonly Job[])[] => []);
  const hoursOn = (mixer: number): number => litresOf((onMixer[mixer] ?? []).flat()) / Math.max(1, mixerLh[mixer] ?? 1);
  // The recipe with most to give first, each to the mixer that would be done soonest with it.
  for (const recipe of recipes) {
    const able = mixerLh.map((_, mixer) => mixer).filter((mixer) => recipe.every((job) => job.mixers.includes(mixer)));
    const mixer = able.sort((a, b) => hoursOn(a) - hoursOn(b))[0];
    if (mixer !== undefined) onMixer[mixer]?.push(recipe);
  }
  const cut = new Map<Job, Job>();
  onMixer.forEach((held, mixer) => {
    const all = held.flat();
    let startS = Math.min(...all.flatMap(({ windows }) => windows.map((window) => window.startS)));
    const endS = Math.max(...all.flatMap(({ windows }) => windows.map((window) => window.endS)));
    const spanS = endS - startS;
    const lastEnd = (of: readonly Job[]): number => Math.max(...of.map(({ windows }) => windows.at(-1)?.endS ?? 0));
    for (const recipe of [...held].sort((a, b) => lastEnd(a) - lastEnd(b))) {
      const blockEndS = startS + (spanS * litresOf(recipe)) / litresOf(all);
      for (const job of recipe) {
        const windows = job.windows.flatMap((window) => {
          const [from, to] = [Math.max(window.startS, startS), Math.min(window.endS, blockEndS)];
          return from < to ? [{ startS: from, endS: to }] : [];
        });
        if (windows.length > 0) cut.set(job, { ...job, windows, mixers: [mixer] });
      }
      startS = blockEndS;
    }
  });
  return cut;
}
