import type { NewCatchTest, NewDripLines } from "@sprunel/contract/irrigation";
import type { Layout } from "@sprunel/contract/site";

const along = { offset: false, linesPerBed: 0, dripperSpacingM: 0.2, dripperLh: 0, drippersPerPlant: 0, vessel: null };

/** How zones are laid out, by name. The courgettes lost five plants, and their meter counts a little less than the catalogue. */
export const layouts: Readonly<Record<string, Layout>> = {
  "Melon bags": {
    ...along,
    ...{ beds: 16, lengthM: 40, widthM: 1, rows: 1, inRowM: 0.5, drippersPerPlant: 1, dripperLh: 2 },
    vessel: { kind: "bag", substrateL: 16, plants: 2, holdsPct: 62.5 },
  },
  "Courgette tunnel": {
    ...along,
    ...{ beds: 7, lengthM: 50, widthM: 1.2, rows: 1, inRowM: 0.9, linesPerBed: 2, dripperLh: 1.1 },
  },
  "Lettuce tanks": {
    ...along,
    ...{ beds: 6, lengthM: 20, widthM: 1.5, rows: 6, inRowM: 0.25 },
    vessel: { kind: "float", returnL: 0 },
  },
  "Cyclamen benches": {
    ...along,
    ...{ beds: 10, lengthM: 15, widthM: 1.6, rows: 7, inRowM: 0.3125 },
    vessel: { kind: "table", substrateL: 0.84, plants: 1, holdsPct: 50 },
  },
  "Succulent mats": {
    ...along,
    ...{ beds: 8, lengthM: 12.5, widthM: 1.6, rows: 8, inRowM: 0.25 },
    vessel: { kind: "mat", substrateL: 0.56, plants: 1, holdsPct: 50 },
  },
  "Blueberry pots": {
    ...along,
    ...{ beds: 12, lengthM: 37.5, widthM: 2, rows: 1, inRowM: 1.5, drippersPerPlant: 2, dripperLh: 2 },
    vessel: { kind: "pot", substrateL: 45, plants: 1, holdsPct: 40 },
  },
  "Fennel field": {
    ...along,
    ...{ beds: 40, lengthM: 100, widthM: 1.5, rows: 3, inRowM: 0.25 },
    ...{ linesPerBed: 1, dripperSpacingM: 0.4, dripperLh: 1.2 },
  },
  "Water spinach basin": { ...along, ...{ beds: 2, lengthM: 40, widthM: 10, rows: 40, inRowM: 0.2 } },
};

/** The lines of zones under drip, by name. */
export const lines: Readonly<Record<string, NewDripLines>> = {
  "Melon bags": {
    laterals: 16,
    lengthM: 40,
    insideDiameterMm: 17.6,
    emitterSpacingM: 0.5,
    emitterLh: 2,
    emitterKpa: 100,
    exponent: 0.05,
    cv: 0.03,
    inletKpa: 150,
    slopePct: 0,
    main: { lengthM: 60, insideDiameterMm: 44 },
    subMain: { lengthM: 12, insideDiameterMm: 40 },
  },
  "Courgette tunnel": {
    laterals: 14,
    lengthM: 50,
    insideDiameterMm: 13.8,
    emitterSpacingM: 0.2,
    emitterLh: 1.1,
    emitterKpa: 100,
    exponent: 0.5,
    cv: 0.05,
    inletKpa: 100,
    slopePct: 0.5,
    main: { lengthM: 35, insideDiameterMm: 36 },
    subMain: null,
  },
  "Blueberry pots": {
    laterals: 12,
    lengthM: 37.5,
    insideDiameterMm: 13.8,
    emitterSpacingM: 0.75,
    emitterLh: 2,
    emitterKpa: 100,
    exponent: 0.05,
    cv: 0.03,
    inletKpa: 140,
    slopePct: -1,
    main: { lengthM: 45, insideDiameterMm: 28 },
    subMain: { lengthM: 24, insideDiameterMm: 28 },
  },
  "Fennel field": {
    laterals: 40,
    lengthM: 100,
    insideDiameterMm: 15.2,
    emitterSpacingM: 0.4,
    emitterLh: 1.2,
    emitterKpa: 100,
    exponent: 0.1,
    cv: 0.04,
    inletKpa: 130,
    slopePct: 0,
    main: { lengthM: 120, insideDiameterMm: 69 },
    subMain: { lengthM: 60, insideDiameterMm: 69 },
  },
};

/** Courgette's catch-can test: single drippers of the second line are plugging. */
export const catchTests: Readonly<Record<string, Omit<NewCatchTest, "key" | "testedOn">>> = {
  "Courgette tunnel": {
    minutes: 6,
    catchesMl: [
      [112, 109, 110, 107],
      [108, 41, 64, 30],
      [111, 108, 109, 105],
      [110, 110, 87, 106],
    ],
  },
};
