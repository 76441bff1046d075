import type { Ion } from "../chemistry/ions.ts";
import { molarMassG } from "../chemistry/formula.ts";
import type { Composition, LibraryProduct } from "./product.ts";

const CRC =
  "CRC Handbook of Chemistry and Physics, aqueous solubility of inorganic compounds; hydrates by their own water";
const ACID_CAUTIONS = [
  "Goggles, gloves, apron.",
  "Acid into water, never the reverse.",
  "Never with the other concentrate, nor with chelates.",
];
const DUST_CAUTIONS = ["Avoid dust; gloves."];
const OXIDISER_CAUTIONS = ["Oxidiser: keep from oil, wood and flame."];

interface Salt {
  readonly id: string;
  readonly name: string;
  readonly formula: string;
  readonly ions: Readonly<Partial<Record<Ion | "H", number>>>;
  readonly purityPct?: number;
  /** g of the anhydrous salt in 100 g of water at 0, 10, 20, 30, 40 °C */
  readonly anhydrous?: readonly [number, number, number, number, number];
  readonly cautions?: readonly string[];
}

function salt({ id, name, formula, ions, purityPct = 98, anhydrous, cautions = [] }: Salt): LibraryProduct {
  return {
    id,
    name,
    form: "solid",
    formula,
    purityPct,
    composition: perGram(formula, ions, purityPct),
    compositionSource: `formula ${formula} at a usual purity of ${purityPct} %`,
    ...(anhydrous && {
      solubility: anhydrous.map((grams) => hydrateSolubility(formula, grams)) as unknown as NonNullable<
        LibraryProduct["solubility"]
      >,
      solubilitySource: CRC,
    }),
    cautions,
  };
}

function acid(
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
function chelate(id: string, name: string, ion: "Fe" | "Mn" | "Zn" | "Cu", metalPct: number): LibraryProduct {
  return {
    id,
    name,
    form: "solid",
    formula: ion,
    purityPct: metalPct,
    composition: perGram(ion, { [ion]: 1 }, metalPct),
    compositionSource: `usual label of the trade, ${metalPct} % ${ion}; sodium of the ligand not counted, see the label`,
    chelate: true,
    cautions: ["Keep the tank in the dark, and from strong acid."],
  };
}

function perGram(formula: string, ions: Salt["ions"], purityPct: number): Composition {
  const molesPerGram = purityPct / 100 / molarMassG(formula);
  return Object.fromEntries(Object.entries(ions).map(([ion, count]) => [ion, 1000 * count * molesPerGram]));
}

/** Grams of the salt as sold in a litre of water, from grams of the anhydrous one in 100 g. */
function hydrateSolubility(formula: string, anhydrousPer100: number): number {
  const [dry = formula, ...waters] = formula.split("·");
  const water = waters.join("·") === "" ? 0 : molarMassG(waters.join("·"));
  const share = molarMassG(dry) / (molarMassG(dry) + water);
  const ratio = anhydrousPer100 / 100;
  // A very soluble hydrate melts in its own water: beyond 1500 g/L the figure means nothing to a tank.
  const dissolved = share - ratio * (1 - share) > 0 ? (1000 * ratio) / (share - ratio * (1 - share)) : 1500;
  return Math.round(Math.min(1500, dissolved));
}

/** Straight fertilisers, acids, chelates and trace salts by their chemical names. */
export const PRODUCTS: readonly LibraryProduct[] = [
  // The double salt that is sold as calcium nitrate fertiliser.
  {
    ...salt({
      id: "calcium-nitrate",
      name: "Calcium nitrate fertiliser",
      formula: "Ca5N12O33H4·10H2O",
      ions: { Ca: 5, NH4: 1, NO3: 11 },
      purityPct: 99,
      cautions: OXIDISER_CAUTIONS,
    }),
    formula: "5Ca(NO3)2·NH4NO3·10H2O",
    compositionSource: "formula of the double salt 5Ca(NO3)2·NH4NO3·10H2O at a usual purity of 99 %",
    solubility: [1020, 1100, 1200, 1300, 1400],
    solubilitySource: "usual trade data for the double salt; assumed, see the label",
  },
  salt({
    id: "calcium-nitrate-4w",
    name: "Calcium nitrate tetrahydrate",
    formula: "Ca(NO3)2·4H2O",
    ions: { Ca: 1, NO3: 2 },
    anhydrous: [102, 115, 129, 152, 191],
    cautions: OXIDISER_CAUTIONS,
  }),
  salt({
    id: "calcium-chloride-2w",
    name: "Calcium chloride dihydrate",
    formula: "CaCl2·2H2O",
    ions: { Ca: 1, Cl: 2 },
    anhydrous: [59.5, 64.7, 74.5, 100, 128],
  }),
  salt({
    id: "potassium-nitrate",
    name: "Potassium nitrate",
    formula: "KNO3",
    ions: { K: 1, NO3: 1 },
    anhydrous: [13.3, 20.9, 31.6, 45.8, 63.9],
    cautions: OXIDISER_CAUTIONS,
  }),
  salt({
    id: "potassium-sulphate",
    name: "Potassium sulphate",
    formula: "K2SO4",
    ions: { K: 2, SO4: 1 },
    anhydrous: [7.4, 9.3, 11.1, 13, 14.8],
  }),
  salt({
    id: "potassium-chloride",
    name: "Potassium chloride",
    formula: "KCl",
    ions: { K: 1, Cl: 1 },
    anhydrous: [28, 31.2, 34.2, 37.2, 40.1],
  }),
  salt({
    id: "potassium-bicarbonate",
    name: "Potassium bicarbonate",
    formula: "KHCO3",
    ions: { K: 1, HCO3: 1 },
    anhydrous: [22.5, 27.4, 33.7, 39.9, 47.5],
  }),
  salt({
    id: "potassium-carbonate",
    name: "Potassium carbonate",
    formula: "K2CO3",
    ions: { K: 2, HCO3: 2 },
    anhydrous: [105, 109, 111, 114, 117],
    cautions: ["Caustic: goggles and gloves."],
  }),
  salt({
    id: "monopotassium-phosphate",
    name: "Monopotassium phosphate",
    formula: "KH2PO4",
    ions: { K: 1, H2PO4: 1 },
    anhydrous: [14.8, 18.3, 22.6, 28, 33.5],
  }),
  salt({
    id: "monoammonium-phosphate",
    name: "Monoammonium phosphate",
    formula: "NH4H2PO4",
    ions: { NH4: 1, H2PO4: 1 },
    anhydrous: [22.7, 29.5, 37.4, 46.4, 56.7],
  }),
  salt({
    id: "magnesium-sulphate-7w",
    name: "Magnesium sulphate heptahydrate",
    formula: "MgSO4·7H2O",
    ions: { Mg: 1, SO4: 1 },
    anhydrous: [22, 28.2, 33.7, 38.9, 44.5],
  }),
  salt({
    id: "magnesium-nitrate-6w",
    name: "Magnesium nitrate hexahydrate",
    formula: "Mg(NO3)2·6H2O",
    ions: { Mg: 1, NO3: 2 },
    anhydrous: [62.1, 66, 69.5, 73.6, 78.9],
    cautions: OXIDISER_CAUTIONS,
  }),
  salt({
    id: "magnesium-chloride-6w",
    name: "Magnesium chloride hexahydrate",
    formula: "MgCl2·6H2O",
    ions: { Mg: 1, Cl: 2 },
    anhydrous: [52.9, 53.6, 54.6, 55.8, 57.5],
  }),
  salt({
    id: "ammonium-nitrate",
    name: "Ammonium nitrate",
    formula: "NH4NO3",
    ions: { NH4: 1, NO3: 1 },
    anhydrous: [118, 150, 192, 242, 297],
    cautions: ["Strong oxidiser: storage is regulated; local law first."],
  }),
  salt({
    id: "ammonium-sulphate",
    name: "Ammonium sulphate",
    formula: "(NH4)2SO4",
    ions: { NH4: 2, SO4: 1 },
    anhydrous: [70.6, 73, 75.4, 78.1, 81.2],
  }),
  salt({ id: "urea", name: "Urea", formula: "CO(NH2)2", ions: { urea: 2 }, anhydrous: [67, 85, 108, 136, 167] }),
  salt({
    id: "sodium-nitrate",
    name: "Sodium nitrate",
    formula: "NaNO3",
    ions: { Na: 1, NO3: 1 },
    anhydrous: [73, 80.8, 87.6, 94.9, 102],
    cautions: OXIDISER_CAUTIONS,
  }),
  salt({
    id: "sodium-chloride",
    name: "Sodium chloride",
    formula: "NaCl",
    ions: { Na: 1, Cl: 1 },
    anhydrous: [35.7, 35.8, 35.9, 36.1, 36.4],
  }),
  salt({
    id: "potassium-silicate",
    name: "Potassium silicate",
    formula: "K2SiO3",
    ions: { K: 2, Si: 1, HCO3: 2 },
    purityPct: 98,
    cautions: ["Caustic: goggles and gloves.", "A tank of its own: it sets to a gel in acid."],
  }),
  acid("nitric-acid-60", "Nitric acid 60 %", "HNO3", { H: 1, NO3: 1 }, 60, 1.37),
  acid("nitric-acid-38", "Nitric acid 38 %", "HNO3", { H: 1, NO3: 1 }, 38, 1.234),
  acid("phosphoric-acid-75", "Phosphoric acid 75 %", "H3PO4", { H: 1, H2PO4: 1 }, 75, 1.58),
  acid("phosphoric-acid-59", "Phosphoric acid 59 %", "H3PO4", { H: 1, H2PO4: 1 }, 59, 1.42),
  acid("sulphuric-acid-37", "Sulphuric acid 37 %", "H2SO4", { H: 2, SO4: 1 }, 37, 1.28),
  chelate("iron-edta-13", "Iron EDTA 13 %", "Fe", 13),
  chelate("iron-dtpa-6", "Iron DTPA 6 %", "Fe", 6),
  chelate("iron-dtpa-11", "Iron DTPA 11 %", "Fe", 11),
  chelate("iron-eddha-6", "Iron EDDHA 6 %", "Fe", 6),
  chelate("manganese-edta-13", "Manganese EDTA 13 %", "Mn", 13),
  chelate("zinc-edta-15", "Zinc EDTA 15 %", "Zn", 15),
  chelate("copper-edta-15", "Copper EDTA 15 %", "Cu", 15),
  salt({
    id: "iron-sulphate-7w",
    name: "Iron(II) sulphate heptahydrate",
    formula: "FeSO4·7H2O",
    ions: { Fe: 1, SO4: 1 },
    anhydrous: [15.6, 20.5, 26.3, 32.8, 40.1],
    cautions: DUST_CAUTIONS,
  }),
  salt({
    id: "manganese-sulphate-1w",
    name: "Manganese sulphate monohydrate",
    formula: "MnSO4·H2O",
    ions: { Mn: 1, SO4: 1 },
    anhydrous: [52.9, 59.7, 62.9, 62.9, 60],
    cautions: DUST_CAUTIONS,
  }),
  salt({
    id: "zinc-sulphate-7w",
    name: "Zinc sulphate heptahydrate",
    formula: "ZnSO4·7H2O",
    ions: { Zn: 1, SO4: 1 },
    anhydrous: [41.6, 47.2, 53.8, 61.3, 70.5],
    cautions: DUST_CAUTIONS,
  }),
  salt({
    id: "copper-sulphate-5w",
    name: "Copper sulphate pentahydrate",
    formula: "CuSO4·5H2O",
    ions: { Cu: 1, SO4: 1 },
    anhydrous: [14.2, 17.4, 20.7, 25, 28.5],
    cautions: [...DUST_CAUTIONS, "Toxic to fish and water life."],
  }),
  salt({
    id: "boric-acid",
    name: "Boric acid",
    formula: "H3BO3",
    ions: { B: 1 },
    anhydrous: [2.67, 3.73, 5.04, 6.72, 8.72],
    cautions: DUST_CAUTIONS,
  }),
  salt({
    id: "borax-10w",
    name: "Borax decahydrate",
    formula: "Na2B4O7·10H2O",
    ions: { B: 4, Na: 2, HCO3: 2 },
    anhydrous: [1.11, 1.6, 2.56, 3.86, 6.67],
    cautions: DUST_CAUTIONS,
  }),
  salt({
    id: "sodium-molybdate-2w",
    name: "Sodium molybdate dihydrate",
    formula: "Na2MoO4·2H2O",
    ions: { Mo: 1, Na: 2 },
    anhydrous: [44.1, 64.7, 65.3, 66.9, 68.6],
    cautions: DUST_CAUTIONS,
  }),
  salt({
    id: "ammonium-molybdate-4w",
    name: "Ammonium heptamolybdate tetrahydrate",
    formula: "(NH4)6Mo7O24·4H2O",
    ions: { Mo: 7, NH4: 6 },
    cautions: DUST_CAUTIONS,
  }),
];

/** Nitrogen a formula holds, for checks. */
export function nitrogenPct(product: LibraryProduct): number {
  const { NO3 = 0, NH4 = 0, urea = 0 } = product.composition;
  return (NO3 + NH4 + urea) * (molarMassG("N") / 10);
}

export function libraryProduct(id: string): LibraryProduct | undefined {
  return PRODUCTS.find((product) => product.id === id);
}
