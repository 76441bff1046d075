import type { Dose, NewDose } from "@sprunel/contract/water";
import { badInput, notFound } from "../http/problems.ts";
import type { Scope } from "../scope/scope.ts";
import { doseStore } from "./dose-store.ts";
import { sourceStore } from "./source-store.ts";

export type DoseService = ReturnType<typeof doseService>;

/** Digestate and reclaimed water that zones got, booked apart from their watering. */
export function doseService(scope: Scope) {
  return {
    async list(zoneId: number): Promise<Dose[]> {
      await scope.zone(zoneId);
      return (await doseStore(scope).list(zoneId)).map(({ key: _key, ...dose }) => dose);
    },
    async add(zoneId: number, dose: NewDose): Promise<void> {
      await scope.zone(zoneId);
      const source = await sourceStore(scope).find(dose.sourceId);
      if (!source?.analysis)
        throw badInput([
          { path: "sourceId", message: "The water has no analysis of solids and nutrients; enter it first." },
        ]);
      const today = await scope.site.dateOr(undefined);
      if (dose.givenOn > today)
        throw badInput([{ path: "givenOn", message: `A dose cannot be from ${dose.givenOn}; today is ${today}.` }]);
      await scope.transaction((inner) => doseStore(inner).add(zoneId, dose));
    },
    async strike(zoneId: number, id: number, reason: string): Promise<void> {
      await scope.zone(zoneId);
      if (!(await scope.transaction((inner) => doseStore(inner).strike(zoneId, id, reason))))
        throw notFound(`Dose ${id}`);
    },
  };
}
