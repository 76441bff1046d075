import type { CropStation, ZoneCrop } from "@sprunel/contract/crop";
import type { Pick as Picked } from "@sprunel/contract/harvest";
import { plantingOn, standingsOn } from "@sprunel/core/crop";
import { addDays, localDate, startOfLocalDay } from "@sprunel/core/time";
import type { WeatherService } from "../climate/weather-service.ts";
import { readingStore } from "../rootzone/reading-store.ts";
import { port } from "../scope/ports.ts";
import type { Scope } from "../scope/scope.ts";
import { datesOf } from "./calendar.ts";
import { cropAir, type ReadBy } from "./crop-air.ts";
import { asksOf, endOf, fitsOf, nextOf, timesOf } from "./crop-answer.ts";
import { cropNights } from "./crop-nights.ts";
import { plantingOf } from "./planting-service.ts";
import { practicesAnswer } from "./practice-answer.ts";
import { besideOf, pastOf, standOf } from "./stand-answer.ts";

/** Dates of so many days ahead are listed. */
const TOLD_DAYS = 42;

/** What ended longer ago is no longer on the calendar. */
const SHOWN_DAYS = 365;

/** What came off a zone and counts, from one date to another; who keeps the picks knows it. */
export const PICKED = port<(zoneId: number, from: string, to: string) => Promise<readonly Picked[]>>("what was picked");

/** Which stage every planting is in, and what was seen of it. */
export function cropService(scope: Scope, weather: WeatherService) {
  /** What was last read of roots and CO₂ on each day. */
  const readBy =
    (zoneId: number): ReadBy =>
    async (from, to) => {
      const { timeZone } = await scope.site.current();
      const [fromMs, toMs] = [startOfLocalDay(from, timeZone), startOfLocalDay(addDays(to, 1), timeZone)];
      const found = new Map<string, { rootC?: number; co2Ppm?: number }>();
      for (const { kind, atMs, value } of await readingStore(scope).between(fromMs, toMs, [zoneId])) {
        if (kind !== "rootC" && kind !== "co2Ppm") continue;
        const date = localDate(atMs, timeZone);
        found.set(date, { ...found.get(date), [kind]: value });
      }
      return found;
    };
  const service = {
    async station(asked: string | undefined): Promise<CropStation> {
      await scope.site.current();
      const date = await scope.site.dateOr(asked);
      const today = await scope.site.dateOr(undefined);
      const since = addDays(date, -SHOWN_DAYS);
      const zones = await scope.zones();
      return {
        date,
        plantings: zones.flatMap((zone) =>
          zone.grown.map((planting) => timesOf(zone, planting, date, today)).filter((times) => endOf(times) > since),
        ),
        dates: datesOf(await scope.site.current(), zones, today)
          .filter(({ on, span }) => span === null && on >= date && on < addDays(date, TOLD_DAYS))
          .map(({ on, zoneId, zone, what, note }) => ({ on, zoneId, zoneName: zone, what, note })),
      };
    },

    async zoneCrop(zoneId: number, asked: string | undefined, key?: string): Promise<ZoneCrop> {
      const zone = await scope.zone(zoneId);
      const date = await scope.site.dateOr(asked);
      const today = await scope.site.dateOr(undefined);
      // An address may name a planting whose rows were changed since.
      const planting = plantingOf(zone, date, key) ?? plantingOn(zone.grown, date);
      const standing = planting && (standingsOn(zone.grown, date).find((one) => one.planting === planting) ?? null);
      const [first] = zone.grown;
      const picks = first ? await scope.ports.one(PICKED)(zoneId, first.plantedOn, date) : [];
      return {
        zoneId,
        version: zone.version,
        areaM2: zone.definition.areaM2,
        date,
        planting: planting && timesOf(zone, planting, date, today),
        beside: besideOf(zone, date),
        stand: planting && standOf(zone, planting, standing, picks, date),
        now: standing && asksOf(zone, standing),
        air:
          planting &&
          (await cropAir(
            weather,
            await scope.site.current(),
            zone,
            planting,
            date < today ? date : addDays(today, -1),
            standing?.state.period.startsOn ?? null,
            readBy(zoneId),
          )),
        nights: standing && cropNights(await scope.site.current(), standing, date),
        next: nextOf(zone, date),
        past: pastOf(zone, picks, date),
        practices: planting ? practicesAnswer(zone, planting, date) : [],
        fits: planting ? fitsOf(planting, await scope.zones()) : [],
        shifts: [],
      };
    },

    /** Does something to a zone's crop, and tells what of its stages has moved by it. */
    async shifting(zoneId: number, change: () => Promise<void>, key?: string): Promise<ZoneCrop> {
      const before = await service.zoneCrop(zoneId, undefined, key);
      await change();
      const after = await service.zoneCrop(zoneId, undefined, key);
      const was = new Map(before.planting?.stages.map(({ id, from }) => [id, from]));
      const shifts = (after.planting?.stages ?? []).flatMap(({ id, name, from }) => {
        const old = was.get(id);
        return old === undefined || old === from ? [] : [{ stage: name, before: old, after: from }];
      });
      return { ...after, shifts };
    },
  };
  return service;
}
