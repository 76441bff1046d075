import type { RootHistory } from "@sprunel/contract/rootzone";
import { addDays, startOfLocalDay } from "@sprunel/core/time";
import type { ReadingService } from "../rootzone/reading-service.ts";
import type { Scope } from "../scope/scope.ts";
import type { PlanService } from "./plan-service.ts";

const HISTORY_DAYS = 28;

/** A root zone over four weeks: what was read, how it stood each morning, and how it stands. */
export async function rootHistory(
  scope: Scope,
  plans: PlanService,
  readings: ReadingService,
  zoneId: number,
  asked: string | undefined,
): Promise<RootHistory> {
  await scope.zone(zoneId);
  const { timeZone } = await scope.site.current();
  const to = await scope.site.dateOr(asked);
  const from = addDays(to, 1 - HISTORY_DAYS);
  const { roots } = await plans.zoneDay(zoneId, to);
  return {
    zoneId,
    from,
    to,
    now: roots,
    next: await plans.nextWater(zoneId, to),
    readings: await readings.between(
      zoneId,
      startOfLocalDay(from, timeZone),
      startOfLocalDay(addDays(to, 1), timeZone),
    ),
    mornings: await plans.mornings(zoneId, from, to),
    balances: await plans.balances(zoneId, to),
  };
}
