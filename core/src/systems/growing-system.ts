import type { PondRule } from "../crop/practice.ts";
import type { LayoutStart } from "../site/layout-starts.ts";
import type { Vessel } from "../site/stand.ts";
import type { Store } from "../rootzone/store.ts";
import type { Policy } from "./asked.ts";
import type { ZoneDefinition } from "../site/zone.ts";

/** One figure of a zone that a person types. */
export interface Field {
  readonly key: string;
  /** as messages call it */
  readonly name: string;
  /** the canonical one, as it stands behind a number; empty where it is counted */
  readonly unit: string;
  readonly least: number;
  readonly most: number;
  readonly whole?: true;
  /** what a new zone starts from and what that rests on; none for what only its grower knows */
  readonly start?: { readonly value: number; readonly source: string };
}

/** The roots of the crop that stands in a zone, on a day. */
export interface Roots {
  readonly depthM: number;
  /** share of the available water that is easy to take, FAO-56 p under the day's demand; null: all of it */
  readonly depletionFraction: number | null;
  /** dry-down wished by the stage, % of the available water */
  readonly drierPct: number;
  /** where the drippers were set, cm from the stem; null, or left out: at it, or nobody said */
  readonly fromStemCm?: number | null | undefined;
  /** how the stage keeps a basin's water; null, or left out: by the tube */
  readonly pond?: PondRule | null | undefined;
}

/** Where water is given, and how far it is filled, mm missing. */
export interface Marks {
  readonly triggerMm: number;
  readonly leaveMm: number;
}

/** What a person may read of a root zone without digging. */
export interface Seen {
  /** cm above the soil or the tank's floor; below the soil negative, as a tube shows it */
  readonly levelCm?: number | undefined;
  readonly heldLPlant?: number | undefined;
}

/** One way to grow: all that the program must know of it. The six are listed in `SYSTEMS`. */
export interface GrowingSystem<Z extends ZoneDefinition> {
  readonly id: Z["system"];
  /** beside those that every zone has */
  readonly fields: readonly Field[];
  store(zone: Z, roots: Roots): Store;
  marks(zone: Z, store: Store, roots: Roots): Marks;
  /** what shows when so much is missing, mm */
  seen(zone: Z, missingMm: number): Seen;
  /** the other way round: mm missing where so much was read; null for what this system does not show */
  missingMm(zone: Z, seen: Seen): number | null;
  /** whether water may be given on a date at all */
  watersOn?(zone: Z, date: string): boolean;
  /** a stand that is usual for it */
  readonly layout: LayoutStart;
  /** drippers give its water, and may be uneven */
  readonly dripped?: true;
  /** what is over runs out below and is read there: water comes in pulses that aim at a share of it */
  readonly drains?: true;
  /** what a flood does not leave in its pots runs back to source and tank */
  readonly returns?: true;
  /** roots hang in the solution itself: what is read of the feed is read in the tank */
  readonly inSolution?: true;
  /**
   * how its crop's demand is found where nobody says otherwise: by the canopy where roots always have water and pots stand on
   * less ground than leaves cover; by a reference surface times Kc on ground that the crop shares with bare soil
   */
  readonly demand: "canopy" | "reference";
  /**
   * share of the ground over which its root zone lies open to rain and sun, 0 to 1, by what it stands in where that was said;
   * all of it where left out
   */
  openShare?(zone: Z, vessel: Vessel | null): number;
  /** % of the ground whose surface its water wets; left out where no crop shares the ground with bare soil */
  wetsPct?(zone: Z): number;
  /** what decides on its water */
  readonly policy: Policy<Z>;
}
