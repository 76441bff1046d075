import type { DoseProgramme } from "@sprunel/contract/feed";
import type { SoilReport } from "@sprunel/contract/rootzone";
import { cropStateOn, grownByDays, partShare, plantingKey, type Grown, type Standing } from "@sprunel/core/crop";
import {
  datesBetween,
  NONE,
  ofWater,
  ownAimTHa,
  freedShare,
  heldBy,
  OLD_DAYS,
  OLD_SHARE,
  newestLayers,
  rootedShare,
} from "@sprunel/core/feed/doses";
import { addDays, daysBetween } from "@sprunel/core/time";
import type { NitrogenFacts } from "@sprunel/core/plan";
import type { Records } from "../plan/planners.ts";
import { zoneReportStore } from "../rootzone/zone-report-store.ts";
import { cached } from "../scope/cache.ts";
import type { Scope } from "../scope/scope.ts";
import { doseStore } from "../water/dose-store.ts";
import { sourceStore } from "../water/source-store.ts";
import { nutrientsIn } from "./dose-answer.ts";
import { dosePlanStore } from "./dose-plan-store.ts";
import { productsOf } from "./feed-records.ts";

const KG_PER_TONNE_AND_PCT = 10;
const DAYS_A_YEAR = 365;
/** Beyond them a test tells nothing of what is there at planting. Assumed. */
const MOST_DAYS_BEFORE = 3 * OLD_DAYS;

/** Everything of nitrogen that zones got beside their water; every plan asks for it. */
export const nitrogenIn = cached(
  ["dose_programme", "dose_record", "own_product", "site", "source", "source_dose", "zone_report"],
  nitrogenOn,
);

async function nitrogenOn(scope: Scope): Promise<Records["nitrogenOn"]> {
  const site = await scope.site.find();
  if (!site) return () => null;
  const { productOf } = await productsOf(scope, site.id);
  const records = { productOf };
  const programmes = await dosePlanStore(scope).programmesOfAll();
  const tests = byZone(await zoneReportStore(scope).soilOfAll());
  const given = byZone(await dosePlanStore(scope).givenOfAll());
  const analyses = new Map((await sourceStore(scope).list(site.id)).map(({ id, analysis }) => [id, analysis]));
  const digestates = byZone(await doseStore(scope).ofAll());

  return (zone, date, standing) => {
    const programme = programmes.get(`${zone.id} ${plantingKey(standing.planting)}`) ?? null;
    const soil = (tests.get(zone.id) ?? [])
      .map(({ report }) => report)
      .filter(({ mineralNKgHa }) => mineralNKgHa !== null);
    const doses = given.get(zone.id) ?? [];
    const organic = digestates.get(zone.id) ?? [];
    const isSince = ({ on }: { readonly on: string }): boolean => on >= standing.planting.plantedOn;
    if (
      !programme &&
      !soil.some(({ takenOn }) => takenOn >= standing.planting.plantedOn) &&
      !doses.some(isSince) &&
      !organic.some(isSince)
    )
      return null;
    const { areaM2 } = zone.definition;
    let givenKgHa = 0;
    for (const { on, products } of doses) if (on === date) givenKgHa += nutrientsIn(products, records, areaM2).N;
    for (const { on, sourceId, litres } of organic) {
      const nh4NMgL = on === date ? (analyses.get(sourceId)?.nh4NMgL ?? 0) : 0;
      // What is organic in it is set free over years, and not counted here.
      if (nh4NMgL > 0) givenKgHa += ofWater(litres, areaM2, { ...NONE, N: nh4NMgL }).N;
    }
    for (const grains of programme?.coated ?? []) {
      const usualC = standing.crop.usualC.value;
      givenKgHa += heldBy(grains, standing, zone, areaM2, date).N * freedShare(grains, date, addDays(date, 1), usualC);
    }
    return {
      givenKgHa,
      yearKgHa: programme ? freedInYear(programme) : 0,
      measuredKgHa: measuredOn(date, soil, standing),
      wantedKgHa: wantedOn(programme, standing),
    } satisfies NitrogenFacts;
  };
}

function byZone<T extends { readonly zoneId: number }>(rows: readonly T[]): ReadonlyMap<number, readonly T[]> {
  const zones = new Map<number, T[]>();
  for (const row of rows) {
    const known = zones.get(row.zoneId) ?? [];
    zones.set(row.zoneId, known);
    known.push(row);
  }
  return zones;
}

/** What manures, residues and fixation set free in this year, kg/ha. */
function freedInYear({ organic, residuesKgHa, fixationKgHa }: DoseProgramme): number {
  const manures = organic.reduce((sum, { tHa, nPct, nDecayPct, yearsAgo }) => {
    let left = tHa * nPct * KG_PER_TONNE_AND_PCT;
    const share = (year: number): number => (nDecayPct[Math.min(year, nDecayPct.length - 1)] ?? 0) / 100;
    for (let year = 0; year < yearsAgo; year++) left *= 1 - share(year);
    return sum + left * share(yearsAgo);
  }, 0);
  return manures + (residuesKgHa ?? 0) + (fixationKgHa ?? 0);
}

/** A test holds on the day after it, and one from before planting on the first day, an old one at half. */
function measuredOn(date: string, tests: readonly SoilReport[], { planting, state }: Standing): number | null {
  const isFirst = date === planting.plantedOn;
  const counts = tests.filter(({ takenOn: on }) =>
    isFirst ? on < date && daysBetween(on, date) <= MOST_DAYS_BEFORE : daysBetween(on, date) === 1,
  );
  const layers = newestLayers(counts, ({ mineralNKgHa }) => mineralNKgHa);
  const [top] = layers;
  if (!top) return null;
  const aged = daysBetween(top.takenOn, date) > OLD_DAYS ? OLD_SHARE : 1;
  return layers.reduce(
    (sum, { mineralNKgHa, depthCm }) => sum + (mineralNKgHa ?? 0) * rootedShare(depthCm, state.rootDepthM) * aged,
    0,
  );
}

/**
 * What the crop takes up on a day, by its Kc against that of the whole season in the crop's usual climate: no day's part hangs on
 * what is still to come.
 */
function wantedOn(programme: DoseProgramme | null, standing: Standing): number | null {
  const { planting, crop, state } = standing;
  const yieldTHa = programme?.yieldTHa ?? ownAimTHa(standing, programme);
  const season = usualKcSum(planting);
  if (yieldTHa === null || season === 0) return null;
  return (yieldTHa * crop.removal.nKgT * state.kc * partShare(planting.part)) / season;
}

const sums = new WeakMap<Grown, number>();
function usualKcSum(planting: Grown): number {
  const known = sums.get(planting);
  if (known !== undefined) return known;
  const usual = grownByDays(planting.crop, planting.plantedOn);
  let sum = 0;
  // A perennial's season comes again: a year of it.
  for (const date of datesBetween(planting.plantedOn, addDays(planting.plantedOn, DAYS_A_YEAR))) {
    const state = cropStateOn(usual, date);
    if (!state) break;
    sum += state.kc;
  }
  sums.set(planting, sum);
  return sum;
}
