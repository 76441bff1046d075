import { CHARGE, IONS, isTrace, type Ion, type Ions } from "../chemistry/ions.ts";
import type { Product } from "./product.ts";
import { bringsPerGram, SOLUBILITY_SAFETY, type RecipeProblem, type RecipeSolution } from "./recipe-lp.ts";
import { mayHold } from "./tank-rooms.ts";

interface Found {
  readonly wanted: number;
  readonly got: number;
  readonly delivered: Ions;
  readonly problem: RecipeProblem;
  readonly solution: RecipeSolution;
}

/** Why an ion is off, in words: the water, the shelf, the tanks, a limit, or what comes along with it. */
export function deviationReason(ion: Ion, found: Found): string {
  const charge = chargeLeft(found);
  const fromWater = found.problem.water[ion] ?? 0;
  const helps = CHARGE[ion] * charge * (found.got - found.wanted) < 0;
  if (Math.abs(charge) > BALANCED_MEQ && helps && fromWater <= found.wanted && bringersOf(ion, found).length > 0)
    return `The ions asked for, with what the water leaves beside them, have ${Math.abs(charge).toFixed(2)} meq/L more ${charge > 0 ? "cations than anions" : "anions than cations"}; salts bring both alike, so this ion gives way.`;
  return found.got > found.wanted ? whyOver(ion, found) : whyUnder(ion, found);
}

/** meq/L by which the target's cations exceed its anions, with what the water leaves beside it counted in. */
function chargeLeft({ delivered, problem }: Found): number {
  return IONS.reduce((sum, ion) => sum + CHARGE[ion] * (problem.target[ion] ?? delivered[ion] ?? 0), 0);
}

/** Below this the charges of a target count as balanced, meq/L. */
const BALANCED_MEQ = 0.15;

function amount(ion: Ion, value: number): string {
  return `${value.toFixed(isTrace(ion) ? 1 : 2)} ${isTrace(ion) ? "µmol/L" : "mmol/L"}`;
}

function whyOver(ion: Ion, { wanted, delivered, problem, solution }: Found): string {
  const fromWater = problem.water[ion] ?? 0;
  if (fromWater > wanted) {
    const share = fromWater > 0 ? Math.round((100 * (fromWater - wanted)) / fromWater) : 0;
    return `The water already brings ${amount(ion, fromWater)}, ${amount(ion, fromWater - wanted)} more than the target: ${share} % of it replaced by pure water would fix it.`;
  }
  const bringers = solution.grams.filter(({ product }) => bringsPerGram(product, ion) > 0);
  const largest = [...bringers].sort(
    (a, b) => bringsPerGram(b.product, ion) * b.gM3 - bringsPerGram(a.product, ion) * a.gM3,
  )[0];
  if (!largest) return "The salts bring it along.";
  const others = targetsOf(largest.product, problem.target, ion);
  return others.length > 0
    ? `It comes along with ${others.join(" and ")} in ${largest.product.name}; no other product here brings ${others.join(" and ")} without it to the same fit.`
    : `${largest.product.name} brings it, and the charge of the other ions needs it${(delivered.HCO3 ?? 0) > 0 ? "" : " for the bicarbonate"}.`;
}

function bringersOf(ion: Ion, { problem }: Found): Product[] {
  return problem.products.filter((product) => bringsPerGram(product, ion) > 0);
}

function whyUnder(ion: Ion, found: Found): string {
  const { delivered, problem, solution } = found;
  const bringers = bringersOf(ion, found);
  if (ion === "HCO3") return "The acid in use takes more bicarbonate than the target leaves.";
  if (bringers.length === 0) return `No product here brings ${ion}.`;
  const homeless = bringers.filter((product) => !problem.rooms.some((room) => mayHold(room, product)));
  if (homeless.length === bringers.length)
    return `${homeless[0]?.name ?? ion} can go into none of these tanks: calcium, sulphate or phosphate, and acid or chelate stay apart.`;
  for (const product of bringers) {
    const limited = IONS.find(
      (other) =>
        other !== ion &&
        bringsPerGram(product, other) > 0 &&
        problem.limits[other] !== undefined &&
        (delivered[other] ?? 0) >= (problem.limits[other] ?? 0) * 0.999,
    );
    if (limited)
      return `${product.name} also brings ${limited}, which stands at its limit of ${amount(limited, problem.limits[limited] ?? 0)}.`;
  }
  const full = fullTank(bringers, solution, problem);
  if (full)
    return `Tank ${full} is full of what dissolves in it: a larger tank, a lower dilution or a warmer store would fix it.`;
  const along = [...new Set(bringers.flatMap((product) => targetsOf(product, problem.target, ion)))];
  return along.length > 0
    ? `More of it would bring ${along.join(", ")} over the target too; the salts here tie them together.`
    : `The charge of the ions asked for does not balance, so not all of them can come from salts.`;
}

function targetsOf(product: Product, target: Ions, except: Ion): Ion[] {
  return IONS.filter((other) => other !== except && target[other] !== undefined && bringsPerGram(product, other) > 0);
}

function fullTank(bringers: readonly Product[], { grams }: RecipeSolution, problem: RecipeProblem): string | undefined {
  return problem.rooms.find((room) => {
    const fill = grams.reduce(
      (sum, line) =>
        line.room === room && line.product.solubilityGL
          ? sum + (line.gM3 * room.tank.dilution) / 1000 / line.product.solubilityGL
          : sum,
      0,
    );
    return fill > SOLUBILITY_SAFETY * 0.999 && bringers.some((product) => mayHold(room, product));
  })?.tank.id;
}
