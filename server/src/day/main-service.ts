import { mainSchema, type Main, type MainAnswer } from "@sprunel/contract/plan";
import type { Site } from "@sprunel/contract/site";
import { checkMain } from "@sprunel/core/schedule";
import { staleEdit } from "../http/problems.ts";
import type { Scope } from "../scope/scope.ts";
import { mainInSeconds } from "./main-in-seconds.ts";
import { mainStore } from "./main-store.ts";

export type MainService = ReturnType<typeof mainService>;

/** Nothing is shared. */
const NO_MAIN: Main = { limits: [], mixers: [], hands: null, tariff: [], rules: [], runs: [] };

/** What all zones share, as it was described; until then the site's pump. */
export function mainService(scope: Scope) {
  async function zonesOf(): Promise<MainAnswer["zones"]> {
    return (await scope.zones()).map(({ id, name, definition: { flowLh } }) => ({ id, name, flowLh }));
  }

  async function read(site: Site): Promise<{ main: Main; version: number | null }> {
    const kept = await mainStore(scope).find(site.id);
    if (!kept) return { main: ofPump(site), version: null };
    // A zone that is gone shares nothing any more.
    const ids = new Set((await zonesOf()).map(({ id }) => id));
    return { main: amongZones(kept.main, ids), version: kept.version };
  }

  async function answer(): Promise<MainAnswer> {
    return { ...(await read(await scope.site.current())), zones: await zonesOf() };
  }

  return {
    read,
    answer,

    async save(version: number | null, main: Main): Promise<MainAnswer> {
      checkMain(mainInSeconds(main), await zonesOf());
      const { id: siteId } = await scope.site.current();
      await scope.transaction(async (inner) => {
        const now = await mainStore(inner).find(siteId);
        if ((now?.version ?? null) !== version)
          throw staleEdit("What the zones share", now ?? { version: null, main: NO_MAIN });
        await mainStore(inner).save(siteId, (version ?? 0) + 1, main);
      });
      return answer();
    },
  };
}

/** Before anybody described it: the pump of the site's own record, if that is known. */
function ofPump({ pumpLh }: Site): Main {
  const pump = { kind: "pump", name: "Pump", maxLh: pumpLh, maxOpen: null, kw: null, zoneIds: null } as const;
  return mainSchema.parse({ ...NO_MAIN, limits: pumpLh === null ? [] : [pump] });
}

function amongZones(main: Main, ids: ReadonlySet<number>): Main {
  const here = (some: readonly number[]): number[] => some.filter((id) => ids.has(id));
  const orAll = (some: readonly number[] | null): number[] | null => some && here(some);
  return {
    ...main,
    limits: main.limits.map((limit) => ({ ...limit, zoneIds: orAll(limit.zoneIds) })),
    mixers: main.mixers.map((mixer) => ({ ...mixer, zoneIds: orAll(mixer.zoneIds) })),
    hands: main.hands && { ...main.hands, zoneIds: here(main.hands.zoneIds) },
    rules: main.rules.filter(({ zoneId }) => ids.has(zoneId)),
  };
}
