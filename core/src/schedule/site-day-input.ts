import type { Span } from "../time/clock.ts";
import type { Main, MainZone } from "./main.ts";

/** What a zone asks of a day: its litres, in how many pulses, when, and with what in them. */
export interface AskedZone extends MainZone {
  readonly litres: number;
  /** wanted starts, s from midnight, in order: one for each pulse */
  readonly wantedS: readonly number[];
  readonly window: Span;
  readonly minGapMin: number;
  /** what is mixed into its water; null for plain water */
  readonly recipe: string | null;
  /** water that it got on this day beside any plan */
  readonly given?: readonly { readonly startS: number; readonly litres: number }[];
  /** what of the root zone's available water is gone this morning, and holds in all, L over the zone; left out where not known */
  readonly roots?: { readonly goneL: number; readonly availableL: number };
  /** a dose that goes into its water today, and how long fill, injection and flush take together */
  readonly dose: { readonly name: string; readonly minutes: number } | null;
}

/** A pulse of the day, by an id that it keeps. */
export interface SitePulse {
  readonly id: string;
  /** null of a run that belongs to no zone */
  readonly zoneId: number | null;
  /** the zone, or the run */
  readonly name: string;
  /** null where its water passes no mixer */
  readonly mixer: string | null;
  readonly recipe: string | null;
  /** the dose that goes into it */
  readonly dose: string | null;
  /** s from midnight */
  readonly startS: number;
  readonly lengthS: number;
  readonly litres: number;
  readonly lh: number;
  /** somebody set its time */
  readonly locked: boolean;
}

export interface SiteDayInput {
  readonly main: Main;
  readonly zones: readonly AskedZone[];
  /** of the day; before 0 it is still to come, after 86 400 it is over: then nothing is planned any more */
  readonly nowS: number;
  /** the plan before this one; what has begun stays, and what is locked */
  readonly kept: readonly SitePulse[];
  /** looks for the best day, wherever the earlier plan had its pulses */
  readonly afresh?: boolean | undefined;
  /** zones whose valve stays shut today */
  readonly excluded: readonly number[];
}

export interface Unmet {
  readonly zoneId: number | null;
  readonly name: string;
  readonly litres: number;
  readonly reason: string;
  readonly wayOut: string;
  /** of the root zone's available water that is gone by the evening without it, %; null where not known */
  readonly gonePct: number | null;
}

export interface SiteDay {
  readonly pulses: readonly SitePulse[];
  readonly unmet: readonly Unmet[];
  /** of the bound on what could be given at all; 0 when all is */
  readonly gapPct: number;
  readonly peakLh: number;
  /** of every pump that has a power: kWh of the whole day, and its price where that is known */
  readonly energy: readonly { readonly name: string; readonly kwh: number; readonly cost: number | null }[];
}
