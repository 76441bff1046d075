import type { Layout, System, Vessel } from "@sprunel/contract/site";
import type { Quantity } from "@sprunel/core/units";

export interface LayoutField {
  readonly key:
    | Exclude<keyof Layout, "offset" | "vessel">
    | "vessel.substrateL"
    | "vessel.plants"
    | "vessel.holdsPct"
    | "vessel.returnL";
  readonly label: string;
  readonly quantity?: Quantity;
  readonly unit?: string;
}

interface LayoutWords {
  readonly big: readonly LayoutField[];
  readonly planted: readonly LayoutField[];
  /** empty where nothing drips: then the pump's flow is asked */
  readonly watered: readonly LayoutField[];
  /** what roots live in, by kind, with what is asked of it; none in the ground */
  readonly vessels: Readonly<Partial<Record<Vessel["kind"], VesselWords>>>;
  readonly start: Omit<Layout, "beds" | "lengthM">;
}

interface VesselWords {
  readonly name: string;
  readonly fields: readonly LayoutField[];
  readonly start: Vessel;
}

const holding = (name: string, start: Extract<Vessel, { substrateL: number }>): VesselWords => ({
  name,
  fields: [
    { key: "vessel.substrateL", label: "Substrate in one", quantity: "volume" },
    { key: "vessel.plants", label: "Plants in one", unit: "plants" },
    { key: "vessel.holdsPct", label: "Drained, it holds water", unit: "% of its volume" },
  ],
  start,
});
const standing = (name: string, kind: "float" | "deep"): VesselWords => ({
  name,
  fields: [],
  start: { kind, returnL: 0 },
});
const returning = (name: string, kind: "film" | "channel"): VesselWords => ({
  name,
  fields: [{ key: "vessel.returnL", label: "The tank it returns to holds", quantity: "volume" }],
  start: { kind, returnL: 1000 },
});

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
const BAG: Vessel = { kind: "bag", substrateL: 20, plants: 3, holdsPct: 60 };
const ON_A_TABLE: Vessel = { kind: "table", substrateL: 1, plants: 1, holdsPct: 45 };
const FLOAT: Vessel = { kind: "float", returnL: 0 };
const none = {
  offset: false,
  linesPerBed: 0,
  dripperSpacingM: 0.2,
  dripperLh: 0,
  drippersPerPlant: 0,
  vessel: null,
};

/** The questions of size, planting and watering in the words of each system, with usual figures to start from. */
export const LAYOUTS: Record<System, LayoutWords> = {
  substrate: {
    big: size("rows", TO_THE_NEXT),
    planted,
    watered: [
      { key: "drippersPerPlant", label: "Drippers at a plant", unit: "drippers" },
      { key: "dripperLh", label: "A dripper gives", quantity: "flow" },
    ],
    vessels: {
      bag: holding("bags", BAG),
      slab: holding("slabs", { kind: "slab", substrateL: 15, plants: 3, holdsPct: 75 }),
      pot: holding("pots", { kind: "pot", substrateL: 12, plants: 1, holdsPct: 40 }),
      trough: holding("troughs", { kind: "trough", substrateL: 60, plants: 6, holdsPct: 45 }),
    },
    start: { ...none, widthM: 1.6, rows: 1, inRowM: 0.3, drippersPerPlant: 1, dripperLh: 2, vessel: BAG },
  },
  "soil-drip": {
    big: size("beds", TO_THE_NEXT),
    planted,
    watered: alongLines,
    vessels: {},
    start: { ...none, widthM: 1.6, rows: 2, inRowM: 0.5, linesPerBed: 2, dripperLh: 1.1 },
  },
  "solution-tank": {
    big: size("tanks", "Each so wide"),
    planted,
    watered: [],
    vessels: {
      float: standing("floats on a tank", "float"),
      deep: standing("deep tank, air above the level", "deep"),
      film: returning("film in a sloping channel", "film"),
      channel: returning("trough with a return", "channel"),
    },
    start: { ...none, widthM: 1.25, rows: 5, inRowM: 0.25, vessel: FLOAT },
  },
  "sub-irrigated-bench": {
    big: size("benches", "Each so wide"),
    planted,
    watered: [],
    vessels: {
      table: holding("pots on tables", ON_A_TABLE),
      mat: holding("pots on mats", { ...ON_A_TABLE, kind: "mat" }),
    },
    start: { ...none, widthM: 1.6, rows: 8, inRowM: 0.2, vessel: ON_A_TABLE },
  },
  "buried-drip": {
    big: size("beds", TO_THE_NEXT),
    planted,
    watered: alongLines,
    vessels: {},
    start: { ...none, widthM: 1.5, rows: 2, inRowM: 0.25, linesPerBed: 1, dripperSpacingM: 0.4, dripperLh: 1 },
  },
  basin: {
    big: size("basins", "Each so wide"),
    planted,
    watered: [],
    vessels: {},
    start: { ...none, widthM: 12, rows: 48, inRowM: 0.2, offset: true },
  },
};
