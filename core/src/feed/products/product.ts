import type { Ion } from "../../chemistry/ions.ts";

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
  /** mmol of carbon that come with each mmol of its alkalinity: 1 of a bicarbonate, 0.5 of a carbonate, none of a borate or silicate */
  readonly carbonPerAlkalinity?: number | undefined;
  /** g in a litre of solution at the coldest tank temperature */
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
  /** g of the product in a litre of solution at 0, 10, 20, 30 and 40 °C */
  readonly solubility?: readonly [number, number, number, number, number];
  readonly solubilitySource?: string;
  readonly compositionSource: string;
  readonly cautions: readonly string[];
}

/**
 * Carbon that a gram of product brings, mmol. Where nobody says it, alkalinity that comes with silicon or boron has none: a
 * silicate brings two of alkalinity for each Si, a borate one for two B.
 */
export function carbonPerGram({
  composition,
  carbonPerAlkalinity,
}: Pick<Product, "composition" | "carbonPerAlkalinity">): number {
  const { HCO3 = 0, Si = 0, B = 0 } = composition;
  return carbonPerAlkalinity === undefined ? Math.max(0, HCO3 - 2 * Si - B / 2) : HCO3 * carbonPerAlkalinity;
}

/** Solubility at a temperature between 0 and 40 °C, in a straight line between the tabled values. */
export function solubilityAt(table: LibraryProduct["solubility"], temperatureC: number): number | undefined {
  if (!table) return undefined;
  const at = Math.min(Math.max(temperatureC, 0), 40) / 10;
  const left = Math.min(3, Math.floor(at));
  const [low, high] = [table[left] ?? NaN, table[left + 1] ?? NaN];
  return low + (high - low) * (at - left);
}
