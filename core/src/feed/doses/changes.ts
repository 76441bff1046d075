import { Checks } from "../../working/checks.ts";
import { MAIN, mainOf, NONE, type MainAmounts } from "./nutrients.ts";

/** What is changed of doses while the crop grows. */
export interface DoseChange {
  /** of doses on this day and after it */
  readonly fromOn: string;
  /** last day; null: to the end */
  readonly untilOn: string | null;
  /** of what was planned, %; 100 leaves it as it is */
  readonly factorPct: MainAmounts;
  /** beside it, with the first dose from that day on, kg/ha */
  readonly addKgHa: MainAmounts;
  readonly why: string;
}

interface Changed {
  readonly on: string;
  readonly kgHa: MainAmounts;
}

export const UNCHANGED: MainAmounts = { N: 100, P: 100, K: 100 };
/** However many steps come together, a dose is never more than so many times what was planned. */
const MOST_TIMES = 3;

export function checkChanges(checks: Checks, changes: readonly DoseChange[]): void {
  changes.forEach(({ fromOn, untilOn, factorPct, addKgHa }, at) => {
    for (const nutrient of MAIN)
      checks
        .range(`changes.${at}.factorPct.${nutrient}`, `The change of ${nutrient}`, factorPct[nutrient], 0, 300, "%")
        .range(`changes.${at}.addKgHa.${nutrient}`, `The added ${nutrient}`, addKgHa[nutrient], 0, 500, "kg/ha");
    checks.when(
      untilOn !== null && untilOn < fromOn,
      "not-possible",
      `changes.${at}.untilOn`,
      `A change from ${fromOn} cannot end on ${untilOn ?? ""}.`,
    );
  });
}

/**
 * Doses with all changes that bear on their day: factors one on the other, additions with the first dose that can carry them.
 *
 * @param doses in order of time
 * @returns them, and what no dose was left to carry
 */
export function withChanges<T extends Changed>(
  doses: readonly T[],
  changes: readonly DoseChange[],
): { readonly doses: T[]; readonly left: MainAmounts } {
  let left = NONE;
  const added = new Map<T, MainAmounts>();
  for (const { fromOn, untilOn, addKgHa } of changes) {
    const first = doses.find(({ on }) => on >= fromOn && (untilOn === null || on <= untilOn));
    if (first) added.set(first, sum(added.get(first) ?? NONE, addKgHa));
    else left = sum(left, addKgHa);
  }
  return {
    doses: doses.map((dose) => ({
      ...dose,
      kgHa: sum(
        mainOf((nutrient) => {
          const factor = changes
            .filter(({ fromOn, untilOn }) => dose.on >= fromOn && (untilOn === null || dose.on <= untilOn))
            .reduce((product, { factorPct }) => (product * factorPct[nutrient]) / 100, 1);
          return dose.kgHa[nutrient] * Math.min(MOST_TIMES, factor);
        }),
        added.get(dose) ?? NONE,
      ),
    })),
    left,
  };
}

function sum(a: MainAmounts, b: MainAmounts): MainAmounts {
  return mainOf((nutrient) => a[nutrient] + b[nutrient]);
}

/** What a laboratory, or a sap meter, found of a nutrient, and the band in which it should lie, all in one unit. */
export interface TissueResult {
  readonly value: number;
  readonly low: number;
  readonly high: number;
}

/** Most that one result changes, %: growth answers late, and a second result tells whether it was enough. Usual practice. */
export const MOST_STEP_PCT = 20;

/**
 * What a leaf, sap or extract result asks of the next doses: as many percent more as it lies under its band, as many less as it
 * lies over it, 20 % at most. Within the band nothing is changed.
 *
 * @returns % of what was planned, 80 to 120
 * @throws {DomainError} for values that cannot be, all at once
 * @see the rule is this program's own, by usual practice of small steps; bands are as the laboratory gives them
 */
export function stepFor({ value, low, high }: TissueResult): number {
  new Checks()
    .range("value", "The result", value, 0, 1_000_000)
    .positive("low", "The lower end of the band", low, 1_000_000, "")
    .positive("high", "The upper end of the band", high, 1_000_000, "")
    .when(high <= low, "not-possible", "high", `The band must end above where it begins: ${low} to ${high} is none.`)
    .done();
  if (value < low) return 100 + Math.min(MOST_STEP_PCT, (100 * (low - value)) / low);
  if (value > high) return 100 - Math.min(MOST_STEP_PCT, (100 * (value - high)) / high);
  return 100;
}
