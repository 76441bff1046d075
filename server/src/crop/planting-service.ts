import {
  definitionOf,
  type NewSign,
  type NewStand,
  type NewStandStep,
  type NextPlanting,
} from "@sprunel/contract/crop";
import { freshPlanting, type Planting } from "@sprunel/contract/site";
import {
  overlap,
  plantingKey,
  plantingOn,
  plantingsOn,
  programmesOn,
  signFault,
  signsOfSeason,
  yearBegan,
  type Crop,
  type Grown,
} from "@sprunel/core/crop";
import { addDays, daysBetween } from "@sprunel/core/time";
import { badInput, notFound, staleEdit, toldAt } from "../http/problems.ts";
import { asZone, zoneStore, type StoredZone } from "../scope/zone-store.ts";
import type { Scope } from "../scope/scope.ts";
import { checkPlantings } from "./check-plantings.ts";
import { fitsOf, scaledStage } from "./crop-answer.ts";
import { refuseUnreadySoil } from "./soil-step-service.ts";
import { cropsOf, type LibraryService } from "./library-service.ts";

/** A planting date is sought from so many days before, in so many steps at most: cold days may leave it a day early. */
const FIRST_GUESS_DAYS = 60;
const MOST_STEPS = 12;

/** Of which planting something is said, at which version of the zone's record. */
interface Said {
  readonly version: number;
  readonly planting?: string | undefined;
}

/** The planting that is meant on a date: by its key, else the one that leads the zone. */
export function plantingOf({ grown }: StoredZone, date: string, key: string | undefined): (Planting & Grown) | null {
  if (key === undefined) return plantingOn(grown, date);
  return plantingsOn(grown, date).find((one) => plantingKey(one) === key) ?? null;
}

const inOrder = (plantings: readonly Planting[]): Planting[] =>
  [...plantings].sort((one, other) => one.plantedOn.localeCompare(other.plantedOn));

/** Plantings as they were before others were planned after them: what was to be cleared for those stands on. */
function freedOf(dropped: readonly Planting[], plantings: readonly Planting[]): Planting[] {
  return plantings.map((one) =>
    dropped.some((next) => one.clearedOn === next.plantedOn && overlap(one.part, next.part))
      ? { ...one, clearedOn: null }
      : one,
  );
}

/** Faults of a planting are told at its own fields, as the page that changes it has them. */
function refuseImpossible(zone: StoredZone, at: number, crops: ReadonlyMap<string, Crop>): void {
  const own = `plantings.${at}.`;
  toldAt(
    (path) => (path.startsWith(own) ? path.slice(own.length).replace(/^steps\.\d+\./, "step.") : path),
    () => checkPlantings(zone, crops),
  );
}

/** What is said of plantings: how they stand, what comes after, what was seen of them and of their nights. */
export function plantingService(scope: Scope, library: LibraryService) {
  /** The zone with one planting changed, if it is still as the person saw it. */
  async function changePlanting(
    zone: StoredZone,
    version: number,
    planting: Grown,
    change: Partial<Planting>,
  ): Promise<void> {
    const key = plantingKey(planting);
    const changed = zone.plantings.map((one) => (plantingKey(one) === key ? { ...one, ...change } : one));
    await replacePlantings(zone, version, changed);
  }
  /** The same, where it may leave plantings that cannot be. */
  async function changeStand(
    zone: StoredZone,
    version: number,
    planting: Grown,
    change: Partial<Planting>,
  ): Promise<void> {
    const at = zone.plantings.findIndex((one) => plantingKey(one) === plantingKey(planting));
    const plantings = zone.plantings.map((one, place) => (place === at ? { ...one, ...change } : one));
    refuseImpossible({ ...zone, plantings }, at, await cropsOf(scope));
    await replacePlantings(zone, version, plantings);
  }
  async function replacePlantings(zone: StoredZone, version: number, plantings: Planting[]): Promise<void> {
    const { id: siteId } = await scope.site.current();
    const { id, houseId: _house, version: _version, ...record } = zone;
    const saved = await scope.transaction((inner) =>
      zoneStore(inner).update(id, siteId, version, { ...record, plantings }),
    );
    if (!saved) throw staleEdit(`The zone ${zone.name}`, asZone(await scope.zone(id)));
  }
  /** A sign is of the planting that stood on its day. */
  async function planted(
    zoneId: number,
    date: string,
    key: string | undefined,
  ): Promise<{ zone: StoredZone; planting: Planting & Grown }> {
    const zone = await scope.zone(zoneId);
    const planting = plantingOf(zone, date, key);
    if (!planting)
      throw badInput([
        { path: "on", message: `Nothing stood in ${zone.name} on ${date}; check the date, or the planting in set-up.` },
      ]);
    return { zone, planting };
  }
  /** When a crop is planted in a zone to be first picked, or sold, on a date: by the air and nights that it will have. */
  async function plantedFor(zone: StoredZone, cropId: string, readyOn: string): Promise<string> {
    let plantedOn = addDays(readyOn, -FIRST_GUESS_DAYS);
    for (let step = 0; step < MOST_STEPS; step++) {
      const [grown] = await scope.grow([{ ...zone, plantings: [freshPlanting(cropId, plantedOn)] }], scope);
      const [planting] = grown?.grown ?? [];
      const ready = planting?.periodsFrom(plantedOn).find(({ stage }) => stage.picking)?.startsOn;
      if (ready === undefined)
        throw badInput([
          {
            path: "readyOn",
            message: "The library says of no stage of this crop that it is picked; give the planting date.",
          },
        ]);
      const late = daysBetween(readyOn, ready);
      if (late === 0) return plantedOn;
      plantedOn = addDays(plantedOn, -late);
    }
    return plantedOn;
  }
  return {
    /** The planting goes on with what was counted here, in a crop of one's own. */
    async takeFit(zoneId: number, { version, stageId, planting: key }: Said & { stageId: string }): Promise<void> {
      const { zone, planting } = await planted(zoneId, await scope.site.dateOr(undefined), key);
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

    /** How a planting stands: its rows, plants and age, and what it is watered for. */
    async setStand(zoneId: number, { version, planting: key, ...stand }: NewStand): Promise<void> {
      const { zone, planting } = await planted(zoneId, await scope.site.dateOr(undefined), key);
      await changeStand(zone, version, planting, stand);
    },

    async addStandStep(zoneId: number, { version, planting: key, step }: NewStandStep): Promise<void> {
      const { zone, planting } = await planted(zoneId, await scope.site.dateOr(undefined), key);
      const others = planting.steps.filter(({ kind, on }) => kind !== step.kind || on !== step.on);
      const steps = [...others, step].sort((one, other) => one.on.localeCompare(other.on));
      await changeStand(zone, version, planting, { steps });
    },

    async removeStandStep(
      zoneId: number,
      { version, planting: key, kind, on }: Said & { kind: string; on: string },
    ): Promise<void> {
      const { zone, planting } = await planted(zoneId, await scope.site.dateOr(undefined), key);
      const { steps } = planting;
      const left = steps.filter((step) => step.kind !== kind || step.on !== on);
      if (left.length === steps.length) throw notFound(`A change of the stand on ${on}`);
      await changePlanting(zone, version, planting, { steps: left });
    },

    async planNext(
      zoneId: number,
      { version, cropId, plantedOn: asked, readyOn, raising, part, plants }: NextPlanting,
    ): Promise<void> {
      const today = await scope.site.dateOr(undefined);
      if (!(await cropsOf(scope)).has(cropId))
        throw badInput([{ path: "cropId", message: `${cropId} is not in the crop library.` }]);
      const zone = await scope.zone(zoneId);
      const plantedOn = asked ?? (await plantedFor(zone, cropId, readyOn ?? today));
      await refuseUnreadySoil(scope, zoneId, plantedOn, asked === null ? "readyOn" : "plantedOn");
      // What was planned before for the same rows is planned anew.
      const isReplaced = (one: Planting): boolean => one.plantedOn > today && overlap(one.part, part);
      const replaced = zone.plantings.filter(isReplaced);
      const kept = freedOf(
        replaced,
        zone.plantings.filter((one) => !isReplaced(one)),
      );
      const standing = kept.find(
        (one) => overlap(one.part, part) && (one.clearedOn === null ? plantedOn <= today : one.clearedOn > plantedOn),
      );
      if (standing)
        throw badInput([
          {
            path: "plantedOn",
            message:
              standing.clearedOn === null
                ? `The next crop is planned ahead: ${plantedOn} is not after today, ${today}, and its rows are not free. Give a date to come, or rows of its own.`
                : `The zone is not free on ${plantedOn}: what stands is cleared on ${standing.clearedOn}.`,
          },
        ]);
      const cleared = kept.map((one) =>
        one.clearedOn === null && overlap(one.part, part) ? { ...one, clearedOn: plantedOn } : one,
      );
      const fresh = freshPlanting(cropId, plantedOn, { raising, part, plants });
      const plantings = inOrder([...cleared, fresh]);
      refuseImpossible({ ...zone, plantings }, plantings.indexOf(fresh), await cropsOf(scope));
      await replacePlantings(zone, version, plantings);
    },

    async dropNext(zoneId: number, version: number): Promise<void> {
      const today = await scope.site.dateOr(undefined);
      const zone = await scope.zone(zoneId);
      const next = zone.plantings.find((one) => one.plantedOn > today);
      if (!next) throw notFound("A planting that is to come");
      const left = freedOf(
        [next],
        zone.plantings.filter((one) => one !== next),
      );
      await replacePlantings(zone, version, left);
    },

    async setNights(
      zoneId: number,
      { version, nights, planting: key }: Said & Pick<Planting, "nights">,
    ): Promise<void> {
      const { zone, planting } = await planted(zoneId, await scope.site.dateOr(undefined), key);
      const missedNights = planting.missedNights.filter((date) => programmesOn({ nights }, date).length > 0);
      await changePlanting(zone, version, planting, { nights, missedNights });
    },

    async missNight(zoneId: number, { version, on, planting: key }: Said & { on: string }): Promise<void> {
      const today = await scope.site.dateOr(undefined);
      if (on > today)
        throw badInput([{ path: "on", message: `The night of ${on} is still to come; today is ${today}.` }]);
      const { zone, planting } = await planted(zoneId, on, key);
      const missed = planting.missedNights;
      if (programmesOn({ nights: planting.nights }, on).length === 0)
        throw badInput([
          {
            path: "on",
            message: `No cloth and no lamps were planned for the night of ${on}; it cannot have been missed.`,
          },
        ]);
      if (!missed.includes(on)) await changePlanting(zone, version, planting, { missedNights: [...missed, on].sort() });
    },

    async takeMissedNightBack(zoneId: number, { version, on, planting: key }: Said & { on: string }): Promise<void> {
      const { zone, planting } = await planted(zoneId, on, key);
      const missed = planting.missedNights;
      if (!missed.includes(on)) throw notFound(`A missed night of ${on}`);
      await changePlanting(zone, version, planting, { missedNights: missed.filter((date) => date !== on) });
    },

    async addSign(zoneId: number, { stageId, on, version, planting: key }: NewSign): Promise<void> {
      const today = await scope.site.dateOr(undefined);
      if (on > today)
        throw badInput([{ path: "on", message: `A stage cannot have been seen on ${on}; today is ${today}.` }]);
      const { zone, planting } = await planted(zoneId, on, key);
      const since = yearBegan(planting, on);
      const ofSeason = signsOfSeason(planting, since);
      const fault = signFault(planting, since, { stageId, on }, ofSeason);
      if (fault) throw badInput([fault]);
      const others = planting.signs.filter((sign) => sign.stageId !== stageId || !ofSeason.includes(sign));
      await changePlanting(zone, version, planting, { signs: [...others, { stageId, on }] });
    },

    async takeSignBack(zoneId: number, { stageId, version, planting: key }: Said & { stageId: string }): Promise<void> {
      const today = await scope.site.dateOr(undefined);
      const { zone, planting } = await planted(zoneId, today, key);
      const ofSeason = signsOfSeason(planting, yearBegan(planting, today));
      const others = planting.signs.filter((sign) => sign.stageId !== stageId || !ofSeason.includes(sign));
      if (others.length === planting.signs.length) throw notFound(`A sign of the stage ${stageId}`);
      await changePlanting(zone, version, planting, { signs: others });
    },
  };
}
