import type { DayPulse, SiteDay } from "@sprunel/contract/plan";

/** A stretch of the day in which nothing opens or closes. */
export interface LoadStep {
  readonly fromMs: number;
  readonly toMs: number;
  readonly lh: number;
}

/** What one pump, mixer, filter or group is asked for through the day, where it is asked for anything. */
export function loadOf({ kind, name, zoneIds }: SiteDay["limits"][number], pulses: readonly DayPulse[]): LoadStep[] {
  const through = pulses.filter(({ zoneId, mixer }) =>
    kind === "mixer" ? mixer === name : zoneIds === null || (zoneId !== null && zoneIds.includes(zoneId)),
  );
  return stepsOf(through);
}

/** All flows together, step by step. */
export function stepsOf(pulses: readonly DayPulse[]): LoadStep[] {
  const turns = pulses
    .flatMap(({ startUtc, endUtc, lh }) => [
      { ms: Date.parse(startUtc), by: lh },
      { ms: Date.parse(endUtc), by: -lh },
    ])
    .sort((a, b) => a.ms - b.ms || a.by - b.by);
  const steps: LoadStep[] = [];
  let lh = 0;
  turns.forEach(({ ms, by }, at) => {
    lh += by;
    const toMs = turns[at + 1]?.ms ?? ms;
    if (toMs > ms && lh > 1e-6) steps.push({ fromMs: ms, toMs, lh });
  });
  return steps;
}
