import { cropOf, fao, LOW, MAAS, MASS, ORGAZ, UPRIGHT, type CropSheet, mich, aquacrop } from "./crop-sheet.ts";

const PICKED = { picking: true } as const;
const HELD_UPRIGHT = `${ORGAZ}: 1.3 to 1.4 for vegetables held upright`;
const WARM: CropSheet["bands"] = {
  dayC: [21, 28],
  nightC: [16, 20],
  lightMolM2: [12, 30],
  mostRhPct: 85,
  source: "usual practice for warm fruiting crops; assumed",
};

export const melon = cropOf({
  id: "melon-netted",
  name: "Netted melon",
  group: "vine fruit",
  soldAs: MASS,
  start: [0.5, 0.1, 0.2],
  stages: [
    ["establishment", "Establishment", 12, 0.5, 0.4, 0.3, 15, 0, "melon-growth"],
    ["leaf", "Leaf growth", 20, 0.85, 2, 0.6, 20, 0, "melon-growth"],
    ["flowering", "Flowering", 10, 0.85, 2.6, 0.8, 20, 5, "melon-growth"],
    ["set", "First set", 8, 0.85, 3, 0.8, 25, 0, "melon-fruit"],
    ["fill", "Fill", 24, 0.85, 3, 0.8, 28, 0, "melon-fruit"],
    ["ripening", "Ripening", 16, 0.6, 2.4, 0.8, 20, 0, "melon-fruit", PICKED],
  ],
  kcPeakUnderCover: [1.3, HELD_UPRIGHT],
  baseC: [10, "Baker & Reddy (2001), Annals of Botany 87:605–613, muskmelon"],
  usualC: 22,
  canopy: UPRIGHT,
  depletion: [0.45, fao("table 22, cantaloupe")],
  salt: [1, 8.4, `${MAAS}, muskmelon`],
  sources: {
    stages: "a spring crop trained up a string; assumed, note what you see",
    kc: fao("table 12, cantaloupe: 0.5, 0.85, 0.60"),
    leafArea: "two-shoot canopy at 2 plants per m²; assumed",
    rootDepth: fao("table 22, cantaloupe: 0.9 to 1.5 m in deep soil; less under drip"),
  },
  removal: [4.2, 0.44, 4.6, mich("muskmelon")],
  bands: { ...WARM, dayC: [24, 32], nightC: [17, 21], lightMolM2: [15, 35] },
});

export const courgette = cropOf({
  id: "courgette",
  name: "Courgette",
  group: "vine fruit",
  soldAs: MASS,
  start: [0.5, 0.1, 0.2],
  stages: [
    ["establishment", "Establishment", 20, 0.5, 0.5, 0.3, 20, 10, "courgette-growth"],
    ["leaf", "Leaf growth", 18, 0.8, 2, 0.5, 20, 5, "courgette-growth"],
    ["flowering", "Flowering", 12, 0.95, 2.8, 0.6, 25, 0, "courgette-growth"],
    ["picking", "Full picking", 40, 0.95, 3, 0.6, 28, 0, "courgette-fruit", PICKED],
    ["late", "Late picking", 20, 0.75, 2.2, 0.6, 25, 0, "courgette-fruit", PICKED],
  ],
  kcPeakUnderCover: [1.05, `${ORGAZ}: 1.0 to 1.1 for melons on the ground; taken for courgette, assumed`],
  baseC: [8, "NeSmith (1997), HortScience 32:377–380, summer squash"],
  usualC: 22,
  canopy: UPRIGHT,
  depletion: [0.5, fao("table 22, squash (zucchini)")],
  salt: [4.7, 9.4, "FAO-29 (rev. 1), table 4, squash (zucchini)"],
  sources: {
    stages: "FAO-56, table 11, squash (zucchini), with picking drawn out as under cover; assumed",
    kc: fao("table 12, squash (zucchini): 0.5, 0.95, 0.75"),
    leafArea: "bush habit at 1 plant per m²; assumed",
    rootDepth: fao("table 22, squash (zucchini): 0.6 to 1.0 m"),
  },
  removal: [1.8, 0.48, 2.7, mich("summer squash")],
  bands: WARM,
});

export const tomato = cropOf({
  id: "tomato",
  name: "Tomato",
  group: "vine fruit",
  soldAs: MASS,
  start: [0.6, 0.15, 0.2],
  stages: [
    ["establishment", "Establishment", 20, 0.6, 0.5, 0.3, 10, 5, "tomato-start"],
    ["leaf", "Leaf growth", 25, 0.85, 1.6, 0.5, 20, 5, "tomato"],
    ["first-trusses", "First trusses", 30, 1.15, 2.8, 0.7, 25, 0, "tomato"],
    ["picking", "Full picking", 110, 1.15, 3, 0.8, 30, 0, "tomato-load", PICKED],
    ["late", "Last trusses", 30, 0.8, 2.4, 0.8, 25, 0, "tomato-load", PICKED],
  ],
  kcPeakUnderCover: [1.3, `${HELD_UPRIGHT}; taken for tomato, assumed`],
  baseC: [7, aquacrop("tomato")],
  usualC: 20,
  canopy: UPRIGHT,
  depletion: [0.4, fao("table 22, tomato")],
  salt: [2.5, 9.9, `${MAAS}, tomato`],
  sources: {
    stages: "FAO-56, table 11, tomato, with picking drawn out as of a vine that is lowered; assumed",
    kc: fao("table 12, tomato: 0.6, 1.15, 0.70 to 0.90"),
    leafArea: "a vine kept at 3 m² of leaf a m² by taking leaves; usual practice, assumed",
    rootDepth: fao("table 22, tomato: 0.7 to 1.5 m in deep soil; less under drip"),
  },
  removal: [2, 0.17, 2.9, mich("tomatoes")],
  dilution: { aPct: 4.53, b: 0.327, source: "Tei, Benincasa & Guiducci (2002), processing tomato in the field" },
  bands: {
    dayC: [19, 25],
    nightC: [15, 19],
    lightMolM2: [12, 30],
    mostRhPct: 85,
    source:
      "set falls where the fortnight's mean passes 25 °C: Peet et al. (1997), Sato et al. (2000); the rest assumed",
  },
});

export const cucumber = cropOf({
  id: "cucumber",
  name: "Cucumber",
  group: "vine fruit",
  soldAs: MASS,
  start: [0.6, 0.15, 0.2],
  stages: [
    ["establishment", "Establishment", 12, 0.6, 0.6, 0.3, 10, 0, "cucumber"],
    ["leaf", "Leaf growth", 18, 0.9, 2, 0.5, 20, 0, "cucumber"],
    ["picking", "Full picking", 60, 1, 3.2, 0.6, 28, 0, "cucumber", PICKED],
    ["late", "Late picking", 20, 0.75, 2.4, 0.6, 25, 0, "cucumber", PICKED],
  ],
  kcPeakUnderCover: [1.3, `${HELD_UPRIGHT}; taken for cucumber, assumed`],
  baseC: [12, "usual for cucumber, 10 to 14 °C; assumed"],
  usualC: 22,
  canopy: UPRIGHT,
  depletion: [0.5, fao("table 22, cucumber, fresh market")],
  salt: [2.5, 13, `${MAAS}, cucumber`],
  sources: {
    stages: "FAO-56, table 11, cucumber, with picking drawn out as on a string; assumed",
    kc: fao("table 12, cucumber, fresh market: 0.6, 1.0, 0.75"),
    leafArea: "one stem at 1.4 plants per m²; assumed",
    rootDepth: fao("table 22, cucumber: 0.7 to 1.2 m in deep soil; less under drip"),
  },
  removal: [1, 0.26, 1.5, mich("cucumbers")],
  bands: { ...WARM, nightC: [18, 21], mostRhPct: 90 },
});

const PEPPER = {
  group: "vine fruit",
  soldAs: MASS,
  start: [0.6, 0.1, 0.2],
  stages: [
    ["establishment", "Establishment", 30, 0.6, 0.5, 0.3, 10, 5, "sweet-pepper"],
    ["leaf", "Leaf growth", 35, 0.85, 1.6, 0.4, 20, 0, "sweet-pepper"],
    ["set", "Set and fill", 30, 1.05, 2.6, 0.5, 25, 0, "sweet-pepper"],
    ["picking", "Full picking", 90, 1.05, 3, 0.6, 28, 0, "sweet-pepper", PICKED],
    ["late", "Late picking", 25, 0.9, 2.6, 0.6, 25, 0, "sweet-pepper", PICKED],
  ],
  kcPeakUnderCover: [1.3, `${HELD_UPRIGHT}; sweet pepper among them`],
  baseC: [10, "usual for sweet pepper; assumed"],
  usualC: 21,
  canopy: UPRIGHT,
  depletion: [0.3, fao("table 22, sweet peppers (bell)")],
  salt: [1.5, 14, `${MAAS}, pepper`],
  sources: {
    stages: "FAO-56, table 11, bell pepper, with picking drawn out as under cover; assumed",
    kc: fao("table 12, sweet peppers (bell): 0.6, 1.05, 0.90"),
    leafArea: "two to three stems at 3 plants per m²; assumed",
    rootDepth: fao("table 22, sweet peppers: 0.5 to 1.0 m"),
  },
  removal: [2, 0.31, 2.3, mich("bell peppers")],
  bands: WARM,
} as const satisfies Omit<CropSheet, "id" | "name">;

export const sweetPepper = cropOf({ ...PEPPER, id: "sweet-pepper", name: "Sweet pepper" });

export const hotPepper = cropOf({
  ...PEPPER,
  id: "hot-pepper",
  name: "Hot pepper",
  depletion: [0.3, fao("table 22, sweet peppers (bell); taken for hot pepper, assumed")],
  sources: { ...PEPPER.sources, kc: fao("table 12, sweet peppers (bell); taken for hot pepper, assumed") },
  bands: { ...WARM, dayC: [22, 30] },
});

export const aubergine = cropOf({
  id: "aubergine",
  name: "Aubergine",
  group: "vine fruit",
  soldAs: MASS,
  start: [0.6, 0.1, 0.2],
  stages: [
    ["establishment", "Establishment", 30, 0.6, 0.5, 0.3, 10, 5, "aubergine"],
    ["leaf", "Leaf growth", 30, 0.85, 1.8, 0.5, 20, 0, "aubergine"],
    ["set", "Set and fill", 25, 1.05, 2.8, 0.6, 25, 0, "aubergine"],
    ["picking", "Full picking", 80, 1.05, 3, 0.7, 28, 0, "aubergine", PICKED],
    ["late", "Late picking", 20, 0.9, 2.5, 0.7, 25, 0, "aubergine", PICKED],
  ],
  kcPeakUnderCover: [1.3, `${HELD_UPRIGHT}; taken for aubergine, assumed`],
  baseC: [11, "usual for aubergine; assumed"],
  usualC: 22,
  canopy: UPRIGHT,
  depletion: [0.45, fao("table 22, egg plant")],
  salt: [1.1, 6.9, `${MAAS}, eggplant`],
  sources: {
    stages: "FAO-56, table 11, egg plant, with picking drawn out as under cover; assumed",
    kc: fao("table 12, egg plant: 0.6, 1.05, 0.90"),
    leafArea: "three stems at 1.5 plants per m²; assumed",
    rootDepth: fao("table 22, egg plant: 0.7 to 1.2 m"),
  },
  removal: [2.3, 0.35, 2.2, mich("eggplant")],
  bands: { ...WARM, dayC: [22, 29], nightC: [17, 21] },
});

export const watermelon = cropOf({
  id: "watermelon",
  name: "Watermelon",
  group: "vine fruit",
  soldAs: MASS,
  start: [0.4, 0.05, 0.2],
  stages: [
    ["establishment", "Establishment", 20, 0.4, 0.4, 0.3, 15, 10, "courgette-growth"],
    ["leaf", "Vine growth", 30, 0.8, 1.6, 0.6, 20, 5, "courgette-growth"],
    ["set", "Flowering and set", 12, 1, 2.4, 0.8, 20, 0, "courgette-fruit"],
    ["fill", "Fill", 25, 1, 2.8, 0.9, 25, 0, "courgette-fruit"],
    ["ripening", "Ripening", 20, 0.75, 2.2, 0.9, 20, 10, "courgette-fruit", PICKED],
  ],
  kcPeakUnderCover: [1.05, `${ORGAZ}: 1.0 to 1.1 for melons on the ground, watermelon among them`],
  baseC: [12, "usual for watermelon, 10 to 13 °C; assumed"],
  usualC: 23,
  canopy: LOW,
  depletion: [0.4, fao("table 22, watermelon")],
  salt: [1.5, 9, "moderately sensitive in Maas & Grattan (1999), figures not given there; assumed"],
  sources: {
    stages: "FAO-56, table 11, watermelon; split by what is seen, assumed",
    kc: fao("table 12, watermelon: 0.4, 1.0, 0.75"),
    leafArea: "vines on the ground at 0.5 plants per m²; assumed",
    rootDepth: fao("table 22, watermelon: 0.8 to 1.5 m"),
  },
  removal: [2.4, 0.09, 1, mich("watermelon")],
  bands: { ...WARM, dayC: [24, 32], nightC: [17, 22], lightMolM2: [18, 38] },
});
