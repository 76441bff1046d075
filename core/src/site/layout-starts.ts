import type { Layout, Vessel } from "./stand.ts";

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

/** A usual stand, in metres and L/h; how many beds and how long only its grower knows. */
export type LayoutStart = Omit<Layout, "beds" | "lengthM"> & { readonly vessel: Vessel | null };

/** Beds without drip lines, to start from. */
export const NOTHING_DRIPS = {
  offset: false,
  linesPerBed: 0,
  dripperSpacingM: 0.2,
  dripperLh: 0,
  drippersPerPlant: 0,
  vessel: null,
};
