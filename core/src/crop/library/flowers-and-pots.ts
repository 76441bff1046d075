import { cropOf, POTS, pieces, UPRIGHT, type CropSheet } from "./crop-sheet.ts";

const SOLD = { picking: true } as const;
const REMOVAL = "of the whole plant, by usual dry matter and content; assumed";
const POT: CropSheet["bands"] = {
  dayC: [18, 24],
  nightC: [15, 19],
  lightMolM2: [6, 16],
  mostRhPct: 85,
  source: "usual practice for pot plants; assumed",
};
const POT_PLANT = {
  group: "pots",
  soldAs: pieces("pot"),
  canopy: POTS,
  depletion: [0.3, "usual for pots; assumed"],
  salt: [1, 20, "a salt-sensitive pot plant; assumed"],
  removal: [3, 0.5, 4, REMOVAL],
  bands: POT,
} as const satisfies Partial<CropSheet>;
const KC_POTS = "potted plants under cover; assumed";

export const cyclamen = cropOf({
  ...POT_PLANT,
  id: "cyclamen",
  name: "Potted cyclamen",
  start: [0.5, 0.2, 0.1],
  stages: [
    ["establishment", "Establishment", 25, 0.6, 0.6, 0.1, 10, 0, "pot-flowering"],
    ["leaf", "Leaf growth", 55, 0.8, 2, 0.12, 10, 0, "pot-flowering"],
    ["bud", "Bud", 45, 0.85, 2.6, 0.12, 10, 0, "pot-flowering"],
    ["flowering", "Flowering and sale", 40, 0.85, 2.6, 0.12, 10, 0, "pot-flowering", SOLD],
  ],
  baseC: [5, "a cool-grown pot plant; assumed"],
  usualC: 18,
  sources: {
    stages: "about 24 weeks from plug to flower; assumed, note what you see",
    kc: KC_POTS,
    leafArea: "12 pots per m² at the end; assumed",
    rootDepth: "a pot of 12 cm; assumed",
  },
  bands: { ...POT, dayC: [15, 22], nightC: [12, 16] },
});

/** Kept in leaf by long days, brought to flower by short ones; drinks little. */
export const kalanchoe = cropOf({
  ...POT_PLANT,
  id: "kalanchoe",
  name: "Potted kalanchoe",
  start: [0.3, 0.15, 0.08],
  stages: [
    ["rooting", "Rooting", 18, 0.35, 0.4, 0.09, 10, 0, "pot-flowering"],
    ["long-days", "Long days", 24, 0.5, 1.3, 0.1, 10, 0, "pot-flowering"],
    [
      ...(["short-days", "Short days", 42, 0.55, 2, 0.1, 10, 5, "pot-flowering"] as const),
      { driver: { kind: "cycles", count: 42, of: "short", criticalH: 12 } },
    ],
    ["flowering", "Flowering and sale", 30, 0.55, 2.2, 0.1, 10, 5, "pot-finish", SOLD],
  ],
  baseC: [10, "a succulent of warm climates; assumed"],
  usualC: 20,
  canopy: { ...POTS, radiationShare: 0.3, vpdDay: 7, vpdNight: 4 },
  depletion: [0.5, "a succulent that dries down well; assumed"],
  salt: [1.5, 18, "a pot plant of middling salt tolerance; assumed"],
  sources: {
    stages:
      "six weeks of days under 12 h before flower, Schwabe (1969) in Evans, The Induction of Flowering; long days and lengths by usual practice, assumed",
    kc: "a succulent under cover; assumed",
    leafArea: "20 pots per m² at the end; assumed",
    rootDepth: "a pot of 10.5 cm; assumed",
  },
});

export const poinsettia = cropOf({
  ...POT_PLANT,
  id: "poinsettia",
  name: "Poinsettia",
  start: [0.5, 0.2, 0.1],
  stages: [
    ["rooting", "Rooting", 21, 0.55, 0.6, 0.1, 10, 0, "pot-flowering"],
    ["leaf", "Pinch and growth", 40, 0.8, 1.8, 0.12, 15, 0, "pot-flowering"],
    [
      ...(["short-days", "Short days", 56, 0.9, 2.8, 0.12, 15, 0, "pot-flowering"] as const),
      { driver: { kind: "cycles", count: 56, of: "short", criticalH: 12.3 } },
    ],
    ["sale", "Sale", 21, 0.85, 2.8, 0.12, 10, 5, "pot-finish", SOLD],
  ],
  baseC: [10, "a pot plant of warm climates; assumed"],
  usualC: 20,
  sources: {
    stages: "seven to nine weeks of nights over 11 h 40 min, by cultivar; usual practice, assumed",
    kc: KC_POTS,
    leafArea: "7 pots per m² at the end; assumed",
    rootDepth: "a pot of 13 cm; assumed",
  },
});

export const saintpaulia = cropOf({
  ...POT_PLANT,
  id: "saintpaulia",
  name: "African violet",
  start: [0.4, 0.2, 0.06],
  stages: [
    ["establishment", "Establishment", 25, 0.45, 0.6, 0.07, 10, 0, "pot-flowering"],
    ["leaf", "Leaf growth", 45, 0.6, 1.8, 0.08, 10, 0, "pot-flowering"],
    ["bud", "Bud", 25, 0.65, 2.4, 0.08, 10, 0, "pot-flowering"],
    ["flowering", "Flowering and sale", 20, 0.65, 2.4, 0.08, 10, 0, "pot-finish", SOLD],
  ],
  baseC: [12, "a gesneriad of warm, shaded places; assumed"],
  usualC: 21,
  canopy: { ...POTS, radiationShare: 0.35, vpdDay: 9, vpdNight: 5 },
  sources: {
    stages: "16 weeks from plantlet; assumed, note what you see",
    kc: KC_POTS,
    leafArea: "30 pots per m² at the end; assumed",
    rootDepth: "a pot of 9 cm; assumed",
  },
  bands: { ...POT, dayC: [20, 25], nightC: [18, 21], lightMolM2: [4, 8] },
});

export const petunia = cropOf({
  ...POT_PLANT,
  id: "petunia",
  name: "Bedding petunia",
  start: [0.5, 0.2, 0.06],
  stages: [
    ["establishment", "Establishment", 14, 0.55, 0.6, 0.07, 10, 0, "pot-flowering"],
    ["leaf", "Leaf growth", 21, 0.8, 2, 0.08, 15, 0, "pot-flowering"],
    ["flowering", "Flowering and sale", 18, 0.85, 2.6, 0.08, 10, 5, "pot-finish", SOLD],
  ],
  baseC: [4, "Adams, Pearson & Hadley (1997), petunia: about 4 °C; assumed for cultivars"],
  usualC: 17,
  sources: {
    stages: "seven weeks from plug; assumed, note what you see",
    kc: KC_POTS,
    leafArea: "full packs at the end; assumed",
    rootDepth: "a pack of 8 cm; assumed",
  },
  bands: { ...POT, dayC: [15, 22], nightC: [10, 15], lightMolM2: [8, 20] },
});

const CUT: CropSheet["bands"] = {
  dayC: [17, 24],
  nightC: [14, 18],
  lightMolM2: [8, 25],
  mostRhPct: 85,
  source: "usual practice for cut flowers; assumed",
};
const CUT_FLOWER = {
  group: "cut flowers",
  soldAs: pieces("stem"),
  canopy: UPRIGHT,
  depletion: [0.35, "ornamentals under cover; assumed"],
  removal: [3, 0.4, 4, REMOVAL],
  bands: CUT,
} as const satisfies Partial<CropSheet>;
const KC_CUT = "cut flowers under cover, near a full vegetable; assumed";

export const chrysanthemum = cropOf({
  ...CUT_FLOWER,
  id: "chrysanthemum",
  name: "Cut chrysanthemum",
  start: [0.5, 0.2, 0.15],
  stages: [
    ["long-days", "Long days", 16, 0.75, 1.2, 0.25, 15, 0, "steiner"],
    [
      ...(["short-days", "Short days", 52, 1.05, 3.6, 0.35, 20, 0, "steiner"] as const),
      { driver: { kind: "cycles", count: 52, of: "short", criticalH: 13.5 } },
    ],
    ["cutting", "Cutting", 7, 1, 3.4, 0.35, 10, 5, "steiner", SOLD],
  ],
  baseC: [6, "usual for chrysanthemum; assumed"],
  usualC: 19,
  salt: [2, 8, "Sonneveld & Voogt (2009), flowers of middling tolerance; figures assumed"],
  sources: {
    stages: "a year-round programme of 7 to 8 weeks of short days, critical length by cultivar 13 to 14 h; assumed",
    kc: KC_CUT,
    leafArea: "55 stems per m²; assumed",
    rootDepth: "a bed under cover; assumed",
  },
});

export const rose = cropOf({
  ...CUT_FLOWER,
  id: "rose",
  name: "Cut rose",
  start: [0.6, 0.8, 0.2],
  stages: [
    ["establishment", "Establishment", 45, 0.8, 2, 0.25, 25, 0, "rose"],
    ["cutting", "Cutting", 300, 1, 3, 0.25, 30, 0, "rose", { ...SOLD, driver: { kind: "days", days: 300 } }],
  ],
  baseC: [5, "Pasian & Lieth (1994), Scientia Horticulturae 59: 5 °C, rose shoots"],
  usualC: 20,
  salt: [1.5, 7, "Sonneveld & Voogt (2009), rose; figures rounded, assumed"],
  sources: {
    stages: "shoots cut all year, flush after flush; assumed, note what you see",
    kc: KC_CUT,
    leafArea: "bent canopy and upright stems at 8 plants per m²; assumed",
    rootDepth: "slabs or gutters; assumed",
  },
});

export const gerbera = cropOf({
  ...CUT_FLOWER,
  id: "gerbera",
  name: "Cut gerbera",
  start: [0.5, 0.3, 0.15],
  stages: [
    ["establishment", "Establishment", 40, 0.7, 1.4, 0.2, 20, 0, "gerbera"],
    ["cutting", "Cutting", 300, 0.9, 2.4, 0.2, 28, 0, "gerbera", { ...SOLD, driver: { kind: "days", days: 300 } }],
  ],
  baseC: [6, "usual for gerbera; assumed"],
  usualC: 19,
  salt: [1.5, 9, "Sonneveld & Voogt (2009), gerbera; figures rounded, assumed"],
  sources: {
    stages: "flowers all year from two months on; assumed, note what you see",
    kc: KC_CUT,
    leafArea: "7 plants per m² in pots; assumed",
    rootDepth: "a pot of 20 cm; assumed",
  },
});

export const lisianthus = cropOf({
  ...CUT_FLOWER,
  id: "lisianthus",
  name: "Lisianthus",
  start: [0.4, 0.1, 0.15],
  stages: [
    ["establishment", "Establishment", 25, 0.5, 0.4, 0.25, 15, 0, "steiner"],
    ["stem", "Stem growth", 40, 0.85, 2.2, 0.35, 20, 0, "steiner"],
    ["bud", "Bud", 25, 0.95, 3, 0.4, 20, 0, "steiner"],
    ["cutting", "Cutting", 14, 0.9, 2.8, 0.4, 15, 5, "steiner", SOLD],
  ],
  baseC: [6, "usual for lisianthus; assumed"],
  usualC: 19,
  salt: [2, 8, "flowers of middling tolerance; assumed"],
  sources: {
    stages: "fifteen weeks from plug in a bright season; assumed, note what you see",
    kc: KC_CUT,
    leafArea: "64 stems per m²; assumed",
    rootDepth: "a bed under cover; assumed",
  },
});
