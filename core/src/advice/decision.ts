import type { Correction } from "../irrigation/zone-water-input.ts";
import type { Finding } from "./judge.ts";

/** Where on the water's way something deviates. */
export type Station = "water" | "feed" | "run" | "roots" | "crop" | "harvest";

/** What a person decided about a finding. A later one about the same finding stands over an earlier one. */
export interface Decision {
  readonly id: number;
  readonly verdict: "accepted" | "changed" | "dismissed";
  /** instant */
  readonly decidedAt: string;
  /** date from which on its correction holds */
  readonly fromDate: string;
  readonly correction: Correction | null;
  readonly reason: string | null;
}

/** A decision with the zone and the finding that it is about. */
export interface ZoneDecision extends Decision {
  readonly zoneId: number;
  readonly cause: string;
  /** what the finding rests on: the instant of a reading, or a date */
  readonly about: string;
}

/** The decision alone, without its zone and what it is about. */
export function decisionOf({ zoneId: _zone, cause: _cause, about: _about, ...decision }: ZoneDecision): Decision {
  return decision;
}

/** Water of a zone's day in three figures. */
export interface DayOfWater {
  readonly litres: number;
  readonly pulses: number;
  readonly minutes: number;
}

/** A computed cure: what it changes on the first day on which it can be in force. */
export interface Proposal {
  readonly correction: Correction;
  readonly fromDate: string;
  /** null where there is no plan */
  readonly before: DayOfWater | null;
  readonly after: DayOfWater | null;
}

/** What deviates at a station, what would put it right, and what was decided about it. */
export interface OpenFinding {
  readonly station: Station;
  readonly finding: Finding;
  /** what it rests on: the instant of a reading, or a date; a finding of something newer is decided anew */
  readonly about: string;
  readonly proposal: Proposal | null;
  readonly decision: Decision | null;
}
