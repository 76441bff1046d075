import { partShare, pickedOn, plantingKey, standingsOn } from "@sprunel/core/crop";
import { NONE, ofWater, type DigestateGiven, pickedKg, heldBy, scaled } from "@sprunel/core/feed/doses";
import { inLeaf, type PlacedEntry } from "@sprunel/core/feed/books";
import { addDays, localDate, startOfLocalDay } from "@sprunel/core/time";
import { pickStore } from "../harvest/pick-store.ts";
import { wateringStore } from "../irrigation/watering-store.ts";
import type { Scope } from "../scope/scope.ts";
import type { StoredZone } from "../scope/zone-store.ts";
import { doseStore } from "../water/dose-store.ts";
import { leafTakenStore } from "./leaf-taken-store.ts";
import { nutrientsIn } from "./dose-answer.ts";
import { waterMgL } from "./dose-facts.ts";
import { dosePlanStore } from "./dose-plan-store.ts";
import { feedRecords, type FeedRecords } from "./feed-records.ts";
import { feedStore } from "./feed-store.ts";

/** Everything that came to a zone, and was taken off it, with the years of which a part is not known. */
export interface ZoneEntries {
  readonly entries: readonly PlacedEntry[];
  readonly waterUnknown: readonly number[];
  readonly removalUnknown: readonly number[];
}

const yearOf = (on: string): number => Number(on.slice(0, 4));
const M2_HA = 10_000;

/** The site's records as they stood in each month: reports of its waters change. */
export type RecordsOfMonth = (on: string) => Promise<FeedRecords>;
export function recordsByMonth(scope: Scope, siteId: number): RecordsOfMonth {
  const known = new Map<string, Promise<FeedRecords>>();
  return (on) => {
    const month = on.slice(0, 7);
    const found = known.get(month) ?? feedRecords(scope, siteId, on);
    known.set(month, found);
    return found;
  };
}

export async function entriesOf(
  scope: Scope,
  zone: StoredZone,
  {
    timeZone,
    records,
    recordsOf,
    months,
  }: { timeZone: string; records: FeedRecords; recordsOf: RecordsOfMonth; months: LitresByMonth },
): Promise<ZoneEntries> {
  const { areaM2 } = zone.definition;
  const water = await waterEntries(zone, months, recordsOf);
  const removed = await removedEntries(scope, zone);
  /** the rows of a planting, by its key */
  const partOf = (planting: string): PlacedEntry["part"] =>
    zone.grown.find((grown) => plantingKey(grown) === planting)?.part ?? null;
  const given = (await dosePlanStore(scope).all(zone.id))
    .filter(({ struck, state }) => !struck && state === "given")
    .map(({ doneOn, products, planting }): PlacedEntry => {
      const what = products.map(({ productId }) => records.productOf(productId)?.name ?? productId).join(", ");
      const kgHa = nutrientsIn(products, records, areaM2);
      return { on: doneOn, source: "dose", what, kgHa, part: partOf(planting) };
    });
  const leaf = (await leafTakenStore(scope).all(zone.id))
    .filter(({ struck }) => !struck)
    .map((taken): PlacedEntry => ({
      ...{ on: taken.takenOn, source: "removed", what: "leaf" },
      ...{ kgHa: inLeaf(taken, areaM2), part: partOf(taken.planting) },
    }));
  const fed = (await feedStore(scope).allMixes(zone.id)).map(({ mixedAt, lines }): PlacedEntry => ({
    on: localDate(Date.parse(mixedAt), timeZone),
    ...{ source: "feed", what: "tanks mixed", kgHa: nutrientsIn(lines, records, areaM2), part: null },
  }));
  const manures = (await dosePlanStore(scope).programmes(zone.id)).flatMap(({ planting, programme }) => {
    const of = zone.grown.find((grown) => plantingKey(grown) === planting);
    if (of === undefined) return [];
    const [on, part] = [of.plantedOn, of.part ?? null];
    // What is told by the hectare is told of the ground of its rows.
    const share = partShare(part);
    const standing = standingsOn(zone.grown, on).find((one) => plantingKey(one.planting) === planting);
    const grains = programme.coated.map((one): PlacedEntry => ({
      on: one.on,
      ...{ source: "dose", what: one.name },
      ...{ kgHa: standing ? heldBy(one, standing, zone, areaM2, one.on) : NONE, part },
    }));
    const spread = programme.organic
      .filter(({ yearsAgo }) => yearsAgo === 0)
      .map(({ name, tHa, nPct, pPct, kPct }): PlacedEntry => {
        // a tonne holds 10 kg for each %
        const kgHa = scaled({ N: tHa * nPct * 10, P: tHa * pPct * 10, K: tHa * kPct * 10 }, share);
        return { on, source: "manure", what: name, kgHa, part };
      });
    return [...grains, ...spread];
  });
  const digestates = (await digestateOf(scope, zone, records)).map(({ on, name, kgHa }): PlacedEntry => ({
    ...{ on, source: "digestate", what: name, kgHa, part: null },
  }));
  return {
    entries: [...given, ...fed, ...water.entries, ...manures, ...digestates, ...leaf, ...removed.entries].sort((a, b) =>
      a.on.localeCompare(b.on),
    ),
    waterUnknown: water.unknown,
    removalUnknown: removed.unknown,
  };
}

/** Doses of digestate and reclaimed water by their analysis, all of their nitrogen. */
export async function digestateOf(scope: Scope, zone: StoredZone, { sources }: FeedRecords): Promise<DigestateGiven[]> {
  return (await doseStore(scope).all(zone.id))
    .filter(({ struck }) => struck === null)
    .map(({ sourceId, givenOn, litres, flushL }) => {
      const source = sources.find(({ id }) => id === sourceId);
      const mgL = source?.analysis;
      const content = mgL ? { N: mgL.nh4NMgL + mgL.organicNMgL, P: mgL.pMgL, K: mgL.kMgL } : NONE;
      return {
        on: givenOn,
        name: source?.name ?? "digestate",
        ...{ litres, flushL },
        kgHa: ofWater(litres, zone.definition.areaM2, content),
        organicNKgHa: ofWater(litres, zone.definition.areaM2, { ...NONE, N: mgL?.organicNMgL ?? 0 }).N,
      };
    });
}

/** Litres of every month, by zone, since water first ran. */
export async function litresByMonth(scope: Scope, timeZone: string): Promise<LitresByMonth> {
  const firstMs = await wateringStore(scope).first();
  const months = new Map<string, ReadonlyMap<number, number>>();
  if (firstMs === null) return months;
  const last = localDate(scope.clock(), timeZone);
  for (let on = `${localDate(firstMs, timeZone).slice(0, 7)}-01`; on <= last; on = nextMonth(on)) {
    const [fromMs, toMs] = [startOfLocalDay(on, timeZone), startOfLocalDay(nextMonth(on), timeZone)];
    months.set(on, await wateringStore(scope).totals(fromMs, toMs));
  }
  return months;
}
export type LitresByMonth = ReadonlyMap<string, ReadonlyMap<number, number>>;

/** The first day of the month after one that begins on a date. */
function nextMonth(on: string): string {
  return `${addDays(on, 31).slice(0, 7)}-01`;
}

async function waterEntries(zone: StoredZone, months: LitresByMonth, recordsOf: RecordsOfMonth) {
  const entries: PlacedEntry[] = [];
  const unknown = new Set<number>();
  for (const [on, byZone] of months) {
    const litres = byZone.get(zone.id) ?? 0;
    if (litres === 0) continue;
    // The report of the month's end: one that is taken within it counts.
    const mgL = waterMgL(await recordsOf(`${on.slice(0, 8)}28`), zone);
    const kgHa = mgL && ofWater(litres, zone.definition.areaM2, mgL);
    if (kgHa) entries.push({ on, source: "water", what: "water", kgHa, part: null });
    else unknown.add(yearOf(on));
  }
  return { entries, unknown: [...unknown] };
}

async function removedEntries(scope: Scope, zone: StoredZone) {
  const programmes = new Map(
    (await dosePlanStore(scope).programmes(zone.id)).map(({ planting, programme }) => [planting, programme]),
  );
  const unknown = new Set<number>();
  const entries = (await pickStore(scope).all(zone.id)).flatMap((pick): PlacedEntry[] => {
    if (pick.struck !== null) return [];
    const standing = pickedOn(zone.grown, pick.pickedOn);
    const crop = standing?.crop;
    const kg = crop ? pickedKg(pick, standing.crop, programmes.get(plantingKey(standing.planting)) ?? null) : null;
    if (!crop || kg === null) {
      unknown.add(yearOf(pick.pickedOn));
      return [];
    }
    const { nKgT: N, pKgT: P, kKgT: K } = crop.removal;
    const tonnesHa = kg / 1000 / (zone.definition.areaM2 / M2_HA);
    const [kgHa, part] = [scaled({ N, P, K }, tonnesHa), standing.planting.part ?? null];
    return [{ on: pick.pickedOn, source: "removed", what: crop.name, kgHa, part }];
  });
  return { entries, unknown: [...unknown] };
}
