import { GRADES } from "./library-grades.ts";
import { SALTS } from "./library-salts.ts";
import { ACIDS_AND_TRACES } from "./library-traces.ts";
import type { LibraryProduct } from "./product.ts";

/** Generic products, each computed from its formula or from a usual label. */
export const PRODUCTS: readonly LibraryProduct[] = [...SALTS, ...ACIDS_AND_TRACES, ...GRADES];

export function libraryProduct(id: string): LibraryProduct | undefined {
  return PRODUCTS.find((product) => product.id === id);
}
