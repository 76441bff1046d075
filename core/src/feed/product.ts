import type { Ion } from "../chemistry/ions.ts";

/** What a gram of product, as bought, brings. `H` is the proton of an acid: it takes away HCO₃ one to one. */
export type Composition = Readonly<Partial<Record<Ion | "H", number>>>;

export interface Product {
  readonly id: string;
  readonly name: string;
  readonly form: "solid" | "liquid";
  /** mmol per gram as bought, trace elements too */
  readonly composition: Composition;
  /** price per kg in the site's currency */
  readonly priceKg?: number | undefined;
  readonly densityKgL?: number | undefined;
  /** g per litre of water at the coldest tank temperature */
  readonly solubilityGL?: number | undefined;
  /** metal held by a chelate that strong acid destroys */
  readonly chelate?: boolean | undefined;
  /** pH up to which the chelate holds its metal in a feed */
  readonly holdsToPh?: number | undefined;
}

/** A product of the library: from its formula, or from the usual label of its trade. */
export interface LibraryProduct extends Omit<Product, "solubilityGL" | "priceKg"> {
  readonly formula: string;
  /** share of the formula in the product as sold, % */
  readonly purityPct: number;
  /** g of the product in a litre of water at 0, 10, 20, 30 and 40 °C */
  readonly solubility?: readonly [number, number, number, number, number];
  readonly solubilitySource?: string;
  readonly compositionSource: string;
  readonly cautions: readonly string[];
}

/** Solubility at a temperature between 0 and 40 °C, in a straight line between the tabled values. */
export function solubilityAt(table: LibraryProduct["solubility"], temperatureC: number): number | undefined {
  if (!table) return undefined;
  const at = Math.min(Math.max(temperatureC, 0), 40) / 10;
  const left = Math.min(3, Math.floor(at));
  const [low, high] = [table[left] ?? NaN, table[left + 1] ?? NaN];
  return low + (high - low) * (at - left);
}
