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
