import type { NutrientBooks, NutrientRules } from "@sprunel/contract/feed";
import {
  AS_OXIDE,
  bedsOf,
  checkRules,
  entriesOn,
  holds,
  NO_RULES,
  yearBooks,
  type NutrientEntry,
} from "@sprunel/core/feed/books";
import { staleEdit } from "../http/problems.ts";
import type { Scope } from "../scope/scope.ts";
import type { StoredZone } from "../scope/zone-store.ts";
import { feedRecords } from "./feed-records.ts";
import { entriesOf, litresByMonth, recordsByMonth, type ZoneEntries } from "./nutrient-entries.ts";
import { nutrientRulesStore } from "./nutrient-rules-store.ts";

/** What came to every hectare and was taken off it, year by year, against the rules of the place. */
export function nutrientBooksService(scope: Scope) {
  async function ofAllZones() {
    const site = await scope.site.current();
    const today = await scope.site.dateOr(undefined);
    const known = {
      timeZone: site.timeZone,
      records: await feedRecords(scope, site.id, today),
      recordsOf: recordsByMonth(scope, site.id),
      months: await litresByMonth(scope, site.timeZone),
    };
    const found: { zone: StoredZone; of: ZoneEntries }[] = [];
    for (const zone of await scope.zones()) found.push({ zone, of: await entriesOf(scope, zone, known) });
    return { site, found };
  }

  async function books(): Promise<NutrientBooks> {
    const { site, found } = await ofAllZones();
    const kept = await nutrientRulesStore(scope).find(site.id);
    const rules = kept?.rules ?? { ...NO_RULES };
    return {
      rules,
      version: kept?.version ?? null,
      zones: found.map(({ zone, of: { entries, waterUnknown, removalUnknown } }) => ({
        ...{ zoneId: zone.id, zoneName: zone.name, areaM2: zone.definition.areaM2 },
        years: yearsOf(entries, rules, zone.grown),
        beds: bedsOf(zone.grown.map(({ part }) => part)).map((bed) => ({
          ...{ part: bed.part, areaM2: zone.definition.areaM2 * bed.share },
          years: yearsOf(
            entriesOn(bed, entries),
            rules,
            zone.grown.filter(({ part }) => !part || holds(part, bed.part)),
          ),
        })),
        waterUnknown: [...waterUnknown],
        removalUnknown: [...removalUnknown],
      })),
    };
  }

  return {
    books,

    async saveRules(version: number | null, rules: NutrientRules): Promise<NutrientBooks> {
      checkRules(rules);
      const { id: siteId } = await scope.site.current();
      await scope.transaction(async (inner) => {
        const now = await nutrientRulesStore(inner).find(siteId);
        if ((now?.version ?? null) !== version)
          throw staleEdit("The rules of nutrients", now ?? { version: null, rules: NO_RULES });
        await nutrientRulesStore(inner).save(siteId, (version ?? 0) + 1, rules);
      });
      return books();
    },

    /** Every entry as a row, P and K as elements and as oxides. */
    async table(): Promise<Record<string, string | number>[]> {
      const { found } = await ofAllZones();
      return found.flatMap(({ zone, of: { entries } }) =>
        entries.map(({ on, source, what, part, kgHa: { N, P, K } }) => ({
          ...{
            zone: zone.name,
            area_m2: zone.definition.areaM2,
            rows: part ? `${part.from}–${part.to} of ${part.of}` : "",
          },
          ...{ date: on, source, what },
          ...{ n_kg_ha: N, p_kg_ha: P, k_kg_ha: K, p2o5_kg_ha: P * AS_OXIDE.P, k2o_kg_ha: K * AS_OXIDE.K },
        })),
      );
    },
  };
}

/** Years of a piece of ground, each with what stood there. */
function yearsOf(
  entries: readonly NutrientEntry[],
  rules: NutrientRules,
  grown: StoredZone["grown"],
): NutrientBooks["zones"][number]["years"] {
  return yearBooks(entries, rules).map((book) => ({
    ...book,
    crops: grown
      .filter(
        ({ plantedOn, clearedOn }) =>
          Number(plantedOn.slice(0, 4)) <= book.year &&
          (clearedOn === null || Number(clearedOn.slice(0, 4)) >= book.year),
      )
      .map(({ crop }) => crop.name),
    breaches: [...book.breaches],
    inClosedTime: [...book.inClosedTime],
  }));
}
