import type { Layout, Vessel } from "@sprunel/contract/site";
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

/** The questions of size, planting and watering in the words of a system. */
export interface Questions {
  readonly big: readonly LayoutField[];
  readonly planted: readonly LayoutField[];
  /** empty where nothing drips: then the pump's flow is asked */
  readonly watered: readonly LayoutField[];
  /** what roots live in, by kind, with what is asked of it; none in the ground */
  readonly vessels: Readonly<Partial<Record<Vessel["kind"], VesselWords>>>;
}

export interface VesselWords {
  readonly name: string;
  readonly fields: readonly LayoutField[];
}

/** A vessel with substrate in it. */
export const holding = (name: string): VesselWords => ({
  name,
  fields: [
    { key: "vessel.substrateL", label: "Substrate in one", quantity: "volume" },
    { key: "vessel.plants", label: "Plants in one", unit: "plants" },
    { key: "vessel.holdsPct", label: "Drained, it holds water", unit: "% of its volume" },
  ],
});

export const size = (beds: string, width: string): readonly LayoutField[] => [
  { key: "beds", label: `How many ${beds}`, unit: beds },
  { key: "lengthM", label: "Each so long", quantity: "length" },
  { key: "widthM", label: width, quantity: "spacing" },
];
export const planted: readonly LayoutField[] = [
  { key: "rows", label: "Rows of plants on each", unit: "rows" },
  { key: "inRowM", label: "From plant to plant in a row", quantity: "spacing" },
];
export const alongLines: readonly LayoutField[] = [
  { key: "linesPerBed", label: "Drip lines on each", unit: "lines" },
  { key: "dripperSpacingM", label: "From dripper to dripper", quantity: "spacing" },
  { key: "dripperLh", label: "A dripper gives", quantity: "flow" },
];
export const TO_THE_NEXT = "From the middle of one to the next";
