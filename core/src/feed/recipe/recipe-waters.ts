import type { Ions } from "../../chemistry/ions.ts";
import { mixWaters } from "../../water/mix-waters.ts";
import { Worksheet } from "../../working/working.ts";
import type { SolveLp } from "./linear-program.ts";
import type { Product } from "../products/product.ts";
import type { RecipeInput } from "./recipe-input.ts";
import { solveRecipe } from "./recipe-lp.ts";
import { withBicarbonate } from "./recipe-ph.ts";
import { problemOf } from "./recipe-problem.ts";

export interface WaterShare {
  readonly name: string;
  readonly sharePct: number;
}

const MOST_ROUNDS = 6;
/** Shares that move by less are the same tap. */
const SAME_SHARE_PCT = 0.1;

/**
 * The waters mixed as the recipe needs them. What bicarbonate the target pH leaves depends on the mix, so the program is
 * solved again with it until the shares stand still.
 */
export function mixedWater(
  input: RecipeInput,
  products: readonly Product[],
  solve: SolveLp,
  sheet: Worksheet,
): { readonly water: RecipeInput["water"]; readonly shares?: readonly WaterShare[] } {
  const { water, mixWith = [], waterPriceM3 = 0 } = input;
  if (mixWith.length === 0) return { water };
  const others = mixWith.map(({ ions, mostSharePct, priceM3 = 0 }) => ({
    ions,
    mostSharePct,
    dearerM3: priceM3 - waterPriceM3,
  }));
  let shares = mixWith.map(({ mostSharePct }) => Math.min(mostSharePct, 100 / (mixWith.length + 1)));
  const mixOf = (pcts: readonly number[]): RecipeInput["water"] => {
    const first = 100 - pcts.reduce((sum, pct) => sum + pct, 0);
    const parts = mixWith.map(({ ions, ph }, at) => ({ ions: asAsked(ions), ph, sharePct: pcts[at] ?? 0 }));
    const { ions, ph } = mixWaters([{ ions: asAsked(water.ions), ph: water.ph ?? NaN, sharePct: first }, ...parts]);
    return { ions, ...(ph !== undefined && { ph }), temperatureC: water.temperatureC };
  };
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const target = withBicarbonate({ ...input, water: mixOf(shares) }, new Worksheet());
    const found = solveRecipe(problemOf(input, products, target, solve, others), solve).waterShares;
    const next = found.map((share) => 100 * share);
    const moved = Math.max(...next.map((pct, at) => Math.abs(pct - (shares[at] ?? 0))));
    shares = next;
    if (moved < SAME_SHARE_PCT) break;
  }
  const first = 100 - shares.reduce((sum, pct) => sum + pct, 0);
  const named = [{ name: "the first water", sharePct: first }].concat(
    mixWith.map(({ name }, at) => ({ name, sharePct: shares[at] ?? 0 })),
  );
  for (const { name, sharePct } of named)
    sheet.note(
      `Share of ${name}`,
      "a variable of the program, beside the grams",
      "least misfit, then least ballast, then least cost of products and water",
      sharePct,
      "%",
      "linear program, solved again until the pH of the mix stands still",
    );
  return { water: mixOf(shares), shares: named };
}

/** In a question a water is what is said of it: an ion that is left out is none. */
const asAsked = (ions: Ions): Ions => ({ HCO3: 0, ...ions });
