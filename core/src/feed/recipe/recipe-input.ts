import { Checks } from "../../working/checks.ts";
import { IONS, isTrace, type Ions } from "../../chemistry/ions.ts";
import { productsInFull, type ProductChoice } from "./product-choices.ts";
import type { Product } from "../products/product.ts";

export interface Tank {
  readonly id: string;
  readonly volumeL: number;
  /** litres of feed from one litre of concentrate; 1 is feed strength itself */
  readonly dilution: number;
}

export interface RecipeInput {
  /** hard upper limits in the feed */
  readonly limits?: Ions | undefined;
  readonly water: { readonly ions: Ions; readonly ph?: number | undefined; readonly temperatureC?: number | undefined };
  readonly target: { readonly ions: Ions; readonly ph?: number | undefined };
  readonly products: readonly ProductChoice[];
  readonly tanks?: readonly Tank[] | undefined;
  readonly tolerancePct?: number | undefined;
  /** most NH₄-N of all N, % */
  readonly nh4ShareMostPct?: number | undefined;
  /** g/m³ that a person has settled, by product id */
  readonly locks?: Readonly<Record<string, number>> | undefined;
  /** waters to be mixed with `water` as the recipe needs it */
  readonly mixWith?: readonly MixableWater[] | undefined;
  /** % of `water` at most, where others may be mixed with it */
  readonly mostSharePct?: number | undefined;
  /** price of a m³ of `water`; counts beside the products where waters are mixed */
  readonly waterPriceM3?: number | undefined;
}

interface MixableWater {
  readonly name: string;
  readonly ions: Ions;
  readonly ph: number;
  /** % of the feed's water at most */
  readonly mostSharePct: number;
  readonly priceM3?: number | undefined;
}

export const USUAL_TANKS: readonly Tank[] = [
  { id: "A", volumeL: 1000, dilution: 100 },
  { id: "B", volumeL: 1000, dilution: 100 },
];
/** Coldest that a concentrate usually gets in a heated store. Solubility is taken there when no temperature is given. */
export const USUAL_TANK_TEMPERATURE_C = 10;

/**
 * Products in full, after every value was found possible.
 *
 * @throws {DomainError} with every fault at once
 */
export function checkRecipeInput(input: RecipeInput): readonly Product[] {
  const checks = new Checks()
    .range("water.ph", "The water's pH", input.water.ph, 4, 10.5)
    .range("water.temperatureC", "The water's temperature", input.water.temperatureC, 0, 45, "°C")
    .range("target.ph", "The target pH", input.target.ph, 4, 8)
    .range("tolerancePct", "The tolerance", input.tolerancePct, 0.01, 50, "%")
    .when(
      Object.keys(input.target.ions).length === 0,
      "missing",
      "target.ions",
      "Name at least one ion that the feed is to bring.",
    )
    .when(input.products.length === 0, "missing", "products", "Name at least one product to make the feed of.")
    .when(
      input.tanks?.length === 0,
      "missing",
      "tanks",
      "Name at least one tank; feed mixed directly is a tank of dilution 1.",
    );
  for (const [path, ions] of [
    ["water.ions", input.water.ions],
    ["target.ions", input.target.ions],
    ["limits", input.limits ?? {}],
  ] as const)
    for (const ion of IONS)
      checks.range(`${path}.${ion}`, ion, ions[ion], 0, isTrace(ion) ? 2000 : 200, isTrace(ion) ? "µmol/L" : "mmol/L");
  checkTanks(checks, input.tanks ?? []);
  checkWishes(checks, input);
  const temperatureC = input.water.temperatureC ?? USUAL_TANK_TEMPERATURE_C;
  const products = productsInFull(checks, input.products, temperatureC);
  checks.done();
  return products;
}

function checkWishes(
  checks: Checks,
  { nh4ShareMostPct, locks = {}, mixWith = [], mostSharePct, products, water }: RecipeInput,
): void {
  checks
    .range("nh4ShareMostPct", "The share of ammonium", nh4ShareMostPct, 0, 100, "%")
    .range("mostSharePct", "The share of the first water", mostSharePct, 0, 100, "%")
    .when(
      mixWith.length > 0 && water.ph === undefined,
      "missing",
      "water.ph",
      "Waters can be mixed only when the pH of each is known.",
    )
    .when(
      mixWith.length > 0 && (mostSharePct ?? 100) + mixWith.reduce((sum, other) => sum + other.mostSharePct, 0) < 100,
      "not-possible",
      "mixWith",
      "The shares that the waters may have add up to less than 100 %.",
    );
  for (const [id, gM3] of Object.entries(locks))
    checks
      .range(`locks.${id}`, `The amount of ${id}`, gM3, 0, 100_000, "g/m³")
      .when(
        !products.some((product) => product.id === id),
        "not-possible",
        `locks.${id}`,
        `${id} is settled but not among the products.`,
      );
  mixWith.forEach((other, at) => {
    checks
      .range(`mixWith.${at}.mostSharePct`, `The share of ${other.name}`, other.mostSharePct, 0, 100, "%")
      .range(`mixWith.${at}.ph`, `The pH of ${other.name}`, other.ph, 4, 10.5);
    for (const ion of IONS)
      checks.range(`mixWith.${at}.ions.${ion}`, ion, other.ions[ion], 0, isTrace(ion) ? 2000 : 200);
  });
}

function checkTanks(checks: Checks, tanks: readonly Tank[]): void {
  tanks.forEach((tank, at) =>
    checks
      .range(`tanks.${at}.volumeL`, `The volume of tank ${tank.id}`, tank.volumeL, 0.01, 1_000_000, "L")
      .range(`tanks.${at}.dilution`, `The dilution of tank ${tank.id}`, tank.dilution, 1, 2000)
      .when(
        tanks.findIndex((other) => other.id === tank.id) < at,
        "not-possible",
        `tanks.${at}.id`,
        `Two tanks are called ${tank.id}.`,
      ),
  );
  checks.when(tanks.length > 4, "not-possible", "tanks", "More than four tanks cannot be planned.");
}
