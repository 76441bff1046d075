import { molarMassG } from "../chemistry/formula.ts";
import { GRADES } from "./library-grades.ts";
import { SALTS } from "./library-salts.ts";
import { ACIDS_AND_TRACES } from "./library-traces.ts";
import type { LibraryProduct } from "./product.ts";

/** Generic products, each computed from its formula or from a usual label. */
export const PRODUCTS: readonly LibraryProduct[] = [...SALTS, ...ACIDS_AND_TRACES, ...GRADES];

/** Nitrogen a formula holds, for checks. */
export function nitrogenPct(product: LibraryProduct): number {
  const { NO3 = 0, NH4 = 0, urea = 0 } = product.composition;
  return (NO3 + NH4 + urea) * (molarMassG("N") / 10);
}

export function libraryProduct(id: string): LibraryProduct | undefined {
  return PRODUCTS.find((product) => product.id === id);
}
