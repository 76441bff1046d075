import type { Layout, Vessel } from "./stand.ts";
import type { System } from "./zone.ts";

/** Vessels as they are usually bought and filled. Usual practice; the form shows them to be changed. */
export const VESSEL_STARTS: Readonly<Record<Vessel["kind"], Vessel>> = {
  bag: { kind: "bag", substrateL: 20, plants: 3, holdsPct: 60 },
  slab: { kind: "slab", substrateL: 15, plants: 3, holdsPct: 75 },
  pot: { kind: "pot", substrateL: 12, plants: 1, holdsPct: 40 },
  trough: { kind: "trough", substrateL: 60, plants: 6, holdsPct: 45 },
  table: { kind: "table", substrateL: 1, plants: 1, holdsPct: 45 },
  mat: { kind: "mat", substrateL: 1, plants: 1, holdsPct: 45 },
  float: { kind: "float", returnL: 0 },
  deep: { kind: "deep", returnL: 0 },
  film: { kind: "film", returnL: 1000 },
  channel: { kind: "channel", returnL: 1000 },
};

const NOTHING_DRIPS = {
  offset: false,
  linesPerBed: 0,
  dripperSpacingM: 0.2,
  dripperLh: 0,
  drippersPerPlant: 0,
  vessel: null,
};

/** A usual stand of each growing system, in metres and L/h; how many beds and how long only its grower knows. */
export const LAYOUT_STARTS: Readonly<
  Record<System, Omit<Layout, "beds" | "lengthM"> & { readonly vessel: Vessel | null }>
> = {
  substrate: {
    ...NOTHING_DRIPS,
    widthM: 1.6,
    rows: 1,
    inRowM: 0.3,
    drippersPerPlant: 1,
    dripperLh: 2,
    vessel: VESSEL_STARTS.bag,
  },
  "soil-drip": { ...NOTHING_DRIPS, widthM: 1.6, rows: 2, inRowM: 0.5, linesPerBed: 2, dripperLh: 1.1 },
  "solution-tank": { ...NOTHING_DRIPS, widthM: 1.25, rows: 5, inRowM: 0.25, vessel: VESSEL_STARTS.float },
  "sub-irrigated-bench": { ...NOTHING_DRIPS, widthM: 1.6, rows: 8, inRowM: 0.2, vessel: VESSEL_STARTS.table },
  "buried-drip": {
    ...NOTHING_DRIPS,
    widthM: 1.5,
    rows: 2,
    inRowM: 0.25,
    linesPerBed: 1,
    dripperSpacingM: 0.4,
    dripperLh: 1,
  },
  basin: { ...NOTHING_DRIPS, widthM: 12, rows: 48, inRowM: 0.2, offset: true },
};
