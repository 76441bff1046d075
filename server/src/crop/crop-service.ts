import { definitionOf, type CropStation, type NewSign, type NextPlanting, type ZoneCrop } from "@sprunel/contract/crop";
import { freshPlanting, type Planting } from "@sprunel/contract/site";
import {
  plantingOn,
  programmesOn,
  signFault,
  signsOfSeason,
  standingOn,
  yearBegan,
  type Grown,
} from "@sprunel/core/crop";
import { addDays } from "@sprunel/core/time";
import { badInput, notFound, staleEdit } from "../http/problems.ts";
import type { WeatherService } from "../climate/weather-service.ts";
import type { Scope } from "../scope/scope.ts";
import { cropsOf, type LibraryService } from "./library-service.ts";
import { asksOf, endOf, fitsOf, nextOf, scaledStage, timesOf } from "./crop-answer.ts";
import { cropAir } from "./crop-air.ts";
import { cropNights } from "./crop-nights.ts";
import { asZone, zoneStore, type StoredZone } from "../scope/zone-store.ts";

/** What ended longer ago is no longer on the calendar. */
const SHOWN_DAYS = 365;

/** Which stage every planting is in, and what was seen of it. */
export function cropService(scope: Scope, weather: WeatherService, library: LibraryService) {
  /** The zone with one planting changed, if it is still as the person saw it. */
  async function changePlanting(
    zone: StoredZone,
    version: number,
    planting: Grown,
    change: Partial<Pick<Planting, "cropId" | "signs" | "nights" | "missedNights">>,
  ): Promise<void> {
    const changed = zone.plantings.map((one) => (one.plantedOn === planting.plantedOn ? { ...one, ...change } : one));
    await replacePlantings(zone, version, changed, planting.plantedOn);
  }
  async function replacePlantings(
    zone: StoredZone,
    version: number,
    plantings: Planting[],
    from: string,
  ): Promise<void> {
    const { id: siteId } = await scope.site.current();
    const { id, houseId: _house, version: _version, ...record } = zone;
    const saved = await scope.transaction((inner) =>
      zoneStore(inner).update(id, siteId, version, { ...record, plantings }),
    );
    if (!saved) throw staleEdit(`The zone ${zone.name}`, asZone(await scope.zone(id)));
    scope.cache.zoneChanged(id, from);
  }
  /** A sign is of the planting that stood on its day. */
  async function planted(zoneId: number, date: string): Promise<{ zone: StoredZone; planting: Grown }> {
    const zone = await scope.zone(zoneId);
    const planting = plantingOn(zone.grown, date);
    if (!planting)
      throw badInput([
        { path: "on", message: `Nothing stood in ${zone.name} on ${date}; check the date, or the planting in set-up.` },
      ]);
    return { zone, planting };
  }
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
      };
    },

    async zoneCrop(zoneId: number, asked: string | undefined): Promise<ZoneCrop> {
      const zone = await scope.zone(zoneId);
      const date = await scope.site.dateOr(asked);
      const today = await scope.site.dateOr(undefined);
      const planting = plantingOn(zone.grown, date);
      const standing = standingOn(zone.grown, date);
      return {
        zoneId,
        version: zone.version,
        areaM2: zone.definition.areaM2,
        date,
        planting: planting && timesOf(zone, planting, date, today),
        now: standing && asksOf(zone, standing),
        air:
          planting &&
          (await cropAir(
            weather,
            await scope.site.current(),
            zone,
            planting,
            date < today ? date : addDays(today, -1),
          )),
        nights: standing && cropNights(await scope.site.current(), standing, date),
        next: nextOf(zone, date),
        fits: planting ? fitsOf(planting, await scope.zones()) : [],
        shifts: [],
      };
    },

    /** Does something to a zone's crop, and tells what of its stages has moved by it. */
    async shifting(zoneId: number, change: () => Promise<void>): Promise<ZoneCrop> {
      const before = await service.zoneCrop(zoneId, undefined);
      await change();
      const after = await service.zoneCrop(zoneId, undefined);
      const was = new Map(before.planting?.stages.map(({ id, from }) => [id, from]));
      const shifts = (after.planting?.stages ?? []).flatMap(({ id, name, from }) => {
        const old = was.get(id);
        return old === undefined || old === from ? [] : [{ stage: name, before: old, after: from }];
      });
      return { ...after, shifts };
    },

    /** The planting goes on with what was counted here, in a crop of one's own. */
    async takeFit(zoneId: number, version: number, stageId: string): Promise<void> {
      const { zone, planting } = await planted(zoneId, await scope.site.dateOr(undefined));
      const fit = fitsOf(planting, await scope.zones()).find((found) => found.stageId === stageId);
      if (!fit) throw notFound(`Another figure for the stage ${stageId}`);
      const { crop } = planting;
      const fitted = {
        ...definitionOf(crop),
        stages: definitionOf(crop).stages.map((stage) =>
          stage.id === stageId ? scaledStage(stage, fit.mean / fit.of) : stage,
        ),
      };
      const cropId = await library.fitted(crop.id, fitted);
      await changePlanting(zone, version, planting, { cropId });
    },

    async planNext(zoneId: number, { version, cropId, plantedOn, raising }: NextPlanting): Promise<void> {
      const today = await scope.site.dateOr(undefined);
      if (plantedOn <= today)
        throw badInput([
          { path: "plantedOn", message: `The next crop is planned ahead: ${plantedOn} is not after today, ${today}.` },
        ]);
      if (!(await cropsOf(scope)).has(cropId))
        throw badInput([{ path: "cropId", message: `${cropId} is not in the crop library.` }]);
      const zone = await scope.zone(zoneId);
      const before = zone.plantings.filter((one) => one.plantedOn <= today);
      const last = before.at(-1);
      if (last && last.clearedOn !== null && last.clearedOn > plantedOn)
        throw badInput([
          {
            path: "plantedOn",
            message: `The zone is not free on ${plantedOn}: what stands is cleared on ${last.clearedOn}.`,
          },
        ]);
      const cleared = before.map((one) => (one === last ? { ...one, clearedOn: one.clearedOn ?? plantedOn } : one));
      await replacePlantings(zone, version, [...cleared, freshPlanting(cropId, plantedOn, { raising })], today);
    },

    async dropNext(zoneId: number, version: number): Promise<void> {
      const today = await scope.site.dateOr(undefined);
      const zone = await scope.zone(zoneId);
      const next = zone.plantings.find((one) => one.plantedOn > today);
      if (!next) throw notFound("A planting that is to come");
      const left = zone.plantings
        .filter((one) => one.plantedOn <= today)
        // It was to be cleared for the one that is dropped.
        .map((one) => (one.clearedOn === next.plantedOn ? { ...one, clearedOn: null } : one));
      await replacePlantings(zone, version, left, today);
    },

    async setNights(zoneId: number, version: number, nights: Planting["nights"]): Promise<void> {
      const { zone, planting } = await planted(zoneId, await scope.site.dateOr(undefined));
      const missedNights = (planting.missedNights ?? []).filter((date) => programmesOn({ nights }, date).length > 0);
      await changePlanting(zone, version, planting, { nights, missedNights });
    },

    async missNight(zoneId: number, version: number, on: string): Promise<void> {
      const today = await scope.site.dateOr(undefined);
      if (on > today)
        throw badInput([{ path: "on", message: `The night of ${on} is still to come; today is ${today}.` }]);
      const { zone, planting } = await planted(zoneId, on);
      const missed = planting.missedNights ?? [];
      if (programmesOn({ nights: planting.nights ?? [] }, on).length === 0)
        throw badInput([
          {
            path: "on",
            message: `No cloth and no lamps were planned for the night of ${on}; it cannot have been missed.`,
          },
        ]);
      if (!missed.includes(on)) await changePlanting(zone, version, planting, { missedNights: [...missed, on].sort() });
    },

    async takeMissedNightBack(zoneId: number, version: number, on: string): Promise<void> {
      const { zone, planting } = await planted(zoneId, on);
      const missed = planting.missedNights ?? [];
      if (!missed.includes(on)) throw notFound(`A missed night of ${on}`);
      await changePlanting(zone, version, planting, { missedNights: missed.filter((date) => date !== on) });
    },

    async addSign(zoneId: number, { stageId, on, version }: NewSign): Promise<void> {
      const today = await scope.site.dateOr(undefined);
      if (on > today)
        throw badInput([{ path: "on", message: `A stage cannot have been seen on ${on}; today is ${today}.` }]);
      const { zone, planting } = await planted(zoneId, on);
      const since = yearBegan(planting, on);
      const ofSeason = signsOfSeason(planting, since);
      const fault = signFault(planting.crop, since, { stageId, on }, ofSeason);
      if (fault) throw badInput([fault]);
      const others = planting.signs.filter((sign) => sign.stageId !== stageId || !ofSeason.includes(sign));
      await changePlanting(zone, version, planting, { signs: [...others, { stageId, on }] });
    },

    async takeSignBack(zoneId: number, stageId: string, version: number): Promise<void> {
      const today = await scope.site.dateOr(undefined);
      const { zone, planting } = await planted(zoneId, today);
      const ofSeason = signsOfSeason(planting, yearBegan(planting, today));
      const others = planting.signs.filter((sign) => sign.stageId !== stageId || !ofSeason.includes(sign));
      if (others.length === planting.signs.length) throw notFound(`A sign of the stage ${stageId}`);
      await changePlanting(zone, version, planting, { signs: others });
    },
  };
  return service;
}
