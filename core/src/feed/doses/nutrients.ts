import { molarMassG } from "../../chemistry/formula.ts";
import type { Ions } from "../../chemistry/ions.ts";
import type { Product } from "../products/product.ts";

/** What a field is dressed by, as elements. */
export const MAIN = ["N", "P", "K"] as const;
export type Main = (typeof MAIN)[number];
export type MainAmounts = Readonly<Record<Main, number>>;

export const NONE: MainAmounts = { N: 0, P: 0, K: 0 };

export function mainOf(of: (nutrient: Main) => number): MainAmounts {
  return { N: of("N"), P: of("P"), K: of("K") };
}

/** mg of each element in a litre whose ions are told in mmol/L. */
export function ionsMgL({ NO3 = 0, NH4 = 0, urea = 0, H2PO4 = 0, K = 0 }: Ions): MainAmounts {
  return { N: (NO3 + NH4 + urea) * molarMassG("N"), P: H2PO4 * molarMassG("P"), K: K * molarMassG("K") };
}

/** kg of each element in a kg of a product as bought. */
export function contentOf({ composition }: Pick<Product, "composition">): MainAmounts {
  const { N, P, K } = ionsMgL(composition);
  return { N: N / 1000, P: P / 1000, K: K / 1000 };
}

/** Nutrients in so many litres of water, kg/ha. */
export function ofWater(litres: number, areaM2: number, { N, P, K }: MainAmounts): MainAmounts {
  const kgHa = (mgL: number): number => (litres * mgL * 1e-6) / (areaM2 / 1e4);
  return { N: kgHa(N), P: kgHa(P), K: kgHa(K) };
}

/** Sum of amounts, nutrient by nutrient. */
export function plus(...all: readonly MainAmounts[]): MainAmounts {
  const sum = { N: 0, P: 0, K: 0 };
  for (const amounts of all) for (const nutrient of MAIN) sum[nutrient] += amounts[nutrient];
  return sum;
}

/** Amounts times a figure. */
export function scaled({ N, P, K }: MainAmounts, by: number): MainAmounts {
  return { N: N * by, P: P * by, K: K * by };
}
