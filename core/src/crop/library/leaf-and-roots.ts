import { FLOODED_LEAF } from "./practices.ts";
import { cropOf, fao, LOW, MAAS, MASS, pieces, type CropSheet, mich, ipni, aquacrop } from "./crop-sheet.ts";

const PICKED = { picking: true } as const;
const REMOVAL = "fertiliser tables for vegetables, rounded; assumed";
const COOL: CropSheet["bands"] = {
  dayC: [14, 22],
  nightC: [8, 15],
  lightMolM2: [8, 20],
  mostRhPct: 85,
  source: "usual practice for cool-season crops; assumed",
};
const SMALL_LEAF = {
  group: "leaf",
  soldAs: MASS,
  start: [0.7, 0.15, 0.15],
  baseC: [4, "cool-season leaf, 2 to 5 °C in use; assumed"],
  usualC: 15,
  canopy: LOW,
  removal: [3.5, 0.5, 5, REMOVAL],
  bands: COOL,
} as const satisfies Partial<CropSheet>;

export const butterhead = cropOf({
  ...SMALL_LEAF,
  id: "lettuce-butterhead",
  name: "Butterhead lettuce",
  soldAs: pieces("head"),
  start: [0.7, 0.15, 0.2],
  stages: [
    ["establishment", "Establishment", 10, 0.7, 0.5, 0.2, 15, 0, "lettuce-float"],
    ["leaf", "Leaf growth", 16, 0.9, 2.2, 0.25, 15, 0, "lettuce-float"],
    ["head", "Head", 18, 1, 3.4, 0.3, 15, 0, "lettuce-float", PICKED],
  ],
  baseC: [4, "lettuce, 3.5 to 5 °C in use; assumed"],
  usualC: 16,
  depletion: [0.3, fao("table 22, lettuce")],
  salt: [1.3, 13, `${MAAS}, lettuce`],
  sources: {
    stages: "six weeks from plug to head in mild weather; assumed, note what you see",
    kc: fao("table 12, lettuce: 0.7, 1.0, 0.95"),
    leafArea: "16 heads per m²; assumed",
    rootDepth: fao("table 22, lettuce: 0.3 to 0.5 m"),
  },
  removal: [2.4, 0.44, 3.7, mich("lettuce")],
});

export const spinach = cropOf({
  ...SMALL_LEAF,
  id: "spinach",
  name: "Spinach",
  stages: [
    ["establishment", "Emergence", 15, 0.7, 0.4, 0.2, 15, 0, "field-leaf"],
    ["leaf", "Leaf growth", 20, 1, 2.4, 0.3, 15, 0, "field-leaf"],
    ["cutting", "Cutting", 15, 0.95, 3, 0.35, 15, 0, "field-leaf", PICKED],
  ],
  depletion: [0.2, fao("table 22, spinach")],
  salt: [2, 7.6, `${MAAS}, spinach`],
  sources: {
    stages: fao("table 11, spinach: 60 to 80 days with its late season; split by what is seen, assumed"),
    kc: fao("table 12, spinach: 0.7, 1.0, 0.95"),
    leafArea: "a dense drilled stand; assumed",
    rootDepth: fao("table 22, spinach: 0.3 to 0.5 m"),
  },
  removal: [5, 0.59, 5, mich("spinach")],
});

export const rocket = cropOf({
  ...SMALL_LEAF,
  id: "rocket",
  name: "Rocket",
  stages: [
    ["establishment", "Emergence", 10, 0.7, 0.4, 0.15, 15, 0, "field-leaf"],
    ["leaf", "Leaf growth", 16, 1, 2.2, 0.2, 15, 0, "field-leaf"],
    ["cutting", "Cutting", 21, 0.95, 2.4, 0.25, 15, 0, "field-leaf", PICKED],
  ],
  depletion: [0.3, fao("table 22, lettuce; taken for rocket, assumed")],
  salt: [1.3, 13, `${MAAS}, lettuce; taken for rocket, assumed`],
  sources: {
    stages: "cut two to three times; assumed, note what you see",
    kc: fao("table 12, lettuce: 0.7, 1.0, 0.95; taken for rocket, assumed"),
    leafArea: "a dense drilled stand; assumed",
    rootDepth: "shallow, as lettuce; assumed",
  },
});

export const basil = cropOf({
  ...SMALL_LEAF,
  id: "basil",
  name: "Basil",
  start: [0.6, 0.15, 0.1],
  stages: [
    ["establishment", "Establishment", 14, 0.6, 0.6, 0.15, 15, 0, "lettuce-float"],
    ["leaf", "Leaf growth", 20, 1, 2.4, 0.2, 15, 0, "lettuce-float"],
    ["cutting", "Cutting", 45, 1.1, 2.8, 0.25, 20, 0, "lettuce-float", PICKED],
  ],
  baseC: [10, "a warm-season herb; assumed"],
  usualC: 22,
  depletion: [0.4, fao("table 22, mint; taken for basil, assumed")],
  salt: [1.5, 10, "a herb of middling salt tolerance; assumed"],
  sources: {
    stages: "cut every two to three weeks; assumed, note what you see",
    kc: fao("table 12, mint: 0.60, 1.15, 1.10; taken for basil, assumed"),
    leafArea: "a dense stand cut back in turn; assumed",
    rootDepth: "shallow; assumed",
  },
  bands: { ...COOL, dayC: [20, 27], nightC: [16, 20], lightMolM2: [10, 22] },
});

export const pakChoi = cropOf({
  ...SMALL_LEAF,
  id: "pak-choi",
  name: "Pak choi",
  soldAs: pieces("head"),
  stages: [
    ["establishment", "Establishment", 10, 0.7, 0.5, 0.2, 15, 0, "lettuce-float"],
    ["leaf", "Leaf growth", 15, 1, 2.4, 0.3, 15, 0, "lettuce-float"],
    ["head", "Head", 12, 1.05, 3.2, 0.35, 15, 0, "lettuce-float", PICKED],
  ],
  depletion: [0.45, fao("table 22, cabbage; taken for pak choi, assumed")],
  salt: [1.8, 9.7, `${MAAS}, cabbage; taken for pak choi, assumed`],
  sources: {
    stages: "five to six weeks from plug in mild weather; assumed, note what you see",
    kc: fao("table 12, cabbage and its kin: 0.7, 1.05, 0.95; taken for pak choi, assumed"),
    leafArea: "20 heads per m²; assumed",
    rootDepth: "shallow; assumed",
  },
  removal: [2.5, 0.4, 3.5, REMOVAL],
});

export const waterSpinach = cropOf({
  ...SMALL_LEAF,
  id: "water-spinach",
  name: "Water spinach",
  practices: FLOODED_LEAF,
  start: [1, 0.2, 0.2],
  stages: [
    ["establishment", "Establishment", 14, 1, 0.6, 0.2, 20, 0, "field-leaf"],
    ["leaf", "Leaf growth", 20, 1.1, 2.5, 0.3, 20, 0, "field-leaf"],
    ["cutting", "Cutting", 70, 1.1, 2.5, 0.35, 20, 0, "field-leaf", PICKED],
  ],
  baseC: [12, "a tropical leaf crop; assumed"],
  usualC: 20,
  depletion: [0.2, fao("table 22, rice: of saturation; taken for water spinach, assumed")],
  salt: [2, 7.6, `${MAAS}, spinach; taken for water spinach, assumed`],
  sources: {
    stages: "cut again every three weeks; assumed, note what you see",
    kc: fao("table 12, rice: 1.05, 1.20, 0.9 to 0.6; about that of flooded leaf; assumed"),
    leafArea: "dense stand cut back in turn; assumed",
    rootDepth: "shallow roots in puddled soil; assumed",
  },
  bands: { ...COOL, dayC: [22, 32], nightC: [17, 24], lightMolM2: [12, 30], mostRhPct: 95 },
});

const ROOT = {
  group: "roots and bulbs",
  soldAs: MASS,
  canopy: LOW,
  bands: COOL,
} as const satisfies Partial<CropSheet>;

export const fennel = cropOf({
  ...ROOT,
  id: "fennel",
  name: "Bulb fennel",
  start: [0.7, 0.1, 0.2],
  stages: [
    ["establishment", "Establishment", 25, 0.7, 0.4, 0.25, 20, 0, "field-leaf"],
    ["leaf", "Leaf growth", 30, 0.95, 2, 0.4, 20, 0, "field-leaf"],
    ["bulb", "Bulb", 31, 1.05, 3, 0.45, 20, 0, "field-leaf"],
    ["picking", "Picking", 14, 1, 2.8, 0.45, 20, 0, "field-leaf", PICKED],
  ],
  baseC: [5, "a cool-season umbel; assumed"],
  usualC: 16,
  depletion: [0.2, fao("table 22, celery; taken for fennel, assumed")],
  salt: [1.8, 6.2, `${MAAS}, celery; taken for fennel, assumed`],
  sources: {
    stages: "about 100 days from transplant; assumed, note what you see",
    kc: fao("table 12, celery: 0.7, 1.05, 1.0; taken for fennel, assumed"),
    leafArea: "8 plants per m²; assumed",
    rootDepth: fao("table 22, celery: 0.3 to 0.5 m; taken for fennel, assumed"),
  },
  removal: [2, 0.3, 4, REMOVAL],
});

export const potato = cropOf({
  ...ROOT,
  id: "potato",
  name: "Potato",
  start: [0.5, 0.05, 0.2],
  stages: [
    ["emergence", "Emergence", 25, 0.5, 0.3, 0.3, 20, 0, "trough-roots"],
    ["leaf", "Leaf growth", 30, 1.1, 2.6, 0.5, 20, 0, "trough-roots"],
    ["bulking", "Tuber growth", 40, 1.15, 3.4, 0.6, 20, 0, "trough-roots"],
    ["ripening", "Ripening", 25, 0.75, 1.6, 0.6, 10, 10, "trough-roots", PICKED],
  ],
  baseC: [2, aquacrop("potato")],
  usualC: 17,
  depletion: [0.35, fao("table 22, potato")],
  salt: [1.7, 12, `${MAAS}, potato`],
  sources: {
    stages: fao("table 11, potato: 25, 30, 30 to 45, 30 days"),
    kc: fao("table 12, potato: 0.5, 1.15, 0.75"),
    leafArea: "4 stems per plant, 5 plants per m²; assumed",
    rootDepth: fao("table 22, potato: 0.4 to 0.6 m"),
  },
  removal: [3.2, 0.52, 4.6, ipni("potato tubers")],
});

export const beetroot = cropOf({
  ...ROOT,
  id: "beetroot",
  name: "Beetroot",
  start: [0.5, 0.05, 0.15],
  stages: [
    ["establishment", "Emergence", 15, 0.5, 0.4, 0.2, 20, 0, "field-leaf"],
    ["leaf", "Leaf growth", 25, 1, 2.2, 0.5, 20, 0, "field-leaf"],
    ["root", "Root growth", 25, 1.05, 3, 0.7, 20, 0, "field-leaf"],
    ["picking", "Picking", 15, 0.95, 2.8, 0.7, 20, 0, "field-leaf", PICKED],
  ],
  baseC: [5, "usual for beet, 3 to 5 °C; assumed"],
  usualC: 15,
  depletion: [0.5, fao("table 22, table beets")],
  salt: [4, 9, `${MAAS}, red beet`],
  sources: {
    stages: fao("table 11, table beets: 15, 25, 20, 10 days in spring, longer when cool"),
    kc: fao("table 12, table beets: 0.5, 1.05, 0.95"),
    leafArea: "rows at 40 plants per m²; assumed",
    rootDepth: fao("table 22, table beets: 0.6 to 1.0 m"),
  },
  removal: [1.8, 0.48, 3.2, mich("beets")],
});

export const ginger = cropOf({
  ...ROOT,
  id: "ginger",
  name: "Ginger in troughs",
  start: [0.5, 0.05, 0.15],
  stages: [
    ["sprouting", "Sprouting", 35, 0.5, 0.4, 0.2, 10, 5, "trough-roots"],
    ["leaf", "Shoots", 60, 0.9, 2.2, 0.25, 20, 0, "trough-roots"],
    ["bulking", "Rhizome growth", 100, 1.1, 3.4, 0.3, 20, 0, "trough-roots"],
    ["ripening", "Ripening", 40, 0.7, 2, 0.3, 10, 15, "trough-roots", PICKED],
  ],
  baseC: [13, "a tropical rhizome; assumed"],
  usualC: 24,
  depletion: [0.3, "shallow roots in troughs; assumed"],
  salt: [1.5, 12, "taken as sensitive; assumed"],
  sources: {
    stages: "eight months from seed piece; assumed, note what you see",
    kc: "a dense leafy stand; assumed",
    leafArea: "10 seed pieces per m²; assumed",
    rootDepth: "a trough of 30 cm; assumed",
  },
  removal: [4, 0.7, 6, REMOVAL],
  bands: { ...COOL, dayC: [24, 30], nightC: [19, 23], lightMolM2: [8, 22], mostRhPct: 90 },
});
