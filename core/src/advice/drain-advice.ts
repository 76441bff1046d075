import { shareAgainstSalt, shareFactor } from "../irrigation/substrate-correction.ts";
import type { Correction } from "../irrigation/zone-water-input.ts";
import { fill, showNumber, Worksheet, type WorkingStep } from "../working/working.ts";
import { isOffShare, judgeDrain, type Finding } from "./judge.ts";

/** A day that is over, by its meter and its drain. */
export interface MeteredDay {
  /** % of the water given */
  readonly drainPct: number;
  /** L/m² */
  readonly givenMm: number;
  /** L/m² that the model foresaw, before any correction */
  readonly modelDemandMm: number;
}

/** A reading at the drain, and what is known of the days around it. */
export interface DrainReading {
  readonly drainPct: number;
  /** mS/cm; null where only the share was read: then nothing is said of salt */
  readonly drainEcMsCm: number | null;
  readonly feedEcMsCm: number | null;
  /** drain target of the stage, % */
  readonly stageTargetPct: number;
  /** what the day of the reading was planned with */
  readonly inForce: Correction;
  /** the day of the reading, once it is over and was metered */
  readonly own?: MeteredDay | undefined;
  /** up to three such days, the newest last, the reading's own among them */
  readonly days: readonly MeteredDay[];
  /** whether anybody reads how it arose; they do unless said otherwise */
  readonly told?: boolean | undefined;
}

export interface DrainAdvice {
  readonly finding: Finding;
  /** the one cure, in force from the day after the reading when it is accepted; null when waiting for the next reading is wiser */
  readonly correction: Correction | null;
  readonly working: readonly WorkingStep[];
}

/** Corrections, however often they are accepted, stay inside these: beyond, the zone's description is wrong. */
const LEAST_DEMAND_FACTOR = 0.5;
const MOST_DEMAND_FACTOR = 2;
/** Days differ by this much on their own, as the substrate starts fuller or emptier; our own caution. */
const NOISE = 0.04;

/**
 * What a drain reading says is off, and the one correction that puts it right.
 *
 * A share that is off because more or less water came than planned is no cause of its own: the delivery is. A low share
 * with a high drain EC is one cause; salt is let out only if it would stay too high at the restored share. By meter the
 * uptake is taken over several days, so that one odd day does not throw the plan about.
 *
 * @returns null when nothing is off, or when the day's delivery explains it
 */
export function adviseDrain(reading: DrainReading): DrainAdvice | null {
  const { drainPct, drainEcMsCm, feedEcMsCm, stageTargetPct, inForce, own } = reading;
  const targetPct = inForce.drainSharePct ?? stageTargetPct;
  const finding = judgeDrain(drainPct, targetPct, drainEcMsCm, feedEcMsCm);
  if (!finding || (finding.cause !== "salt" && own && explains(own, inForce))) return null;
  const sheet = new Worksheet(reading.told);
  const demandFactor = demandFactorOf(reading, targetPct, sheet);
  const drainShare =
    drainEcMsCm === null || feedEcMsCm === null
      ? stageTargetPct
      : 100 * shareAgainstSalt(stageTargetPct / 100, meanShare(reading), { drainEcMsCm, feedEcMsCm }, sheet);
  const drainSharePct = drainShare > stageTargetPct + 0.5 ? drainShare : null;
  const same =
    Math.abs(demandFactor / inForce.demandFactor - 1) < NOISE &&
    Math.abs((drainSharePct ?? stageTargetPct) - targetPct) < 1;
  return {
    finding: same && finding.mark === "act" ? { ...finding, mark: "watch" } : finding,
    correction: same ? null : { demandFactor, drainSharePct },
    working: sheet.steps,
  };
}

/** Whether what the meter shows, with the uptake in force, leads to the drain that was read. */
function explains({ drainPct, givenMm, modelDemandMm }: MeteredDay, inForce: Correction): boolean {
  return !isOffShare(drainPct, 100 * Math.max(0, 1 - (inForce.demandFactor * modelDemandMm) / givenMm));
}

function meanShare({ drainPct, days }: DrainReading): number {
  if (days.length === 0) return drainPct / 100;
  const given = days.reduce((sum, day) => sum + day.givenMm, 0);
  return days.reduce((sum, day) => sum + (day.givenMm * day.drainPct) / 100, 0) / given;
}

function demandFactorOf({ drainPct, days, inForce, own }: DrainReading, targetPct: number, sheet: Worksheet): number {
  const within = (factor: number): number => Math.min(Math.max(factor, LEAST_DEMAND_FACTOR), MOST_DEMAND_FACTOR);
  if (own) {
    const taken = days.map((day) => day.givenMm * (1 - day.drainPct / 100));
    const sum = (values: readonly number[]): number => values.reduce((total, value) => total + value, 0);
    return sheet.note(
      "Uptake against the model",
      "f = Σ given · (1 − drain share) / Σ modelled demand, within 0.5 to 2",
      `(${taken.map((mm) => showNumber(mm)).join(" + ")}) ÷ (${days.map((day) => showNumber(day.modelDemandMm)).join(" + ")})`,
      within(sum(taken) / sum(days.map((day) => day.modelDemandMm))),
      "",
      "water balance of the substrate by the zone's own meter and drain",
    );
  }
  const factor = shareFactor(drainPct / 100, targetPct / 100, sheet);
  return sheet.note(
    "Uptake against the model",
    "f in force · f, within 0.5 to 2",
    fill`${inForce.demandFactor} × ${factor}`,
    within(inForce.demandFactor * factor),
    "",
    "in force until the next correction",
  );
}
