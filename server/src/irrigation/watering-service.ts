import type { NewWatering } from "@sprunel/contract/irrigation";
import { badInput, conflict, notFound } from "../http/problems.ts";
import type { Scope } from "../scope/scope.ts";
import { SAID_BY_HAND, wateringStore } from "./watering-store.ts";

export type WateringService = ReturnType<typeof wateringService>;

/** What a person says of water that was given. */
export function wateringService(scope: Scope) {
  return {
    /** All of it, or nothing: one that cannot be is named by its place. */
    async add(waterings: readonly NewWatering[]): Promise<void> {
      const nowMs = scope.clock();
      const known = new Set((await scope.zones()).map(({ id }) => id));
      const faults = waterings.flatMap(({ zoneId, startUtc }, at) => [
        ...(known.has(zoneId) ? [] : [{ path: `waterings.${at}.zoneId`, message: `Zone ${zoneId} does not exist.` }]),
        ...(Date.parse(startUtc) <= nowMs
          ? []
          : [
              {
                path: `waterings.${at}.startUtc`,
                message: `${startUtc} is still to come; only water that was given can be said.`,
              },
            ]),
      ]);
      if (faults.length > 0) throw badInput(faults);
      const stored = waterings.map(({ startUtc, ...watering }) => ({
        ...watering,
        startMs: Date.parse(startUtc),
        source: SAID_BY_HAND,
      }));
      await scope.transaction(async (inner) => {
        const [first] = await wateringStore(inner).inTheWay(stored);
        if (first) {
          const { name } = await inner.zone(first.zoneId);
          throw conflict(
            `In ${name} ${first.litres} L were noted from ${new Date(first.startMs).toISOString()} on already. Strike that out first, or leave it; nothing was stored.`,
          );
        }
        await wateringStore(inner).add(stored);
      });
    },

    async strike(zoneId: number, startUtc: string, reason: string): Promise<void> {
      await scope.zone(zoneId);
      const startMs = Date.parse(startUtc);
      const struck = await scope.transaction((inner) =>
        wateringStore(inner).strike(zoneId, startMs, reason, scope.clock()),
      );
      if (!struck) throw notFound(`A watering from ${startUtc} on`);
    },
  };
}
