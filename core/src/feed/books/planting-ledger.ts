import { fill, Worksheet, type WorkingStep } from "../../working/working.ts";
import { MAIN, mainOf, type Main, type MainAmounts } from "../doses/nutrients.ts";

/** What a planting got and lost so far, kg/ha as elements. */
export interface LedgerInput {
  /** doses that were really given */
  readonly given: MainAmounts;
  /** mixed into the tanks since planting; what stands in them yet is not told apart */
  readonly fed: MainAmounts;
  /** digestate and reclaimed water, all of their nitrogen */
  readonly digestate: MainAmounts;
  /** brought by the water; null where nobody knows what is in it */
  readonly water: MainAmounts | null;
  /** what manures, residues, soil and fixation set free, as credited */
  readonly credited: MainAmounts;
  /** taken off with what was picked; null where the mass of it is not known */
  readonly removed: MainAmounts | null;
  /** taken off as leaf, beside what was picked */
  readonly leaf: MainAmounts;
  /** left the root zone below, over and beside; null of what nobody follows: that is in what is left */
  readonly drained: Readonly<Record<Main, number | null>>;
}

export interface Ledger extends LedgerInput {
  /** in − out − what drained; null where something that came or went is not known */
  readonly left: MainAmounts | null;
  readonly working: readonly WorkingStep[];
}

/**
 * A planting's books: what came in and what was taken off. What is left is in soil, substrate, leaf and root, or was leached:
 * those are not told apart
 * here, but for what is known to have drained.
 */
export function ledger(input: LedgerInput): Ledger {
  const sheet = new Worksheet();
  const left = (nutrient: Main): number | null => {
    const { given, fed, digestate, water, credited, removed, leaf, drained } = input;
    if (!removed || !water) return null;
    const came = given[nutrient] + fed[nutrient] + digestate[nutrient] + water[nutrient] + credited[nutrient];
    const gone = drained[nutrient] ?? 0;
    return sheet.note(
      `${nutrient} left`,
      "given + fed + digestate + water + credited − removed − leaf − drained",
      fill`${given[nutrient]} + ${fed[nutrient]} + ${digestate[nutrient]} + ${water[nutrient]} + ${credited[nutrient]} − ${removed[nutrient]} − ${leaf[nutrient]} − ${gone}`,
      came - removed[nutrient] - leaf[nutrient] - gone,
      "kg/ha",
      "conservation of mass",
    );
  };
  const sums = new Map(MAIN.map((nutrient) => [nutrient, left(nutrient)]));
  return {
    ...input,
    left: input.removed && input.water && mainOf((nutrient) => sums.get(nutrient) ?? 0),
    working: sheet.steps,
  };
}
