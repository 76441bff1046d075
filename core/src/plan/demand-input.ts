import type { HouseAir, WeatherHour } from "../climate/weather-hours.ts";
import type { Crop } from "../crop/crop.ts";
import type { CropState } from "../crop/stage-on.ts";
import type { Place, System } from "../site/zone.ts";
import type { WorkingStep } from "../working/working.ts";
import type { Origin, WorkingInput } from "../working/origin.ts";
import type { DemandChoice } from "./demand-choice.ts";

export interface DemandInput {
  readonly system: System;
  readonly place: Place;
  readonly date: string;
  /** the hours of the local day, in order */
  readonly hours: readonly WeatherHour[];
  readonly air: readonly HouseAir[];
  readonly transmissionPct: number;
  readonly transmissionOrigin: Origin;
  /** % of the crop's demand that a mulch saves, where one lies on the ground */
  readonly mulch?: { readonly savesPct: number; readonly origin: Origin } | undefined;
  /** the way to demand; the usual one of its system when left out */
  readonly choice?: DemandChoice | null | undefined;
  /** share of the ground over which pots lie open, where its plants stand in pots */
  readonly openShare?: number | undefined;
  /** % of the ground whose surface its water wets, where the crop shares it with bare soil */
  readonly wetsPct?: number | undefined;
  /** share of the zone's ground that is planted and of whose plants none was taken */
  readonly standing?: number | undefined;
  readonly crop: Crop;
  readonly cropState: CropState;
  /** whether anybody reads how it arose; they do unless said otherwise */
  readonly told?: boolean | undefined;
}

/** What the crop would take up in a day with ample water. */
export interface Demand {
  readonly demandMm: number;
  /** the same by the hour */
  readonly hourlyMm: readonly { readonly startMs: number; readonly mm: number }[];
  readonly solarOutsideMjM2: number;
  readonly lightSumMolM2: number;
  readonly et0Mm?: number;
  readonly warnings: readonly string[];
  readonly working: readonly WorkingStep[];
  readonly inputs: readonly WorkingInput[];
}

/** What a method finds, before it is fitted and told of. */
export type CoreDemand = Pick<Demand, "demandMm" | "hourlyMm" | "et0Mm">;

export function library({ source, assumed }: { source: string; assumed?: true }): Origin {
  return { kind: "library", source, assumed: assumed ?? false };
}
