import type { ZoneWater } from "../irrigation/deliver.ts";
import type { DemandCurve } from "../irrigation/pulses.ts";
import type { Correction } from "../irrigation/zone-water-input.ts";
import type { Crop } from "../crop/crop.ts";
import type { CropState } from "../crop/stage-on.ts";
import type { Store } from "../rootzone/store.ts";
import type { Span } from "../time/clock.ts";
import type { Worksheet } from "../working/working.ts";
import type { Marks } from "./growing-system.ts";

/** Something read of a root zone's water in the course of a day. */
export interface Read {
  /** hours from the day's beginning */
  readonly afterHours: number;
  readonly missingMm: number;
}

/** What a policy looks at: the zone's day, and its root zone as it stands in the morning. */
export interface Asked<Z> {
  readonly zone: Z;
  readonly date: string;
  readonly crop: Crop;
  readonly cropState: CropState;
  readonly store: Store;
  readonly marks: Marks;
  /** this morning; not changed */
  readonly state: Float64Array;
  /** what the day's weather asks for, hour by hour, in the slots of an hour; not changed */
  readonly hours: Float64Array;
  /** seconds from midnight at which each hour begins */
  readonly hourStartsS: readonly number[];
  /** what was read of its water in the course of the day */
  readonly reads: readonly Read[];
  readonly demandMm: number;
  /** share of the day's demand that has arisen by a time */
  readonly demandCurve: DemandCurve;
  /** local clock times */
  readonly window: Span;
  /** whether the zone may be watered on this date */
  readonly mayWater: boolean;
  readonly correction?: Correction | undefined;
}

/** Decides what a zone gets on a day: each growing system has one in force. It only asks; what runs is another matter. */
export type Policy<Z> = (asked: Asked<Z>, sheet: Worksheet) => ZoneWater;
