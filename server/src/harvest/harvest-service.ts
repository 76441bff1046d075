import type { DayPicks, NewPick, NewPicks, Pick, PickedZone, ZoneHarvest } from "@sprunel/contract/harvest";
import { cameOff, pickedOn, type SoldAs } from "@sprunel/core/crop";
import {
  goneByWarmth,
  pickedAmount,
  pickedSoFar,
  pickingTime,
  yieldPath,
  type PickingTime,
} from "@sprunel/core/harvest";
import { addDays, daysBetween, startOfLocalDay } from "@sprunel/core/time";
import { explanation } from "../http/explanation.ts";
import { badInput, notFound } from "../http/problems.ts";
import { wateringStore } from "../irrigation/watering-store.ts";
import { port } from "../scope/ports.ts";
import type { Scope } from "../scope/scope.ts";
import type { StoredZone } from "../scope/zone-store.ts";
import { groundOf } from "./off-planting.ts";
import { pickStore } from "./pick-store.ts";

const BY_MASS: SoldAs = { kind: "mass" };

/** So many picks tell what is usual in a zone. */
const PAST_PICKS = 12;
/** Points with which a path is drawn. */
const PATH_POINTS = 24;

interface Fault {
  readonly path: string;
  readonly message: string;
}

/** How warm plantings have had their picking by the evening of a date, °C·d by zone; who follows them through their days knows it. */
export const WARMTH =
  port<(zones: readonly StoredZone[], date: string) => Promise<ReadonlyMap<number, number>>>("the warmth of picking");

/** What came off plantings, against the yield aimed at and the water given. */
export function harvestService(scope: Scope) {
  const warmthOf = (zones: readonly StoredZone[], date: string) => scope.ports.one(WARMTH)(zones, date);
  return {
    async addPick(zoneId: number, pick: NewPick): Promise<void> {
      const zone = await scope.zone(zoneId);
      const faults = faultsOf(zone, pick, await scope.site.dateOr(undefined));
      if (faults.length > 0) throw badInput(faults);
      await scope.transaction((inner) => pickStore(inner).add(zoneId, pick));
    },

    /** All of them or none: what cannot be is named by its place. */
    async addPicks({ picks }: NewPicks): Promise<void> {
      const today = await scope.site.dateOr(undefined);
      const zones = new Map((await scope.zones()).map((zone) => [zone.id, zone]));
      const faults = picks.flatMap(({ zoneId, ...pick }, at) => {
        const zone = zones.get(zoneId);
        const found = zone
          ? faultsOf(zone, pick, today)
          : [{ path: "zoneId", message: `Zone ${zoneId} does not exist.` }];
        return found.map(({ path, message }) => ({ path: `picks.${at}.${path}`, message }));
      });
      if (faults.length > 0) throw badInput(faults);
      await scope.transaction(async (inner) => {
        for (const { zoneId, ...pick } of picks) await pickStore(inner).add(zoneId, pick);
      });
    },

    async strikePick(zoneId: number, id: number, reason: string): Promise<void> {
      await scope.zone(zoneId);
      if (!(await scope.transaction((inner) => pickStore(inner).strike(zoneId, id, reason, scope.clock()))))
        throw notFound(`Pick ${id}`);
    },

    /** What came off every zone on a date, and how each stands against its target's path. */
    async dayPicks(asked: string | undefined): Promise<DayPicks> {
      await scope.site.current();
      const date = await scope.site.dateOr(asked);
      const zones = await scope.zones();
      const planted = zones.flatMap(({ id, grown }) => {
        const standing = pickedOn(grown, date);
        return standing ? [[id, standing.since] as const] : [];
      });
      const picks = await pickStore(scope).since(new Map(planted), date);
      const warmth = await warmthOf(zones, date);
      return {
        date,
        zones: zones.map((zone) => pickedZone(zone, picks.get(zone.id) ?? [], date, warmth.get(zone.id))),
      };
    },

    async zoneHarvest(zoneId: number, asked: string | undefined): Promise<ZoneHarvest> {
      const [zone, site] = [await scope.zone(zoneId), await scope.site.current()];
      const date = await scope.site.dateOr(asked);
      const standing = pickedOn(zone.grown, date);
      const soldAs = standing?.crop.soldAs ?? BY_MASS;
      const areaM2 = groundOf(zone, standing);
      const picks = standing
        ? [...cameOff(zone.grown, standing.planting, await pickStore(scope).between(zoneId, standing.since, date))]
        : [];
      const waterings = standing
        ? await wateringStore(scope).totalSince(zoneId, startOfLocalDay(standing.since, site.timeZone))
        : null;
      const counted = picks.filter((pick) => pick.struck === null).flatMap((pick) => pickedAmount(pick, soldAs) ?? []);
      const picked = pickedSoFar(counted, areaM2, waterings, soldAs);
      const time = standing && pickingTime(standing.planting, standing.since);
      const targetPerM2 = standing?.planting.targetPerM2 ?? null;
      const warmth = time && date >= time.from ? (await warmthOf([zone], date)).get(zoneId) : undefined;
      const gone = time && warmth !== undefined ? goneByWarmth(time, standing.crop, warmth) : null;
      const path = time && targetPerM2 !== null ? yieldPath(time, targetPerM2, date, soldAs, gone) : null;
      return {
        zoneId,
        date,
        crop: standing?.crop.name ?? null,
        soldAs,
        areaM2,
        targetPerM2,
        pickedPerM2: picked.perM2,
        pathPerM2: path?.perM2 ?? null,
        litresPerUnit: picked.litresPerUnit,
        path: time && targetPerM2 !== null ? pathOf(time, targetPerM2, soldAs, { date, gone }) : [],
        picks,
        workings: {
          picked: explanation({
            steps: picked.steps,
            inputs: [
              { name: "Picks that count", value: counted.length, unit: "", origins: [{ kind: "measured" }] },
              { name: "Area", value: areaM2, unit: "m²", origins: [{ kind: "entered" }] },
            ],
          }),
          path:
            path &&
            explanation({
              steps: [path.step],
              inputs: [
                {
                  name: "Yield aimed at",
                  value: targetPerM2 ?? 0,
                  unit: path.step.unit,
                  origins: [{ kind: "entered" }],
                },
              ],
            }),
        },
      };
    },
  };
}

/** What is wrong with a pick of a zone: its day, or a figure that its crop is sold by and that is missing. */
function faultsOf(zone: StoredZone, pick: NewPick, today: string): Fault[] {
  if (pick.pickedOn > today)
    return [
      {
        path: "pickedOn",
        message: `A pick cannot be from ${pick.pickedOn}, which is still to come; today is ${today}.`,
      },
    ];
  const standing = pickedOn(zone.grown, pick.pickedOn);
  if (!standing)
    return [
      {
        path: "pickedOn",
        message: `Nothing stood in ${zone.name} on ${pick.pickedOn}; check the date, or the planting in set-up.`,
      },
    ];
  const { name, soldAs } = standing.crop;
  if (pickedAmount(pick, soldAs) !== null) return [];
  return soldAs.kind === "mass"
    ? [{ path: "massKg", message: `${name} counts by its mass; type what the scale says.` }]
    : [{ path: "count", message: `${name} counts by the ${soldAs.one}; type how many ${soldAs.many} came off.` }];
}

/**
 * A path to be drawn: none on the first day of picking, and from there on what should have come off by the evening of a date. It
 * goes through today's figure, which warmth may have moved, and from it evenly on to the end.
 */
function pathOf(
  time: PickingTime,
  targetPerM2: number,
  soldAs: SoldAs,
  today: { readonly date: string; readonly gone: number | null },
): ZoneHarvest["path"] {
  const days = daysBetween(time.from, time.to);
  const step = Math.max(1, Math.ceil(days / PATH_POINTS));
  const dates: string[] = [];
  for (let on = addDays(time.from, step); on < time.to; on = addDays(on, step)) dates.push(on);
  const byDays = (on: string): number => (daysBetween(time.from, on) + 1) / days;
  const now = Math.min(1, Math.max(0, byDays(today.date)));
  const goneOn = (on: string): number | null => {
    if (today.gone === null || now <= 0 || now >= 1) return null;
    const share = byDays(on);
    return share <= now ? (share * today.gone) / now : today.gone + ((1 - today.gone) * (share - now)) / (1 - now);
  };
  return [
    { date: time.from, perM2: 0 },
    ...[...dates, time.to].map((date) => ({
      date,
      perM2: yieldPath(time, targetPerM2, date, soldAs, goneOn(date)).perM2,
    })),
  ];
}

function pickedZone(zone: StoredZone, all: readonly Pick[], date: string, warmth: number | undefined): PickedZone {
  const standing = pickedOn(zone.grown, date);
  const picks = standing ? cameOff(zone.grown, standing.planting, all) : all;
  const areaM2 = groundOf(zone, standing);
  const soldAs = standing?.crop.soldAs ?? BY_MASS;
  const time = standing && pickingTime(standing.planting, standing.since);
  const targetPerM2 = standing?.planting.targetPerM2 ?? null;
  const total = picks.reduce((sum, pick) => sum + (pickedAmount(pick, soldAs) ?? 0), 0);
  return {
    zoneId: zone.id,
    name: zone.name,
    crop: standing?.crop.name ?? null,
    soldAs,
    areaM2,
    picking: standing?.state.period.stage.picking ?? false,
    pickedPerM2: total / areaM2,
    pathPerM2:
      time && targetPerM2 !== null
        ? yieldPath(
            time,
            targetPerM2,
            date,
            soldAs,
            warmth === undefined ? null : goneByWarmth(time, standing.crop, warmth),
          ).perM2
        : null,
    targetPerM2,
    picks: picks.filter(({ pickedOn }) => pickedOn === date),
    past: picks
      .filter(({ pickedOn }) => pickedOn < date)
      .slice(-PAST_PICKS)
      .reverse(),
  };
}
