import type { DayPlanAnswer, DayPlanRequest } from "@sprunel/contract/plan";
import type { DayPlan, DayPlanInput } from "@sprunel/core/schedule";
import { clockText, spanOf } from "@sprunel/core/time";

/**
 * A day to plan with its times in seconds, as it is planned.
 *
 * @throws {DomainError} for what is no time of day
 */
export function dayPlanInSeconds({ zones, tariff, ...shared }: DayPlanRequest): DayPlanInput {
  return {
    ...shared,
    zones: zones.map((zone, at) => ({
      ...zone,
      windows: zone.windows.map((window, index) => spanOf(window, `zones.${at}.windows.${index}`)),
    })),
    ...(tariff && {
      tariff: tariff.map(({ pricePerKwh, ...span }, at) => ({ ...spanOf(span, `tariff.${at}`), pricePerKwh })),
    }),
  };
}

/** The plan with its times as people read them, to the nearest second, which never passes those that were kept for a pulse. */
export function dayPlanByClock({ events, ...plan }: DayPlan): DayPlanAnswer {
  return {
    ...plan,
    unmet: [...plan.unmet],
    warnings: [...plan.warnings],
    working: [...plan.working],
    events: events.map(({ startS, endS, ...event }) => ({
      ...event,
      start: clockText(startS),
      end: clockText(endS),
    })),
  };
}
