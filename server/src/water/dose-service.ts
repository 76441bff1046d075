import type { Dose, NewDose } from "@sprunel/contract/water";
import { localDate } from "@sprunel/core/time";
import type { Knex } from "knex";
import { badInput, notFound } from "../http/problems.ts";
import type { SetUpService } from "../site/set-up-service.ts";
import { zoneStore } from "../site/zone-store.ts";
import { doseStore } from "./dose-store.ts";
import { sourceStore } from "./source-store.ts";

export type DoseService = ReturnType<typeof doseService>;

/** Digestate and reclaimed water that zones got, booked apart from their watering. */
export function doseService(db: Knex, setUp: SetUpService, clock: () => number) {
  const needZone = async (zoneId: number): Promise<void> => {
    if (!(await zoneStore(db).find(zoneId))) throw notFound(`Zone ${zoneId}`);
  };
  return {
    async list(zoneId: number): Promise<Dose[]> {
      await needZone(zoneId);
      return (await doseStore(db).list(zoneId)).map(({ key: _key, ...dose }) => dose);
    },
    async add(zoneId: number, dose: NewDose): Promise<void> {
      await needZone(zoneId);
      const source = await sourceStore(db).find(dose.sourceId);
      if (!source?.analysis)
        throw badInput([
          { path: "sourceId", message: "The water has no analysis of solids and nutrients; enter it first." },
        ]);
      const today = localDate(clock(), (await setUp.site()).timeZone);
      if (dose.givenOn > today)
        throw badInput([{ path: "givenOn", message: `A dose cannot be from ${dose.givenOn}; today is ${today}.` }]);
      await doseStore(db).add(zoneId, dose);
    },
    async strike(zoneId: number, id: number, reason: string): Promise<void> {
      await needZone(zoneId);
      if (!(await doseStore(db).strike(zoneId, id, reason))) throw notFound(`Dose ${id}`);
    },
  };
}
