import type { Site } from "@sprunel/contract/site";
import type { AskedZone } from "@sprunel/core/schedule";
import { clockOf } from "@sprunel/core/time";
import type { DosePlanService } from "../feed/dose-plan-service.ts";
import type { FeedService } from "../feed/feed-service.ts";
import type { Watering } from "@sprunel/core/irrigation";
import type { PlanService } from "../plan/plan-service.ts";
import type { StoredZone } from "../scope/zone-store.ts";

/** What each zone asks of a day; a zone without a plan of its own, as one that is not planted, asks for nothing. */
export async function askedZones(
  site: Site,
  zones: readonly StoredZone[],
  date: string,
  {
    plans,
    feed,
    doses,
    unplanned,
  }: {
    readonly plans: PlanService;
    readonly feed: FeedService;
    readonly doses: DosePlanService;
    /** water of the day that was no pulse of a plan */
    readonly unplanned: readonly Watering[];
  },
): Promise<readonly AskedZone[]> {
  const { plannerOf, keep } = await plans.planners(site, zones, date);
  const recipes = await feed.recipesOn(zones, date);
  const dosed = await dosesOn(doses, date);
  const asked = zones.flatMap((zone): AskedZone[] => {
    const planned = plannerOf(zone).plan(date);
    if (typeof planned === "string") return [];
    const { water, window } = planned.day;
    const { flowLh, minGapMin } = zone.definition;
    return [
      {
        ...{ id: zone.id, name: zone.name, flowLh, minGapMin, litres: water.litres },
        wantedS: water.events.map(({ startS }) => startS),
        window,
        recipe: recipes.get(zone.id) ?? null,
        dose: dosed.get(zone.id) ?? null,
        roots: {
          goneL: planned.day.store.missingMm * zone.definition.areaM2,
          availableL: planned.day.store.availableMm * zone.definition.areaM2,
        },
        given: unplanned
          .filter(({ zoneId }) => zoneId === zone.id)
          .map(({ startMs, litres }) => ({ startS: clockOf(startMs, site.timeZone).clockS, litres })),
      },
    ];
  });
  await keep();
  return asked;
}

/** Doses that go into the water on a date, with the time that lines, injection and flush take. */
async function dosesOn(doses: DosePlanService, date: string): Promise<ReadonlyMap<number, AskedZone["dose"]>> {
  const found = new Map<number, AskedZone["dose"]>();
  for (const { zoneId, doses: week } of (await doses.week(date)).zones) {
    const isToday = ({ on, state }: { on: string; state: string }): boolean =>
      on === date && (state === "planned" || state === "due");
    if (!week.some(isToday)) continue;
    const injected = (await doses.dosePlan(zoneId, date)).doses.find((dose) => isToday(dose) && dose.injection);
    if (!injected?.injection) continue;
    const { fillMin, injectMin, flushMin } = injected.injection;
    found.set(zoneId, { name: "dose", minutes: (fillMin ?? 0) + injectMin + (flushMin ?? 0) });
  }
  return found;
}
