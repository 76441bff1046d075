import type { DoseInjection, DosePlan, DoseProgramme, PlannedDose } from "@sprunel/contract/feed";
import {
  contentOf,
  litresMixedFor,
  mostAhead,
  NONE,
  plus,
  scaled,
  uptakeDone,
  usualProgramme,
  type Dose,
  type DoseCalendar,
  type DosedSeason,
  type MainAmounts,
  type School,
} from "@sprunel/core/feed/doses";
import { DomainError } from "@sprunel/core/working";
import type { PlanService } from "../plan/plan-service.ts";
import type { Delivery } from "./dose-injection.ts";
import type { DoseRecord } from "./dose-plan-store.ts";
import type { FeedRecords } from "./feed-records.ts";

/** Points of the path that is drawn. */
const PATH_POINTS = 40;
const T_HA_PER_KG_M2 = 10;
const KG_HA_PER_G_M2 = 10;

/** What products bring to so much ground, kg/ha. */
export function nutrientsIn(
  products: readonly { readonly productId: string; readonly kg: number }[],
  { productOf }: Pick<FeedRecords, "productOf">,
  areaM2: number,
): MainAmounts {
  return plus(
    ...products.map(({ productId, kg }) => {
      const product = productOf(productId);
      return product ? scaled(contentOf(product), kg / (areaM2 / 10_000)) : NONE;
    }),
  );
}

/** The calendar with what became of each dose; what was noted stands as it was given, whatever is planned now. */
export function dosesOf(
  { doses }: DoseCalendar,
  noted: readonly DoseRecord[],
  records: FeedRecords,
  areaM2: number,
  {
    today,
    fromOn,
    kept,
    inject,
    mixed,
    band,
  }: {
    readonly today: string;
    readonly fromOn: string;
    readonly kept: boolean;
    inject(products: Dose["products"]): DoseInjection | null;
    /** by the day of a dose, where doses follow the water */
    readonly mixed: ReadonlyMap<string, number> | null;
    /** of a basal dose */
    band(products: Dose["products"]): PlannedDose["band"];
  },
): PlannedDose[] {
  const left = new Set(noted);
  const planned = doses.flatMap(({ on, basal = false, onlyIf = null, nutrientsKgHa, products }): PlannedDose[] => {
    const record = [...left].find((one) => one.plannedOn === on && one.basal === basal);
    if (record) {
      left.delete(record);
      return [{ ...unplanned(record, records, areaM2), onlyIf }];
    }
    if (on < fromOn) return [];
    const dose: PlannedDose = {
      on,
      basal,
      onlyIf,
      // Nobody has to give what nobody has decided on.
      state: kept && on <= today ? "due" : "planned",
      nutrientsKgHa,
      products: products.map((product) => ({ ...product, ...called(product, records) })),
      // What goes out first is worked into the ground.
      // What follows the water is mixed into all of it.
      injection: basal || mixed ? null : inject(products),
      mixedIntoL: basal ? null : (mixed?.get(on) ?? null),
      band: basal ? band(products) : null,
      record: null,
    };
    return [dose];
  });
  return [...planned, ...[...left].map((record) => unplanned(record, records, areaM2))].sort((a, b) =>
    a.on.localeCompare(b.on),
  );
}

/** Its name, and of a liquid how much of it that is. */
function called({ productId, kg }: { readonly productId: string; readonly kg: number }, { productOf }: FeedRecords) {
  const product = productOf(productId);
  const litres = product?.form === "liquid" && product.densityKgL ? kg / product.densityKgL : null;
  return { name: product?.name ?? productId, mL: litres === null ? null : litres * 1000 };
}

export function unplanned(record: DoseRecord, records: FeedRecords, areaM2: number): PlannedDose {
  const { plannedOn, basal, state, products, id, doneOn, reason } = record;
  return {
    on: plannedOn,
    basal,
    onlyIf: null,
    state,
    nutrientsKgHa: state === "given" ? nutrientsIn(products, records, areaM2) : NONE,
    products: products.map((product) => ({ ...product, ...called(product, records), gPlant: 0 })),
    injection: null,
    mixedIntoL: null,
    band: null,
    record: { id, doneOn, reason },
  };
}

/** What schools are measured by, beside each other. */
export interface Compared {
  readonly programme: DoseProgramme;
  readonly records: FeedRecords;
  readonly areaM2: number;
  readonly season: DosedSeason;
  readonly need: NonNullable<DosePlan["need"]>;
  readonly today: string;
  readonly delivery: Delivery;
  run(asked: DoseProgramme): Promise<DoseCalendar>;
}

/** The same aims by another school. */
export async function compared(
  school: School,
  { programme, records: { shelf }, areaM2, season, need, today, delivery, run }: Compared,
): Promise<DosePlan["schools"][number]> {
  const asked =
    school === programme.school
      ? programme
      : { ...programme, ...usualProgramme(school), ppmStages: [], dressings: [], changes: [] };
  const nothing = {
    ...{ school, totalKgHa: null, operations: null, costM2: null, costKg: null, largestNKgHa: null, aheadNKgHa: null },
    ...{ leftKgHa: null, ecMsCm: null, workMin: null, path: null },
  };
  try {
    const { doses, totalKgHa } = await run(asked);
    const kg = new Map<string, number>();
    for (const { products } of doses)
      for (const { productId, kg: some } of products) kg.set(productId, (kg.get(productId) ?? 0) + some);
    const prices = new Map(shelf.map(({ product, priceKg }) => [product.id, priceKg]));
    const costs = [...kg].map(([id, some]) => {
      const price = prices.get(id) ?? null;
      return price === null ? null : price * some;
    });
    const costM2 = costs.every((cost) => cost !== null) ? costs.reduce((sum, cost) => sum + cost, 0) / areaM2 : null;
    const mixed = litresMixedFor(asked, season, today);
    const strengths = doses.flatMap(({ on, products, basal }) => {
      if (basal) return [];
      return [mixed ? delivery.ecIn(products, mixed.get(on) ?? 0) : (delivery.inject(products)?.ecMsCm ?? null)];
    });
    return {
      school,
      totalKgHa,
      operations: doses.length,
      costM2,
      costKg: costM2 === null ? null : costM2 / (need.yieldTHa / T_HA_PER_KG_M2),
      largestNKgHa: Math.max(0, ...doses.map(({ nutrientsKgHa }) => nutrientsKgHa.N)),
      aheadNKgHa: mostAhead(
        season.nitrogenDays,
        need.toGiveKgHa.N,
        doses.map(({ on, nutrientsKgHa: { N } }) => ({ on, kgHa: N })),
      ).kgHa,
      leftKgHa: plus(totalKgHa, scaled(need.toGiveKgHa, -1)),
      ecMsCm: strengths.every((ec) => ec !== null) && strengths.length > 0 ? Math.max(...strengths) : null,
      workMin: doses.length * programme.workMin,
      path: givenBy(pathDates(season), doses),
      note: noteOn(school, programme),
    };
  } catch (error) {
    if (!(error instanceof DomainError)) throw error;
    return { ...nothing, note: error.message };
  }
}

function noteOn(school: School, { organic }: DoseProgramme): string | null {
  if (school === "constant" || school === "recipe") return "by the litres given, and from now on by those expected";
  if (school === "organic" && organic.length === 0)
    return "no manure is described: its analysis belongs to the programme";
  return null;
}

/** Nitrogen of the root zone as it is told on the ground. */
/** @param assumed whether the feed that it counts is its target's, and nobody noted a tank */
export function nitrogenOf(
  found: Awaited<ReturnType<PlanService["nitrogen"]>>,
  assumed: boolean,
): DosePlan["nitrogen"] {
  if (!found) return null;
  const { standingGM2, week, planting } = found;
  return {
    standingKgHa: standingGM2 * KG_HA_PER_G_M2,
    takenKgHa: planting.taken * KG_HA_PER_G_M2,
    lostKgHa: planting.out * KG_HA_PER_G_M2,
    lostWeekKgHa: week.out * KG_HA_PER_G_M2,
    assumed,
  };
}

/** Need, and what was given or is still planned, by the evening of some dates, evenly over the season. */
export function pathOf(season: DosedSeason, toGive: MainAmounts, doses: readonly PlannedDose[]): DosePlan["path"] {
  const { days, nitrogenDays } = season;
  const dates = pathDates(season);
  const planned = givenBy(
    dates,
    doses.map(({ on, record, nutrientsKgHa }) => ({ on: record?.doneOn ?? on, nutrientsKgHa })),
  );
  return dates.map((on, at) => ({
    on,
    need: { ...scaled(toGive, uptakeDone(days, on)), N: toGive.N * uptakeDone(nitrogenDays, on) },
    planned: planned[at] ?? NONE,
  }));
}

function pathDates({ days }: DosedSeason): readonly string[] {
  const step = Math.max(1, Math.ceil(days.length / PATH_POINTS));
  return days.filter((_, at) => at % step === 0 || at === days.length - 1).map(({ on }) => on);
}

/** What doses have brought by the evening of each date. */
function givenBy(
  dates: readonly string[],
  doses: readonly { readonly on: string; readonly nutrientsKgHa: MainAmounts }[],
): MainAmounts[] {
  return dates.map((date) => plus(...doses.filter(({ on }) => on <= date).map(({ nutrientsKgHa }) => nutrientsKgHa)));
}
