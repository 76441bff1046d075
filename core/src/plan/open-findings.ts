import { decisionOf, type DayOfWater, type OpenFinding, type Proposal, type Station } from "../advice/decision.ts";
import { judgeDelivery, judgeDepletion, judgeDosing, type Finding } from "../advice/judge.ts";
import type { Correction } from "../irrigation/zone-water-input.ts";
import { litresGiven } from "../irrigation/watering.ts";
import { addDays } from "../time/local-time.ts";
import type { RootZoneState } from "./root-zone-state.ts";
import { DRAIN_READING_DAYS, type Plan, type PlannedDay, type ZonePlanner } from "./zone-planner.ts";

/** Findings of a zone on a date, by station: what deviates, its cure, and what was decided about it. */
export function findingsOf(
  planner: ZonePlanner,
  planned: PlannedDay,
  roots: RootZoneState,
  date: string,
): OpenFinding[] {
  const findings: OpenFinding[] = [];
  const add = (station: Station, about: string, finding: Finding | null, proposal: Proposal | null = null): void => {
    if (!finding) return;
    const decision = planner.decision(finding.cause, about);
    findings.push({ station, finding, about, proposal, decision: decision && decisionOf(decision) });
  };
  // Of a day to come nobody can have read anything yet, and nothing is short before it begins.
  const begun = date <= planner.today;
  if (roots.kind === "stored") {
    if (begun) add("roots", date, judgeDepletion(roots.depletionMm, roots.triggerMm));
  } else {
    const drain = planner.drainAdvice(date);
    if (!drain && planner.drainWasRead && begun)
      add("roots", date, { cause: "no-drain-reading", mark: "watch", days: DRAIN_READING_DAYS });
    else if (drain?.advice)
      add(
        "roots",
        drain.at,
        drain.advice.finding,
        drain.advice.correction && proposalOf(planner, drain.on, date, drain.advice.correction),
      );
  }
  const { dripEcMsCm, feedEcMsCm } = planner.lastRead(date, 1, (reading) => reading.dripEcMsCm)?.reading ?? {};
  if (dripEcMsCm && feedEcMsCm) {
    const about = new Date(dripEcMsCm.atMs).toISOString();
    add("feed", about, judgeDosing(dripEcMsCm.value, feedEcMsCm.value));
  }
  const { water, wantedL } = planned.day;
  const yesterday = addDays(date, -1);
  const before = planner.plan(yesterday);
  const logged = planner.logged(yesterday);
  if (logged.length > 0 && typeof before !== "string")
    add("run", yesterday, judgeDelivery(litresGiven(logged), before.day.water.litres));
  const unmetL = wantedL - water.litres;
  if (unmetL > 0.5) add("run", date, { cause: "window-short", mark: "act", unmetL });
  return findings;
}

/** What a correction changes on the first day on which it can be in force: the day after the reading, never one that is over. */
function proposalOf(planner: ZonePlanner, readOn: string, date: string, correction: Correction): Proposal {
  const dayAfter = addDays(readOn, 1);
  const fromDate = dayAfter > date ? dayAfter : date;
  return {
    correction,
    fromDate,
    before: dayOfWater(planner.plan(fromDate)),
    after: dayOfWater(planner.withCorrection(correction, fromDate).plan(fromDate)),
  };
}

function dayOfWater(planned: Plan): DayOfWater | null {
  if (typeof planned === "string") return null;
  const { water } = planned.day;
  return { litres: water.litres, pulses: water.events.length, minutes: water.minutesTotal };
}
