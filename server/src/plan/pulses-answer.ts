import type { ZoneDayAnswer } from "@sprunel/contract/plan";
import type { ZonePulse } from "@sprunel/core/plan";

/** Pulses as they are answered, their instants written out. */
export function pulsesAnswer(pulses: readonly ZonePulse[]): ZoneDayAnswer["pulses"] {
  return pulses.map(({ startMs, endMs, litres, state }) => ({
    startUtc: new Date(startMs).toISOString(),
    endUtc: new Date(endMs).toISOString(),
    litres,
    state,
  }));
}
