import { chargeBalance, IONS, type ChargeBalance, type Ion, type Ions } from "../../chemistry/ions.ts";
import { Worksheet, type WorkingStep } from "../../working/working.ts";
import type { SolveLp } from "./linear-program.ts";
import { feedSaturation, type FeedSaturation } from "./precipitation.ts";
import type { Product } from "../products/product.ts";
import { conflictWords } from "./recipe-conflict.ts";
import { checkRecipeInput, USUAL_TANK_TEMPERATURE_C, type RecipeInput } from "./recipe-input.ts";
import { solveRecipe, solveUpTo, type RecipeSolution } from "./recipe-lp.ts";
import { bringsPerGram, type RecipeProblem } from "./recipe-model.ts";
import { feedPh, withBicarbonate } from "./recipe-ph.ts";
import { problemOf, USUAL_TOLERANCE_PCT } from "./recipe-problem.ts";
import { deviationReason } from "./recipe-reasons.ts";
import {
  feedSums,
  noteCharges,
  noteIons,
  tankRows,
  tankSaturation,
  type RecipeRow,
  type TankSaturation,
} from "./recipe-sums.ts";
import { mixedWater, type WaterShare } from "./recipe-waters.ts";

interface Deviation {
  readonly ion: Ion;
  readonly target: number;
  readonly delivered: number;
  readonly pct: number;
  readonly reason: string;
}

export interface Recipe {
  readonly status: "met" | "closest" | "infeasible";
  readonly lines: readonly RecipeRow[];
  readonly delivered: { readonly ions: Ions; readonly ecMsCm: number; readonly ph: number };
  readonly deviations: readonly Deviation[];
  readonly chargeBalance: ChargeBalance;
  readonly nh4SharePct: number;
  readonly costPerM3: number;
  readonly precipitation: readonly (FeedSaturation | TankSaturation)[];
  readonly warnings: readonly string[];
  readonly working: readonly WorkingStep[];
  /** shares of the waters, the first one first; only where waters may be mixed */
  readonly waters?: readonly WaterShare[];
}

/** Smaller misfits are rounding of the solver and not worth a line. */
const LEAST_DEVIATION_PCT = 0.1;

/**
 * Grams of products that make a feed of a water.
 *
 * Sequenced linear programs over the ways to use the tanks: hard limits, least misfit, least ballast, least cost, then
 * fewest products. "met" means that every targeted ion is within the tolerance.
 *
 * @param solve a solver of linear programs
 * @throws {DomainError} for values that cannot be, all at once
 */
export function recipe(input: RecipeInput, solve: SolveLp): Recipe {
  const sheet = new Worksheet();
  const { asked, products, problem, solution, ions, misfits, status, shares } = solved(input, solve, sheet);
  const ph = feedPh(asked, ions, solution, sheet);
  const deviations = misfits.map((misfit): Deviation => {
    const { ion, target: wanted, delivered: got } = misfit;
    return { ...misfit, reason: deviationReason(ion, { wanted, got, delivered: ions, problem }, solve) };
  });
  noteIons(asked, ions, solution, sheet);
  const lines = tankRows(solution, sheet);
  const tankShares = tankSaturation(solution, sheet);
  const sums = feedSums(ions, ph, solution, sheet);
  warn(asked, products, solution, sheet);
  warnOfChelates(solution, ph, sheet);
  if (solution.limitsBroken) sheet.warn(conflictWords(problem, ions, solution, solve));
  return {
    status,
    lines,
    delivered: { ions, ecMsCm: sums.ecMsCm, ph },
    deviations,
    chargeBalance: noteCharges(ions, sheet),
    nh4SharePct: sums.nh4SharePct,
    costPerM3: sums.costPerM3,
    precipitation: [...feedSaturation(ions, ph, sheet), ...tankShares],
    warnings: sheet.warnings,
    working: sheet.steps,
    ...(shares && { waters: shares }),
  };
}

export type RecipeCost = Pick<Recipe, "status" | "lines" | "costPerM3">;

/** What to weigh and what it costs, without the reasons and the chemistry of the feed: for many recipes at once. */
export function recipeCost(input: RecipeInput, solve: SolveLp): RecipeCost {
  const sheet = new Worksheet();
  const { solution, status } = solved(input, solve, sheet);
  return { status, lines: tankRows(solution, sheet), costPerM3: solution.costPerM3 };
}

function solved(input: RecipeInput, solve: SolveLp, sheet: Worksheet) {
  const products = checkRecipeInput(input);
  const { water, shares } = mixedWater(input, products, solve, sheet);
  const asked = { ...input, water };
  const tolerance = input.tolerancePct ?? USUAL_TOLERANCE_PCT;
  const problem = problemOf(asked, products, withBicarbonate(asked, sheet), solve);
  const solution = withFewerProducts(problem, solveRecipe(problem, solve), solve);
  const ions = deliveredIons(water.ions, solution);
  const misfits = misfitsOf(input.target.ions, ions);
  const met = misfits.every(({ pct }) => Math.abs(pct) <= tolerance + 1e-6);
  const status: Recipe["status"] = solution.limitsBroken ? "infeasible" : met ? "met" : "closest";
  return { asked, products, problem, solution, ions, misfits, status, shares };
}

/** Leaves out one product after the other, the smallest first, as long as fit and cost stay. */
function withFewerProducts(problem: RecipeProblem, solution: RecipeSolution, solve: SolveLp): RecipeSolution {
  let best = solution;
  const bySize = [...solution.grams].sort((a, b) => a.gM3 - b.gM3).map((line) => line.product.id);
  for (const id of new Set(bySize)) {
    const used = [...new Set(best.grams.map((line) => line.product))];
    const others = used.filter((product) => product.id !== id);
    const product = used.find((candidate) => candidate.id === id);
    const isSettled = problem.locks?.[id] !== undefined;
    if (!product || isSettled || isOnlySource(product, others, problem.target)) continue;
    const tried = solveUpTo({ ...problem, products: others }, best.misfit + 1e-6, solve);
    const same = tried && tried.costPerM3 <= best.costPerM3 * 1.001 + 1e-9 && tried.limitsBroken === best.limitsBroken;
    if (same && tried.grams.length < best.grams.length) best = tried;
  }
  return best;
}

/** Whether nothing else in use brings some ion of the target: then it cannot be left out. */
function isOnlySource(product: Product, others: readonly Product[], target: Ions): boolean {
  return IONS.some(
    (ion) =>
      (target[ion] ?? 0) > 0 &&
      bringsPerGram(product, ion) > 0 &&
      !others.some((other) => bringsPerGram(other, ion) > 0),
  );
}

function deliveredIons(water: Ions, { grams }: RecipeSolution): Ions {
  const ions: Partial<Record<Ion, number>> = {};
  for (const ion of IONS) {
    const added = grams.reduce((sum, { product, gM3 }) => sum + bringsPerGram(product, ion) * gM3, 0);
    const total = (water[ion] ?? 0) + added;
    // The solver keeps bicarbonate from falling below none but for its last digit.
    ions[ion] = Math.abs(total) < 1e-9 ? 0 : Math.max(0, total);
  }
  return ions;
}

function misfitsOf(target: Ions, delivered: Ions): Omit<Deviation, "reason">[] {
  return IONS.flatMap((ion) => {
    const wanted = target[ion];
    if (wanted === undefined) return [];
    const got = delivered[ion] ?? 0;
    const pct = wanted > 0 ? (100 * (got - wanted)) / wanted : got > 1e-6 ? 100 : 0;
    return Math.abs(pct) < LEAST_DEVIATION_PCT ? [] : [{ ion, target: wanted, delivered: got, pct }];
  });
}

/** Below it protons take the place of iron in any ligand. Norvell (1991). */
const CHELATES_FROM_PH = 3.5;

function warnOfChelates({ grams }: RecipeSolution, ph: number, sheet: Worksheet): void {
  for (const { product } of grams) {
    if (!product.chelate) continue;
    if (ph < CHELATES_FROM_PH)
      sheet.warn(`At pH ${ph.toFixed(1)} ${product.name} loses its metal: no chelate holds below ${CHELATES_FROM_PH}.`);
    else if (product.holdsToPh !== undefined && ph > product.holdsToPh)
      sheet.warn(
        `${product.name} holds its iron up to about pH ${product.holdsToPh}, and the feed has ${ph.toFixed(1)}: lower the pH, or take DTPA (to pH 7) or EDDHA (to pH 9).`,
      );
  }
}

function warn(
  { water, tanks }: RecipeInput,
  products: readonly Product[],
  { grams }: RecipeSolution,
  sheet: Worksheet,
): void {
  if (!tanks) sheet.warn("No tanks were given: A and B of 1000 L at a dilution of 100 are taken.");
  const used = grams.map((line) => line.product);
  const library = used.filter((product) => "compositionSource" in product && product.solubilityGL);
  if (water.temperatureC === undefined && library.length > 0)
    sheet.warn(`No temperature was given: solubility is taken at ${USUAL_TANK_TEMPERATURE_C} °C.`);
  const names = (list: readonly Product[]): string => [...new Set(list.map((product) => product.name))].join(", ");
  const unchecked = used.filter((product) => !product.solubilityGL && product.form === "solid" && !product.chelate);
  if (unchecked.length > 0) sheet.warn(`Solubility is not known and was not checked for ${names(unchecked)}.`);
  const unpriced = used.filter((product) => product.priceKg === undefined);
  if (unpriced.length > 0) sheet.warn(`Without a price and not in the cost: ${names(unpriced)}.`);
  const both = products.filter(
    (product) =>
      (product.composition.Ca ?? 0) > 0 && ((product.composition.SO4 ?? 0) > 0 || (product.composition.H2PO4 ?? 0) > 0),
  );
  if (both.length > 0)
    sheet.warn(`Not for concentrates, as calcium meets sulphate or phosphate in it: ${names(both)}.`);
  const error = chargeBalance(water.ions);
  if (Math.abs(error.errorPct) > 10 && error.cationsMeqL + error.anionsMeqL > 3)
    sheet.warn(
      `The water's own charges differ by ${error.errorPct.toFixed(0)} %: its report is doubtful, and so is the feed made of it.`,
    );
  if (used.some((product) => (product.composition.H ?? 0) > 0))
    sheet.warn("Goggles, gloves, apron. Acid into water, never the reverse; A and B concentrates never together.");
}
