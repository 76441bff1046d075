import { acid, chelate, DUST_CAUTIONS, salt } from "./library-entry.ts";
import type { LibraryProduct } from "./product.ts";

/** pH up to which chelated iron stays dissolved beside calcium. Norvell (1991), Micronutrients in Agriculture, chapter 6, rounded. */
const EDTA_PH = 6.3;
const DTPA_PH = 7;
const EDDHA_PH = 9;

/** Acids, and what brings trace elements. */
export const ACIDS_AND_TRACES: readonly LibraryProduct[] = [
  acid("nitric-acid-60", "Nitric acid 60 %", "HNO3", { H: 1, NO3: 1 }, 60, 1.37),
  acid("nitric-acid-38", "Nitric acid 38 %", "HNO3", { H: 1, NO3: 1 }, 38, 1.234),
  acid("phosphoric-acid-75", "Phosphoric acid 75 %", "H3PO4", { H: 1, H2PO4: 1 }, 75, 1.58),
  acid("phosphoric-acid-59", "Phosphoric acid 59 %", "H3PO4", { H: 1, H2PO4: 1 }, 59, 1.42),
  acid("sulphuric-acid-37", "Sulphuric acid 37 %", "H2SO4", { H: 2, SO4: 1 }, 37, 1.28),
  chelate("iron-edta-13", "Iron EDTA 13 %", "Fe", 13, EDTA_PH),
  chelate("iron-dtpa-6", "Iron DTPA 6 %", "Fe", 6, DTPA_PH),
  chelate("iron-dtpa-11", "Iron DTPA 11 %", "Fe", 11, DTPA_PH),
  chelate("iron-eddha-6", "Iron EDDHA 6 %", "Fe", 6, EDDHA_PH),
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
    carbonPerAlkalinity: 0,
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
