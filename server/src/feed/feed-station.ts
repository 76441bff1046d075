import type { FedZone, FeedStation, NewMix, TankState } from "@sprunel/contract/feed";
import { standingOn } from "@sprunel/core/crop";
import { tankDaysLeft, tankLeftL } from "@sprunel/core/feed/recipe";
import { addDays, startOfLocalDay } from "@sprunel/core/time";
import { wateringStore } from "../irrigation/watering-store.ts";
import { drawnShare, type PlanService } from "../plan/plan-service.ts";
import type { Scope } from "../scope/scope.ts";
import { feedRecords } from "./feed-records.ts";
import { feedStore } from "./feed-store.ts";
import { askedIn, USUAL } from "./zone-target.ts";

/** So many days of plans are looked at: those whose weather is foreseen. */
const PLANNED_DAYS = 4;

interface LastMix {
  readonly zoneId: number;
  readonly fromMs: number;
  readonly levels: NewMix["levels"];
}

/** Every zone that is fed by a recipe: its tanks as they stand at the end of a date or now, and the shelf. */
export async function feedStation(scope: Scope, plans: PlanService, asked: string | undefined): Promise<FeedStation> {
  const site = await scope.site.current();
  const date = await scope.site.dateOr(asked);
  const held = await feedStore(scope).held();
  const zones = (await scope.zones()).filter((zone) => askedIn(held, zone, date) !== null);
  const waters = await plans.water(site, zones, date, PLANNED_DAYS);
  const { shelf } = await feedRecords(scope, site.id, date);
  const toMs = Math.min(scope.clock(), startOfLocalDay(addDays(date, 1), site.timeZone));
  const last = await lastMixes(scope, toMs);
  const mixes = [...last.values()];
  const given = await wateringStore(scope).totalsSince(mixes, toMs);
  const givenSince = new Map(mixes.map((mix, at) => [mix, given[at] ?? 0]));
  return {
    date,
    shelf,
    zones: zones.map((zone): FedZone => {
      const days = waters.get(zone.id) ?? [];
      const ahead = days.flatMap((day) => day?.drawnL ?? []);
      const share = drawnShare(days);
      const settings = held.settings.get(zone.id);
      return {
        zoneId: zone.id,
        name: zone.name,
        stage: standingOn(zone.grown, date)?.state.period.stage.name ?? null,
        tanksSet: settings !== undefined,
        litresToday: days[0]?.drawnL ?? null,
        litresDay: ahead.length === 0 ? null : ahead.reduce((sum, ofDay) => sum + ofDay, 0) / ahead.length,
        tanks: (settings ?? USUAL).tanks.map((tank) => {
          const mix = last.get(keyOf(zone.id, tank.id));
          return stateOf(tank, mix && { ...mix, givenL: share * (givenSince.get(mix) ?? 0) }, ahead);
        }),
      };
    }),
  };
}

/** Each tank's last mix, by zone and tank. */
async function lastMixes(scope: Scope, toMs: number): Promise<ReadonlyMap<string, LastMix>> {
  const last = new Map<string, LastMix>();
  for (const { zoneId, mixedAtMs, lines, levels } of await feedStore(scope).newestMixes(toMs)) {
    const mix = { zoneId, fromMs: mixedAtMs, levels };
    for (const tankId of new Set([...lines, ...levels].map((entry) => entry.tankId)))
      if (!last.has(keyOf(zoneId, tankId))) last.set(keyOf(zoneId, tankId), mix);
  }
  return last;
}

function keyOf(zoneId: number, tankId: string): string {
  return `${zoneId} ${tankId}`;
}

function stateOf(
  { id, volumeL, dilution }: { readonly id: string; readonly volumeL: number; readonly dilution: number },
  mix: (LastMix & { readonly givenL: number }) | undefined,
  feedL: readonly number[],
): TankState {
  if (!mix) return { id, volumeL, dilution, mixed: null, levelL: null, daysLeft: null };
  const said = mix.levels.find(({ tankId }) => tankId === id)?.litres;
  const mixedL = said ?? volumeL;
  const levelL = tankLeftL({ mixedL, dilution, givenL: mix.givenL });
  return {
    id,
    volumeL,
    dilution,
    mixed: {
      at: new Date(mix.fromMs).toISOString(),
      levelL: mixedL,
      assumedFull: said === undefined,
      givenL: mix.givenL,
    },
    levelL,
    daysLeft: tankDaysLeft(levelL, dilution, feedL),
  };
}
