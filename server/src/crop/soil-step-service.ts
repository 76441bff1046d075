import type { NewSoilStep, SoilSteps } from "@sprunel/contract/crop";
import { readyAfter, waitsFor, type SoilStepKind } from "@sprunel/core/crop";
import { addDays } from "@sprunel/core/time";
import { badInput, notFound } from "../http/problems.ts";
import type { Scope } from "../scope/scope.ts";
import type { Dated } from "./calendar.ts";
import { soilStepStore } from "./soil-step-store.ts";

/** Steps whose wait was over so long ago are no longer told. */
const TOLD_DAYS = 365;

export const SOIL_STEP_WORDS: Readonly<Record<SoilStepKind, string>> = {
  lime: "Lime worked in",
  sulphur: "Sulphur worked in",
  manure: "Manure spread",
  basal: "Basal dressing",
  wetting: "Beds wetted through",
  "plant-back": "Cover or residues turned in",
};

/** What is done to soils before something is planted in them. */
export function soilStepService(scope: Scope) {
  async function list(zoneId: number): Promise<SoilSteps> {
    await scope.zone(zoneId);
    const since = addDays(await scope.site.dateOr(undefined), -TOLD_DAYS);
    const steps = (await soilStepStore(scope).list(zoneId)).filter((step) => readyAfter(step) >= since);
    return {
      zoneId,
      steps: steps.map((step) => ({
        ...{ id: step.id, kind: step.kind, on: step.on, waitDays: step.waitDays, note: step.note },
        readyOn: readyAfter(step),
      })),
    };
  }
  return {
    list,

    /** @throws 422 where a planting is planned for a day that would come too early after it */
    async add(zoneId: number, step: NewSoilStep): Promise<SoilSteps> {
      const zone = await scope.zone(zoneId);
      const early = zone.plantings.find(({ plantedOn }) => waitsFor([step], plantedOn) !== null);
      if (early)
        throw badInput([
          {
            path: "waitDays",
            message: `${zone.name} is planted on ${early.plantedOn}, and this waits until ${readyAfter(step)}: plan the crop later, or do this by ${addDays(early.plantedOn, -step.waitDays)}.`,
          },
        ]);
      await scope.transaction((inner) => soilStepStore(inner).add(zoneId, step));
      return list(zoneId);
    },

    async strike(zoneId: number, id: number): Promise<SoilSteps> {
      await scope.zone(zoneId);
      if (!(await scope.transaction((inner) => soilStepStore(inner).strike(zoneId, id))))
        throw notFound(`Soil step ${id}`);
      return list(zoneId);
    },

    /** For calendars: each step, and the day from which something may be planted. */
    async dated(): Promise<Dated[]> {
      const since = addDays(await scope.site.dateOr(undefined), -TOLD_DAYS);
      const names = new Map((await scope.zones()).map(({ id, name }) => [id, name]));
      return (await soilStepStore(scope).list()).flatMap((step): Dated[] => {
        const zone = names.get(step.zoneId);
        if (zone === undefined || step.on < since) return [];
        return [
          {
            ...{ id: `soil-${step.zoneId}-${step.id}`, zone, zoneId: step.zoneId, on: step.on, span: null },
            what: SOIL_STEP_WORDS[step.kind],
            note: `${step.note === null ? "" : `${step.note}; `}nothing is planted before ${readyAfter(step)}`,
          },
        ];
      });
    },
  };
}

/** @throws 422 for a planting that would come too early after something that was done to its soil */
export async function refuseUnreadySoil(scope: Scope, zoneId: number, plantedOn: string, path: string): Promise<void> {
  const step = waitsFor(await soilStepStore(scope).list(zoneId), plantedOn);
  if (!step) return;
  throw badInput([
    {
      path,
      message: `${SOIL_STEP_WORDS[step.kind]} on ${step.on}: nothing is planted before ${readyAfter(step)}, and ${plantedOn} is before it.`,
    },
  ]);
}
