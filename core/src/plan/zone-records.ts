import type { ZoneDecision } from "../advice/decision.ts";
import type { WeatherOfDay } from "../climate/weather-again.ts";
import type { Uptake } from "../course/day-hours.ts";
import type { Grown } from "../crop/grown.ts";
import type { Standing } from "../crop/planting.ts";
import type { Watering } from "../irrigation/watering.ts";
import type { ReadingKind } from "../rootzone/reading-kinds.ts";
import type { Layout } from "../site/stand.ts";
import type { Place, ZoneDefinition } from "../site/zone.ts";
import type { DemandChoice } from "./demand-choice.ts";

/** A zone as its plans need it: its ground and valve, its house, and its plantings as they grow. */
export interface PlannedZone {
  readonly id: number;
  readonly name: string;
  readonly houseId: number;
  readonly house: {
    /** light that the cover lets through, % */
    readonly transmissionPct: number;
    /** rain that the cover lets through, %; null where nobody has said */
    readonly rainThroughPct?: number | null | undefined;
  };
  readonly definition: ZoneDefinition;
  /** fields that stand at their usual value, which nobody has confirmed */
  readonly unconfirmed: readonly string[];
  readonly layout: Pick<Layout, "vessel"> | null;
  /** way to its demand that somebody chose; null for the usual one */
  readonly demand: DemandChoice | null;
  readonly grown: readonly Grown[];
}

/** Latest reading of each kind on a day. */
export type DayReadings = Partial<Record<ReadingKind, { readonly value: number; readonly atMs: number }>>;

/** Log of a zone on a day: all that was given, in order of time, and what was last read. */
export interface DayLog {
  readonly waterings: readonly Watering[];
  readonly readings: DayReadings;
}
/** The log of a zone on a date; an empty one where nothing was logged. */
export type LogOf = (zoneId: number, date: string) => DayLog;

/** Nitrogen of a zone on a day, kg/ha of its ground. */
export interface NitrogenFacts {
  /** worked in or injected */
  readonly givenKgHa: number;
  /** set free by soil, manure and residues in a year */
  readonly yearKgHa: number;
  /** all that a soil test found within the roots' reach; null on days without one */
  readonly measuredKgHa: number | null;
  /** that the crop would take up; null where nobody has said what is aimed at */
  readonly wantedKgHa: number | null;
}

/** Everything stored that the days of zones stand on, for all zones that are planned at once. */
export interface PlanRecords<Zone extends PlannedZone = PlannedZone> {
  readonly place: Place;
  /** by date */
  readonly weather: ReadonlyMap<string, WeatherOfDay>;
  readonly logOf: LogOf;
  /** what is solved in the water of a zone on a date; null where it is not fed from tanks */
  fedOn(zone: Zone, date: string): Uptake | null;
  /** nitrogen that comes to a zone beside its water, and what its crop would take of it; null where nobody keeps books of it */
  nitrogenOn(zone: Zone, date: string, standing: Standing): NitrogenFacts | null;
  /** pieces taken of a zone on a date */
  takenOn(zoneId: number, date: string): number;
  /** zones whose drain was read at some time */
  readonly drainWasRead: ReadonlySet<number>;
  /** in the order in which they were taken */
  readonly decisions: readonly ZoneDecision[];
  /** the place's date now: days before it are over */
  readonly today: string;
}
