import type { DosePlan, DoseProgramme } from "@sprunel/contract/feed";
import type { Standing } from "@sprunel/core/crop";
import {
  ofWater,
  plus,
  uptakeDone,
  type DosedSeason,
  type MainAmounts,
  pickedKg,
  scaled,
  type DigestateGiven,
} from "@sprunel/core/feed/doses";
import { ledger } from "@sprunel/core/feed/books";
import { localDate, startOfLocalDay } from "@sprunel/core/time";
import { pickStore } from "../harvest/pick-store.ts";
import type { Scope } from "../scope/scope.ts";
import type { StoredZone } from "../scope/zone-store.ts";
import { nutrientsIn } from "./dose-answer.ts";
import type { DoseRecord } from "./dose-plan-store.ts";
import type { FeedRecords } from "./feed-records.ts";
import { feedStore } from "./feed-store.ts";

/** Credits that have a line of their own in the books. */
const BOOKED_ITSELF = ["water", "digestate"];

/** What a planting got and lost by the evening of a date. */
export async function ledgerOf(
  scope: Scope,
  zone: StoredZone,
  { crop, since }: Standing,
  {
    noted,
    programme,
    digestates,
    records,
    waterNow,
    season,
    areaM2,
    need,
    leaf,
    lostNKgHa,
    date,
  }: {
    noted: readonly DoseRecord[];
    programme: DoseProgramme;
    /** since planting */
    digestates: readonly DigestateGiven[];
    records: FeedRecords;
    waterNow: MainAmounts | null;
    season: DosedSeason;
    areaM2: number;
    need: DosePlan["need"];
    /** of this planting */
    leaf: DosePlan["leaf"];
    /** since planting; null where nobody follows it */
    lostNKgHa: number | null;
    date: string;
  },
): Promise<DosePlan["ledger"]> {
  const given = plus(
    ...noted
      .filter(({ state, doneOn }) => state === "given" && doneOn <= date)
      .map(({ products }) => nutrientsIn(products, records, areaM2)),
  );
  const site = await scope.site.current();
  const startUtc = new Date(startOfLocalDay(since, site.timeZone)).toISOString();
  const litres = [...season.litres].filter(([on]) => on <= date).reduce((sum, [, some]) => sum + some, 0);
  const picks = (await pickStore(scope).since(new Map([[zone.id, since]]), date)).get(zone.id) ?? [];
  const weighed = picks.map((pick) => pickedKg(pick, crop, programme));
  // A pick of which nobody knows the mass leaves all of them unknown.
  const kg = weighed.every((one) => one !== null) ? weighed.reduce((sum, one) => sum + one, 0) : null;
  const tHa = kg === null ? null : (kg / areaM2) * 10;
  const { nKgT, pKgT, kKgT } = crop.removal;
  const done = uptakeDone(season.days, date);
  const credited = (need?.credits ?? []).filter(({ kind }) => !BOOKED_ITSELF.includes(kind));
  const fed = plus(
    ...(await feedStore(scope).allMixes(zone.id))
      .filter(({ mixedAt }) => mixedAt >= startUtc && localDate(Date.parse(mixedAt), site.timeZone) <= date)
      .map(({ lines }) => nutrientsIn(lines, records, areaM2)),
  );
  const { working: _working, ...books } = ledger({
    given,
    fed,
    digestate: plus(...digestates.filter(({ on }) => on <= date).map(({ kgHa }) => kgHa)),
    water: waterNow ? ofWater(litres, areaM2, waterNow) : null,
    // What soil and manure set free comes over the season, as the crop takes it up.
    credited: scaled(plus(...credited), done),
    removed: tHa === null ? null : { N: tHa * nKgT, P: tHa * pKgT, K: tHa * kKgT },
    leaf: plus(...leaf.filter(({ takenOn }) => takenOn <= date).map(({ kgHa }) => kgHa)),
    // Phosphorus and potassium that drained are followed by nobody.
    drained: { N: lostNKgHa, P: null, K: null },
  });
  return books;
}
