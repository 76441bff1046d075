import { cropOf, fao, LOW, MAAS, MASS, ORGAZ, POTS, UPRIGHT, type CropSheet } from "./crop-sheet.ts";

const PICKED = { picking: true } as const;
const REMOVAL = "fertiliser tables for vegetables, rounded; assumed";
const MILD: CropSheet["bands"] = {
  dayC: [18, 26],
  nightC: [12, 18],
  lightMolM2: [10, 28],
  mostRhPct: 85,
  source: "usual practice; assumed",
};
const BEAN = {
  group: "beans",
  soldAs: MASS,
  start: [0.5, 0.1, 0.2],
  baseC: [10, "usual for common bean, 8 to 10 °C; assumed"],
  usualC: 20,
  depletion: [0.45, fao("table 22, green beans")],
  salt: [1, 19, `${MAAS}, common bean`],
  removal: [4, 0.5, 3, REMOVAL],
  bands: MILD,
} as const satisfies Partial<CropSheet>;

export const climbingBean = cropOf({
  ...BEAN,
  id: "climbing-bean",
  name: "Climbing bean",
  stages: [
    ["establishment", "Establishment", 20, 0.5, 0.5, 0.3, 15, 0, "bean"],
    ["leaf", "Climbing", 25, 0.95, 2.2, 0.5, 20, 0, "bean"],
    ["flowering", "Flowering", 12, 1.05, 3, 0.6, 20, 0, "bean"],
    ["picking", "Picking", 45, 1.05, 3.2, 0.6, 25, 0, "bean", PICKED],
    ["late", "Late picking", 15, 0.9, 2.6, 0.6, 20, 0, "bean", PICKED],
  ],
  kcPeakUnderCover: [1.4, `${ORGAZ}: 1.4 for green bean held upright`],
  canopy: UPRIGHT,
  sources: {
    stages: "FAO-56, table 11, green beans, with picking drawn out as on strings; assumed",
    kc: fao("table 12, green beans: 0.5, 1.05, 0.90"),
    leafArea: "rows on strings; assumed",
    rootDepth: fao("table 22, green beans: 0.5 to 0.7 m"),
  },
});

export const bushBean = cropOf({
  ...BEAN,
  id: "bush-bean",
  name: "Bush bean",
  stages: [
    ["establishment", "Establishment", 18, 0.5, 0.5, 0.3, 20, 0, "field-leaf"],
    ["leaf", "Leaf growth", 22, 0.95, 2.2, 0.5, 20, 0, "field-leaf"],
    ["flowering", "Flowering", 12, 1.05, 3, 0.6, 20, 0, "field-leaf"],
    ["picking", "Pod fill and picking", 20, 0.9, 2.8, 0.6, 20, 0, "field-leaf", PICKED],
  ],
  canopy: LOW,
  sources: {
    stages: fao("table 11, green beans: 75 to 90 days"),
    kc: fao("table 12, green beans: 0.5, 1.05, 0.90"),
    leafArea: "rows at 30 plants per m²; assumed",
    rootDepth: fao("table 22, green beans: 0.5 to 0.7 m"),
  },
});

export const cowpea = cropOf({
  ...BEAN,
  id: "cowpea",
  name: "Cowpea",
  start: [0.4, 0.1, 0.2],
  stages: [
    ["establishment", "Establishment", 20, 0.4, 0.4, 0.3, 20, 5, "field-leaf"],
    ["leaf", "Leaf growth", 30, 0.95, 2.4, 0.6, 20, 0, "field-leaf"],
    ["flowering", "Flowering and pods", 30, 1.05, 3, 0.8, 20, 0, "field-leaf"],
    ["picking", "Picking", 25, 0.6, 2.2, 0.8, 20, 10, "field-leaf", PICKED],
  ],
  baseC: [11, "usual for cowpea, 8 to 11 °C; assumed"],
  usualC: 25,
  canopy: LOW,
  depletion: [0.45, fao("table 22, cowpeas")],
  salt: [4.9, 12, `${MAAS}, cowpea`],
  sources: {
    stages: fao("table 11, green gram and cowpeas: 110 days; split by what is seen, assumed"),
    kc: fao("table 12, green gram and cowpeas: 0.4, 1.05, 0.60 where picked fresh"),
    leafArea: "rows at 12 plants per m²; assumed",
    rootDepth: fao("table 22, cowpeas: 0.6 to 1.0 m"),
  },
  bands: { ...MILD, dayC: [22, 33], nightC: [17, 23], lightMolM2: [15, 38] },
});

export const strawberry = cropOf({
  id: "strawberry",
  name: "Strawberry",
  group: "berries",
  soldAs: MASS,
  start: [0.4, 0.3, 0.15],
  stages: [
    ["establishment", "Establishment", 25, 0.4, 0.6, 0.2, 15, 0, "strawberry"],
    ["flowering", "Flowering", 25, 0.7, 1.4, 0.25, 20, 0, "strawberry"],
    ["green-fruit", "Green fruit", 25, 0.85, 2, 0.3, 20, 0, "strawberry"],
    ["picking", "Picking", 50, 0.85, 2.2, 0.3, 25, 0, "strawberry", PICKED],
    ["after", "After harvest", 40, 0.75, 1.8, 0.3, 15, 0, "strawberry"],
  ],
  baseC: [5, "usual for strawberry, 3 to 7 °C; assumed"],
  usualC: 16,
  canopy: LOW,
  depletion: [0.2, fao("table 22, strawberries")],
  salt: [1, 33, `${MAAS}, strawberry`],
  sources: {
    stages: "a spring crop from cold-stored plants; assumed, note what you see",
    kc: fao("table 12, strawberries: 0.40, 0.85, 0.75"),
    leafArea: "8 plants per m²; assumed",
    rootDepth: fao("table 22, strawberries: 0.2 to 0.3 m"),
  },
  removal: [2.2, 0.4, 3, REMOVAL],
  bands: { ...MILD, dayC: [15, 24], nightC: [8, 13], mostRhPct: 80 },
});

export const raspberry = cropOf({
  id: "raspberry",
  name: "Raspberry in pots",
  group: "berries",
  soldAs: MASS,
  start: [0.4, 0.2, 0.25],
  stages: [
    ["budbreak", "Bud break", 25, 0.5, 0.8, 0.3, 15, 0, "cane-berry"],
    ["leaf", "Laterals", 30, 0.85, 2, 0.3, 20, 0, "cane-berry"],
    ["flowering", "Flowering", 20, 1.05, 2.8, 0.3, 20, 0, "cane-berry"],
    ["picking", "Picking", 45, 1.05, 3, 0.3, 25, 0, "cane-berry", PICKED],
  ],
  baseC: [5, "usual for raspberry, 4 to 6 °C; assumed"],
  usualC: 17,
  canopy: UPRIGHT,
  depletion: [0.5, fao("table 22, berries (bushes)")],
  salt: [1, 22, "sensitive in Maas & Grattan (1999); figures of blackberry near it, assumed"],
  sources: {
    stages: "long canes under cover; assumed, note what you see",
    kc: fao("table 12, berries (bushes): 0.30, 1.05, 0.50"),
    leafArea: "long canes at 3 per m of row; assumed",
    rootDepth: "a pot of 7.5 L; assumed",
  },
  removal: [2.5, 0.4, 2.5, REMOVAL],
  bands: { ...MILD, dayC: [16, 24], nightC: [9, 14] },
});

export const blueberry = cropOf({
  id: "blueberry",
  name: "Highbush blueberry",
  group: "berries",
  perennial: true,
  soldAs: MASS,
  start: [0.3, 0.2, 0.3],
  stages: [
    ["budbreak", "Bud break", 30, 0.5, 0.8, 0.3, 20, 0, "acid-bush"],
    ["flowering", "Flowering", 25, 0.8, 1.4, 0.3, 20, 0, "acid-bush"],
    ["fill", "Fruit fill", 60, 1.05, 2, 0.3, 25, 0, "acid-bush"],
    ["picking", "Picking", 45, 1.05, 2.2, 0.3, 25, 0, "acid-bush", PICKED],
    ["after", "After harvest", 80, 0.8, 1.8, 0.3, 20, 0, "acid-bush", { driver: { kind: "days", days: 80 } }],
    ["leaffall", "Leaf fall", 20, 0.35, 0.1, 0.3, 20, 0, "acid-bush", { driver: { kind: "days", days: 20 } }],
    ["dormant", "Dormant", 105, 0.3, 0.1, 0.3, 20, 0, "acid-bush", { driver: { kind: "days", days: 105 } }],
  ],
  baseC: [7, "Carlson & Hancock (1991), HortScience 26: 7 °C, highbush"],
  usualC: 18,
  canopy: POTS,
  depletion: [0.5, fao("table 22, berries (bushes)")],
  salt: [1.5, 22, "Maas & Grattan (1999), table 3-1, blackberry; taken for blueberry, assumed"],
  sources: {
    stages: "one year from bud break, mild coast; assumed, note what you see",
    kc: fao("table 12, berries (bushes): 0.3, 1.05, 0.5"),
    leafArea: "bushes of four years in 40 L pots; assumed",
    rootDepth: "a pot of 40 L; assumed",
  },
  removal: [1.5, 0.2, 1.5, REMOVAL],
  bands: { ...MILD, dayC: [16, 26], nightC: [8, 15] },
});
