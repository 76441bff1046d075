import type { DoseProgramme } from "@sprunel/contract/feed";
import { plantingKey, type Standing } from "@sprunel/core/crop";
import {
  contentOf,
  uptakeDone,
  USUAL_EFFICIENCY,
  usualProgramme,
  type DosedSeason,
  type MainAmounts,
} from "@sprunel/core/feed";
import { addDays, localDate, startOfLocalDay } from "@sprunel/core/time";
import { wateringStore } from "../irrigation/watering-store.ts";
import { zoneReportStore } from "../rootzone/zone-report-store.ts";
import type { Scope } from "../scope/scope.ts";
import type { StoredZone } from "../scope/zone-store.ts";
import type { SeasonWater } from "./dose-need.ts";
import { dosePlanStore } from "./dose-plan-store.ts";
import { seasonOf } from "./dose-season.ts";
import { waterOf, type FeedRecords } from "./feed-records.ts";

/** Without any of it on the shelf doses are made up of these. */
const USUAL_PRODUCTS = [
  "calcium-nitrate",
  "potassium-nitrate",
  "monopotassium-phosphate",
  "urea",
  "potassium-sulphate",
];
const N_G_MOL = 14.007;
const P_G_MOL = 30.974;
const K_G_MOL = 39.098;
/** Before so much of the season's uptake is over its water tells nothing of the whole. Assumed. */
const TELLS_FROM = 0.15;

/** Of a planting that stands: everything that its doses are worked out from. */
export async function factsOf(scope: Scope, zone: StoredZone, standing: Standing, date: string, records: FeedRecords) {
  const site = await scope.site.current();
  const { since, planting } = standing;
  const key = plantingKey(planting);
  const kept = await dosePlanStore(scope).programme(zone.id, key);
  const fromMs = startOfLocalDay(since, site.timeZone);
  const litres = new Map<string, number>();
  let [on, endMs] = ["", -Infinity];
  for (const { startMs, litres: given } of await wateringStore(scope).between(fromMs, scope.clock(), [zone.id])) {
    // In order of time: a date is looked up once for all waterings of its day.
    if (startMs >= endMs) {
      on = localDate(startMs, site.timeZone);
      endMs = startOfLocalDay(addDays(on, 1), site.timeZone);
    }
    litres.set(on, (litres.get(on) ?? 0) + given);
  }
  const season = seasonOf(standing, litres);
  const reports = await zoneReportStore(scope).page(zone.id);
  return {
    key,
    version: kept?.version ?? null,
    programme: kept?.programme ?? startOf(records),
    season,
    soil: reports.find(({ kind, struck, takenOn }) => kind === "soil" && struck === null && takenOn <= date),
    noted: await dosePlanStore(scope).records(zone.id, key),
  };
}

/** What a programme starts from where nobody made one: a ration, of what is on the shelf. */
export function startOf({ shelf }: FeedRecords): DoseProgramme {
  const onShelf = shelf
    .map(({ product }) => product)
    .filter((product) => {
      const { N, P, K } = contentOf(product);
      return product.form === "solid" && N + P + K > 0;
    })
    .map(({ id }) => id);
  const bringsN = shelf.some(({ product }) => onShelf.includes(product.id) && contentOf(product).N > 0);
  return {
    ...usualProgramme("ration"),
    dressings: [],
    fromOn: null,
    yieldTHa: null,
    efficiencyPct: USUAL_EFFICIENCY.ration,
    organic: [],
    residuesKgHa: null,
    fixationKgHa: null,
    productIds: bringsN ? onShelf : USUAL_PRODUCTS,
  };
}

/** N, P and K in a litre of a zone's water, mg, P and K as far as it was tested for them; null where nobody measured nitrate. */
export function waterMgL(records: FeedRecords, zone: StoredZone): MainAmounts | null {
  const { water } = waterOf(records, zone);
  if (water?.ions.NO3 === undefined) return null;
  const { NO3, H2PO4 = 0, K = 0 } = water.ions;
  return { N: NO3 * N_G_MOL, P: H2PO4 * P_G_MOL, K: K * K_G_MOL };
}

/** What the water of the whole season brings, by what was given so far; null while that tells nothing. */
export function seasonWater(
  { days, litres }: DosedSeason,
  areaM2: number,
  date: string,
  { N, K }: MainAmounts,
): SeasonWater | null {
  const done = uptakeDone(days, date);
  const sum = [...litres].filter(([on]) => on <= date).reduce((so, [, some]) => so + some, 0);
  if (done < TELLS_FROM || sum === 0) return null;
  return { mm: sum / areaM2 / done, no3NMgL: N, kMgL: K, expected: done < 1 };
}
