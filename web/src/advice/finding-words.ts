import type { Decision, Finding, Proposal } from "@sprunel/contract/advice";
import type { Quantity } from "@sprunel/core/units";
import { showDigits, type Shown } from "../units/show.ts";
import type { Dates } from "../units/dates.tsx";

interface FindingWords {
  readonly title: string;
  readonly reason: string;
  readonly next: string;
}

/** What deviates, why, and what to do, in plain words and the person's units. */
export function findingWords(finding: Finding, show: (quantity: Quantity, value: number) => Shown): FindingWords {
  const amount = (quantity: Quantity, value: number): string => {
    const { text, unit } = show(quantity, value);
    return `${text} ${unit}`;
  };
  switch (finding.cause) {
    case "drain-low":
      return {
        title: "too little drain",
        reason: `Drain ${showDigits(finding.drainPct)} % of a target of ${Math.round(finding.targetPct)} %${atEc(finding.drainEcMsCm)}.`,
        next: "Check that every dripper runs.",
      };
    case "drain-high":
      return {
        title: "too much drain",
        reason: `Drain ${showDigits(finding.drainPct)} % of a target of ${Math.round(finding.targetPct)} %${atEc(finding.drainEcMsCm)}.`,
        next: "Check that the tray stands under its own drippers only.",
      };
    case "salt":
      return {
        title: "salt is building up",
        reason: `Drain EC ${showDigits(finding.drainEcMsCm)} mS/cm over a feed of ${showDigits(finding.feedEcMsCm)} mS/cm.`,
        next: "More water runs out until the drain is back under 1.5 times the feed.",
      };
    case "dosing": {
      const off = Math.round(100 * (finding.dripEcMsCm / finding.feedEcMsCm - 1));
      return {
        title: off < 0 ? "the feed arrives too weak" : "the feed arrives too strong",
        reason: `Drip EC ${showDigits(finding.dripEcMsCm)} mS/cm, ${Math.abs(off)} % ${off < 0 ? "under" : "over"} the mixed ${showDigits(finding.feedEcMsCm)} mS/cm.`,
        next: "Look at the doser; Feed tells which tank, by EC and pH.",
      };
    }
    case "too-dry":
      return {
        title: "drier than its trigger",
        reason: `${amount("waterDepth", finding.depletionMm)} short, with the trigger at ${amount("waterDepth", finding.triggerMm)}.`,
        next: "Water it as planned and check the valve.",
      };
    case "delivery": {
      const off = Math.round((100 * (finding.givenL - finding.plannedL)) / finding.plannedL);
      return {
        title: off < 0 ? `${-off} % less water than planned` : `${off} % more water than planned`,
        reason: `The meter shows ${amount("volume", finding.givenL)} of ${amount("volume", finding.plannedL)} for the day before.`,
        next: off < 0 ? "Check filter, pressure and valve." : "Look for a leak or an open flush valve.",
      };
    }
    case "window-short":
      return {
        title: "the window is too short",
        reason: `${amount("volume", finding.unmetL)} do not fit between first and last water.`,
        next: "Widen the window in set-up.",
      };
    case "no-drain-reading":
      return {
        title: "no drain reading",
        reason: `Nothing was read at the drain for ${finding.days} days.`,
        next: "Measure drain share and EC today.",
      };
  }
}

function atEc(ecMsCm: number | null): string {
  return ecMsCm === null ? "" : `, at EC ${showDigits(ecMsCm)} mS/cm`;
}

type Show = (quantity: Quantity, value: number) => Shown;

/** The computed cure in one sentence: what the first day with it gets, and what it would get without. */
export function proposalWords({ correction, before, after }: Proposal, show: Show, on: string): string {
  const drain =
    correction.drainSharePct === null ? "" : `, letting ${showDigits(correction.drainSharePct)} % run out against salt`;
  if (!before || !after) return `From ${on}: ${showDigits(correction.demandFactor)} times the modelled uptake${drain}.`;
  const water = ({ litres, pulses }: NonNullable<Proposal["before"]>): string => {
    const { text, unit } = show("volume", litres);
    return `${text} ${unit} in ${pulses} ${pulses === 1 ? "pulse" : "pulses"}`;
  };
  return `From ${on}: ${water(after)}, not ${water(before)}${drain}.`;
}

export function decisionWords(
  { verdict, decidedAt, fromDate, correction, reason }: Decision,
  date: (instant: string) => string,
  dates: Dates,
): string {
  const when = date(decidedAt);
  if (verdict === "dismissed") return `Left on ${when}: ${reason ?? ""}`;
  const factor = correction ? ` at ${showDigits(correction.demandFactor)} times the model` : "";
  return `${verdict === "accepted" ? "Accepted" : "Changed"} on ${when}, in force from ${dates.show(fromDate, "weekday")}${factor}.`;
}
