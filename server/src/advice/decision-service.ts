import type { NewDecision, OpenFinding } from "@sprunel/contract/advice";
import type { Knex } from "knex";
import { badInput } from "../http/problems.ts";
import type { PlanService } from "../plan/plan-service.ts";
import { decisionStore } from "./decision-store.ts";

export type DecisionService = ReturnType<typeof decisionService>;

/** What a person makes of a finding: its computed correction accepted or changed, or left with a reason. */
export function decisionService(db: Knex, plans: PlanService, clock: () => number, changed: () => void) {
  return {
    async decide(zoneId: number, decision: NewDecision, decidedAtMs = clock()): Promise<void> {
      const { findings } = await plans.zoneDay(zoneId, decision.date);
      const entry = findings.find(({ finding, about }) => finding.cause === decision.cause && about === decision.about);
      if (!entry)
        throw badInput([
          {
            path: "about",
            message:
              "This is no longer so: a newer reading or plan has taken its place. Look at the board again; nothing was decided.",
          },
        ]);
      await decisionStore(db).add({
        zoneId,
        cause: decision.cause,
        about: decision.about,
        verdict: decision.verdict,
        fromDate: entry.proposal?.fromDate ?? decision.date,
        correction: correctionOf(decision, entry),
        reason: decision.verdict === "dismissed" ? decision.reason : null,
        decidedAtMs,
      });
      changed();
    },
  };
}

function correctionOf(decision: NewDecision, { proposal }: OpenFinding) {
  if (decision.verdict === "dismissed") return null;
  if (!proposal)
    throw badInput([
      { path: "verdict", message: "Nothing was computed here that could be accepted; mend the cause or dismiss it." },
    ]);
  return decision.verdict === "changed" ? decision.correction : proposal.correction;
}
