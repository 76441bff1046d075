import { MAIZE_ROWS, PADDY, SOYA_ROWS } from "./practices.ts";
import { cropOf, fao, LOW, MAAS, MASS, UPRIGHT, type CropSheet, ipni, aquacrop } from "./crop-sheet.ts";

const PICKED = { picking: true } as const;
const OPEN: CropSheet["bands"] = {
  dayC: [18, 32],
  nightC: [10, 22],
  lightMolM2: [20, 55],
  mostRhPct: 95,
  source: "a warm open field; assumed",
};
const warmthTo = (degreeDays: number, baseC: number, ceilingC: number) =>
  ({ driver: { kind: "thermal", degreeDays, baseC, ceilingC } }) as const;

export const maize = cropOf({
  id: "maize",
  name: "Grain maize",
  practices: MAIZE_ROWS,
  group: "field rows",
  soldAs: MASS,
  start: [0.3, 0.02, 0.15],
  stages: [
    ["emergence", "Emergence", 12, 0.3, 0.05, 0.2, 20, 0, "field-leaf", warmthTo(70, 10, 30)],
    ["leaf", "Leaf growth", 50, 1.1, 3.6, 0.9, 20, 0, "field-leaf", warmthTo(620, 10, 30)],
    ["silking", "Tassel and silk", 14, 1.2, 4.6, 1.1, 20, 0, "field-leaf", warmthTo(180, 10, 30)],
    ["fill", "Grain fill", 45, 1, 3.6, 1.1, 20, 0, "field-leaf", warmthTo(560, 10, 30)],
    ["ripening", "Ripening", 25, 0.5, 1, 1.1, 20, 20, "field-leaf", PICKED],
  ],
  baseC: [10, "McMaster & Wilhelm (1997): 10 °C, with a ceiling of 30 °C"],
  usualC: 22,
  canopy: UPRIGHT,
  depletion: [0.55, fao("table 22, maize, grain")],
  salt: [1.7, 12, `${MAAS}, corn`],
  sources: {
    stages: "about 870 °C·d over 10 °C to silk and 1430 to black layer, of a late hybrid; by hybrid, assumed",
    kc: fao("table 12, maize, grain: 0.3, 1.20, 0.60 to 0.35"),
    leafArea: "8 plants per m²; assumed",
    rootDepth: fao("table 22, maize: 1.0 to 1.7 m; less where lines are buried"),
  },
  removal: [12, 2.7, 3.7, ipni("corn grain")],
  bands: OPEN,
});

export const soya = cropOf({
  id: "soya",
  name: "Soya bean",
  practices: SOYA_ROWS,
  group: "field rows",
  soldAs: MASS,
  start: [0.4, 0.02, 0.15],
  stages: [
    ["emergence", "Emergence", 15, 0.4, 0.15, 0.2, 20, 0, "field-leaf"],
    ["leaf", "Leaf growth", 35, 1, 2.8, 0.7, 20, 0, "field-leaf"],
    ["flowering", "Flowering and pods", 40, 1.15, 4.6, 0.9, 20, 0, "field-leaf"],
    ["fill", "Seed fill", 25, 1, 3.6, 0.9, 20, 0, "field-leaf"],
    ["ripening", "Ripening", 20, 0.5, 0.6, 0.9, 20, 20, "field-leaf", PICKED],
  ],
  baseC: [5, aquacrop("soybean")],
  usualC: 22,
  canopy: LOW,
  depletion: [0.5, fao("table 22, soybeans")],
  salt: [5, 20, `${MAAS}, soybean`],
  sources: {
    stages: fao("table 11, soybeans: 135 to 150 days; split by what is seen, assumed"),
    kc: fao("table 12, soybeans: 0.4, 1.15, 0.50"),
    leafArea: "35 plants per m²; assumed",
    rootDepth: fao("table 22, soybeans: 0.6 to 1.3 m"),
  },
  removal: [54, 5.3, 16, ipni("soybean; most of its nitrogen is fixed from the air")],
  bands: OPEN,
});

export const rice = cropOf({
  id: "rice",
  name: "Rice",
  practices: PADDY,
  group: "flooded",
  soldAs: MASS,
  start: [1.05, 0.1, 0.1],
  stages: [
    ["establishment", "Establishment", 25, 1.05, 0.6, 0.2, 20, 0, "rice-culture"],
    ["tillering", "Tillering", 35, 1.1, 2.6, 0.3, 20, 0, "rice-culture"],
    ["panicle", "Panicle and heading", 35, 1.2, 5, 0.4, 20, 0, "rice-culture"],
    ["fill", "Grain fill", 25, 1.1, 4, 0.4, 20, 0, "rice-culture"],
    ["ripening", "Ripening", 15, 0.75, 2, 0.4, 20, 20, "rice-culture", PICKED],
  ],
  baseC: [8, aquacrop("paddy rice")],
  usualC: 25,
  canopy: LOW,
  depletion: [0.2, fao("table 22, rice: of saturation")],
  salt: [3, 12, `${MAAS}, rice, paddy`],
  sources: {
    stages:
      "Yoshida (1981), Fundamentals of Rice Crop Science: 35 days from panicle to heading, 30 from heading to ripe; by cultivar, assumed",
    kc: fao("table 12, rice: 1.05, 1.20, 0.90 to 0.60"),
    leafArea: "25 hills per m²; assumed",
    rootDepth: fao("table 22, rice: 0.5 to 1.0 m; most of them in 0.3 m of puddled soil"),
  },
  removal: [13, 2.9, 3, ipni("rice grain")],
  bands: { ...OPEN, dayC: [22, 33], nightC: [17, 25] },
});

export const leafHedge = cropOf({
  id: "leaf-hedge",
  name: "Tea hedge",
  flushes: { from: "flush-2", to: "flush-2", times: 4 },
  group: "hedges",
  perennial: true,
  soldAs: MASS,
  start: [0.95, 2.5, 0.6],
  stages: [
    ["flush-1", "First flush", 50, 1, 4, 0.8, 20, 0, "acid-bush", PICKED],
    ["flush-2", "Later flush", 42, 1, 4.5, 0.9, 20, 0, "acid-bush", PICKED],
    ["rest", "Rest", 120, 0.95, 3, 0.9, 20, 5, "acid-bush", { driver: { kind: "days", days: 120 } }],
  ],
  baseC: [12, "Carr & Stephens (1992) in Willson & Clifford, Tea: 12 to 13 °C; by clone, assumed"],
  usualC: 20,
  canopy: LOW,
  depletion: [0.4, fao("table 22, tea, non-shaded")],
  salt: [1, 20, "taken as sensitive; assumed"],
  sources: {
    stages: "flushes counted from the end of rest; assumed, note what you see",
    kc: fao("table 12, tea, non-shaded: 0.95, 1.00, 1.00"),
    leafArea: "a plucked table of 1.5 plants per m²; assumed",
    rootDepth: fao("table 22, tea: 0.9 to 1.5 m"),
  },
  removal: [10, 1, 5, "of fresh leaf, rounded; assumed"],
  bands: { ...OPEN, dayC: [18, 30], nightC: [12, 20], lightMolM2: [15, 45] },
});
