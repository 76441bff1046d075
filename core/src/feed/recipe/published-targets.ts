import type { Ions } from "../../chemistry/ions.ts";

/** A nutrient solution as it was published, or as it is used after a publication. */
export interface PublishedTarget {
  readonly id: string;
  readonly name: string;
  readonly group: string;
  readonly stage: string;
  /** mmol/L, µmol/L for trace elements */
  readonly ions: Ions;
  readonly ph: number;
  /** EC that the publication states; null where it states none */
  readonly statedEcMsCm: number | null;
  readonly source: string;
  /** amounts were changed from the source, or are not sure */
  readonly assumed: boolean;
}

const trace = (Fe: number, Mn: number, Zn: number, B: number, Cu = 0.75, Mo = 0.5): Ions => ({ Fe, Mn, Zn, B, Cu, Mo });
const TRACE = trace(15, 10, 5, 25);
const SV = "Sonneveld & Voogt (2009), Plant Nutrition of Greenhouse Crops";

export const STEINER: Ions = { NO3: 12, H2PO4: 1, SO4: 3.5, K: 7, Ca: 4.5, Mg: 2 };
const HOAGLAND_1: Ions = { NO3: 15, H2PO4: 1, SO4: 2, K: 6, Ca: 5, Mg: 2 };
export const HOAGLAND_2: Ions = { NO3: 14, H2PO4: 1, SO4: 2, NH4: 1, K: 6, Ca: 4, Mg: 2 };
export const CUCUMBER: Ions = { NO3: 16, H2PO4: 1.25, SO4: 1.375, NH4: 1.25, K: 8, Ca: 4, Mg: 1.375 };
export const LETTUCE_NFT: Ions = {
  ...{ NO3: 19, H2PO4: 2, SO4: 1.125, NH4: 1.25, K: 11, Ca: 4.5, Mg: 1 },
  ...trace(40, 5, 4, 30),
};
const TOMATO: Ions = { NO3: 16, H2PO4: 1.5, SO4: 4.4, NH4: 1.2, K: 9.5, Ca: 5.4, Mg: 2.4, ...trace(15, 10, 5, 30) };

const scaled = (ions: Ions, share: number): Ions =>
  Object.fromEntries(Object.entries(ions).map(([ion, amount]) => [ion, Number((amount * share).toPrecision(4))]));

type Row = readonly [
  id: string,
  name: string,
  group: string,
  stage: string,
  ions: Ions,
  ph: number,
  statedEcMsCm: number | null,
  source: string,
  assumed: boolean,
];

const ROWS: readonly Row[] = [
  [
    "steiner",
    "General solution of Steiner",
    "any",
    "all",
    STEINER,
    6,
    null,
    "Steiner (1984), ISOSC proceedings",
    false,
  ],
  [
    "hoagland-1",
    "General solution, nitrate only",
    "any",
    "all",
    HOAGLAND_1,
    6,
    null,
    "Hoagland & Arnon (1950), circular 347, solution 1",
    false,
  ],
  [
    "hoagland-2",
    "General solution with ammonium",
    "any",
    "all",
    HOAGLAND_2,
    6,
    null,
    "Hoagland & Arnon (1950), circular 347, solution 2",
    false,
  ],
  ["tomato", "Tomato in substrate", "vine fruit", "standard", TOMATO, 5.5, 2.6, SV, false],
  [
    "tomato-start",
    "Tomato, filling the substrate",
    "vine fruit",
    "before planting",
    { ...TOMATO, K: 6.5, Ca: 6.4, Mg: 2.9 },
    5.5,
    null,
    `${SV}: less potassium, more calcium and magnesium; amounts assumed`,
    true,
  ],
  [
    "tomato-load",
    "Tomato under fruit load",
    "vine fruit",
    "full load",
    { ...TOMATO, K: 10.5, Ca: 5.15, Mg: 2.15 },
    5.5,
    null,
    `${SV}: potassium for calcium and magnesium under load; amounts assumed`,
    true,
  ],
  ["cucumber", "Cucumber in substrate", "vine fruit", "standard", { ...CUCUMBER, ...TRACE }, 5.5, 2.2, SV, false],
  [
    "sweet-pepper",
    "Sweet and hot pepper in substrate",
    "hot pepper",
    "standard",
    { NO3: 15.5, H2PO4: 1.25, SO4: 1.75, NH4: 0.5, K: 6.75, Ca: 5, Mg: 1.5, ...trace(15, 10, 5, 30) },
    5.5,
    2.1,
    SV,
    false,
  ],
  [
    "aubergine",
    "Aubergine in substrate",
    "vine fruit",
    "standard",
    { NO3: 15.5, H2PO4: 1.25, SO4: 1.5, NH4: 1.5, K: 6.75, Ca: 3.25, Mg: 2.5, ...trace(15, 10, 5, 35) },
    5.5,
    2.1,
    SV,
    false,
  ],
  [
    "bean",
    "Climbing bean in substrate",
    "legumes",
    "standard",
    { NO3: 12, H2PO4: 1.25, SO4: 1.125, NH4: 1, K: 5.5, Ca: 3.25, Mg: 1.25, ...trace(15, 5, 5, 20) },
    5.5,
    null,
    SV,
    false,
  ],
  [
    "strawberry",
    "Strawberry in substrate",
    "strawberry",
    "standard",
    { NO3: 11, H2PO4: 1, SO4: 1.5, NH4: 0.5, K: 5.5, Ca: 3.25, Mg: 1.25, ...trace(20, 10, 7, 12) },
    5.6,
    null,
    `${SV}; amounts rounded to balance, not confirmed`,
    true,
  ],
  [
    "melon-growth",
    "Melon in substrate, growth",
    "vine fruit",
    "to set",
    { ...CUCUMBER, ...TRACE },
    5.6,
    null,
    `${SV}, cucumber in inert substrate; taken for melon`,
    true,
  ],
  [
    "melon-fruit",
    "Melon in substrate, fruit",
    "vine fruit",
    "fill and ripening",
    { ...CUCUMBER, ...TRACE, K: 9, Ca: 3.75, NO3: 16.5 },
    5.6,
    null,
    `the cucumber set with more potassium under fruit load, as ${SV} advise; amounts assumed`,
    true,
  ],
  [
    "courgette-growth",
    "Courgette and melons in soil, growth",
    "vine fruit",
    "to flowering",
    scaled({ ...HOAGLAND_2, ...TRACE }, 0.5),
    6,
    null,
    "Hoagland & Arnon (1950), solution 2, at half strength for soil; strength assumed",
    true,
  ],
  [
    "courgette-fruit",
    "Courgette and melons in soil, picking",
    "vine fruit",
    "fruit",
    { ...scaled({ ...HOAGLAND_2, ...TRACE }, 0.5), K: 3.5, NO3: 7.5 },
    6,
    null,
    "Hoagland & Arnon (1950), solution 2, at half strength with more potassium for fruit; amounts assumed",
    true,
  ],
  [
    "lettuce-float",
    "Lettuce on float tanks",
    "leafy greens",
    "all",
    scaled(LETTUCE_NFT, 0.6),
    5.8,
    null,
    `${SV}, lettuce in circulating water, at 0.6 of its strength for float tanks; strength assumed`,
    true,
  ],
  ["lettuce", "Lettuce in circulating water", "leafy greens", "standard", LETTUCE_NFT, 5.8, 2.6, SV, false],
  [
    "rose",
    "Rose in substrate",
    "cut flowers",
    "standard",
    { NO3: 11, H2PO4: 1.25, SO4: 1.25, NH4: 1.25, K: 5, Ca: 3.5, Mg: 0.75, ...trace(25, 5, 3.5, 20) },
    5.5,
    1.6,
    SV,
    false,
  ],
  [
    "gerbera",
    "Gerbera in substrate",
    "cut flowers",
    "standard",
    { NO3: 11.25, H2PO4: 1.25, SO4: 1.25, NH4: 1.5, K: 5.5, Ca: 3, Mg: 1, ...trace(35, 5, 4, 30) },
    5.5,
    1.7,
    SV,
    false,
  ],
  [
    "carnation",
    "Carnation in substrate",
    "cut flowers",
    "standard",
    { NO3: 13, H2PO4: 1.25, SO4: 1.25, NH4: 1, K: 6.25, Ca: 3.75, Mg: 1, ...trace(25, 10, 4, 30) },
    5.5,
    1.8,
    SV,
    false,
  ],
  [
    "pot-flowering",
    "Flowering pot plants, constant feed",
    "potted flowering plants",
    "constant feed",
    scaled({ ...STEINER, ...TRACE }, 0.6),
    5.8,
    null,
    "Steiner (1984) at 0.6 of its strength; strength assumed",
    true,
  ],
  [
    "pot-finish",
    "Flowering pot plants, finish",
    "potted flowering plants",
    "before sale",
    scaled({ ...STEINER, ...TRACE }, 0.4),
    5.8,
    null,
    "Steiner (1984) at 0.4 of its strength before sale, so that pots keep; strength assumed",
    true,
  ],
  [
    "acid-bush",
    "Blueberry, tea and other acid-loving bushes",
    "bush berries, tea and woody hedges",
    "in leaf",
    { NH4: 2, NO3: 2, K: 2, Ca: 1, Mg: 0.75, SO4: 2.375, H2PO4: 0.75, ...TRACE },
    5,
    null,
    "ammonium and nitrate alike, as acid-loving bushes take both; amounts assumed",
    true,
  ],
  [
    "cane-berry",
    "Raspberry and other cane berries in pots",
    "cane berries",
    "in leaf and fruit",
    scaled({ ...STEINER, ...TRACE }, 0.7),
    5.8,
    null,
    "Steiner (1984) at 0.7 of its strength; strength assumed",
    true,
  ],
  [
    "trough-roots",
    "Root and rhizome crops in troughs",
    "root and rhizome crops",
    "growth",
    scaled({ ...HOAGLAND_2, ...TRACE }, 0.6),
    6,
    null,
    "Hoagland & Arnon (1950), solution 2, at 0.6 of its strength; strength assumed",
    true,
  ],
  [
    "rice-culture",
    "Rice in culture solution",
    "rice and basin crops",
    "to flowering",
    { NO3: 1.43, NH4: 1.43, H2PO4: 0.32, Na: 0.32, K: 1.02, Ca: 1, Cl: 2, Mg: 1.65, SO4: 2.16, Fe: 36, Mn: 9 },
    5,
    null,
    "Yoshida et al. (1976), Laboratory Manual for Physiological Studies of Rice: 40 mg/L N, 10 P, 40 K, 40 Ca, 40 Mg",
    false,
  ],
  [
    "field-leaf",
    "Leaf and bulb crops in soil",
    "field rows",
    "growth",
    scaled({ ...HOAGLAND_2, ...TRACE }, 0.4),
    6.2,
    null,
    "Hoagland & Arnon (1950), solution 2, at 0.4 of its strength for soil; strength assumed",
    true,
  ],
];

export const PUBLISHED_TARGETS: readonly PublishedTarget[] = ROWS.map(
  ([id, name, group, stage, ions, ph, statedEcMsCm, source, assumed]) => ({
    ...{ id, name, group, stage, ions, ph, statedEcMsCm, source, assumed },
  }),
);
