import { USUAL_WORK_MIN, type DoseProgramme } from "@sprunel/contract/feed";
import { plantingKey, type Standing } from "@sprunel/core/crop";
import {
  contentOf,
  ionsMgL,
  uptakeDone,
  USUAL_EFFICIENCY,
  usualProgramme,
  WATER_TELLS_FROM,
  type DosedSeason,
  type MainAmounts,
  type SeasonWater,
  lastDayOf,
  seasonOf,
} from "@sprunel/core/feed/doses";
import { addDays, localDate, startOfLocalDay } from "@sprunel/core/time";
import { groundOf } from "../harvest/off-planting.ts";
import { pickStore } from "../harvest/pick-store.ts";
import { wateringStore } from "../irrigation/watering-store.ts";
import { zoneReportStore } from "../rootzone/zone-report-store.ts";
import type { Scope } from "../scope/scope.ts";
import type { StoredZone } from "../scope/zone-store.ts";
import type { LightOf } from "./dose-light.ts";
import { dosePlanStore } from "./dose-plan-store.ts";
import { waterOf, type FeedRecords } from "./feed-records.ts";
import { feedStore } from "./feed-store.ts";
import { ownTarget } from "./zone-target.ts";

/** Without any of it on the shelf doses are made up of these. */
const USUAL_PRODUCTS = [
  "calcium-nitrate",
  "potassium-nitrate",
  "monopotassium-phosphate",
  "urea",
  "potassium-sulphate",
];
/** A ration goes into the water over so many minutes. Usual practice; assumed. */
const USUAL_INJECT_MIN = 20;

/** The season of a planting that stands: its days, what it drank, when it was picked, what its recipe asks for. */
export async function seasonFor(
  scope: Scope,
  zone: StoredZone,
  standing: Standing,
  {
    date,
    records,
    light = new Map(),
  }: {
    readonly date: string;
    readonly records: FeedRecords;
    /** by date, mol/m²; of a programme that goes by it */
    readonly light?: ReadonlyMap<string, number>;
  },
): Promise<DosedSeason> {
  const { timeZone } = await scope.site.current();
  const { since } = standing;
  const litres = new Map<string, number>();
  let [on, endMs] = ["", -Infinity];
  const waterings = wateringStore(scope).between(startOfLocalDay(since, timeZone), scope.clock(), [zone.id]);
  for (const { startMs, litres: given } of await waterings) {
    // In order of time: a date is looked up once for all waterings of its day.
    if (startMs >= endMs) {
      on = localDate(startMs, timeZone);
      endMs = startOfLocalDay(addDays(on, 1), timeZone);
    }
    litres.set(on, (litres.get(on) ?? 0) + given);
  }
  const picks = await pickStore(scope).between(zone.id, since, date);
  return seasonOf(standing, {
    ...{ areaM2: groundOf(zone, standing), light, litres },
    picks: [...new Set(picks.filter(({ struck }) => struck === null).map(({ pickedOn }) => pickedOn))].sort(),
    target: ownTarget(await feedStore(scope).target(zone.id), standing),
    waterMgL: waterMgL(records, zone),
  });
}

/** Of a planting that stands: everything that its doses are worked out from. */
export async function factsOf(
  scope: Scope,
  zone: StoredZone,
  standing: Standing,
  { date, records, lightOf }: { readonly date: string; readonly records: FeedRecords; readonly lightOf: LightOf },
) {
  const key = plantingKey(standing.planting);
  const kept = await dosePlanStore(scope).programme(zone.id, key);
  const programme = kept?.programme ?? startOf(records);
  const goesByLight = programme.school === "constant" && programme.season?.policy === "stronger-in-low-light";
  const light = goesByLight ? await lightOf(zone, standing.since, lastDayOf(standing)) : new Map<string, number>();
  const reports = await zoneReportStore(scope).page(zone.id);
  return {
    key,
    version: kept?.version ?? null,
    programme,
    season: await seasonFor(scope, zone, standing, { date, records, light }),
    /** the oldest first */
    soilTests: reports
      .flatMap((report) => (report.kind === "soil" && report.struck === null && report.takenOn <= date ? [report] : []))
      .reverse(),
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
    ...{ dressings: [], ppmStages: [], season: null },
    fromOn: null,
    ...{ yieldTHa: null, pieceG: null },
    efficiencyPct: USUAL_EFFICIENCY.ration,
    organic: [],
    residuesKgHa: null,
    fixationKgHa: null,
    bandWidthCm: null,
    coated: [],
    soilClass: { P: null, K: null },
    changes: [],
    ...{ injectMin: USUAL_INJECT_MIN, travelMin: null, mostEcMsCm: null, workMin: USUAL_WORK_MIN },
    productIds: bringsN ? onShelf : USUAL_PRODUCTS,
  };
}

/** N, P and K in a litre of a zone's water, mg, P and K as far as it was tested for them; null where nobody measured nitrate. */
export function waterMgL(records: FeedRecords, zone: StoredZone): MainAmounts | null {
  const { water } = waterOf(records, zone);
  return water?.ions.NO3 === undefined ? null : ionsMgL(water.ions);
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
  if (done < WATER_TELLS_FROM || sum === 0) return null;
  return { mm: sum / areaM2 / done, no3NMgL: N, kMgL: K, expected: done < 1 };
}
