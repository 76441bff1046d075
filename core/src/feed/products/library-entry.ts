import type { Ion } from "../../chemistry/ions.ts";
import { molarMassG } from "../../chemistry/formula.ts";
import type { Composition, LibraryProduct } from "./product.ts";

const CRC =
  "CRC Handbook of Chemistry and Physics, aqueous solubility of inorganic compounds; hydrates by their own water";
const ACID_CAUTIONS = [
  "Goggles, gloves, apron.",
  "Acid into water, never the reverse.",
  "Never with the other concentrate, nor with chelates.",
];
export const DUST_CAUTIONS = ["Avoid dust; gloves."];
export const OXIDISER_CAUTIONS = ["Oxidiser: keep from oil, wood and flame."];

interface Salt {
  readonly id: string;
  readonly name: string;
  readonly formula: string;
  readonly ions: Readonly<Partial<Record<Ion | "H", number>>>;
  readonly purityPct?: number;
  readonly carbonPerAlkalinity?: number;
  /** g of the anhydrous salt in 100 g of water at 0, 10, 20, 30, 40 °C */
  readonly anhydrous?: readonly [number, number, number, number, number];
  readonly cautions?: readonly string[];
}

export function salt({
  id,
  name,
  formula,
  ions,
  purityPct = 98,
  carbonPerAlkalinity,
  anhydrous,
  cautions = [],
}: Salt): LibraryProduct {
  return {
    id,
    name,
    form: "solid",
    formula,
    purityPct,
    composition: perGram(formula, ions, purityPct),
    compositionSource: `formula ${formula} at a usual purity of ${purityPct} %`,
    ...(carbonPerAlkalinity !== undefined && { carbonPerAlkalinity }),
    ...(anhydrous && {
      solubility: anhydrous.map((grams) => hydrateSolubility(formula, grams)) as unknown as NonNullable<
        LibraryProduct["solubility"]
      >,
      solubilitySource: CRC,
    }),
    cautions,
  };
}

export function acid(
  id: string,
  name: string,
  formula: string,
  ions: Salt["ions"],
  purityPct: number,
  densityKgL: number,
): LibraryProduct {
  return {
    id,
    name,
    form: "liquid",
    formula,
    purityPct,
    densityKgL,
    composition: perGram(formula, ions, purityPct),
    compositionSource: `formula ${formula} at ${purityPct} % by mass`,
    cautions: ACID_CAUTIONS,
  };
}

/** Chelates are sold by their metal content; the ligand's sodium or potassium differs by maker and is left out. */
export function chelate(
  id: string,
  name: string,
  ion: "Fe" | "Mn" | "Zn" | "Cu",
  metalPct: number,
  holdsToPh?: number,
): LibraryProduct {
  return {
    id,
    name,
    form: "solid",
    formula: ion,
    purityPct: metalPct,
    composition: perGram(ion, { [ion]: 1 }, metalPct),
    compositionSource: `usual label of the trade, ${metalPct} % ${ion}; sodium of the ligand not counted, see the label`,
    chelate: true,
    ...(holdsToPh !== undefined && { holdsToPh }),
    cautions: ["Keep the tank in the dark, and from strong acid."],
  };
}

function perGram(formula: string, ions: Salt["ions"], purityPct: number): Composition {
  const molesPerGram = purityPct / 100 / molarMassG(formula);
  return Object.fromEntries(Object.entries(ions).map(([ion, count]) => [ion, 1000 * count * molesPerGram]));
}

/** Litres that a kilogram of dissolved salt adds to its water: from the density of strong solutions at 20 °C, CRC Handbook. */
const APPARENT_L_KG: Readonly<Partial<Record<string, number>>> = {
  NH4NO3: 0.62,
  KNO3: 0.42,
  "Ca(NO3)2": 0.33,
  "Mg(NO3)2": 0.28,
  NH4H2PO4: 0.52,
  KH2PO4: 0.36,
  "(NH4)2SO4": 0.53,
  K2SO4: 0.25,
  MgSO4: 0.12,
  KCl: 0.4,
  NaCl: 0.33,
  "CO(NH2)2": 0.75,
};
/** The middle of those; assumed for a salt that is not among them. */
const USUAL_APPARENT_L_KG = 0.35;

/**
 * Grams of the salt as sold in a litre of solution, from grams of the anhydrous one in 100 g of water: a tank is filled up to its
 * mark, and what is dissolved takes room in it.
 */
function hydrateSolubility(formula: string, anhydrousPer100: number): number {
  const [dry = formula, ...waters] = formula.split("·");
  const water = waters.join("·") === "" ? 0 : molarMassG(waters.join("·"));
  const share = molarMassG(dry) / (molarMassG(dry) + water);
  const ratio = anhydrousPer100 / 100;
  // A very soluble hydrate melts in its own water: beyond 1500 g/L the figure means nothing to a tank.
  const perKgWater = share - ratio * (1 - share) > 0 ? ratio / (share - ratio * (1 - share)) : Infinity;
  if (perKgWater === Infinity) return 1500;
  const litres = 1 + perKgWater * (1 - share) + perKgWater * share * (APPARENT_L_KG[dry] ?? USUAL_APPARENT_L_KG);
  return Math.round(Math.min(1500, (1000 * perKgWater) / litres));
}
