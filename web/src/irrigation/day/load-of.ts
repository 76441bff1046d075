import type { DayPulse, SiteDay } from "@sprunel/contract/plan";
import { pumpLoad, type LoadStep } from "@sprunel/core/irrigation";

/** What one pump, mixer, filter or group is asked for through the day, where it is asked for anything. */
export function loadOf({ kind, name, zoneIds }: SiteDay["limits"][number], pulses: readonly DayPulse[]): LoadStep[] {
  return loadOfAll(
    pulses.filter(({ zoneId, mixer }) =>
      kind === "mixer" ? mixer === name : zoneIds === null || (zoneId !== null && zoneIds.includes(zoneId)),
    ),
  );
}

/** All flows together. */
export function loadOfAll(pulses: readonly DayPulse[]): LoadStep[] {
  return pumpLoad(
    pulses.map(({ startUtc, endUtc, litres }) => ({
      startMs: Date.parse(startUtc),
      endMs: Date.parse(endUtc),
      litres,
    })),
  );
}
