import { LpBuilder, type SolveLp } from "../recipe/linear-program.ts";
import type { Product } from "../products/product.ts";
import { contentOf, MAIN, mainOf, type Main, type MainAmounts } from "./nutrients.ts";

/** What a dose is made of. */
export interface ProductsFor {
  readonly kgHa: readonly { readonly productId: string; readonly kgHa: number }[];
  readonly brings: MainAmounts;
  /** asked for and not brought */
  readonly lacking: MainAmounts;
  /** why a nutrient is lacking, in words */
  reasonOf(nutrient: Main): string;
}

/** Nitrogen is met before all else; of P and K too much is no better than too little. */
const MISFIT = { N: 1000, P: 10, K: 10 } as const;
/** Cost and mass only choose among what fits alike. */
const BESIDE = 1e-4;
const TINY = 1e-9;

/**
 * The products that come nearest to so much of each nutrient, the cheapest of those that come alike; where a price is missing, the
 * lightest.
 */
export function productsFor(wanted: MainAmounts, products: readonly Product[], solve: SolveLp): ProductsFor {
  const contents = products.map(contentOf);
  const priced = products.every(({ priceKg }) => priceKg !== undefined);
  const lp = new LpBuilder();
  const amounts = products.map(() => lp.column());
  const cost: [number, number][] = amounts.map((column, at) => [
    column,
    BESIDE * (priced ? (products[at]?.priceKg ?? 0) + TINY : 1),
  ]);
  for (const nutrient of MAIN) {
    const [under, over] = [lp.column(), lp.column()];
    cost.push([under, MISFIT[nutrient]], [over, MISFIT[nutrient]]);
    lp.row(wanted[nutrient], wanted[nutrient], [
      ...amounts.map((column, at) => [column, contents[at]?.[nutrient] ?? 0] as const),
      [under, 1],
      [over, -1],
    ]);
  }
  const answer = solve(lp.program(cost));
  if (answer.status !== "optimal") throw new Error("a dose can always be made, short of what it lacks");
  const kgHa = products.flatMap(({ id }, at) => {
    const kg = answer.values[amounts[at] ?? -1] ?? 0;
    return kg > TINY ? [{ productId: id, kgHa: kg, at }] : [];
  });
  const brings = mainOf((nutrient) =>
    kgHa.reduce((sum, { kgHa: kg, at }) => sum + kg * (contents[at]?.[nutrient] ?? 0), 0),
  );
  return {
    kgHa: kgHa.map(({ productId, kgHa: kg }) => ({ productId, kgHa: kg })),
    brings,
    lacking: mainOf((nutrient) => Math.max(0, wanted[nutrient] - brings[nutrient])),
    reasonOf: (nutrient) =>
      contents.some((content) => content[nutrient] > 0)
        ? "no product brings it without too much of another nutrient"
        : "none of the products brings it",
  };
}
