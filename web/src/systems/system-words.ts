import type { Roots } from "@sprunel/contract/rootzone";
import type { Quantity } from "@sprunel/core/units";
import type { Shown } from "../units/show.ts";
import type { ReadingField } from "./reading-field.ts";

export type DrainedRoots = Extract<Roots, { kind: "drained" }>;
export type StoredRoots = Extract<Roots, { kind: "stored" }>;
export type Show = (quantity: Quantity, value: number) => Shown;

/** A state in as few words as a table has room for. */
export interface State {
  readonly key: Shown;
  readonly sub: string;
}

/** How a growing system is spoken of: what every page may need of it. */
export interface SystemWords {
  /** as a list of zones calls it */
  readonly name: string;
  /** it grows in the ground, whose soil is tested */
  readonly inSoil?: true;
  /** what is read at its root zone, in the order of the walk; empty where there is nothing to read */
  readonly readings: readonly ReadingField[];
  /** @param byWater the state of its water, also where another figure tells more of it */
  state(roots: StoredRoots, show: Show, byWater: boolean): State;
}
