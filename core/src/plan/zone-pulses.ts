import type { SitePulse } from "../schedule/site-day-input.ts";
import { instantOf } from "../time/local-time.ts";
import type { PlannedDay, ZonePlanner } from "./zone-planner.ts";

/** Water that a valve gave or is to give, from one instant to another. */
export interface ZonePulse {
  readonly startMs: number;
  readonly endMs: number;
  readonly litres: number;
  readonly state: "logged" | "planned";
}

/** Pulses of a zone's day: what was logged, then what is planned after it. */
export function pulsesOf(
  planner: ZonePlanner,
  planned: PlannedDay | null,
  date: string,
  /** as the day of all zones has them, where that is planned */
  together: readonly SitePulse[] | null = null,
): ZonePulse[] {
  const pulse = (startMs: number, minutes: number, litres: number, state: ZonePulse["state"]): ZonePulse => ({
    startMs,
    endMs: startMs + minutes * 60_000,
    litres,
    state,
  });
  const logged = planner
    .logged(date)
    .map((watering) => pulse(watering.startMs, watering.minutes, watering.litres, "logged"));
  const lastLoggedMs = logged.at(-1)?.endMs ?? -Infinity;
  const { timeZone } = planner.place;
  const own = (planned?.day.water.events ?? []).map((event, at) =>
    pulse(planned?.startsMs[at] ?? 0, event.minutes, event.litres, "planned"),
  );
  const shared = together?.map(({ startS, lengthS, litres }) =>
    pulse(instantOf(date, startS, timeZone), lengthS / 60, litres, "planned"),
  );
  const ahead = (shared ?? own).filter(({ startMs }) => startMs > lastLoggedMs);
  return [...logged, ...ahead];
}
