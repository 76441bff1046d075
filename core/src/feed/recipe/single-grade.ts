import { Checks } from "../../working/checks.ts";
import { molarMassG } from "../../chemistry/formula.ts";
import type { Ion, Ions } from "../../chemistry/ions.ts";
import { ecMsCm } from "../../chemistry/solution.ts";
import { fill, Worksheet, type WorkingStep } from "../../working/working.ts";
import type { Product } from "../products/product.ts";
import { bringsPerGram, SOLUBILITY_SAFETY } from "./recipe-model.ts";
import { carbonPerGram } from "../products/product.ts";
import { closedPh } from "./recipe-ph.ts";

interface SingleGradeInput {
  readonly product: Product;
  /** nitrogen in the feed from the product, mg/L, 1 to 1000 */
  readonly ppmN: number;
  readonly water: { readonly ions: Ions; readonly ph?: number | undefined };
}

interface SingleGrade {
  /** of the product in a litre of feed */
  readonly gL: number;
  /** of the feed, with what the water brings */
  readonly ecMsCm: number;
  readonly ph: number;
  readonly ions: Ions;
  /** mg/L that the product brings, by element */
  readonly bringsMgL: Readonly<Record<string, number>>;
  readonly warnings: readonly string[];
  readonly working: readonly WorkingStep[];
}

const NITROGEN: readonly Ion[] = ["NO3", "NH4", "urea"];
/** Elements as a label counts them, by the ion that carries them; nitrogen is told as one. */
const ELEMENTS: readonly (readonly [element: string, ion: Ion])[] = [
  ["P", "H2PO4"],
  ["K", "K"],
  ["Ca", "Ca"],
  ["Mg", "Mg"],
  ["S", "SO4"],
  ["Fe", "Fe"],
  ["Mn", "Mn"],
  ["Zn", "Zn"],
  ["B", "B"],
  ["Cu", "Cu"],
  ["Mo", "Mo"],
];

/** mg of N in a gram of a product. */
function nitrogenMgG(product: Product): number {
  return NITROGEN.reduce((sum, ion) => sum + (product.composition[ion] ?? 0) * molarMassG("N"), 0);
}

/**
 * One bag at so many ppm of nitrogen: how much of it, what comes along, and the EC and pH that follow.
 *
 * @throws {DomainError} for a product without nitrogen and for values that cannot be
 */
export function singleGrade({ product, ppmN, water }: SingleGradeInput): SingleGrade {
  const perGram = nitrogenMgG(product);
  new Checks()
    .range("ppmN", "The nitrogen", ppmN, 1, 1000, "mg/L")
    .when(perGram <= 0, "not-possible", "product", `${product.name} holds no nitrogen, so no ppm N can be set by it.`)
    .done();
  const sheet = new Worksheet();
  const gL = sheet.note(
    `${product.name} in a litre of feed`,
    "ppm N / (N in a gram)",
    fill`${ppmN} mg/L ÷ ${perGram} mg/g`,
    ppmN / perGram,
    "g/L",
    "composition of the product",
  );
  const ions: Partial<Record<Ion, number>> = { ...water.ions };
  for (const ion of new Set(Object.keys(product.composition) as (Ion | "H")[]))
    if (ion !== "H") ions[ion] = (ions[ion] ?? 0) + bringsPerGram(product, ion) * gL * 1000;
  if (product.composition.H) ions.HCO3 = (water.ions.HCO3 ?? 0) + bringsPerGram(product, "HCO3") * gL * 1000;
  const ph = closedPh(water, ions, carbonPerGram(product) * gL);
  const ec = sheet.note(
    "EC of the feed",
    "conductivity of the water's and the product's ions together",
    fill`${gL} g/L in the water`,
    ecMsCm({ ...ions, HCO3: Math.max(0, ions.HCO3 ?? 0) }, ph),
    "mS/cm",
    "Appelo (2010)",
  );
  const urea = ((product.composition.urea ?? 0) * molarMassG("N")) / perGram;
  if (urea > 0)
    sheet.warn(
      `${(urea * 100).toFixed(0)} % of the nitrogen is urea: it does not conduct, so the EC meter does not see it.`,
    );
  const brings: Record<string, number> = { N: ppmN };
  for (const [element, ion] of ELEMENTS) {
    const mmol = (product.composition[ion] ?? 0) * gL;
    if (mmol > 0) brings[element] = mmol * molarMassG(element);
  }
  return { gL, ecMsCm: ec, ph, ions, bringsMgL: brings, warnings: sheet.warnings, working: sheet.steps };
}

interface WallRow {
  readonly ppmN: number;
  readonly gL: number;
  readonly ecMsCm: number;
  /** g/L of concentrate for each dilution; null where so much does not dissolve */
  readonly concentrateGL: readonly (number | null)[];
}

/**
 * The table for the wall: ppm N against grams per litre of concentrate, for the injectors at hand, with the EC to expect.
 *
 * @param dilutions litres of feed from one of concentrate
 */
export function wallTable(
  product: Product,
  water: SingleGradeInput["water"],
  ppms: readonly number[],
  dilutions: readonly number[],
): WallRow[] {
  const checks = new Checks();
  dilutions.forEach((dilution, at) => checks.range(`dilutions.${at}`, "The dilution", dilution, 1, 2000));
  checks.done();
  return ppms.map((ppmN) => {
    const grade = singleGrade({ product, ppmN, water });
    return {
      ppmN,
      gL: grade.gL,
      ecMsCm: grade.ecMsCm,
      concentrateGL: dilutions.map((dilution) => {
        const gL = grade.gL * dilution;
        return product.solubilityGL !== undefined && gL > SOLUBILITY_SAFETY * product.solubilityGL ? null : gL;
      }),
    };
  });
}
