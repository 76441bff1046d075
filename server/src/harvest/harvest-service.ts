import type { NewPick, ZoneHarvest } from "@sprunel/contract/harvest";
import { standingOn } from "@sprunel/core/crop";
import { pickedSoFar, pickingTime, yieldPath } from "@sprunel/core/harvest";
import { startOfLocalDay } from "@sprunel/core/time";
import { badInput, notFound } from "../http/problems.ts";
import { wateringStore } from "../irrigation/watering-store.ts";
import { explanation } from "../http/explanation.ts";
import type { Scope } from "../scope/scope.ts";
import { pickStore } from "./pick-store.ts";

/** What came off a planting, against the yield aimed at and the water given. */
export function harvestService(scope: Scope) {
  return {
    async addPick(zoneId: number, pick: NewPick): Promise<void> {
      const zone = await scope.zone(zoneId);
      const today = await scope.site.dateOr(undefined);
      if (pick.pickedOn > today)
        throw badInput([
          {
            path: "pickedOn",
            message: `A pick cannot be from ${pick.pickedOn}, which is still to come; today is ${today}.`,
          },
        ]);
      if (!standingOn(zone.plantings, pick.pickedOn))
        throw badInput([
          {
            path: "pickedOn",
            message: `Nothing stood in ${zone.name} on ${pick.pickedOn}; check the date, or the planting in set-up.`,
          },
        ]);
      await pickStore(scope).add(zoneId, pick);
    },

    async strikePick(zoneId: number, id: number, reason: string): Promise<void> {
      await scope.zone(zoneId);
      if (!(await pickStore(scope).strike(zoneId, id, reason, scope.clock()))) throw notFound(`Pick ${id}`);
    },

    async zoneHarvest(zoneId: number, asked: string | undefined): Promise<ZoneHarvest> {
      const [zone, site] = [await scope.zone(zoneId), await scope.site.current()];
      const date = await scope.site.dateOr(asked);
      const standing = standingOn(zone.plantings, date);
      const areaM2 = zone.definition.areaM2;
      const picks = standing ? await pickStore(scope).between(zoneId, standing.planting.plantedOn, date) : [];
      const waterings = standing
        ? await wateringStore(scope).totalSince(zoneId, startOfLocalDay(standing.planting.plantedOn, site.timeZone))
        : null;
      const counted = picks.filter((pick) => pick.struck === null).map((pick) => pick.massKg);
      const picked = pickedSoFar(counted, areaM2, waterings);
      const time = standing && pickingTime(standing.crop, standing.planting);
      const targetKgM2 = standing?.planting.targetKgM2 ?? null;
      const path = time && targetKgM2 !== null ? yieldPath(time, targetKgM2, date) : null;
      return {
        zoneId,
        date,
        crop: standing?.crop.name ?? null,
        areaM2,
        targetKgM2,
        pickedKgM2: picked.kgM2,
        pathKgM2: path?.kgM2 ?? null,
        litresPerKg: picked.litresPerKg,
        path:
          time && targetKgM2 !== null
            ? [
                { date: time.from, kgM2: 0 },
                { date: time.to, kgM2: targetKgM2 },
              ]
            : [],
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
                { name: "Yield aimed at", value: targetKgM2 ?? 0, unit: "kg/m²", origins: [{ kind: "entered" }] },
              ],
            }),
        },
      };
    },
  };
}
