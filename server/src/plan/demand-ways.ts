import type { DemandWays } from "@sprunel/contract/plan";
import {
  usualMethod,
  ZONE_DEMAND_METHODS,
  type DemandChoice,
  type ZoneDemandMethod,
  type ZonePlanner,
} from "@sprunel/core/plan";
import { addDays } from "@sprunel/core/time";
import { staleEdit } from "../http/problems.ts";
import type { Scope } from "../scope/scope.ts";
import { asZone, zoneStore } from "../scope/zone-store.ts";
import type { PlanService } from "./plan-service.ts";

/** How far back a zone's own meter is looked at, and how many days of it make a factor. */
const LOOKED_AT_DAYS = 28;
const DAYS_FOR_A_FACTOR = 14;

/** Every way to a zone's demand beside the others, and which of them is in force. */
export function demandWays(scope: Scope, plans: PlanService) {
  async function compare(zoneId: number, asked: string | undefined): Promise<DemandWays> {
    const [site, zone] = [await scope.site.current(), await scope.zone(zoneId)];
    const date = await scope.site.dateOr(asked);
    const from = addDays(date, -LOOKED_AT_DAYS);
    const { plannerOf, keep } = await plans.planners(site, [zone], date, { earliest: from });
    const planner = plannerOf(zone);
    const metered = Array.from({ length: LOOKED_AT_DAYS }, (_, day) => addDays(from, day)).flatMap((on) => {
      const mm = planner.meteredMm(on);
      return mm === null ? [] : [{ on, mm }];
    });
    const usual = usualMethod(zone.definition.system, zone.house.transmissionPct);
    const ways = ZONE_DEMAND_METHODS.flatMap((method) => {
      const choice = choiceOf(method, zone.demand);
      return choice ? [wayOf(planner, choice, date, metered)] : [];
    });
    await keep();
    return {
      zoneId,
      version: zone.version,
      date,
      usual,
      choice: zone.demand,
      meteredDays: metered.length,
      ways,
    };
  }

  return {
    compare,

    async choose(zoneId: number, version: number, choice: DemandChoice | null): Promise<DemandWays> {
      const [site, zone] = [await scope.site.current(), await scope.zone(zoneId)];
      const { houseId: _house, id: _id, version: _version, ...record } = zone;
      const saved = await scope.transaction((inner) =>
        zoneStore(inner).update(zoneId, site.id, version, { ...record, demand: choice }),
      );
      if (!saved) throw staleEdit(`The zone ${zone.name}`, asZone(await scope.zone(zoneId)));
      return compare(zoneId, undefined);
    },
  };
}

const NEEDS_A_FIGURE: ReadonlySet<ZoneDemandMethod> = new Set(["own", "radiation-sum", "pan"]);

/** As it would count alone, not fitted; null where it needs a figure that nobody has given. */
function choiceOf(method: ZoneDemandMethod, chosen: DemandChoice | null): DemandChoice | null {
  if (method === chosen?.method) return { ...chosen, fittedFactor: undefined };
  return NEEDS_A_FIGURE.has(method) ? null : { method };
}

function wayOf(
  planner: ZonePlanner,
  choice: DemandChoice,
  date: string,
  metered: readonly { readonly on: string; readonly mm: number }[],
): DemandWays["ways"][number] {
  const both = metered.flatMap(({ on, mm }) => {
    const demand = planner.demandBy(on, choice);
    return demand ? [{ metered: mm, modelled: demand.demandMm }] : [];
  });
  const total = (of: (day: (typeof both)[number]) => number): number => both.reduce((sum, day) => sum + of(day), 0);
  const [took, said] = [total((day) => day.metered), total((day) => day.modelled)];
  const known = both.length > 0 && took > 0 && said > 0;
  return {
    method: choice.method,
    demandMm: planner.demandBy(date, choice)?.demandMm ?? null,
    biasPct: known ? 100 * (said / took - 1) : null,
    errorMm: known ? Math.sqrt(total((day) => (day.modelled - day.metered) ** 2) / both.length) : null,
    factor: known && both.length >= DAYS_FOR_A_FACTOR ? took / said : null,
  };
}
