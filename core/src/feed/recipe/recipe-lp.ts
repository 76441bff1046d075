import { CHARGE, type Ion, type Ions } from "../../chemistry/ions.ts";
import type { SolveLp } from "./linear-program.ts";
import type { Product } from "../products/product.ts";
import { RecipeModel, scaleOf, type RecipeProblem } from "./recipe-model.ts";
import type { TankRoom } from "./tank-rooms.ts";

/** One recipe's question for a given use of the tanks. */
export interface RecipeSolution {
  /** g/m³ of feed, by product and room */
  readonly grams: readonly { readonly product: Product; readonly room: TankRoom; readonly gM3: number }[];
  /** largest relative misfit plus the weighted sum of misfits */
  readonly misfit: number;
  readonly limitsBroken: boolean;
  /** of products */
  readonly costPerM3: number;
  /** of the other waters, in their order, a fraction */
  readonly waterShares: readonly number[];
}

/** Less of a product is the solver's last digit, g/m³; the smallest dose of a trace salt is hundreds of times more. */
const LEAST_GRAMS = 1e-4;

export interface Fit {
  /** largest misfit of an ion, relative to its target */
  readonly largest: number;
  readonly limitsBroken: boolean;
}

/** How near a use of the tanks can come, without looking for the cheapest way. */
export function bestFit(problem: RecipeProblem, solve: SolveLp): Fit {
  const model = new RecipeModel(problem);
  const limitsBroken = model.leastLimitSlack(solve) > 1e-6;
  return { largest: model.look(solve, model.largestTerms).objective, limitsBroken };
}

/**
 * Sequenced programs: keep hard limits, least misfit, least ballast, least cost. Each holds what the ones before have reached.
 *
 * Where every ion can come within the tolerance, none goes beyond it; else sulphate and chloride float first.
 */
export function solveRecipe(problem: RecipeProblem, solve: SolveLp): RecipeSolution {
  const solution = solveUpTo(problem, Infinity, solve);
  if (!solution) throw new Error("without a bound there is always a closest recipe");
  return solution;
}

/** The same, given up as soon as the misfit is seen to pass a bound. */
export function solveUpTo(problem: RecipeProblem, mostMisfit: number, solve: SolveLp): RecipeSolution | null {
  const model = new RecipeModel(problem);
  const limitSlack = model.leastLimitSlack(solve);
  // Without the tolerance held it can only fit better: what is over the bound here is over it anyway.
  if (mostMisfit < Infinity && model.look(solve, model.misfitTerms).objective > mostMisfit) return null;
  const largest = model.look(solve, model.largestTerms).objective;
  if (largest <= problem.tolerance) model.hold(model.largestTerms, problem.tolerance);
  const misfit = model.stage(solve, model.misfitTerms);
  if (misfit.objective > mostMisfit) return null;
  model.stage(solve, model.ballastTerms);
  const values = model.stage(solve, model.costTerms).values;
  const grams = model.columns
    .map(({ product, room, column }) => ({ product, room, gM3: Math.max(0, values[column] ?? 0) }))
    .filter((line) => line.gM3 > LEAST_GRAMS);
  return {
    grams,
    misfit: misfit.objective,
    limitsBroken: limitSlack > 1e-6,
    costPerM3: grams.reduce((sum, { product, gM3 }) => sum + ((product.priceKg ?? 0) * gM3) / 1000, 0),
    waterShares: model.waters.map(({ column }) => Math.min(1, Math.max(0, values[column] ?? 0))),
  };
}

/** How far hard limits and settled amounts must give at least, relative; 0 when all can be kept. */
export function limitSlackOf(problem: RecipeProblem, solve: SolveLp): number {
  return new RecipeModel(problem).leastLimitSlack(solve);
}

/** What keeps one ion from its target, as the duals of the program that alone tries to bring it there tell. */
interface Obstacles {
  /** ions whose hard limit stands in the way */
  readonly limits: readonly Ion[];
  /** ids of tanks that hold no more */
  readonly tanks: readonly string[];
  /** ions of the target that would go off in turn */
  readonly ties: readonly Ion[];
  /** whether the ties are nothing but the balance of charges */
  readonly byCharge: boolean;
}

/** Duals below this share of the greatest are rounding. */
const TIES_FROM = 0.02;
/** Ties of this many ions, in proportion to their charges, are the balance of charges. */
const CHARGE_FROM_IONS = 4;

/** Asks what one ion could still gain when every other keeps what the recipe gives it, and what that would cost. */
export function obstaclesTo(ion: Ion, problem: RecipeProblem, delivered: Ions, solve: SolveLp): Obstacles {
  const model = new RecipeModel(problem, delivered);
  const { rowDuals } = model.look(solve, model.misfitOf(ion));
  const felt = model.meanings.flatMap((meaning, row) => {
    const dual = rowDuals[row] ?? 0;
    return Math.abs(dual) > 1e-9 ? [{ meaning, dual }] : [];
  });
  const greatest = Math.max(0, ...felt.map(({ dual }) => Math.abs(dual)));
  const strong = felt.filter(({ dual }) => Math.abs(dual) >= TIES_FROM * greatest);
  const ions = strong.flatMap(({ meaning, dual }) => (meaning.kind === "ion" ? [{ ion: meaning.ion, dual }] : []));
  const perCharge = ions.flatMap(({ ion: other, dual }) =>
    CHARGE[other] === 0 ? [] : [dual / scaleOf(problem.target[other] ?? 0) / CHARGE[other]],
  );
  const [low, high] = [Math.min(...perCharge), Math.max(...perCharge)];
  return {
    limits: strong.flatMap(({ meaning }) => (meaning.kind === "limit" ? [meaning.ion] : [])),
    tanks: strong.flatMap(({ meaning }) => (meaning.kind === "tank" ? [meaning.tankId] : [])),
    ties: ions.map((entry) => entry.ion).filter((other) => other !== ion),
    byCharge:
      perCharge.length >= CHARGE_FROM_IONS && low * high > 0 && Math.abs(high - low) <= 0.05 * Math.abs(high + low),
  };
}
