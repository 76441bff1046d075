import { molarMassG } from "../../chemistry/formula.ts";
import { IONS, type Ion } from "../../chemistry/ions.ts";
import type { Checks } from "../../working/checks.ts";
import { libraryProduct } from "../products/library.ts";
import { solubilityAt, type Product } from "../products/product.ts";

/** A product of the library by its id, or one in full. */
export type ProductChoice = { readonly id: string } | Product;

/** What each ion weighs at least, as the element or the ion itself: for telling labels that cannot be true. */
const LEAST_MASS: Readonly<Record<Ion, string>> = {
  NO3: "NO3",
  NH4: "NH4",
  urea: "N",
  H2PO4: "H2PO4",
  K: "K",
  Ca: "Ca",
  Mg: "Mg",
  SO4: "SO4",
  Cl: "Cl",
  Na: "Na",
  HCO3: "H",
  Si: "Si",
  Fe: "Fe",
  Mn: "Mn",
  Zn: "Zn",
  B: "B",
  Cu: "Cu",
  Mo: "Mo",
};

/** Products in full; whatever cannot be of them is noted. */
export function productsInFull(
  checks: Checks,
  choices: readonly ProductChoice[],
  temperatureC: number,
): readonly Product[] {
  const products = choices.map((choice, at) =>
    "composition" in choice ? ownProduct(checks, choice, at) : fromLibrary(checks, choice.id, at, temperatureC),
  );
  const ids = products.map((product) => product.id);
  ids.forEach((id, at) =>
    checks.when(ids.indexOf(id) < at, "not-possible", `products.${at}.id`, `${id} is listed twice.`),
  );
  return products;
}

function fromLibrary(checks: Checks, id: string, at: number, temperatureC: number): Product {
  const found = libraryProduct(id);
  checks.when(
    !found,
    "not-possible",
    `products.${at}.id`,
    `${id} is not in the library; GET /api/products lists it, or give the product's composition.`,
  );
  const { solubility, ...product } = found ?? {
    id,
    name: id,
    form: "solid" as const,
    composition: {},
    solubility: undefined,
  };
  return { ...product, solubilityGL: solubilityAt(solubility, temperatureC) };
}

function ownProduct(checks: Checks, product: Product, at: number): Product {
  const path = `products.${at}`;
  const entries = Object.entries(product.composition);
  checks
    .when(
      entries.every(([, amount]) => amount === 0),
      "missing",
      `${path}.composition`,
      `${product.name} brings nothing: give its composition in mmol per gram.`,
    )
    .range(`${path}.priceKg`, `The price of ${product.name}`, product.priceKg, 0, 100_000, "per kg")
    .range(`${path}.densityKgL`, `The density of ${product.name}`, product.densityKgL, 0.3, 3, "kg/L")
    .range(`${path}.solubilityGL`, `The solubility of ${product.name}`, product.solubilityGL, 0.001, 5000, "g/L");
  for (const [ion, amount] of entries)
    checks.range(`${path}.composition.${ion}`, `${ion} in ${product.name}`, amount, 0, 1000, "mmol/g");
  const grams = IONS.reduce(
    (sum, ion) => sum + ((product.composition[ion] ?? 0) * molarMassG(LEAST_MASS[ion])) / 1000,
    0,
  );
  checks.when(
    grams > 1.02,
    "not-possible",
    `${path}.composition`,
    `The label of ${product.name} adds up to ${(grams * 100).toFixed(0)} %; a gram cannot hold more than a gram.`,
  );
  return product;
}
