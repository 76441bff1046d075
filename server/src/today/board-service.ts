import type { Board, BoardZone } from "@sprunel/contract/today";
import { sunTimes } from "@sprunel/core/climate";
import { cameOff, pickedOn } from "@sprunel/core/crop";
import { localDate } from "@sprunel/core/time";
import { standsBeside } from "../harvest/off-planting.ts";
import { pickStore, totalsOf, type PickTotals } from "../harvest/pick-store.ts";
import type { WeatherService } from "../climate/weather-service.ts";
import type { DayPlanService } from "../day/day-plan-service.ts";
import type { PlanService } from "../plan/plan-service.ts";
import type { Scope } from "../scope/scope.ts";
import type { StoredZone } from "../scope/zone-store.ts";
import type { WaterService } from "../water/water-service.ts";
import { boardZone } from "./board-zone.ts";

const NOTHING_PICKED: PickTotals = { massKg: 0, count: 0 };

/** Every zone at every station, on one day. */
export function boardService(
  scope: Scope,
  {
    plans,
    water,
    weather,
    days,
  }: {
    readonly plans: PlanService;
    readonly water: WaterService;
    readonly weather: WeatherService;
    readonly days: DayPlanService;
  },
) {
  return {
    async board(asked: string | undefined): Promise<Board> {
      const site = await scope.site.find();
      const nowMs = scope.clock();
      const now = new Date(nowMs).toISOString();
      if (!site) {
        const today = now.slice(0, 10);
        return {
          now,
          today,
          date: asked ?? today,
          site: null,
          weatherSimulated: false,
          sun: null,
          hours: [],
          zones: [],
        };
      }
      const today = localDate(nowMs, site.timeZone);
      const date = asked ?? today;
      const zones = await scope.zones();
      const { records, plannerOf, keep } = await plans.planners(site, zones, date);
      const planted = zones.flatMap(({ id, grown }) => {
        const standing = pickedOn(grown, date);
        return standing ? [[id, standing.since] as const] : [];
      });
      const since = new Map(planted);
      const picked = new Map(await pickStore(scope).totalsSince(since, date));
      const beside = zones.filter(standsBeside);
      if (beside.length > 0) {
        const picks = await pickStore(scope).since(since, date);
        for (const zone of beside) {
          const standing = pickedOn(zone.grown, date);
          if (standing) picked.set(zone.id, totalsOf(cameOff(zone.grown, standing.planting, picks.get(zone.id) ?? [])));
        }
      }
      const together = await days.pulsesOn(site, date);
      const supplies = await water.supplies(site, zones, date);
      const supplyOf = (zone: StoredZone): BoardZone["water"] => {
        const supply = supplies(zone);
        return supply.waters.length > 0 ? supply : null;
      };
      const sun = sunTimes(date, site.timeZone, site.latitudeDeg, site.longitudeDeg);
      const board: Board = {
        now,
        today,
        date,
        site,
        weatherSimulated: weather.isSimulated(records.weather.get(date)),
        sun: sun && { riseUtc: new Date(sun.riseMs).toISOString(), setUtc: new Date(sun.setMs).toISOString() },
        hours: (records.weather.get(date)?.hours ?? []).map(({ startMs, values }) => ({
          startUtc: new Date(startMs).toISOString(),
          radiationMjM2: values.radiation?.value ?? null,
          rainMm: values.rain?.value ?? null,
          origin: values.radiation?.origin ?? null,
        })),
        zones: zones.map((zone) =>
          boardZone(zone, plannerOf(zone), {
            date,
            nowMs,
            picked: picked.get(zone.id) ?? NOTHING_PICKED,
            water: supplyOf(zone),
            together: together && (together.get(zone.id) ?? []),
          }),
        ),
      };
      await keep();
      return board;
    },
  };
}
