import type { Layout, System } from "@sprunel/contract";
import type { Quantity } from "@sprunel/core";

export interface LayoutField {
  readonly key: Exclude<keyof Layout, "offset">;
  readonly label: string;
  readonly quantity?: Quantity;
  readonly unit?: string;
}

interface LayoutWords {
  readonly big: readonly LayoutField[];
  readonly planted: readonly LayoutField[];
  /** empty where nothing drips: then the pump's flow is asked */
  readonly watered: readonly LayoutField[];
  readonly start: Omit<Layout, "beds" | "lengthM">;
}

const size = (beds: string, width: string): readonly LayoutField[] => [
  { key: "beds", label: `How many ${beds}`, unit: beds },
  { key: "lengthM", label: "Each so long", quantity: "length" },
  { key: "widthM", label: width, quantity: "length" },
];
const planted: readonly LayoutField[] = [
  { key: "rows", label: "Rows of plants on each", unit: "rows" },
  { key: "inRowM", label: "From plant to plant in a row", quantity: "length" },
];
const alongLines: readonly LayoutField[] = [
  { key: "linesPerBed", label: "Drip lines on each", unit: "lines" },
  { key: "dripperSpacingM", label: "From dripper to dripper", quantity: "length" },
  { key: "dripperLh", label: "A dripper gives", quantity: "flow" },
];
const TO_THE_NEXT = "From the middle of one to the next";
const none = { offset: false, linesPerBed: 0, dripperSpacingM: 0.2, dripperLh: 0, drippersPerPlant: 0 };

/** The questions of size, planting and watering in the words of each system, with usual figures to start from. */
export const LAYOUTS: Record<System, LayoutWords> = {
  substrate: {
    big: size("rows of bags", TO_THE_NEXT),
    planted,
    watered: [
      { key: "drippersPerPlant", label: "Drippers at a plant", unit: "drippers" },
      { key: "dripperLh", label: "A dripper gives", quantity: "flow" },
    ],
    start: { ...none, widthM: 1.6, rows: 1, inRowM: 0.3, drippersPerPlant: 1, dripperLh: 2 },
  },
  "soil-drip": {
    big: size("beds", TO_THE_NEXT),
    planted,
    watered: alongLines,
    start: { ...none, widthM: 1.6, rows: 2, inRowM: 0.5, linesPerBed: 2, dripperLh: 1.1 },
  },
  "solution-tank": {
    big: size("tanks", "Each so wide"),
    planted,
    watered: [],
    start: { ...none, widthM: 1.25, rows: 5, inRowM: 0.25 },
  },
  "sub-irrigated-bench": {
    big: size("benches", "Each so wide"),
    planted,
    watered: [],
    start: { ...none, widthM: 1.6, rows: 8, inRowM: 0.2 },
  },
  "buried-drip": {
    big: size("beds", TO_THE_NEXT),
    planted,
    watered: alongLines,
    start: { ...none, widthM: 1.5, rows: 2, inRowM: 0.25, linesPerBed: 1, dripperSpacingM: 0.4, dripperLh: 1 },
  },
  basin: {
    big: size("basins", "Each so wide"),
    planted,
    watered: [],
    start: { ...none, widthM: 12, rows: 48, inRowM: 0.2, offset: true },
  },
};
