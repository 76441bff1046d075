import { isTrace, type Ion, type Ions } from "../../chemistry/ions.ts";
import type { SolveLp } from "./linear-program.ts";
import { limitSlackOf, type RecipeSolution } from "./recipe-lp.ts";
import type { RecipeProblem } from "./recipe-model.ts";

/** One thing that was asked for and must hold. */
interface Demand {
  readonly words: string;
  /** the problem without it */
  without(problem: RecipeProblem): RecipeProblem;
  /** what it would have to give, in words; null when the recipe keeps it */
  given(delivered: Ions, solution: RecipeSolution): string | null;
}

const KEPT = 1e-6;

function amount(ion: Ion, value: number): string {
  return `${value.toFixed(isTrace(ion) ? 1 : 2)} ${isTrace(ion) ? "µmol/L" : "mmol/L"}`;
}

function demandsOf({ limits, nh4ShareMostPct, locks = {} }: RecipeProblem): Demand[] {
  const ions = (Object.entries(limits) as [Ion, number][]).map(([ion, limit]): Demand => ({
    words: `${ion} at most ${amount(ion, limit)}`,
    without: (problem) => ({ ...problem, limits: { ...problem.limits, [ion]: undefined } }),
    given: (delivered) =>
      (delivered[ion] ?? 0) > limit + KEPT ? `${ion} up to ${amount(ion, delivered[ion] ?? 0)}` : null,
  }));
  const amounts = Object.entries(locks).map(([id, gM3]): Demand => {
    const actual = (solution: RecipeSolution): number =>
      solution.grams.reduce((sum, line) => (line.product.id === id ? sum + line.gM3 : sum), 0);
    return {
      words: `${gM3} g/m³ of ${id}`,
      without: (problem) => ({
        ...problem,
        locks: Object.fromEntries(Object.entries(problem.locks ?? {}).filter(([other]) => other !== id)),
      }),
      given: (_delivered, solution) =>
        Math.abs(actual(solution) - gM3) > 1e-3 * Math.max(1, gM3)
          ? `${actual(solution).toFixed(0)} g/m³ of ${id}`
          : null,
    };
  });
  if (nh4ShareMostPct === undefined) return [...ions, ...amounts];
  const share: Demand = {
    words: `NH₄ at most ${nh4ShareMostPct} % of all N`,
    without: (problem) => ({ ...problem, nh4ShareMostPct: undefined }),
    given: ({ NH4 = 0, NO3 = 0, urea = 0 }) => {
      const pct = (100 * NH4) / Math.max(1e-9, NH4 + NO3 + urea);
      return pct > nh4ShareMostPct + 1e-4 ? `NH₄ up to ${pct.toFixed(0)} % of all N` : null;
    },
  };
  return [...ions, share, ...amounts];
}

/**
 * Why hard limits and settled amounts cannot all be kept: a set of them of which none can be spared, found by leaving out
 * one after the other (the deletion filter of Chinneck & Dravnieks 1991), and the least that must give.
 */
export function conflictWords(
  problem: RecipeProblem,
  delivered: Ions,
  solution: RecipeSolution,
  solve: SolveLp,
): string {
  const all = demandsOf(problem);
  let kept = all;
  for (const demand of all) {
    const others = kept.filter((other) => other !== demand);
    const left = all.filter((other) => !others.includes(other)).reduce((found, gone) => gone.without(found), problem);
    if (limitSlackOf(left, solve) > KEPT) kept = others;
  }
  const gives = all.flatMap((demand) => demand.given(delivered, solution) ?? []);
  const members = kept.map(({ words }) => words).join(" and ");
  const together = kept.length > 1 ? "cannot be kept together" : "cannot be kept";
  return `${members} ${together} with this water and these products. The least that must give: ${gives.join(", ")}.`;
}
