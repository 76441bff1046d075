import type { SiteFile } from "@sprunel/contract/exchange";
import type { Main } from "@sprunel/contract/plan";
import type { SiteFilePart } from "../scope/site-file-part.ts";
import { mainStore } from "./main-store.ts";

type Filed = SiteFile["main"][number];

/** What the zones share names them by their names: they get other ids in another folder. */
export function mainInFile(): SiteFilePart {
  return {
    ofSite: {
      main: {
        async *out(scope, { siteId }) {
          const kept = await mainStore(scope).find(siteId);
          if (!kept) return;
          const names = new Map((await scope.zones()).map(({ id, name }) => [id, name]));
          yield renamed<number, string>(kept.main, (id) => names.get(id));
        },
        async in(scope, { siteId }, rows) {
          const ids = new Map((await scope.zones()).map(({ id, name }) => [name, id]));
          for (const main of rows)
            await mainStore(scope).save(
              siteId,
              1,
              renamed<string, number>(main, (name) => ids.get(name)),
            );
        },
      },
    },
  };
}

type Naming<T> = T extends number ? Main : Filed;

/** The same with zones under other names; one that is not there is left out. */
function renamed<From extends number | string, To extends number | string>(
  main: Naming<From>,
  other: (zone: From) => To | undefined,
): Naming<To> {
  const here = (some: readonly From[]): To[] => some.flatMap((zone) => other(zone) ?? []);
  const orAll = (some: readonly From[] | null): To[] | null => some && here(some);
  const of = main as unknown as {
    limits: { zoneIds: From[] | null }[];
    mixers: { zoneIds: From[] | null }[];
    hands: { zoneIds: From[] } | null;
    rules: { zoneId: From }[];
  };
  return {
    ...main,
    limits: of.limits.map((limit) => ({ ...limit, zoneIds: orAll(limit.zoneIds) })),
    mixers: of.mixers.map((mixer) => ({ ...mixer, zoneIds: orAll(mixer.zoneIds) })),
    hands: of.hands && { ...of.hands, zoneIds: here(of.hands.zoneIds) },
    rules: of.rules.flatMap((rule) => {
      const zoneId = other(rule.zoneId);
      return zoneId === undefined ? [] : [{ ...rule, zoneId }];
    }),
  } as unknown as Naming<To>;
}
