import { Checks } from "../working/checks.ts";
import { isCalendarDate } from "../climate/reference-et-input.ts";
import { minuteText, type Span } from "../time/clock.ts";
import type { DemandCurve } from "./pulses.ts";

export interface SubstrateNeeds {
  /** L that a plant's share of the substrate holds at container capacity */
  readonly waterHeldLPlant: number;
  /** % of the water held that one pulse replaces */
  readonly pulseSharePct: number;
  /** % of what is given that is to run out */
  readonly drainTargetPct: number;
  readonly yesterday?: Yesterday | undefined;
  /** decided by a person, in place of what yesterday's drain would say. Not part of the HTTP contract. */
  readonly correction?: Correction | undefined;
}

/** How a zone's own plants and drain differ from the model. */
export interface Correction {
  /** times the modelled demand, 0.5 to 2 */
  readonly demandFactor: number;
  /** % that is to run out against salt; null for the target of the stage */
  readonly drainSharePct: number | null;
}

/** The model as it stands. */
export const NO_CORRECTION: Correction = { demandFactor: 1, drainSharePct: null };

/** What was measured at the drain yesterday. */
export interface Yesterday {
  readonly drainPct: number;
  readonly drainEcMsCm: number;
  readonly feedEcMsCm: number;
}

export interface SoilNeeds {
  /** mm missing from field capacity this morning, over the zone's ground */
  readonly depletionMm: number;
  /** mm between field capacity and wilting point in the rooted depth, were all of it wetted */
  readonly totalAvailableMm: number;
  /** % of the available water that may be gone before water is given */
  readonly triggerPct: number;
  /** % of the available water that stands in the root zone after watering */
  readonly refillPct: number;
  /** % of the ground that the emitters wet */
  readonly wettedPct: number;
  readonly ecWaterMsCm: number;
  /** EC of the saturated extract at which this crop yields nothing */
  readonly ecZeroYieldMsCm: number;
  readonly rainMm?: number | undefined;
}

export interface ZoneWaterInput {
  readonly system: "substrate" | "soil-drip";
  /** `YYYY-MM-DD` */
  readonly date: string;
  readonly areaM2: number;
  readonly plants: number;
  /** L/h of the whole zone, by its meter or by its emitters */
  readonly zoneFlowLh: number;
  /** emission uniformity, % */
  readonly uniformityPct: number;
  readonly demandMm?: number | undefined;
  readonly et0Mm?: number | undefined;
  readonly kc?: number | undefined;
  readonly substrate?: SubstrateNeeds | undefined;
  readonly soil?: SoilNeeds | undefined;
  /** in which it may be watered */
  readonly window: Span;
  readonly minGapMin: number;
  /** share of the day's demand that has arisen by a time; not part of the HTTP contract */
  readonly demandCurve?: DemandCurve | undefined;
}

/**
 * Refuses what cannot be, with every fault at once.
 *
 * @throws {DomainError}
 */
export function checkZoneWaterInput(input: ZoneWaterInput): void {
  const { startS, endS } = input.window;
  const checks = new Checks()
    .when(
      !isCalendarDate(input.date),
      "not-possible",
      "date",
      `${input.date} is not a date of the calendar; write it as 2026-07-06.`,
    )
    .range("areaM2", "The zone's area", input.areaM2, 0.01, 1e7, "m²")
    .range("plants", "The number of plants", input.plants, 1, 1e8)
    .range("zoneFlowLh", "The zone's flow", input.zoneFlowLh, 0.01, 1e6, "L/h")
    .range("uniformityPct", "Uniformity", input.uniformityPct, 30, 100, "%")
    .range("minGapMin", "The gap between pulses", input.minGapMin, 0, 1440, "minutes")
    .range("demandMm", "Demand", input.demandMm, 0, 25, "L/m² in the day")
    .range("et0Mm", "Reference evapotranspiration", input.et0Mm, 0, 20, "mm in the day")
    .range("kc", "The crop coefficient", input.kc, 0, 2)
    .when(
      startS >= endS,
      "order-reversed",
      "window.end",
      `The window ends at ${minuteText(endS)}, not after it starts at ${minuteText(startS)}.`,
    );
  checkDemand(checks, input);
  if (input.system === "substrate") checkSubstrate(checks, input.substrate);
  else checkSoil(checks, input.soil);
  checks.done();
}

function checkDemand(checks: Checks, { demandMm, et0Mm, kc }: ZoneWaterInput): void {
  const both = demandMm !== undefined && (et0Mm !== undefined || kc !== undefined);
  checks.when(
    both,
    "not-possible",
    "demandMm",
    "Give either the demand, or reference evapotranspiration with a crop coefficient, not both.",
  );
  if (demandMm === undefined)
    checks
      .present("et0Mm", "The demand, or reference evapotranspiration,", et0Mm)
      .present("kc", "The demand, or a crop coefficient,", kc);
}

function checkSubstrate(checks: Checks, substrate: SubstrateNeeds | undefined): void {
  checks
    .present("substrate", "What the substrate holds", substrate)
    .range("substrate.waterHeldLPlant", "The water held per plant", substrate?.waterHeldLPlant, 0.001, 1000, "L")
    .range("substrate.pulseSharePct", "The share of a pulse", substrate?.pulseSharePct, 0.1, 50, "%")
    .range("substrate.drainTargetPct", "The drain target", substrate?.drainTargetPct, 0, 70, "%")
    .range("substrate.yesterday.drainPct", "Yesterday's drain share", substrate?.yesterday?.drainPct, 0, 95, "%")
    .range("substrate.yesterday.drainEcMsCm", "Yesterday's drain EC", substrate?.yesterday?.drainEcMsCm, 0, 20, "mS/cm")
    .range("substrate.yesterday.feedEcMsCm", "Yesterday's feed EC", substrate?.yesterday?.feedEcMsCm, 0, 20, "mS/cm");
}

function checkSoil(checks: Checks, soil: SoilNeeds | undefined): void {
  // What is missing over the ground is missing from its wetted share: no more can be than that share holds.
  const heldMm = soil ? (soil.totalAvailableMm * Math.min(100, soil.wettedPct)) / 100 : NaN;
  checks
    .present("soil", "The state of the soil", soil)
    .range("soil.totalAvailableMm", "The total available water", soil?.totalAvailableMm, 0.1, 1000, "mm")
    .range(
      "soil.depletionMm",
      "The depletion",
      soil?.depletionMm,
      0,
      Number.isFinite(heldMm) && heldMm > 0 ? heldMm : 1000,
      "mm (the available water of the wetted share)",
    )
    .range("soil.triggerPct", "The trigger", soil?.triggerPct, 1, 100, "%")
    .range("soil.refillPct", "The refill", soil?.refillPct, 1, 100, "%")
    .range("soil.wettedPct", "The wetted share", soil?.wettedPct, 0.1, 100, "%")
    .range("soil.ecWaterMsCm", "The water's EC", soil?.ecWaterMsCm, 0, 20, "mS/cm")
    .range("soil.ecZeroYieldMsCm", "The extract EC at zero yield", soil?.ecZeroYieldMsCm, 0.1, 60, "mS/cm")
    .range("soil.rainMm", "Rain", soil?.rainMm, 0, 500, "mm")
    .when(
      soil !== undefined && soil.ecWaterMsCm >= soil.ecZeroYieldMsCm,
      "not-possible",
      "soil.ecWaterMsCm",
      `Water of ${soil?.ecWaterMsCm} mS/cm leaves half of itself as leaching or more: this crop yields nothing at an extract of ${soil?.ecZeroYieldMsCm} mS/cm. Mix it with better water.`,
    );
}
