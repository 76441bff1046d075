import type { DosePlan, DoseProgramme, PlannedDose } from "@sprunel/contract/feed";
import {
  contentOf,
  NONE,
  plus,
  uptakeDone,
  usualProgramme,
  type DoseCalendar,
  type DosedSeason,
  type MainAmounts,
  type School,
} from "@sprunel/core/feed";
import { DomainError } from "@sprunel/core/working";
import type { DoseRecord } from "./dose-plan-store.ts";
import type { FeedRecords } from "./feed-records.ts";

/** Points of the path that is drawn. */
const PATH_POINTS = 40;

/** Amounts times a figure. */
export function scaled({ N, P, K }: MainAmounts, by: number): MainAmounts {
  return { N: N * by, P: P * by, K: K * by };
}

/** What products bring to so much ground, kg/ha. */
export function nutrientsIn(
  products: readonly { readonly productId: string; readonly kg: number }[],
  { productOf }: FeedRecords,
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
  { today, fromOn, kept }: { readonly today: string; readonly fromOn: string; readonly kept: boolean },
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
      products: products.map((product) => ({
        ...product,
        name: records.productOf(product.productId)?.name ?? product.productId,
      })),
      record: null,
    };
    return [dose];
  });
  return [...planned, ...[...left].map((record) => unplanned(record, records, areaM2))].sort((a, b) =>
    a.on.localeCompare(b.on),
  );
}

export function unplanned(record: DoseRecord, records: FeedRecords, areaM2: number): PlannedDose {
  const { plannedOn, basal, state, products, id, doneOn, reason } = record;
  return {
    on: plannedOn,
    basal,
    onlyIf: null,
    state,
    nutrientsKgHa: state === "given" ? nutrientsIn(products, records, areaM2) : NONE,
    products: products.map(({ productId, kg }) => ({
      productId,
      name: records.productOf(productId)?.name ?? productId,
      kg,
      gPlant: 0,
    })),
    record: { id, doneOn, reason },
  };
}

/** The same aims by another school. */
export async function compared(
  school: School,
  programme: DoseProgramme,
  run: (asked: DoseProgramme) => Promise<DoseCalendar>,
  { shelf }: FeedRecords,
  areaM2: number,
): Promise<DosePlan["schools"][number]> {
  const asked = school === programme.school ? programme : { ...programme, ...usualProgramme(school), dressings: [] };
  const nothing = { school, totalKgHa: null, operations: null, costM2: null, largestNKgHa: null };
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
    return {
      school,
      totalKgHa,
      operations: doses.length,
      costM2: costs.every((cost) => cost !== null) ? costs.reduce((sum, cost) => sum + cost, 0) / areaM2 : null,
      largestNKgHa: Math.max(0, ...doses.map(({ nutrientsKgHa }) => nutrientsKgHa.N)),
      note: school === "constant" ? "of the litres given so far" : null,
    };
  } catch (error) {
    if (!(error instanceof DomainError)) throw error;
    return { ...nothing, note: error.message };
  }
}

/** Need, and what was given or is still planned, by the evening of some dates, evenly over the season. */
export function pathOf(season: DosedSeason, toGive: MainAmounts, doses: readonly PlannedDose[]): DosePlan["path"] {
  const { days } = season;
  const step = Math.max(1, Math.ceil(days.length / PATH_POINTS));
  return days
    .filter((_, at) => at % step === 0 || at === days.length - 1)
    .map(({ on }) => ({
      on,
      need: scaled(toGive, uptakeDone(days, on)),
      planned: plus(
        ...doses.filter((dose) => (dose.record?.doneOn ?? dose.on) <= on).map(({ nutrientsKgHa }) => nutrientsKgHa),
      ),
    }));
}
