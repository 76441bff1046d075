import type { Pulse } from "@sprunel/core/irrigation";
import { clockText } from "@sprunel/core/time";

/** A pulse with its start as people read it, `HH:MM:SS`. */
export function pulseByClock({ startS, minutes, litres }: Pulse) {
  return { start: clockText(startS), minutes, litres };
}
