import type { DosePlan } from "@sprunel/contract/feed";
import { plantingKey, standingOn, type Standing } from "@sprunel/core/crop";
import { TABLES } from "../database/tables.ts";
import { cachedWhole } from "../scope/cache.ts";
import type { Scope } from "../scope/scope.ts";
import type { StoredZone } from "../scope/zone-store.ts";
import { dosePlanStore } from "./dose-plan-store.ts";
import type { dosePlans } from "./dose-plans.ts";
import { feedRecords } from "./feed-records.ts";

/** Plans of so many dates are kept. */
const MOST_DATES = 20;

interface PlanOfZone {
  readonly zone: StoredZone;
  readonly standing: Standing;
  readonly plan: DosePlan;
}

/** By today and the date that they are of. Whatever people store bears on some dose. */
const plansIn = cachedWhole<Map<string, Promise<PlanOfZone[]>>>(
  TABLES.filter((table) => table !== "day_plan" && table !== "zone_checkpoint"),
  () => new Map(),
);

/** The doses of every zone that has a programme: for the week, and for calendars. */
export function dosePlansOfAll(scope: Scope, planOf: ReturnType<typeof dosePlans>) {
  /** The plans of a date are the same until something is stored, or the day turns. */
  async function plansOn(date: string): Promise<PlanOfZone[]> {
    const plans = plansIn(scope);
    const of = `${await scope.site.dateOr(undefined)} ${date}`;
    const read = plans.get(of) ?? readPlans(date);
    if (!plans.has(of) && plans.size >= MOST_DATES) plans.clear();
    plans.set(of, read);
    read.catch(() => plans.delete(of));
    return read;
  }

  /** Plans of all zones in which a programme is kept for what stands there. */
  async function readPlans(date: string): Promise<PlanOfZone[]> {
    const { id: siteId } = await scope.site.current();
    const records = await feedRecords(scope, siteId, date);
    const found: PlanOfZone[] = [];
    for (const zone of await scope.zones()) {
      const standing = standingOn(zone.grown, date);
      if (standing && (await dosePlanStore(scope).programme(zone.id, plantingKey(standing.planting))))
        found.push({ zone, standing, plan: await planOf(zone, date, { whole: false, records }) });
    }
    return found;
  }

  return plansOn;
}
