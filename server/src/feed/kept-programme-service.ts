import type { DoseProgramme, KeptProgramme, NewKeptProgramme } from "@sprunel/contract/feed";
import { plantingKey, standingOn } from "@sprunel/core/crop";
import type { Scope } from "../scope/scope.ts";
import { dosePlanStore } from "./dose-plan-store.ts";
import { keptProgrammeStore } from "./kept-programme-store.ts";

/** Programmes of doses under a name: made for one planting, taken up by others. */
export function keptProgrammeService(scope: Scope) {
  async function list(): Promise<KeptProgramme[]> {
    const { id: siteId } = await scope.site.current();
    const today = await scope.site.dateOr(undefined);
    const inForce: { name: string; text: string }[] = [];
    for (const zone of await scope.zones()) {
      const standing = standingOn(zone.grown, today);
      const own = standing && (await dosePlanStore(scope).programme(zone.id, plantingKey(standing.planting)));
      if (own) inForce.push({ name: zone.name, text: textOf(own.programme) });
    }
    return (await keptProgrammeStore(scope).list(siteId)).map(({ key: _key, keptAtMs, ...kept }) => ({
      ...kept,
      keptAt: new Date(keptAtMs).toISOString(),
      usedBy: inForce.filter(({ text }) => text === textOf(kept.programme)).map(({ name }) => name),
    }));
  }
  return {
    list,
    async keep(zoneId: number, { key, name, programme }: NewKeptProgramme): Promise<KeptProgramme[]> {
      const [{ id: siteId }, zone] = [await scope.site.current(), await scope.zone(zoneId)];
      await scope.transaction((inner) =>
        keptProgrammeStore(inner).add(siteId, {
          ...{ key, name, keptAtMs: scope.clock(), madeIn: zone.name },
          programme: ofAnyPlanting(programme),
        }),
      );
      return list();
    },
  };
}

/** From when it is in force, and what was changed while a crop grew, are that planting's alone. */
function ofAnyPlanting(programme: DoseProgramme): DoseProgramme {
  return { ...programme, fromOn: null, changes: [] };
}

/** Programmes that feed alike have one text, whenever they were put in force. */
function textOf(programme: DoseProgramme): string {
  return JSON.stringify(ofAnyPlanting(programme));
}
