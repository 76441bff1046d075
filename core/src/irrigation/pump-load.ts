/** Water of one zone from one instant to another, at a steady flow. */
export interface RunPulse {
  readonly zoneId: number;
  readonly startMs: number;
  readonly endMs: number;
  readonly litres: number;
}

/** A stretch of time in which the same zones run. */
export interface LoadStep {
  readonly fromMs: number;
  readonly toMs: number;
  readonly lh: number;
  readonly zoneIds: readonly number[];
}

/** The pump is asked for more than it gives. */
export interface Clash extends LoadStep {
  readonly overLh: number;
}

const MS_PER_H = 3_600_000;
/** Less than this over the pump is rounding of litres and minutes. */
const SLACK = 1.005;

/**
 * What the pump is asked for over a day: the sum of the flows of all zones that run at a time, litres over hours. Nothing is
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
      zoneIds: [...new Set([...open].map(({ zoneId }) => zoneId))].sort((a, b) => a - b),
    });
  }
  return steps;
}

/**
 * Where the zones together ask for more than the pump gives. Steps that follow on each other with the same zones are one
 * clash at its greatest.
 *
 * @param maxLh what the pump gives at most, L/h, above 0
 */
export function clashesOf(steps: readonly LoadStep[], maxLh: number): Clash[] {
  const clashes: Clash[] = [];
  for (const step of steps) {
    if (step.lh <= maxLh * SLACK) continue;
    const before = clashes.at(-1);
    if (before && before.toMs === step.fromMs && sameZones(before, step))
      clashes[clashes.length - 1] = {
        ...before,
        toMs: step.toMs,
        lh: Math.max(before.lh, step.lh),
        overLh: Math.max(before.overLh, step.lh - maxLh),
      };
    else clashes.push({ ...step, overLh: step.lh - maxLh });
  }
  return clashes;
}

function sameZones({ zoneIds: a }: LoadStep, { zoneIds: b }: LoadStep): boolean {
  return a.length === b.length && a.every((id, at) => id === b[at]);
}
