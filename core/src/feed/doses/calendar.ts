import { addDays } from "../../time/local-time.ts";
import { fill, Worksheet, type WorkingStep } from "../../working/working.ts";
import type { SolveLp } from "../recipe/linear-program.ts";
import type { Product } from "../products/product.ts";
import { checkDoseCalendar, shareOf, type DoseCalendarInput } from "./calendar-input.ts";
import { withChanges } from "./changes.ts";
import { productsFor, type ProductsFor } from "./dose-products.ts";
import { MAIN, mainOf, NONE, plus, type Main, type MainAmounts } from "./nutrients.ts";

export interface Dose {
  readonly on: string;
  /** for the whole zone, and for each of its plants */
  readonly products: readonly { readonly productId: string; readonly kg: number; readonly gPlant: number }[];
  /** that these products bring, as elements */
  readonly nutrientsKgHa: MainAmounts;
  readonly basal?: true;
  /** to be asked first; the dose counts as planned until somebody says that it is not so */
  readonly onlyIf?: string;
}

interface Unmet {
  readonly nutrient: Main;
  readonly kgHa: number;
  readonly reason: string;
}

export interface DoseCalendar {
  readonly doses: readonly Dose[];
  readonly totalKgHa: MainAmounts;
  readonly unmet: readonly Unmet[];
  readonly warnings: readonly string[];
  readonly working: readonly WorkingStep[];
}

/** A dose before it is made of products. */
interface Wanted {
  readonly on: string;
  readonly kgHa: MainAmounts;
  readonly basal?: true;
  readonly onlyIf?: string | undefined;
  readonly productIds?: readonly string[] | undefined;
}

const M2_PER_HA = 10_000;
const TINY_KG_HA = 1e-6;

/**
 * What is to be given, on dates and in products: shared out, in equal parts, at daily rates or with the water; a part of it first
 * where that is asked; no dose larger than allowed, and none after the last day. What cannot be given is told, never dropped.
 *
 * @param solve a solver of linear programs; each ratio of nutrients is solved once
 * @throws {DomainError} for values that cannot be, all at once
 */
export function doseCalendar(input: DoseCalendarInput, solve: SolveLp): DoseCalendar {
  const products = checkDoseCalendar(input);
  const sheet = new Worksheet();
  const { areaM2, plants, lastOn } = input;
  const { wanted, left } = wantedOf(input, sheet);
  const solvedRatios = new Map<string, ProductsFor>();
  const unmet = new Map<string, Unmet>();
  const lack = (nutrient: Main, kgHa: number, reason: string): void => {
    const key = `${nutrient} ${reason}`;
    if (kgHa > TINY_KG_HA) unmet.set(key, { nutrient, kgHa: (unmet.get(key)?.kgHa ?? 0) + kgHa, reason });
  };
  for (const nutrient of MAIN) lack(nutrient, left[nutrient], "no dose is left that could carry what was added");
  const doses = wanted.flatMap(({ on, kgHa, basal, onlyIf, productIds }): Dose[] => {
    if (lastOn !== undefined && on > lastOn) {
      for (const nutrient of MAIN) lack(nutrient, kgHa[nutrient], `no dose may be given after ${lastOn}`);
      return [];
    }
    const allowed = productIds ? products.filter(({ id }) => productIds.includes(id)) : products;
    const made = makeUp(kgHa, solvedRatios, allowed, solve, sheet);
    for (const nutrient of MAIN) lack(nutrient, made.lacking[nutrient], made.reasonOf(nutrient));
    return [
      {
        on,
        products: made.kgHa.map(({ productId, kgHa: perHa }) => {
          const kg = (perHa * areaM2) / M2_PER_HA;
          return { productId, kg, gPlant: (kg * 1000) / plants };
        }),
        nutrientsKgHa: made.brings,
        ...(basal && { basal }),
        ...(onlyIf !== undefined && { onlyIf }),
      },
    ];
  });
  const totalKgHa = plus(...doses.map(({ nutrientsKgHa }) => nutrientsKgHa));
  for (const nutrient of MAIN) {
    const over = totalKgHa[nutrient] - plus(...wanted.map(({ kgHa }) => kgHa))[nutrient];
    if (over > 0.5)
      sheet.warn(
        `${over.toFixed(1)} kg/ha more ${nutrient} come with the other nutrients than was asked for: no product at hand brings them apart.`,
      );
  }
  warnOfSchedule(input, plus(...wanted.map(({ kgHa }) => kgHa)), sheet);
  for (const { nutrient, kgHa, reason } of unmet.values())
    sheet.warn(`${kgHa.toFixed(1)} kg/ha of ${nutrient} are not given: ${reason}.`);
  return { doses, totalKgHa, unmet: [...unmet.values()], warnings: sheet.warnings, working: sheet.steps };
}

/** Rates and strengths follow no need: how far they lie from it is said, where a need was given. */
function warnOfSchedule({ schedule, toGiveKgHa }: DoseCalendarInput, scheduled: MainAmounts, sheet: Worksheet): void {
  if (!toGiveKgHa || schedule.kind === "shares" || schedule.kind === "equal") return;
  for (const nutrient of MAIN) {
    const [asked, comes] = [toGiveKgHa[nutrient], scheduled[nutrient]];
    if (Math.abs(asked - comes) > Math.max(1, 0.02 * asked))
      sheet.warn(
        `The schedule brings ${comes.toFixed(1)} kg/ha of ${nutrient}; ${asked.toFixed(1)} kg/ha were to be given.`,
      );
  }
}

/** Every dose with its nutrients, in order of time. */
function wantedOf(input: DoseCalendarInput, sheet: Worksheet): { wanted: Wanted[]; left: MainAmounts } {
  const { basalPct = 0, largestNKgHa = Infinity, shortestDays = 1 } = input;
  const planned = plannedOf(input).sort((a, b) => (a.on < b.on ? -1 : Number(a.on > b.on)));
  const whole = plus(...planned.map(({ kgHa }) => kgHa));
  for (const nutrient of MAIN)
    if (whole[nutrient] > 0)
      sheet.note(
        `${nutrient} of the schedule`,
        "Σ doses",
        fill`${planned.length} doses`,
        whole[nutrient],
        "kg/ha",
        "schedule as given",
      );
  const basal = scaled(whole, basalPct / 100);
  const first = planned[0]?.on ?? "";
  const afterBasal = planned.map((dose) => ({ ...dose, kgHa: scaled(dose.kgHa, 1 - basalPct / 100) }));
  const { doses: changed, left } = withChanges(afterBasal, input.changes ?? []);
  const rest = changed.flatMap(({ on, kgHa, onlyIf, productIds }) => {
    const parts = Math.max(1, Math.ceil(kgHa.N / largestNKgHa - 1e-9));
    if (parts > 1)
      sheet.note(
        `Parts of the dose of ${on}`,
        "N of the dose / the largest, rounded up",
        fill`${kgHa.N} ÷ ${largestNKgHa}`,
        parts,
        "parts",
        `${shortestDays} days apart`,
      );
    return Array.from({ length: parts }, (_, part): Wanted => ({
      on: addDays(on, part * shortestDays),
      kgHa: scaled(kgHa, 1 / parts),
      onlyIf,
      productIds,
    }));
  });
  const doses: Wanted[] = [...(basalPct > 0 ? [{ on: first, kgHa: basal, basal: true as const }] : []), ...rest];
  // In order of time, and of one day the basal dose first.
  const wanted = doses
    .filter(({ kgHa }) => MAIN.some((nutrient) => kgHa[nutrient] > TINY_KG_HA))
    .sort((a, b) => (a.on === b.on ? 0 : a.on < b.on ? -1 : 1));
  return { wanted, left };
}

function plannedOf({ toGiveKgHa = NONE, areaM2, schedule }: DoseCalendarInput): Wanted[] {
  switch (schedule.kind) {
    case "shares":
      return schedule.events.map((event) => ({
        ...{ on: event.on, onlyIf: event.onlyIf, productIds: event.productIds },
        kgHa: mainOf((nutrient) => (toGiveKgHa[nutrient] * shareOf(event, nutrient)) / 100),
      }));
    case "equal":
      return schedule.dates.map((on) => ({ on, kgHa: scaled(toGiveKgHa, 1 / schedule.dates.length) }));
    case "daily-rates": {
      const days = schedule.weeks.flatMap(({ weeks, kgHaDay }) =>
        Array.from({ length: Math.round(weeks * 7) }, () => mainOf((nutrient) => kgHaDay[nutrient] ?? 0)),
      );
      // A dose covers the days until the next one.
      return Array.from({ length: Math.ceil(days.length / schedule.everyDays) }, (_, at) => ({
        on: addDays(schedule.startOn, at * schedule.everyDays),
        kgHa: plus(...days.slice(at * schedule.everyDays, (at + 1) * schedule.everyDays)),
      }));
    }
    case "constant-ppm":
      return schedule.days.map(({ on, litres }) => {
        const nitrogen = ((schedule.ppmN * litres) / 1e6) * (M2_PER_HA / areaM2);
        const perN = toGiveKgHa.N > 0 ? nitrogen / toGiveKgHa.N : 0;
        return { on, kgHa: { N: nitrogen, P: toGiveKgHa.P * perN, K: toGiveKgHa.K * perN } };
      });
    case "with-water":
      return schedule.days.map(({ on, litres, mgL }) => ({
        on,
        kgHa: mainOf((nutrient) => ((mgL[nutrient] * litres) / 1e6) * (M2_PER_HA / areaM2)),
      }));
  }
}

function scaled(amounts: MainAmounts, by: number): MainAmounts {
  return mainOf((nutrient) => amounts[nutrient] * by);
}

/** Products of a dose; doses of one ratio are multiples of each other, and are solved once. */
function makeUp(
  kgHa: MainAmounts,
  solvedRatios: Map<string, ProductsFor>,
  products: readonly Product[],
  solve: SolveLp,
  sheet: Worksheet,
): ProductsFor {
  const size = MAIN.reduce((sum, nutrient) => sum + kgHa[nutrient], 0);
  const ratio = scaled(kgHa, 1 / size);
  const key = [...MAIN.map((nutrient) => ratio[nutrient].toFixed(9)), ...products.map(({ id }) => id)].join(" ");
  const known = solvedRatios.get(key);
  const unit = known ?? productsFor(ratio, products, solve);
  if (!known) {
    solvedRatios.set(key, unit);
    for (const { productId, kgHa: share } of unit.kgHa)
      sheet.note(
        `${productId} in the ratio ${MAIN.map((nutrient) => `${nutrient} ${(ratio[nutrient] * 100).toFixed(0)}`).join(" : ")}`,
        "least misfit, then least cost or mass",
        fill`for 1 kg of N, P and K together`,
        share,
        "kg",
        "linear program over the products' composition",
      );
  }
  return {
    ...unit,
    kgHa: unit.kgHa.map(({ productId, kgHa: share }) => ({ productId, kgHa: share * size })),
    brings: scaled(unit.brings, size),
    lacking: scaled(unit.lacking, size),
  };
}
