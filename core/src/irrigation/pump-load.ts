/** Water of one zone from one instant to another, at a steady flow. */
export interface RunPulse {
  readonly startMs: number;
  readonly endMs: number;
  readonly litres: number;
}

/** A stretch of time in which nothing opens or closes. */
export interface LoadStep {
  readonly fromMs: number;
  readonly toMs: number;
  readonly lh: number;
}

const MS_PER_H = 3_600_000;

/**
 * What a pump, a mixer or a filter is asked for over a day: the sum of the flows of all zones that run at a time, litres over hours. Nothing is
 * lost or made: over its steps the load gives the litres of the pulses.
 *
 * @param pulses a pulse without a length or without water asks for nothing
 * @returns in order of time, none where nothing runs
 */
export function pumpLoad(pulses: readonly RunPulse[]): LoadStep[] {
  const running = pulses.filter(({ startMs, endMs, litres }) => endMs > startMs && litres > 0);
  const cuts = [...new Set(running.flatMap(({ startMs, endMs }) => [startMs, endMs]))].sort((a, b) => a - b);
  const opening = [...running].sort((a, b) => a.startMs - b.startMs);
  const open = new Set<RunPulse>();
  const steps: LoadStep[] = [];
  let next = 0;
  for (const [at, fromMs] of cuts.entries()) {
    for (const pulse of open) if (pulse.endMs <= fromMs) open.delete(pulse);
    for (let pulse = opening[next]; pulse && pulse.startMs <= fromMs; pulse = opening[next]) {
      open.add(pulse);
      next++;
    }
    const toMs = cuts[at + 1];
    if (toMs === undefined || open.size === 0) continue;
    steps.push({
      fromMs,
      toMs,
      lh: [...open].reduce((sum, { startMs, endMs, litres }) => sum + (litres * MS_PER_H) / (endMs - startMs), 0),
    });
  }
  return steps;
}
