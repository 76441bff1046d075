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
}

interface VesselWords {
  readonly name: string;
  readonly fields: readonly LayoutField[];
}

const holding = (name: string): VesselWords => ({
  name,
  fields: [
    { key: "vessel.substrateL", label: "Substrate in one", quantity: "volume" },
    { key: "vessel.plants", label: "Plants in one", unit: "plants" },
    { key: "vessel.holdsPct", label: "Drained, it holds water", unit: "% of its volume" },
  ],
});
const standing = (name: string): VesselWords => ({ name, fields: [] });
const returning = (name: string): VesselWords => ({
  name,
  fields: [{ key: "vessel.returnL", label: "The tank it returns to holds", quantity: "volume" }],
});

const size = (beds: string, width: string): readonly LayoutField[] => [
  { key: "beds", label: `How many ${beds}`, unit: beds },
  { key: "lengthM", label: "Each so long", quantity: "length" },
  { key: "widthM", label: width, quantity: "spacing" },
];
const planted: readonly LayoutField[] = [
  { key: "rows", label: "Rows of plants on each", unit: "rows" },
  { key: "inRowM", label: "From plant to plant in a row", quantity: "spacing" },
];
const alongLines: readonly LayoutField[] = [
  { key: "linesPerBed", label: "Drip lines on each", unit: "lines" },
  { key: "dripperSpacingM", label: "From dripper to dripper", quantity: "spacing" },
  { key: "dripperLh", label: "A dripper gives", quantity: "flow" },
];
const TO_THE_NEXT = "From the middle of one to the next";

/** The questions of size, planting and watering in the words of each system. */
export const LAYOUTS: Record<System, LayoutWords> = {
  substrate: {
    big: size("rows", TO_THE_NEXT),
    planted,
    watered: [
      { key: "drippersPerPlant", label: "Drippers at a plant", unit: "drippers" },
      { key: "dripperLh", label: "A dripper gives", quantity: "flow" },
    ],
    vessels: {
      bag: holding("bags"),
      slab: holding("slabs"),
      pot: holding("pots"),
      trough: holding("troughs"),
    },
  },
  "soil-drip": {
    big: size("beds", TO_THE_NEXT),
    planted,
    watered: alongLines,
    vessels: {},
  },
  "solution-tank": {
    big: size("tanks", "Each so wide"),
    planted,
    watered: [],
    vessels: {
      float: standing("floats on a tank"),
      deep: standing("deep tank, air above the level"),
      film: returning("film in a sloping channel"),
      channel: returning("trough with a return"),
    },
  },
  "sub-irrigated-bench": {
    big: size("benches", "Each so wide"),
    planted,
    watered: [],
    vessels: {
      table: holding("pots on tables"),
      mat: holding("pots on mats"),
    },
  },
  "buried-drip": {
    big: size("beds", TO_THE_NEXT),
    planted,
    watered: alongLines,
    vessels: {},
  },
  basin: {
    big: size("basins", "Each so wide"),
    planted,
    watered: [],
    vessels: {},
  },
};
